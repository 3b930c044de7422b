import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Recipe } from '@portiona/core';
import type { Saved } from '../../api/documents';
import type { Problem } from '../../api/problem';

/** Where what was written stands: on the server, on its way, or only here. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'unreached' | 'refused' | 'stale';

/** The recipe being worked on: what the person entered, and what undoing it needs. Everything else is derived. */
export interface RecipeState {
  readonly id: string | undefined;
  readonly present: Recipe | undefined;
  readonly past: readonly Recipe[];
  readonly future: readonly Recipe[];
  /** Edits with the same key are one step of undo. */
  readonly mergeKey: string | undefined;
  readonly revision: number;
  readonly savedAt: string;
  readonly saveState: SaveState;
  /** Why it was refused, or what stands there after a stale save. */
  readonly problem: Problem | undefined;
  readonly bases: readonly Recipe[];
}

const NOTHING_OPEN: RecipeState = {
  id: undefined,
  present: undefined,
  past: [],
  future: [],
  mergeKey: undefined,
  revision: 0,
  savedAt: '',
  saveState: 'saved',
  problem: undefined,
  bases: [],
};

/** More steps back than anyone takes; each shares all it did not change with the next. */
const MOST_STEPS = 500;

const slice = createSlice({
  name: 'recipe',
  initialState: NOTHING_OPEN,
  reducers: {
    opened: (_, { payload }: PayloadAction<{ saved: Saved<Recipe>; bases: readonly Recipe[] }>): RecipeState => ({
      ...NOTHING_OPEN,
      id: payload.saved.id,
      present: payload.saved.document,
      revision: payload.saved.revision,
      savedAt: payload.saved.savedAt,
      bases: payload.bases,
    }),
    /** Work that had not reached the server when the page was left, taken up again. */
    recovered: (state, { payload }: PayloadAction<{ document: Recipe; revision: number }>): RecipeState => ({
      ...state,
      past: state.present ? [state.present] : [],
      present: payload.document,
      revision: payload.revision,
      saveState: 'unsaved',
    }),
    edited: (state, { payload }: PayloadAction<{ recipe: Recipe; mergeKey?: string }>): RecipeState => {
      if (!state.present || payload.recipe === state.present) return state;
      const merges = payload.mergeKey !== undefined && payload.mergeKey === state.mergeKey;
      return {
        ...state,
        past: merges ? state.past : [...state.past, state.present].slice(-MOST_STEPS),
        present: payload.recipe,
        future: [],
        mergeKey: payload.mergeKey,
        saveState: unsaved(state.saveState),
      };
    },
    /** The next edit starts a new step of undo. */
    stepEnded: (state): RecipeState => ({ ...state, mergeKey: undefined }),
    undone: (state): RecipeState => {
      const before = state.past.at(-1);
      if (!before || !state.present) return state;
      return {
        ...state,
        past: state.past.slice(0, -1),
        present: before,
        future: [state.present, ...state.future],
        mergeKey: undefined,
        saveState: unsaved(state.saveState),
      };
    },
    redone: (state): RecipeState => {
      const [next, ...rest] = state.future;
      if (!next || !state.present) return state;
      return {
        ...state,
        past: [...state.past, state.present],
        present: next,
        future: rest,
        mergeKey: undefined,
        saveState: unsaved(state.saveState),
      };
    },
    savingStarted: (state, { payload: id }: PayloadAction<string>): RecipeState =>
      id === state.id ? { ...state, saveState: 'saving', problem: undefined } : state,
    /** The server has a revision; what was written meanwhile is still to be sent. */
    saved: (state, { payload }: PayloadAction<{ saved: Saved<Recipe>; sent: Recipe }>): RecipeState => {
      if (payload.saved.id !== state.id) return state;
      const { revision, savedAt } = payload.saved;
      return { ...state, revision, savedAt, saveState: state.present === payload.sent ? 'saved' : 'unsaved' };
    },
    saveFailed: (state, { payload: { id, problem } }: PayloadAction<{ id: string; problem: Problem }>): RecipeState =>
      id === state.id
        ? { ...state, saveState: problem.status === 0 ? 'unreached' : problem.current ? 'stale' : 'refused', problem }
        : state,
    /** After a stale save: what the other wrote is taken; one's own stays one undo away. */
    theirsTaken: (state): RecipeState => {
      const theirs = state.problem?.current;
      if (!theirs || !state.present) return state;
      return {
        ...state,
        past: [...state.past, state.present],
        present: theirs.document as Recipe,
        future: [],
        revision: theirs.revision,
        savedAt: theirs.savedAt,
        saveState: 'saved',
        problem: undefined,
        mergeKey: undefined,
      };
    },
    /** After a stale save: one's own is to be saved over the other's, which stays in the revisions. */
    mineKept: (state): RecipeState => {
      const theirs = state.problem?.current;
      if (!theirs) return state;
      return {
        ...state,
        past: [...state.past, theirs.document as Recipe],
        revision: theirs.revision,
        saveState: 'unsaved',
        problem: undefined,
      };
    },
    closed: (): RecipeState => NOTHING_OPEN,
  },
});

/** A stale save stays stale until the person decides; everything else is to be sent. */
function unsaved(state: SaveState): SaveState {
  return state === 'stale' ? 'stale' : 'unsaved';
}

export const recipeActions = slice.actions;
export const recipeReducer = slice.reducer;
