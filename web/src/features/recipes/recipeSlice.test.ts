import { configureStore } from '@reduxjs/toolkit';
import fc from 'fast-check';
import { FoodIndex, Kitchen, movedLines, withIds, withoutLines, type Food, type Recipe, type ReusablePart } from '@portiona/core';
import {
  addPart,
  insertLines,
  removePart,
  replaceLine,
  replacePart,
  retyped,
  scaledTo,
  withFood,
  withHead,
  withLineFit,
  withPart,
} from './editRecipe';
import { shifted } from './selection';
import { recipeActions, recipeReducer, type RecipeState } from './recipeSlice';

const leek: Food = { id: 'leek', name: 'Leek, raw', names: ['leeks'], measures: { piece: 200 } };
const red: Food = { id: 'onion-red', name: 'Onion, red', names: ['red onion'], measures: { piece: 125 } };
const white: Food = { id: 'onion', name: 'Onion, white', names: ['onion'], measures: { piece: 125 } };
const foods = [leek, red, white];
const index = new FoodIndex(foods);
const words = {
  index,
  foodsById: new Map(foods.map((food) => [food.id, food])),
  parts: [],
  partIndex: new FoodIndex<ReusablePart>([]),
  kitchen: { settings: { measures: 'metric' } } as Kitchen,
};

const START: Recipe = withIds({
  id: 'dish',
  title: 'Dish',
  servings: 4,
  parts: [
    { id: 'a', name: 'A', lines: [{ food: 'leek', amount: 2, unit: 'piece', text: '2 leeks' }] },
    { id: 'b', name: 'B', lines: [] },
  ],
});
const saved = (document: Recipe, revision = 1) => ({ id: document.id, revision, savedAt: '2026-11-25T09:00:00Z', document });
const opened = (): RecipeState => recipeReducer(undefined, recipeActions.opened({ saved: saved(START), subRecipes: [], usedIn: [] }));

/** Any edit of the sheet, chosen by numbers. */
function edit(recipe: Recipe, [kind, where, word]: readonly [number, number, number]): Recipe {
  const part = where % recipe.parts.length;
  const line = where % Math.max(1, recipe.parts[part]?.lines.length ?? 1);
  const place = { part, line };
  const text = ['3 leeks, trimmed', '200 g onion', 'salt, to taste', '<b>', '1 ½ cups leeks'][word % 5] ?? '';
  switch (kind % 10) {
    case 0:
      return insertLines(recipe, place, [retyped(undefined, text, words, recipe)]);
    case 1:
      return recipe.parts[part]?.lines[line]
        ? replaceLine(recipe, place, retyped(recipe.parts[part].lines[line], text, words, recipe))
        : recipe;
    case 2:
      return withoutLines(recipe, [place]);
    case 3:
      return shifted(recipe, [place], where % 2 === 0 ? 1 : -1).recipe;
    case 4:
      return addPart(recipe);
    case 5:
      return removePart(recipe, part);
    case 8:
      return withLineFit(recipe, `${recipe.parts[part]?.id ?? ''}/${line + 1}`, word % 2 === 0 ? { bound: { withLine: 'a/1' } } : {});
    case 9:
      return movedLines(recipe, [place, { part: 0, line: 0 }], { part: where % recipe.parts.length, line: 0 });
    case 6:
      return replacePart(recipe, part, { served: word % 2 === 0 ? 'table' : undefined });
    default:
      return withHead(recipe, { servings: 1 + (where % 12), series: word % 2 === 0 ? undefined : 'Night Watch' });
  }
}

const steps = fc.array(fc.tuple(fc.nat(100), fc.nat(100), fc.nat(100)), { minLength: 200, maxLength: 200 });

test('undo after any 200 edits returns to the start exactly, redo to the end', () => {
  fc.assert(
    fc.property(steps, (edits) => {
      const store = configureStore({
        reducer: { recipe: recipeReducer },
        middleware: (usual) => usual({ serializableCheck: false, immutableCheck: false }),
      });
      const present = () => store.getState().recipe.present;
      store.dispatch(recipeActions.opened({ saved: saved(START), subRecipes: [], usedIn: [] }));
      for (const one of edits) store.dispatch(recipeActions.edited({ recipe: edit(present() ?? START, one) }));
      const end = present();
      const taken = store.getState().recipe.past.length;
      for (let i = 0; i < taken; i++) store.dispatch(recipeActions.undone(undefined));
      expect(present()).toEqual(START);
      for (let i = 0; i < taken; i++) store.dispatch(recipeActions.redone(undefined));
      expect(present()).toEqual(end);
    }),
    { numRuns: 40 },
  );
});

