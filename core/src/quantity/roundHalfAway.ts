/**
 * A computed number freed of binary noise: 0.0049999999999999 is 0.005 to twelve digits. Used only where a person reads
 * the result, so that a tie is decided by the decimal the arithmetic means.
 */
export function settled(figure: number): number {
  return Number(figure.toPrecision(12));
}

/**
 * Rounds to the nearest multiple of a step, half away from zero (docs/reckoning.md, "What the card prints by which rules").
 *
 * @param figure any finite number
 * @param step the step, such as 0.5 or 10; 1 when left out
 * @returns the multiple, never negative zero
 * @example roundHalfAway(19.95, 0.1) // 20
 */
export function roundHalfAway(figure: number, step = 1): number {
  const steps = Math.floor(settled(Math.abs(figure) / step) + 0.5);
  const rounded = settled(Math.sign(figure) * steps * step);
  return rounded === 0 ? 0 : rounded;
}
