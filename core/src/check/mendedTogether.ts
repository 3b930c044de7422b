import type { Kitchen, Recipe } from '../recipe/index.js';
import { checkedRecipe } from './leftFindings.js';
import { isMadeTogether, mended } from './mended.js';

/** More than any dish has: mends that bring one another back would never end. */
const MOST_MENDS = 60;

/**
 * A recipe with every mend made that everybody would make. After each the dish is checked again, so that two of one text both come in.
 *
 * @returns the recipe, and how many were made
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function mendedTogether(recipe: Recipe, kitchen: Kitchen): { readonly recipe: Recipe; readonly made: number } {
  const tried = new Set<string>();
  let now = recipe;
  for (let made = 0; made < MOST_MENDS; made += 1) {
    const next = checkedRecipe(now, kitchen).open.find((one) => isMadeTogether(one) && !tried.has(`${one.code} ${one.at} ${one.message}`));
    if (!next?.mend) return { recipe: now, made };
    tried.add(`${next.code} ${next.at} ${next.message}`);
    now = mended(now, next.mend);
  }
  return { recipe: now, made: MOST_MENDS };
}
