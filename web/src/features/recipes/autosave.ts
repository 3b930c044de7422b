import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { sameDocument, tidied, type Recipe } from '@portiona/core';
import { api, type SavedRecipeDto } from '../../api/api.gen';
import { isPassing, problemOf, type Problem } from '../../api/problem';
import { forgetKept, keepHere, localDraft } from './localDraft';
import { recipeActions, type RecipeState } from './recipeSlice';
import { keepSteps } from './undoSteps';
import type { Dispatch, WithRecipe } from './useRecipeState';

/** Long enough to finish a word, short enough not to wait for. */
const QUIET_MS = 400;
/** Until a server that could not take it is tried again; each time in a row twice as long, up to the longest. */
const AGAIN_MS = 2500;
const LONGEST_AGAIN_MS = 40_000;

export const autosave = createListenerMiddleware<WithRecipe>();

/** The newest revision known of each recipe opened: what the next save is made on. */
const revisions = new Map<string, number>();
/**
 * What this page sent of each recipe, or took up again, since its last save is known to have landed, that one too: found on the
 * server, it is no one else's work.
 */
const ours = new Map<string, readonly Recipe[]>();
/** Saves go one after the other, over the whole application. */
let lastSave: Promise<unknown> = Promise.resolve();

autosave.startListening({
  matcher: isAnyOf(recipeActions.opened, recipeActions.recovered, recipeActions.theirsTaken, recipeActions.mineKept),
  effect: (_, listener) => {
    const { id, revision } = listener.getState().recipe;
    if (id !== undefined) revisions.set(id, revision);
  },
});

autosave.startListening({
  actionCreator: recipeActions.recovered,
  effect: ({ payload }) => void ours.set(payload.document.id, [payload.document]),
});

/** What is written is kept here at once, whether it may be sent or waits for the person to decide. */
autosave.startListening({
  predicate: (action) => MAKES_WORK(action),
  effect: (_, listener) => keepHere(listener.getState().recipe),
});

/** Saves what is written once the person pauses. */
autosave.startListening({
  predicate: (action, { recipe }) => recipe.saveState === 'unsaved' && (MAKES_WORK(action) || recipeActions.saved.match(action)),
  effect: async (_, listener) => {
    listener.cancelActiveListeners();
    await listener.delay(QUIET_MS);
    for (let pause = AGAIN_MS; ; pause = Math.min(LONGEST_AGAIN_MS, pause * 2)) {
      const { id, present, saveState } = listener.getState().recipe;
      if (id === undefined || !present || (saveState !== 'unsaved' && saveState !== 'unreached')) return;
      const reached = await listener.pause(save(id, present, listener.dispatch));
      if (reached) return;
      await listener.delay(pause);
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

/**
 * Sends a save. One that was under way when the page was loaded anew may have landed since: what stands there then is our own, and
 * the save goes on top of it.
 */
async function sentOnOwn(id: string, request: () => { unwrap: () => Promise<SavedRecipeDto>; reset: () => void }): Promise<SavedRecipeDto> {
  const first = request();
  try {
    return await first.unwrap();
  } catch (error) {
    const { current } = problemOf(error);
    if (!current || !ours.get(id)?.some((one) => sameDocument(current.document, one))) throw error;
    revisions.set(id, current.revision);
    const second = request();
    try {
      return await second.unwrap();
    } finally {
      second.reset();
    }
  } finally {
    first.reset();
  }
}

/** Saves in a row of which nobody knows whether they landed. */
const MOST_UNKNOWN = 20;

/** What the server would say of it, said without asking. */
function unreadable(faults: Problem['faults']): Problem {
  return { status: 422, title: 'Cannot be read', detail: 'nothing was saved; mend what is listed', faults };
}

/** One save, made on the newest revision known. Resolves to whether the server has decided: taken, or refused for what is in it. */
function save(id: string, sent: Recipe, dispatch: Dispatch): Promise<boolean> {
  const before = lastSave;
  const run = (async () => {
    await before;
    const { tidy, faults } = tidied(sent, 'document');
    if (faults.length > 0) {
      dispatch(recipeActions.saveFailed({ id, problem: unreadable(faults) }));
      return true;
    }
    dispatch(recipeActions.savingStarted(id));
    ours.set(id, [...(ours.get(id) ?? []).slice(-MOST_UNKNOWN), tidy]);
    const request = () =>
      dispatch(api.endpoints.saveRecipe.initiate({ id, saveRecipeDto: { revision: revisions.get(id) ?? 0, document: tidy } }));
    try {
      const answer = await sentOnOwn(id, request);
      ours.set(id, [tidy]);
      revisions.set(id, answer.revision);
      const kept = localDraft(id);
      if (kept && JSON.stringify(kept.document) === JSON.stringify(sent)) forgetKept(id);
      dispatch(recipeActions.saved({ saved: answer, sent }));
      return true;
    } catch (error) {
      const problem = problemOf(error);
      dispatch(recipeActions.saveFailed({ id, problem }));
      return !isPassing(problem);
    }
  })();
  lastSave = run.catch(() => undefined);
  return run;
}
