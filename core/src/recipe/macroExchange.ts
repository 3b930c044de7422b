import type { ResolvedFood } from './kitchen.js';
import { perGramOf, type FigureKey } from './nutrientAmounts.js';

/**
 * Macro exchange: edible grams of a food, in the state of its composition, that give an amount of a nutrient (docs/reckoning.md,
 * "Ratios and the kitchen's own figure").
 *
 * @param amount in the nutrient's unit
 * @returns undefined when the food's is unknown or none
 * @example gramsGiving(couscous, 'carbohydrateAvailable', 20) // 27.6
 */
export function gramsGiving(resolved: ResolvedFood, key: FigureKey, amount: number): number | undefined {
  const perGram = perGramOf(resolved, key);
  return perGram === undefined || perGram <= 0 ? undefined : amount / perGram;
}
