import { numericQuantity } from 'numeric-quantity';
import { roundHalfAway } from './roundHalfAway.js';

const THIN_FRACTIONS: readonly (readonly [number, string])[] = [
  [1 / 8, '⅛'],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [3 / 8, '⅜'],
  [1 / 2, '½'],
  [5 / 8, '⅝'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [7 / 8, '⅞'],
];

/**
 * A number as cooks write it: "2", "1 1/2", "1½", "⅔", "0.75", "0,75", "1,200".
 *
 * A comma before exactly three digits with no zero ahead ("1,200") groups thousands; any other comma is a decimal one.
 *
 * @returns the number, or undefined when the text is no number
 * @example numberFromText('1 ½') // 1.5
 */
export function numberFromText(text: string): number | undefined {
  const bare = text.trim().replace(/⁄/g, '/');
  if (!/^[\d¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞.,/\s]+$/.test(bare)) return undefined;
  const grouped = /^[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/.test(bare);
  const pointed = grouped ? bare.replace(/,/g, '') : bare.replace(/,/g, '.');
  const parsed = numericQuantity(pointed, { round: false });
  return Number.isFinite(parsed) ? parsed : undefined;
}

/**
 * A number in words a cook reads: whole and common fractions ("1 ½"), else at most the given decimals.
 *
 * @param figure a number of 0 or more
 * @param decimals most decimals where no common fraction fits
 * @example cookText(2.6666666) // '2 ⅔'
 */
export function cookText(figure: number, decimals = 2): string {
  const whole = Math.floor(figure + 1e-6);
  const rest = figure - whole;
  if (Math.abs(rest) < 1e-3) return plainText(whole, 0);
  const fraction = THIN_FRACTIONS.find(([size]) => Math.abs(size - rest) < 2e-3);
  if (fraction && whole < 20) return whole === 0 ? fraction[1] : `${whole} ${fraction[1]}`;
  return plainText(figure, decimals);
}

/**
 * A number with a point, at most the given decimals and no trailing zeros.
 *
 * @example plainText(1.50, 2) // '1.5'
 */
export function plainText(figure: number, decimals: number): string {
  return String(roundHalfAway(figure, 10 ** -decimals));
}
