import type { NumberStyle } from '../recipe/index.js';

/** Decimal mark, and what stands between thousands: a space there does not break. */
const MARKS: Readonly<Record<NumberStyle, { readonly decimal: string; readonly thousands: string }>> = {
  en: { decimal: '.', thousands: ',' },
  de: { decimal: ',', thousands: '.' },
  fr: { decimal: ',', thousands: '\u00a0' },
  ch: { decimal: '.', thousands: '’' },
};

/**
 * Numbers within words that Portiona has written (with a point, without marks between thousands), as a language writes them.
 * Words of people are never to be put through this.
 *
 * @example numbersIn('de', 'at least 1234.5 g') // 'at least 1.234,5 g'
 * @example numbersIn('en', '950 kcal') // '950 kcal'
 */
export function numbersIn(style: NumberStyle, words: string): string {
  const { decimal, thousands } = MARKS[style];
  return words.replace(/\d+(?:\.\d+)?/g, (number) => {
    const [whole = '', rest] = number.split('.');
    const grouped = inThousands(whole).join(thousands);
    return rest === undefined ? grouped : `${grouped}${decimal}${rest}`;
  });
}

/** Digits in threes from the right. */
function inThousands(digits: string): readonly string[] {
  const first = digits.length % 3 || 3;
  return [digits.slice(0, first), ...(digits.slice(first).match(/\d{3}/g) ?? [])];
}
