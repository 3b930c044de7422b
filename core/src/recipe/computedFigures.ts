import { CircularPartError } from './partFigures.js';
import { UnknownFoodError, UnknownPartError, type Kitchen } from './kitchen.js';
import type { Recipe } from './recipe.js';
import { recipeFigures, type RecipeFigures } from './recipeFigures.js';

/** Something made of recipes, or why it cannot be made. */
export type Computed<Made> = { readonly ok: true; readonly made: Made } | { readonly ok: false; readonly because: string };

/**
 * A recipe's figures where they can be computed: one that names what the kitchen does not hold, or goes round in a circle, has
 * none and says why, so that a list of many goes on without it.
 *
 * @example of a line that takes a part of a recipe that is gone: because 'the kitchen holds no part "rice" of a recipe "base"; …'
 */
export function computedFigures(recipe: Recipe, kitchen: Kitchen): Computed<RecipeFigures> {
  return computed(() => recipeFigures(recipe, kitchen));
}

/** As `computedFigures`, for whatever else is made of recipes. */
export function computed<Made>(make: () => Made): Computed<Made> {
  try {
    return { ok: true, made: make() };
  } catch (error) {
    if (error instanceof UnknownFoodError || error instanceof UnknownPartError || error instanceof CircularPartError)
      return { ok: false, because: error.message };
    throw error;
  }
}
