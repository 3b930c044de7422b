import type { Recipe } from '@portiona/core';
import { LocalDrafts, type LocalDraft } from '../saving/localDrafts';
import type { RecipeState } from './recipeSlice';

/** Recipes that were written on and have not reached the server. */
export const recipeDrafts = new LocalDrafts<Recipe>('recipe');

/** Keeps unsaved work in the browser, so that a crash or a closed lid loses nothing. */
export function keepHere({ id, present, revision }: RecipeState): void {
  if (id !== undefined && present) recipeDrafts.keep(id, { revision, document: present });
}

/** Work kept for a recipe, if any. */
export function localDraft(id: string): LocalDraft<Recipe> | undefined {
  return recipeDrafts.of(id);
}
