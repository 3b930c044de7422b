import Big from 'big.js';
import { minorDigits } from './money.js';

/**
 * Splits an amount of money over weights so that the parts, each in whole minor units, add up to the whole: each gets its
 * share rounded down, and what is left goes one unit each to the largest remainders (docs/reckoning.md, "Cost").
 *
 * @param total major units, exact; rounded to the minor unit first, half away from zero
 * @param weights 0 or more; all 0 count as equal
 * @returns major units, in the order of the weights
 * @example allocate('10.00', [1, 1, 1], 'EUR').map(String) // ['3.34', '3.33', '3.33']
 */
export function allocate(total: Big | number | string, weights: readonly number[], currency: string): Big[] {
  if (weights.length === 0) return [];
  const unit = new Big(10).pow(-minorDigits(currency));
  const units = new Big(total).div(unit).round(0, Big.roundHalfUp);
  const sum = weights.reduce((all, weight) => all.plus(weight), new Big(0));
  const exact = weights.map((weight) => (sum.eq(0) ? units.div(weights.length) : units.times(weight).div(sum)));
  const whole = exact.map((share) => share.round(0, Big.roundDown));
  const left = units.minus(whole.reduce((all, share) => all.plus(share), new Big(0))).toNumber();
  const byRemainder = exact
    .map((share, i) => ({ i, remainder: share.minus(whole[i] ?? 0) }))
    .sort((a, b) => b.remainder.cmp(a.remainder) || a.i - b.i);
  const extra = new Set(byRemainder.slice(0, left).map(({ i }) => i));
  return whole.map((share, i) => share.plus(extra.has(i) ? 1 : 0).times(unit));
}
