import { recipeFigures, type Kitchen, type Recipe } from '../recipe/index.js';
import { scaledRecipe } from './scaledRecipe.js';

/** Closest a search comes to what is asked, as a share of it. */
const CLOSE_ENOUGH = 1e-9;
const MOST_HALVINGS = 200;

/**
 * Servings at which a line needs what is on hand ("I bought 1.36 kg, make the rest follow"): every other line by its own rule.
 *
 * @param at the line's place
 * @param purchase grams as purchased that are on hand
 * @returns servings, not whole; undefined when the line has no weight or does not follow the servings
 * @throws UnknownFoodError, UnknownPartError, CircularPartError, CircularRatioError
 * @example servingsForPack(stew, 'stew/1', 1360, kitchen) // 7.4 of a recipe with 1.1 kg for 6
 */
export function servingsForPack(recipe: Recipe, at: string, purchase: number, kitchen: Kitchen): number | undefined {
  return servingsWhere((servings) => needOf(recipe, at, servings, kitchen), purchase, recipe.servings);
}

/**
 * Servings at which the batch gives portions of a weight: cooked weight in the box over the portion, at the recipe's own size.
 *
 * @param portion grams
 * @returns servings, not whole
 */
export function servingsForPortion(recipe: Recipe, portion: number, kitchen: Kitchen): number {
  const boxed = recipeFigures(recipe, kitchen).parts.filter(({ part }) => (part.served ?? 'box') === 'box');
  return boxed.reduce((sum, { cooked }) => sum + cooked, 0) / portion;
}

function needOf(recipe: Recipe, at: string, servings: number, kitchen: Kitchen): number | undefined {
  const { recipe: scaled } = scaledRecipe(recipe, servings, kitchen);
  return recipeFigures(scaled, kitchen).lines.find((line) => line.at === at)?.weights?.purchase;
}

/** Where a need that grows with the servings meets what is asked, by halving: rules need not be proportional. */
function servingsWhere(need: (servings: number) => number | undefined, asked: number, start: number): number | undefined {
  const first = need(start);
  if (first === undefined || first <= 0) return undefined;
  let low = start;
  let high = start;
  for (let i = 0; i < 60 && (need(low) ?? 0) > asked; i++) low /= 2;
  for (let i = 0; i < 60 && (need(high) ?? 0) < asked; i++) high *= 2;
  if ((need(low) ?? Infinity) > asked * (1 + CLOSE_ENOUGH) || (need(high) ?? 0) < asked * (1 - CLOSE_ENOUGH)) return undefined;
  for (let i = 0; i < MOST_HALVINGS && high - low > CLOSE_ENOUGH * high; i++) {
    const middle = (low + high) / 2;
    if ((need(middle) ?? 0) < asked) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
