import { createSlice, original, type Draft, type PayloadAction } from '@reduxjs/toolkit';
import { withIds, type Recipe } from '@portiona/core';
import type { LearnedYieldDto, SavedRecipeDto, UsedInDto } from '../../api/api.gen';
import { isPassing, type Problem } from '../../api/problem';

/** Where what was written stands: on the server, on its way, or only here, because the server is away or because of what is in it. */
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
  /** Other recipes that it takes parts of, as the server has them. */
  readonly subRecipes: readonly Recipe[];
  /** Dishes that take its own parts, as of when it was opened. */
  readonly usedIn: readonly UsedInDto[];
  /** Yields that batches have taught of its parts, as of when it was opened. */
  readonly learned: readonly LearnedYieldDto[];
}

/** A recipe as it came from the server, and what undoing leads to where it was worked on here before. */
interface Opened {
  readonly saved: SavedRecipeDto;
  readonly subRecipes: readonly Recipe[];
  readonly usedIn: readonly UsedInDto[];
  readonly learned?: readonly LearnedYieldDto[];
  readonly steps?: Pick<RecipeState, 'past' | 'future'>;
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
  subRecipes: [],
  usedIn: [],
  learned: [],
};

/** More steps back than anyone takes; each shares all it did not change with the next. */
const MOST_STEPS = 500;

/** A reducer of plain states: documents are told apart by identity, which a draft of one has not. */
function plainly<Payload>(reduce: (state: RecipeState, payload: Payload) => RecipeState) {
  return (draft: Draft<RecipeState>, { payload }: PayloadAction<Payload>) => reduce(original(draft), payload) as Draft<RecipeState>;
}

const slice = createSlice({
  name: 'recipe',
  initialState: NOTHING_OPEN,
  reducers: {
    opened: plainly<Opened>((_, { saved, subRecipes, usedIn, learned = [], steps }) => ({
      ...NOTHING_OPEN,
      ...steps,
      id: saved.id,
      present: withIds(saved.document),
      revision: saved.revision,
      savedAt: saved.savedAt,
      subRecipes,
      usedIn,
      learned,
    })),
    /** Other recipes have come to hand, because a line takes a part of them. */
    subRecipesKnown: plainly<readonly Recipe[]>((state, subRecipes) => {
      const known = new Map([...state.subRecipes, ...subRecipes].map((base) => [base.id, base]));
      return { ...state, subRecipes: [...known.values()] };
    }),
    /** Work that had not reached the server when the page was left, taken up again. */
    recovered: plainly<{ document: Recipe; revision: number }>((state, { document, revision }) => ({
      ...state,
      // Where its own steps are at hand, they lead back; what the server has is among them, or somebody else's.
      past: state.past.length > 0 || state.future.length > 0 || !state.present ? state.past : [state.present],
      present: withIds(document),
      revision,
      saveState: 'unsaved',
    })),
    edited: plainly<{ recipe: Recipe; mergeKey?: string }>((state, { recipe, mergeKey }) => {
      if (!state.present || recipe === state.present) return state;
      const merges = mergeKey !== undefined && mergeKey === state.mergeKey;
      return {
        ...state,
        past: merges ? state.past : [...state.past, state.present].slice(-MOST_STEPS),
        // A line that is new gets its id here, and what is referred to by number is by id from now on.
        present: withIds(recipe),
        future: [],
        mergeKey,
        saveState: unsaved(state.saveState),
      };
    }),
    /** The next edit starts a new step of undo. */
    stepEnded: plainly<undefined>((state) => ({ ...state, mergeKey: undefined })),
    undone: plainly<undefined>((state) => {
      const before = state.past.at(-1);
      if (!before || !state.present) return state;
      const future = [state.present, ...state.future];
      return { ...state, past: state.past.slice(0, -1), present: before, future, mergeKey: undefined, saveState: unsaved(state.saveState) };
    }),
    redone: plainly<undefined>((state) => {
      const [next, ...future] = state.future;
      if (!next || !state.present) return state;
      const past = [...state.past, state.present];
      return { ...state, past, present: next, future, mergeKey: undefined, saveState: unsaved(state.saveState) };
    }),
    /** What keeps a save from landing stays told while it is tried again. */
    savingStarted: plainly<string>((state, id) =>
      id === state.id
        ? { ...state, saveState: 'saving', problem: state.problem && isPassing(state.problem) ? state.problem : undefined }
        : state,
    ),
    /** The server has a revision; what was written meanwhile is still to be sent. */
    saved: plainly<{ saved: SavedRecipeDto; sent: Recipe }>((state, { saved: { id, revision, savedAt }, sent }) =>
      id === state.id
        ? { ...state, revision, savedAt, saveState: state.present === sent ? 'saved' : 'unsaved', problem: undefined }
        : state,
    ),
    saveFailed: plainly<{ id: string; problem: Problem }>((state, { id, problem }) =>
      id === state.id ? { ...state, saveState: isPassing(problem) ? 'unreached' : problem.current ? 'stale' : 'refused', problem } : state,
    ),
    /** After a stale save: what the other wrote is taken; one's own stays one undo away. */
    theirsTaken: plainly<undefined>((state) => {
      const theirs = state.problem?.current;
      if (!theirs || !state.present) return state;
      return {
        ...state,
        past: [...state.past, state.present],
        present: withIds(theirs.document as Recipe),
        future: [],
        revision: theirs.revision,
        savedAt: theirs.savedAt,
        saveState: 'saved',
        problem: undefined,
        mergeKey: undefined,
      };
    }),
    /** Somebody else has saved it, and nothing of one's own was unsaved: what was seen here is one undo away. */
    changedElsewhere: plainly<SavedRecipeDto>((state, { id, revision, savedAt, document }) =>
      id !== state.id || !state.present || state.saveState !== 'saved'
        ? state
        : {
            ...state,
            past: [...state.past, state.present].slice(-MOST_STEPS),
            present: withIds(document),
            future: [],
            revision,
            savedAt,
            mergeKey: undefined,
          },
    ),
    /** After a stale save: one's own is to be saved over the other's, which stays in the revisions. */
    mineKept: plainly<undefined>((state) => {
      const theirs = state.problem?.current;
      if (!theirs) return state;
      const past = [...state.past, theirs.document as Recipe];
      return { ...state, past, revision: theirs.revision, saveState: 'unsaved', problem: undefined };
    }),
    closed: plainly<undefined>(() => NOTHING_OPEN),
  },
});

/** A stale save stays stale until the person decides; everything else is to be sent. */
function unsaved(state: SaveState): SaveState {
  return state === 'stale' ? 'stale' : 'unsaved';
}

export const recipeActions = slice.actions;
export const recipeReducer = slice.reducer;
