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
  return sumTerms(text)?.reduce((sum, one) => sum + one, 0);
}

/**
 * The numbers of a sum with their signs, or undefined where any of it is none.
 *
 * @example sumTerms('3140-1210') // [3140, -1210]
 */
export function sumTerms(text: string): readonly number[] | undefined {
  const bare = text.replace(/[−–]/g, '-').replace(/\s+/g, ' ').trim();
  const signed = /^[+-]/.test(bare) ? bare : `+${bare}`;
  const terms = [...signed.matchAll(TERM)];
  if (terms.length === 0 || terms.map(([term]) => term).join('') !== signed) return undefined;
  const numbers = terms.map(([, sign, written = '']) => {
    const amount = numberFromText(written);
    return amount === undefined ? undefined : sign === '-' ? -amount : amount;
  });
  return numbers.every((one) => one !== undefined) ? numbers : undefined;
}
