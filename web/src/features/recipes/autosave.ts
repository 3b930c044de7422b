import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import type { Recipe } from '@portiona/core';
import { api, type SavedRecipeDto } from '../../api/api.gen';
import { pauseAfter } from '../saving/pace';
import { Saver } from '../saving/saver';
import { keepHere, recipeDrafts } from './localDraft';
import { recipeActions, type RecipeState } from './recipeSlice';
import { keepSteps } from './undoSteps';
import type { Dispatch, WithRecipe } from './useRecipeState';

/** Long enough to finish a word, short enough not to wait for. */
const QUIET_MS = 400;

export const autosave = createListenerMiddleware<WithRecipe>();

const saver = new Saver<Recipe, SavedRecipeDto>(recipeDrafts);

autosave.startListening({
  matcher: isAnyOf(
    recipeActions.opened,
    recipeActions.recovered,
    recipeActions.theirsTaken,
    recipeActions.mineKept,
    recipeActions.changedElsewhere,
  ),
  effect: (_, listener) => {
    const { id, revision } = listener.getState().recipe;
    if (id !== undefined) saver.standsAt(id, revision);
  },
});

autosave.startListening({
  actionCreator: recipeActions.recovered,
  effect: ({ payload }) => saver.takenUp(payload.document.id, payload.document),
});

/** What is written is kept here at once, whether it may be sent or waits for the person to decide. */
autosave.startListening({
  predicate: (action) => MAKES_WORK(action),
  effect: (_, listener) => keepHere(listener.getState().recipe),
});

/** What is there was taken: what was written here is a step to undo, and is not offered again. */
autosave.startListening({
  actionCreator: recipeActions.theirsTaken,
  effect: (_, listener) => {
    const { id } = listener.getState().recipe;
    if (id !== undefined) recipeDrafts.forget(id);
  },
});

/** Saves what is written once the person pauses. */
autosave.startListening({
  predicate: (action, { recipe }) => recipe.saveState === 'unsaved' && (MAKES_WORK(action) || recipeActions.saved.match(action)),
  effect: async (_, listener) => {
    listener.cancelActiveListeners();
    await listener.delay(QUIET_MS);
    for (let failures = 0; ; failures++) {
      const { id, present, saveState } = listener.getState().recipe;
      if (id === undefined || !present || (saveState !== 'unsaved' && saveState !== 'unreached')) return;
      const reached = await listener.pause(save(id, present, listener.dispatch));
      if (reached) return;
      await listener.delay(pauseAfter(failures));
    }
  },
});

/** Milliseconds: a word is one step, and is written down once. */
const STEP_MS = 250;

/** What undoing leads to is kept as it changes, and when the recipe is left. */
autosave.startListening({
  predicate: (_, { recipe }, { recipe: before }) =>
    recipe.present !== before.present || recipe.past !== before.past || recipe.future !== before.future,
  effect: async (_, listener) => {
    const { id: left, past: behind, present: before, future: ahead } = listener.getOriginalState().recipe;
    listener.cancelActiveListeners();
    if (left !== undefined && before && left !== listener.getState().recipe.id)
      void keepSteps(left, { past: behind, present: before, future: ahead });
    await listener.delay(STEP_MS);
    const { id, present, past, future } = listener.getState().recipe;
    if (id !== undefined && present) await keepSteps(id, { past, present, future });
  },
});

const MAKES_WORK = isAnyOf(
  recipeActions.edited,
  recipeActions.undone,
  recipeActions.redone,
  recipeActions.mineKept,
  recipeActions.recovered,
);

/** Sends at once what waits, when the recipe is left. */
export function saveNow({ id, present, saveState }: RecipeState, dispatch: Dispatch): void {
  if (id !== undefined && present && (saveState === 'unsaved' || saveState === 'unreached')) void save(id, present, dispatch);
}

/** One save, made on the newest revision known. Resolves to whether the server has decided: taken, or refused for what is in it. */
async function save(id: string, sent: Recipe, dispatch: Dispatch): Promise<boolean> {
  const outcome = await saver.save(id, sent, {
    begun: () => dispatch(recipeActions.savingStarted(id)),
    send: async (revision, document) => {
      const request = dispatch(api.endpoints.saveRecipe.initiate({ id, saveRecipeDto: { revision, document } }));
      try {
        return await request.unwrap();
      } finally {
        request.reset();
      }
    },
  });
  if (outcome.kind === 'saved') dispatch(recipeActions.saved({ saved: outcome.answer, sent }));
  else dispatch(recipeActions.saveFailed({ id, problem: outcome.problem }));
  return outcome.kind !== 'undecided';
}