test('keys typed in one line are one step of undo', () => {
  let state = opened();
  for (const title of ['D', 'Du', 'Duc', 'Duck'])
    state = recipeReducer(state, recipeActions.edited({ recipe: { ...START, title }, mergeKey: 'title' }));
  expect(state.past).toHaveLength(1);
  expect(recipeReducer(state, recipeActions.undone(undefined)).present).toEqual(START);
});

test('what is written while a save is on its way is still to be saved', () => {
  let state = recipeReducer(opened(), recipeActions.edited({ recipe: { ...START, title: 'One' } }));
  const sent = state.present!;
  state = recipeReducer(state, recipeActions.savingStarted('dish'));
  state = recipeReducer(state, recipeActions.edited({ recipe: { ...START, title: 'Two' } }));
  state = recipeReducer(state, recipeActions.saved({ saved: saved(sent, 2), sent }));
  expect(state).toMatchObject({ revision: 2, saveState: 'unsaved', present: { title: 'Two' } });
});

test('a save of what stands there leaves nothing to save', () => {
  const state = recipeReducer(opened(), recipeActions.edited({ recipe: { ...START, title: 'One' } }));
  const sent = state.present!;
  expect(recipeReducer(state, recipeActions.saved({ saved: saved(sent, 2), sent })).saveState).toBe('saved');
});

test('a stale save keeps both versions: one is taken, the other stays one undo away', () => {
  const theirs = { ...START, title: 'Theirs' };
  let state = recipeReducer(opened(), recipeActions.edited({ recipe: { ...START, title: 'Mine' } }));
  state = recipeReducer(
    state,
    recipeActions.saveFailed({ id: 'dish', problem: { status: 409, title: '', detail: '', faults: [], current: saved(theirs, 5) } }),
  );
  expect(state.saveState).toBe('stale');
  expect(recipeReducer(state, recipeActions.edited({ recipe: { ...START, title: 'Mine still' } })).saveState).toBe('stale');
  const taken = recipeReducer(state, recipeActions.theirsTaken(undefined));
  expect(taken).toMatchObject({ present: { title: 'Theirs' }, revision: 5, saveState: 'saved' });
  expect(recipeReducer(taken, recipeActions.undone(undefined)).present?.title).toBe('Mine');
  expect(recipeReducer(state, recipeActions.mineKept(undefined))).toMatchObject({
    present: { title: 'Mine' },
    revision: 5,
    saveState: 'unsaved',
  });
});

test('an answer for another recipe changes nothing', () => {
  const state = opened();
  expect(recipeReducer(state, recipeActions.saved({ saved: saved({ ...START, id: 'other' }, 9), sent: START }))).toBe(state);
});

test('a food picked by hand stays while its words stay, and judgements with it', () => {
  const line = { ...withFood({ text: '2 onions, diced' }, red, words, { servings: 4 }), retained: 0.5 };
  expect(retyped(line, '3 onions, sliced', words, { servings: 4 })).toMatchObject({
    food: 'onion-red',
    amount: 3,
    note: 'sliced',
    retained: 0.5,
  });
  expect(retyped(line, '3 leeks', words, { servings: 4 })).toEqual({ food: 'leek', amount: 3, unit: 'piece', text: '3 leeks' });
});

const dal: ReusablePart = {
  id: 'base/dal',
  recipe: 'base',
  part: 'dal',
  title: 'Lentil dal, with rice',
  name: 'Dal of Lentil dal, with rice',
  called: 'Dal',
  names: ['Dal', 'Lentil dal, with rice Dal'],
  servings: 5,
  servingName: 'box',
  cooked: 1390,
  estimated: false,
  portion: 278,
  per100: { energyKcal: 110, protein: 6, usedCost: 0.2 },
};
const withDal = { ...words, parts: [dal], partIndex: new FoodIndex([dal]) };

