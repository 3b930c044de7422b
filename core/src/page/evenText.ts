/** Freed of odd spaces. */
export function evenText(text: string): string {
  return text.replace(/[\u00a0\u2000-\u200b\u202f\u3000\ufeff\s]+/gu, ' ').trim();
}
