import { withIds, type Recipe } from '@portiona/core';
import { UNREACHED, type Problem } from '../../api/problem';
import { recipeActions, recipeReducer, type RecipeState } from './recipeSlice';

const dish = (title: string): Recipe => withIds({ id: 'dish', title, servings: 2, parts: [{ id: 'm', name: 'M', lines: [] }] });
const saved = (document: Recipe, revision = 1) => ({ id: document.id, revision, savedAt: '2026-11-25T09:00:00Z', document });
const opened = (steps?: Pick<RecipeState, 'past' | 'future'>) =>
  recipeReducer(undefined, recipeActions.opened({ saved: saved(dish('one')), subRecipes: [], usedIn: [], ...(steps ? { steps } : {}) }));
const edited = (state: RecipeState, title: string) => recipeReducer(state, recipeActions.edited({ recipe: { ...state.present!, title } }));
const titles = ({ past, present, future }: RecipeState) => [
  past.map(({ title }) => title),
  present?.title,
  future.map(({ title }) => title),
];
const stale: Problem = {
  status: 409,
  title: 'Stale',
  detail: 'saved elsewhere',
  faults: [],
  current: { revision: 7, savedAt: '2026-11-25T10:00:00Z', document: dish('theirs') },
};
const failed = (state: RecipeState, problem: Problem) => recipeReducer(state, recipeActions.saveFailed({ id: 'dish', problem }));

test('what was written over another’s save is not sent until the person decides, whatever is written meanwhile', () => {
  const state = failed(edited(opened(), 'mine'), stale);
  expect(state.saveState).toBe('stale');
  expect(edited(state, 'mine still').saveState).toBe('stale');
  expect(recipeReducer(state, recipeActions.undone(undefined)).saveState).toBe('stale');
  expect(state.present?.title).toBe('mine');
});

test('taken, theirs stands there, and mine is one step back', () => {
  const state = recipeReducer(failed(edited(opened(), 'mine'), stale), recipeActions.theirsTaken(undefined));
  expect(titles(state)).toEqual([['one', 'mine'], 'theirs', []]);
  expect(state).toMatchObject({ saveState: 'saved', revision: 7, problem: undefined });
  expect(recipeReducer(state, recipeActions.undone(undefined))).toMatchObject({ saveState: 'unsaved', present: { title: 'mine' } });
});

test('kept, mine is to be saved over theirs, which is one step back', () => {
  const state = recipeReducer(failed(edited(opened(), 'mine'), stale), recipeActions.mineKept(undefined));
  expect(titles(state)).toEqual([['one', 'theirs'], 'mine', []]);
  expect(state).toMatchObject({ saveState: 'unsaved', revision: 7, problem: undefined });
});

test('a save that landed while more was written leaves that to be sent; one of a recipe left meanwhile changes nothing', () => {
  const first = edited(opened(), 'two');
  const sent = first.present!;
  const later = edited(first, 'three');
  expect(recipeReducer(later, recipeActions.saved({ saved: saved(sent, 2), sent }))).toMatchObject({ saveState: 'unsaved', revision: 2 });
  expect(recipeReducer(first, recipeActions.saved({ saved: saved(sent, 2), sent }))).toMatchObject({ saveState: 'saved', revision: 2 });
  const other = saved({ ...sent, id: 'other' }, 9);
  expect(recipeReducer(later, recipeActions.saved({ saved: other, sent }))).toBe(later);
});

test('a server that is away is told from one that refuses', () => {
  const state = edited(opened(), 'mine');
  expect(failed(state, UNREACHED).saveState).toBe('unreached');
  expect(failed(state, { ...UNREACHED, status: 507 }).saveState).toBe('unreached');
  expect(failed(state, { ...UNREACHED, status: 422 }).saveState).toBe('refused');
});

test('undoing goes on where it was left; work taken up again is what its steps lead to', () => {
  const steps = { past: [dish('zero')], future: [dish('two')] };
  const state = opened(steps);
  expect(titles(state)).toEqual([['zero'], 'one', ['two']]);
  const recovered = recipeReducer(state, recipeActions.recovered({ document: dish('kept'), revision: 3 }));
  expect(titles(recovered)).toEqual([['zero'], 'kept', ['two']]);
  expect(recovered).toMatchObject({ saveState: 'unsaved', revision: 3 });
  // Without steps, what the server has is the one step back.
  expect(titles(recipeReducer(opened(), recipeActions.recovered({ document: dish('kept'), revision: 1 })))).toEqual([['one'], 'kept', []]);
});
