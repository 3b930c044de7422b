import type { Food } from '../food/index.js';
import { midpointOf, snapAmount, type MeasuringSystem } from '../quantity/index.js';
import { lineWeights, timesWritten, type Kitchen, type Line, type Recipe } from '../recipe/index.js';

/** Spoons and cups, small to large. */
const KITCHEN_MEASURES: readonly string[] = ['tsp', 'tbsp', 'cup'];
/** Tablespoons from which nobody counts spoons any more. */
const MOST_SPOONS = 4;
/** How far measuring may move an amount before another measure is looked at, as a share of it. */
const NEAR_ENOUGH = 0.06;

/**
 * A line measured in what people would take for so much: 4 3/4 tablespoons become 70 ml, or 5 tablespoons where cups are used;
 * 3 teaspoons a tablespoon, a third of a tablespoon a teaspoon. Only spoons and cups change, only where the food weighs the same by
 * either measure, and amounts per serving as the batch of them is measured (docs/reckoning.md, "Scaling": "what people can measure").
 *
 * @returns the line itself where its own measure is as handy
 */
export function handyMeasure(line: Line, recipe: Recipe, kitchen: Kitchen): Line {
  const { amount, unit } = line;
  if (amount === undefined || unit === undefined || !KITCHEN_MEASURES.includes(unit) || line.food === undefined) return line;
  const food = kitchen.food(line.food);
  const system = recipe.measures ?? kitchen.settings.measures;
  if (!food || line.also !== undefined) return line;
  const gramsOfOne = (measure: string) => gramsOf(measure, food, system, kitchen);
  const [own, spoon] = [gramsOfOne(unit), gramsOfOne('tbsp')];
  if (own === undefined || spoon === undefined || own <= 0 || spoon <= 0) return line;
  const times = timesWritten(recipe);
  const grams = midpointOf(amount) * times * own;
  const inMeasure = (measure: string) => grams / (gramsOfOne(measure) ?? NaN);
  const moved = (measure: string) => Math.abs(snapAmount(inMeasure(measure), measure) / inMeasure(measure) - 1);
  // Who measures in cups goes on doing so, where a cup's shares come near.
  const large = system === 'us' ? ['cup'] : unit === 'cup' ? ['cup', 'ml'] : ['ml'];
  const spoons = grams / spoon;
  const [wanted = unit, ...others] = spoons < 1 - 1e-9 ? ['tsp'] : spoons < MOST_SPOONS ? ['tbsp'] : [...large, 'tbsp'];
  const near = [wanted, ...(spoons < 2 * MOST_SPOONS ? others : others.filter((measure) => measure !== 'tbsp'))];
  const handy = near.find((measure) => moved(measure) <= NEAR_ENOUGH) ?? wanted;
  const one = gramsOfOne(handy);
  if (handy === unit || one === undefined || one <= 0) return line;
  const factor = own / one;
  return { ...line, unit: handy, amount: typeof amount === 'number' ? amount * factor : [amount[0] * factor, amount[1] * factor] };
}

/** Grams of one of a measure, as written. */
function gramsOf(unit: string, food: Food, system: MeasuringSystem, kitchen: Kitchen): number | undefined {
  return lineWeights({ food: food.id, amount: 1, unit }, food, system, kitchen.packsOf(food.id))?.grams;
}
