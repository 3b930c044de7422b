import type { Recipe } from '@portiona/core';
import type { RecipeState } from './recipeSlice';

/** What was written and has not reached the server, kept in the browser until it has. */
interface Kept {
  readonly revision: number;
  readonly document: Recipe;
}

const PREFIX = 'portiona-kept:';

/** Keeps unsaved work in the browser, so that a crash or a closed lid loses nothing. */
export function keepHere({ id, present, revision }: RecipeState): void {
  if (id === undefined || !present) return;
  try {
    localStorage.setItem(PREFIX + id, JSON.stringify({ revision, document: present } satisfies Kept));
  } catch {
    // A full or closed store only costs the second net; the save itself goes on.
  }
}

/** Work kept for a recipe, if any. */
export function localDraft(id: string): Kept | undefined {
  try {
    const text = localStorage.getItem(PREFIX + id);
    return text === null ? undefined : (JSON.parse(text) as Kept);
  } catch {
    return undefined;
  }
}

export function forgetKept(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // Nothing to forget where nothing can be kept.
  }
}
