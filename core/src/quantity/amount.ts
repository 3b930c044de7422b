/** An amount as a cook writes it: a number, or a range of which both ends are kept. */
export type Amount = number | readonly [low: number, high: number];

/**
 * The number an amount computes with: itself, or the midpoint of its range.
 *
 * @example midpointOf([4, 6]) // 5
 */
export function midpointOf(amount: Amount): number {
  return typeof amount === 'number' ? amount : (amount[0] + amount[1]) / 2;
}

/**
 * The higher end of an amount.
 *
 * @example upperOf([4, 6]) // 6
 */
export function upperOf(amount: Amount): number {
  return typeof amount === 'number' ? amount : amount[1];
}

/**
 * Relative half-width of an amount: 0 for a single number, else half the width over the midpoint.
 *
 * @example relativeHalfWidth([150, 250]) // 0.25
 */
export function relativeHalfWidth(amount: Amount): number {
  if (typeof amount === 'number') return 0;
  const midpoint = midpointOf(amount);
  return midpoint === 0 ? 0 : (amount[1] - amount[0]) / 2 / midpoint;
}

/**
 * An amount multiplied, both ends of a range alike.
 *
 * @example timesAmount([2, 3], 2) // [4, 6]
 */
export function timesAmount(amount: Amount, factor: number): Amount {
  return typeof amount === 'number' ? amount * factor : [amount[0] * factor, amount[1] * factor];
}
