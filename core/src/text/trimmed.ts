/** A text without certain letters at either end; gone over once. */
export function trimmed(text: string, letters: string): string {
  let [from, to] = [0, text.length];
  while (from < to && letters.includes(text.charAt(from))) from++;
  while (to > from && letters.includes(text.charAt(to - 1))) to--;
  return text.slice(from, to);
}
