import type { Food } from './food.js';
import { edibleShare } from './edibleShare.js';

/** What one of a food's own measures weighs, and whether that weight is edible or as purchased. */
export interface FoodMeasure {
  readonly grams: number;
  readonly edible: boolean;
}

/**
 * A household measure of the food itself.
 *
 * @param measure its name: "piece", "clove", "cup, chopped"
 * @returns grams of one and what they are grams of; undefined when the food has no such measure
 */
export function measureOf(food: Food, measure: string): FoodMeasure | undefined {
  const measures = food.measures;
  if (measures === undefined || !Object.hasOwn(measures, measure)) return undefined;
  const edible = food.measuresAre === 'edible' || (food.measuresAre?.includes(measure) ?? false);
  return { grams: measures[measure] ?? 0, edible };
}

/**
 * Edible grams of one of the food's measures: as it stands when the measure is edible, else less refuse and liquid.
 *
 * @returns grams, or undefined when the food has no such measure
 */
export function edibleGramsOfMeasure(food: Food, measure: string): number | undefined {
  const found = measureOf(food, measure);
  return found && (found.edible ? found.grams : found.grams * edibleShare(food));
}