test.each([
  ['300 g dal, warm', { amount: 300, unit: 'g', note: 'warm', text: '300 g dal, warm' }],
  ['2 boxes of dal', { amount: 556, unit: 'g', text: '2 boxes of dal' }],
  // Words for something else: the weight stays, the name is the part's.
  ['300 g red lentils, rinsed', { amount: 300, unit: 'g', text: '300 g dal' }],
  // No weight: as many of its servings as the dish has.
  ['2 cups dal, warm', { amount: 1112, unit: 'g', note: 'warm', text: '1112 g dal, warm' }],
  ['', { amount: 1112, unit: 'g', text: '1112 g dal' }],
])('a part of another recipe taken for “%s”', (text, line) => {
  expect(withPart(text, dal, 4)).toEqual({ recipe: 'base', part: 'dal', ...line });
});

test('a line of another recipe stays one while its words stay, with what was said of it', () => {
  const line = { ...withPart('300 g dal', dal, 4), retained: 0.9 };
  expect(retyped(line, '350 g dal, warm', withDal, { servings: 4 })).toMatchObject({
    recipe: 'base',
    part: 'dal',
    amount: 350,
    note: 'warm',
    retained: 0.9,
  });
  expect(retyped(line, '3 leeks', withDal, { servings: 4 })).toEqual({ food: 'leek', amount: 3, unit: 'piece', text: '3 leeks' });
  // Another thing of that name does not take its place.
  const withFoodDal = { ...withDal, index: new FoodIndex([...foods, { id: 'dal', name: 'Dal' }]) };
  expect(retyped(line, '350 g dal', withFoodDal, { servings: 4 })).toMatchObject({ recipe: 'base', part: 'dal', amount: 350 });
  // Typed anew it is found again, because it is at hand; without a weight it is no line yet.
  expect(retyped(undefined, '2 servings dal', withDal, { servings: 4 })).toMatchObject({ recipe: 'base', amount: 556 });
  expect(retyped(line, '2 cups dal', withDal, { servings: 4 })).toEqual({ text: '2 cups dal' });
});

test('a line that is new has an id from its first edit, and what is referred to by number is by id', () => {
  const line = { food: 'onion', amount: 1, unit: 'piece', scaling: { ratioTo: 'a/1', share: 0.5 }, text: '1 onion' };
  const { present } = recipeReducer(opened(), recipeActions.edited({ recipe: insertLines(START, { part: 0, line: 1 }, [line]) }));
  const [first, second] = present?.parts[0]?.lines ?? [];
  expect(second?.id).toMatch(/^l--/);
  expect(second?.scaling).toEqual({ ratioTo: `a/${first?.id}`, share: 0.5 });
});

test('a line that is typed anew is the same line', () => {
  const [old] = START.parts[0]?.lines ?? [];
  const next = replaceLine(START, { part: 0, line: 0 }, retyped(old, '200 g onion', words, { servings: 4 }));
  expect(next.parts[0]?.lines[0]).toMatchObject({ food: 'onion', id: old?.id });
});

test('scaled, a dish and its variants say in words what they hold', () => {
  const kitchen = new Kitchen({
    settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
    foods,
    packs: [],
    recipes: [],
  });
  const onion = { food: 'onion', amount: 3, unit: 'piece', text: '3 onions' };
  const dish = withIds({ ...START, variants: [{ name: 'other', changes: [{ at: 'a/1', line: onion }] }] });
  const scaled = scaledTo(dish, 8, kitchen, false);
  expect(scaled.servings).toBe(8);
  expect(scaled.parts[0]?.lines[0]).toMatchObject({ amount: 4, text: '4 leeks' });
  expect(scaled.variants?.[0]?.changes[0]).toMatchObject({ line: { amount: 6, text: '6 onions' } });
  // Amounts of one serving stay what they are.
  const each = scaledTo({ ...dish, amountsPer: 'serving' }, 8, kitchen, false);
  expect(each.parts[0]?.lines[0]).toMatchObject({ amount: 2, text: '2 leeks' });
  expect(each.variants?.[0]?.changes[0]).toMatchObject({ line: { amount: 3, text: '3 onions' } });
});
