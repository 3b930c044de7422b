import type { Source } from '../food/index.js';
import type { Method } from '../recipe/index.js';

/** Relative standard uncertainty of an amount by how it was measured (docs/reckoning.md, "How sure it is"). */
export const UNCERTAINTY_OF_METHOD: Readonly<Record<Method, number>> = {
  scale: 0.01,
  pack: 0.02,
  spoon: 0.1,
  cup: 0.12,
  count: 0.15,
  eye: 0.3,
  assumed: 0.5,
};

/** Relative standard uncertainty of a composition by where it comes from (docs/reckoning.md, "How sure it is"). */
export const UNCERTAINTY_OF_SOURCE: Readonly<Record<Source, number>> = { lab: 0.03, label: 0.08, table: 0.1, estimate: 0.25 };

/** Relative standard uncertainty of a box's share of a part that is taken by eye: a palm, a fist (docs/reckoning.md, "How sure it is"). */
export const UNCERTAINTY_OF_EYE = 0.3;

/**
 * Relative variance of a line's amount: its method's, and a range's half-width / sqrt 3, squared and added.
 *
 * @example amountVariance('scale', 0.25) // 0.01^2 + 0.25^2 / 3
 */
export function amountVariance(method: Method, halfWidth: number): number {
  return UNCERTAINTY_OF_METHOD[method] ** 2 + halfWidth ** 2 / 3;
}
