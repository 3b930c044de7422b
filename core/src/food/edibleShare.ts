import type { Food } from './food.js';

/**
 * Edible share of a food's weight as purchased: without refuse, and drained (docs/reckoning.md, "Edible grams": EP = AP x (1 - refuse),
 * net to drained).
 *
 * @returns a share above 0, at most 1
 * @example edibleShare({ id: 'leek', name: 'Leek', refuse: 0.3 }) // 0.7
 */
export function edibleShare(food: Food): number {
  return (1 - (food.refuse ?? 0)) * (food.drained ?? 1);
}
