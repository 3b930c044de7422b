import { configureStore } from '@reduxjs/toolkit';
import { withIds, type Recipe } from '@portiona/core';
import { emptyApi } from '../../api/emptyApi';
import { autosave } from './autosave';
import { localDraft } from './localDraft';
import { recipeActions, recipeReducer } from './recipeSlice';

const dish = (id: string, title: string): Recipe => withIds({ id, title, servings: 2, parts: [{ id: 'm', name: 'M', lines: [] }] });

interface Sent {
  readonly url: string;
  readonly revision: number;
  readonly document: Recipe;
}
/** A server that keeps one recipe a name, as the real one does: a save on an older revision is stale. */
const kept = new Map<string, { revision: number; document: Recipe }>();
const sent: Sent[] = [];
let away = false;
/** Answers that get lost on their way back: the save has landed all the same. */
let lost = 0;

beforeAll(() => {
  const store = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => store.get(key) ?? null,
      setItem: (key: string, value: string) => void store.set(key, value),
      removeItem: (key: string) => void store.delete(key),
    },
    // The page's own addresses need no host.
    Request: class extends Request {
      constructor(input: string | URL | Request, init?: RequestInit) {
        super(typeof input === 'string' ? new URL(input, 'http://here') : input, init);
      }
    },
    fetch: async (request: Request) => {
      if (away) throw new TypeError('away');
      const id = request.url.split('/').at(-1) ?? '';
      const { revision, document } = (await request.json()) as Pick<Sent, 'revision' | 'document'>;
      sent.push({ url: request.url, revision, document });
      const there = kept.get(id)!;
      const answer = (body: object, status: number) =>
        new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
      const head = { id, savedAt: '2026-11-25T10:00:00Z' };
      if (there.revision !== revision) return answer({ status: 409, title: 'Stale', detail: 'stale', current: { ...head, ...there } }, 409);
      kept.set(id, { revision: revision + 1, document });
      if (lost-- > 0) throw new TypeError('lost');
      return answer({ ...head, ...kept.get(id) }, 200);
    },
  });
});

function desk(id: string) {
  const store = configureStore({
    reducer: { recipe: recipeReducer, [emptyApi.reducerPath]: emptyApi.reducer },
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false }).prepend(autosave.middleware).concat(emptyApi.middleware),
  });
  const document = dish(id, 'one');
  kept.set(id, { revision: 1, document });
  sent.length = 0;
  [away, lost] = [false, 0];
  store.dispatch(recipeActions.opened({ saved: { id, revision: 1, savedAt: '', document }, subRecipes: [], usedIn: [] }));
  const type = (title: string) => store.dispatch(recipeActions.edited({ recipe: { ...store.getState().recipe.present!, title } }));
  const until = async (state: string) => {
    for (let i = 0; i < 400 && store.getState().recipe.saveState !== state; i++) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(store.getState().recipe.saveState).toBe(state);
  };
  return { store, type, until };
}

test('what is typed is saved once the person pauses, and is kept here until then', async () => {
  const { type, until } = desk('typed');
  type('tw');
  type('two');
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(localDraft('typed')?.document.title).toBe('two');
  expect(sent).toEqual([]);
  await until('saved');
  expect(sent.map(({ revision, document }) => [revision, document.title])).toEqual([[1, 'two']]);
  expect(localDraft('typed')).toBeUndefined();
});

test('another’s save is never overwritten unasked; kept, one’s own goes over it', async () => {
  const { store, type, until } = desk('contested');
  kept.set('contested', { revision: 2, document: dish('contested', 'theirs') });
  type('mine');
  await until('stale');
  type('mine still');
  await new Promise((resolve) => setTimeout(resolve, 700));
  expect(kept.get('contested')?.document.title).toBe('theirs');
  expect(localDraft('contested')?.document.title).toBe('mine still');
  store.dispatch(recipeActions.mineKept(undefined));
  await until('saved');
  expect(kept.get('contested')).toMatchObject({ revision: 3, document: { title: 'mine still' } });
});

test('what is there is taken: what was typed here is a step to undo, and not offered again', async () => {
  const { store, type, until } = desk('yielded');
  kept.set('yielded', { revision: 2, document: dish('yielded', 'theirs') });
  type('mine');
  await until('stale');
  expect(localDraft('yielded')?.document.title).toBe('mine');
  store.dispatch(recipeActions.theirsTaken(undefined));
  expect(store.getState().recipe.present?.title).toBe('theirs');
  expect(localDraft('yielded')).toBeUndefined();
});

test('a save whose answer was lost is known again as one’s own', async () => {
  const { type, until } = desk('lost');
  lost = 1;
  type('two');
  await until('unreached');
  expect(kept.get('lost')).toMatchObject({ revision: 2, document: { title: 'two' } });
  type('three');
  await until('saved');
  expect(kept.get('lost')).toMatchObject({ revision: 3, document: { title: 'three' } });
});

test('with the server away, what is typed is kept here, and saved when it is back', async () => {
  const { type, until } = desk('far');
  away = true;
  type('two');
  await until('unreached');
  expect(localDraft('far')?.document.title).toBe('two');
  away = false;
  await until('saved');
  expect(kept.get('far')?.document.title).toBe('two');
  expect(localDraft('far')).toBeUndefined();
});

test('what somebody else saves while nothing of one’s own is unsaved is shown, one step before it is how it was seen, and one goes on from theirs', async () => {
  const { store, type, until } = desk('shared');
  const theirs = dish('shared', 'theirs');
  kept.set('shared', { revision: 2, document: theirs });
  store.dispatch(recipeActions.changedElsewhere({ id: 'shared', revision: 2, savedAt: '', document: theirs }));
  expect(store.getState().recipe).toMatchObject({ revision: 2, saveState: 'saved', present: { title: 'theirs' } });
  type('on from theirs');
  await until('saved');
  expect(sent.map(({ revision, document }) => [revision, document.title])).toEqual([[2, 'on from theirs']]);
  store.dispatch(recipeActions.undone(undefined));
  store.dispatch(recipeActions.undone(undefined));
  expect(store.getState().recipe.present?.title).toBe('one');
});

test('what somebody else saves while something of one’s own is unsaved changes nothing here: the save tells of it', () => {
  const { store, type } = desk('both');
  type('mine');
  store.dispatch(recipeActions.changedElsewhere({ id: 'both', revision: 2, savedAt: '', document: dish('both', 'theirs') }));
  expect(store.getState().recipe).toMatchObject({ revision: 1, present: { title: 'mine' } });
});
