import { roundHalfAway } from './roundHalfAway.js';

/** Shares of a cup that measuring cups come in, and spoons' quarters. */
const CUP_SHARES = [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4, 1] as const;

/**
 * The nearest amount that people can measure (domain page, section 6): quarters of a spoon, measuring cups' shares, 5 g or
 * ml under 100 and 10 above, halves of what is counted. What is above nothing never becomes nothing.
 *
 * @param amount in the unit, 0 or more
 * @param unit as in the kitchen file
 * @returns the amount in the same unit
 * @example snapAmount(0.3, 'cup') // 1/3
 */
export function snapAmount(amount: number, unit: string): number {
  if (amount === 0) return 0;
  if (unit === 'g' || unit === 'ml') return aboveNothing(amount, amount < 10 ? 1 : amount < 100 ? 5 : 10);
  if (unit === 'kg' || unit === 'l') return snapAmount(amount * 1000, 'g') / 1000;
  if (unit === 'tsp' || unit === 'tbsp') return aboveNothing(amount, 0.25);
  if (unit === 'cup') return snapCup(amount);
  if (unit === 'oz' || unit === 'floz') return aboveNothing(amount, 0.5);
  if (unit === 'lb' || unit === 'pint' || unit === 'quart') return aboveNothing(amount, 0.25);
  return unit === 'mg' ? amount : aboveNothing(amount, 0.5);
}

function snapCup(amount: number): number {
  const whole = Math.floor(amount);
  const rest = amount - whole;
  const share = CUP_SHARES.reduce((nearest, one) => (Math.abs(one - rest) < Math.abs(nearest - rest) ? one : nearest));
  return whole + share === 0 ? 1 / 4 : whole + share;
}

function aboveNothing(amount: number, step: number): number {
  return Math.max(step, roundHalfAway(amount, step));
}
