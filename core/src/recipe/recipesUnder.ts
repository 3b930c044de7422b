import type { Kitchen } from './kitchen.js';
import type { Recipe } from './recipe.js';
import { recipesTaken } from './walk.js';

/** A recipe and all that it is built on, however deep, as far as the kitchen has it; each once, itself first. */
export function recipesUnder(recipe: Recipe, kitchen: Kitchen): Recipe[] {
  const under = new Map([[recipe.id, recipe]]);
  for (const one of under.values())
    for (const id of recipesTaken(one)) {
      const base = kitchen.recipe(id);
      if (base && !under.has(id)) under.set(id, base);
    }
  return [...under.values()];
}
