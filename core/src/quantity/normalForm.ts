/** Accents that one letter can have: more are no writing of anybody's (Unicode, stream-safe text: 30). */
const MOST_ACCENTS = 30;
const TOO_MANY = new RegExp(String.raw`(\p{M}{${MOST_ACCENTS}})\p{M}+`, 'gu');

/**
 * A text in a Unicode normal form. Accents beyond the thirtieth on one letter are let go: putting thousands of them in order takes
 * time by their square.
 *
 * @example normalForm('cre\u0300me', 'NFC') // 'crème'
 */
export function normalForm(text: string, form: 'NFC' | 'NFD' | 'NFKC'): string {
  return text.replace(TOO_MANY, '$1').normalize(form);
}
