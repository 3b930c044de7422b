import { roundHalfAway } from './roundHalfAway.js';

/** Shares of a cup that measuring cups come in, and spoons' quarters. */
const CUP_SHARES = [0, 1 / 4, 1 / 3, 1 / 2, 2 / 3, 3 / 4, 1] as const;

/**
 * The nearest amount that people can measure (docs/reckoning.md, "Scaling"): quarters of a teaspoon, measuring cups' shares, 5 g or
 * ml under 100 and 10 above, halves of what is counted. What is above nothing never becomes nothing.
 *
 * @param amount in the unit, 0 or more
 * @param unit as in the kitchen file
 * @returns the amount in the same unit
 * @example snapAmount(0.3, 'cup') // 1/3
 */
export function snapAmount(amount: number, unit: string): number {
  if (amount === 0 || unit === 'mg') return amount;
  if (unit === 'kg' || unit === 'l') return snapAmount(amount * 1000, 'g') / 1000;
  return unit === 'cup' ? snapCup(amount) : aboveNothing(amount, snapStep(amount, unit));
}

/**
 * The step that amounts of a unit are measured in, about an amount: whole multiples of it are what `snapAmount` leaves as they are
 * (of cups there are thirds besides).
 *
 * @param amount in the unit
 * @returns in the unit
 */
export function snapStep(amount: number, unit: string): number {
  if (unit === 'g' || unit === 'ml') return amount < 10 ? 1 : amount < 100 ? 5 : 10;
  if (unit === 'kg' || unit === 'l') return snapStep(amount * 1000, 'g') / 1000;
  if (unit === 'mg') return 10;
  // Half tablespoons there are; beyond three of them people count whole ones.
  if (unit === 'tbsp') return amount < 3 ? 0.5 : 1;
  const quarters = unit === 'tsp' || unit === 'cup' || unit === 'lb' || unit === 'pint' || unit === 'quart';
  return quarters ? 0.25 : 0.5;
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
