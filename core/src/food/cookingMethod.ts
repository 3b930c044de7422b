import type { Food } from './food.js';

/** How a food is cooked, as far as it changes what is left of its weight. */
export const COOKING_METHODS = ['roasted', 'boiled', 'grilled', 'sauteed', 'braised', 'fried', 'steamed'] as const;
export type CookingMethod = (typeof COOKING_METHODS)[number];

/**
 * Cooked weight over weight before cooking: the food's yield for the method where it has one, else its usual yield, else 1.
 *
 * @example yieldOf({ id: 'leek', name: 'Leek', yield: 0.9, yields: { roasted: 0.7 } }, 'roasted') // 0.7
 */
export function yieldOf({ yields, yield: usual }: Food, method?: CookingMethod): number {
  return (method === undefined ? undefined : yields?.[method]) ?? usual ?? 1;
}
