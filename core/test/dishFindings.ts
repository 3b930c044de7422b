import { checkedRecipe, type Finding, type FindingCode, type Food, type Line, type Recipe, type Settings } from '../src/index.js';
import { kitchenOf, recipeOf } from './kitchens.js';
import { starterFoods } from './starterPantry.js';

/** What one rule finds in a dish of lines and steps, with every food of the starter pantry at hand. */
export function dishFindings(
  code: FindingCode,
  lines: readonly Line[],
  steps: readonly string[],
  over: Partial<Recipe> = {},
  settings: Partial<Settings> = {},
  foods: readonly Food[] = [],
): readonly Finding[] {
  const recipe = recipeOf(lines, { steps: steps.map((text) => ({ text })), ...over });
  const kitchen = kitchenOf({ foods: [...starterFoods, ...foods], recipes: [recipe] }, settings);
  return checkedRecipe(recipe, kitchen).open.filter((finding) => finding.code === code);
}
