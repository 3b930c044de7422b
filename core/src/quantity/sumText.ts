import { numberFromText } from './numberText.js';

/** One number of a sum with the sign before it. */
const TERM = /([+-])([^+-]+)/g;

/**
 * A number, or a sum of numbers, as it is written at a scale: the full pot less the empty one.
 *
 * @returns the number, or undefined where any of it is none
 * @example sumFromText('3140-1210') // 1930
 */
export function sumFromText(text: string): number | undefined {
  const bare = text.replace(/[−–]/g, '-').replace(/\s+/g, ' ').trim();
  const signed = /^[+-]/.test(bare) ? bare : `+${bare}`;
  const terms = [...signed.matchAll(TERM)];
  if (terms.length === 0 || terms.map(([term]) => term).join('') !== signed) return undefined;
  let sum = 0;
  for (const [, sign, written = ''] of terms) {
    const amount = numberFromText(written);
    if (amount === undefined) return undefined;
    sum += sign === '-' ? -amount : amount;
  }
  return sum;
}
