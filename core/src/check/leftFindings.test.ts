import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import type { Food } from '../food/index.js';
import type { Recipe } from '../recipe/index.js';
import { checkedRecipe, groundOf } from './leftFindings.js';
import { isMadeTogether, mended } from './mended.js';
import { mendedTogether } from './mendedTogether.js';

const nutrients = { energyKcal: 30, protein: 1.5, fat: 0.3, carbohydrate: 5, fibre: 2 };
const leek: Food = { id: 'leek', name: 'Leek, raw', aisle: 'vegetables', state: 'raw', measures: { piece: 200 }, nutrients };
const stock: Food = { id: 'stock', name: 'Stock, vegetable', aisle: 'canned-jarred', nutrients, density: 1 };
const price = (food: string) => ({ food, net: 1, unit: 'kg', price: '2', currency: 'EUR', shop: 'A', seen: '2031-03-01' });
const kitchen = kitchenOf({ foods: [leek, stock], packs: [price('leek'), price('stock')] });
const dish = (over: Partial<Recipe> = {}): Recipe =>
  recipeOf([{ food: 'leek', amount: 400, unit: 'g' }], {
    servings: 4,
    servingName: 'box',
    lead: 'Five boxes.',
    steps: ['Stew the leeks for 20 minutes.', 'Share into 4 boxes.'],
    ...over,
  });
const codes = (recipe: Recipe) => checkedRecipe(recipe, kitchen).open.map(({ code, at }) => `${code} ${at}`);
const found = (recipe: Recipe, code: string) => checkedRecipe(recipe, kitchen).open.find((one) => one.code === code)!;

test('what is found is open until somebody leaves it with a reason', () => {
  expect(codes(dish())).toEqual(['count-differs lead', 'no-sign step/1']);
  const left = dish({ accepted: [{ code: 'no-sign', at: 'step/1', because: 'leeks show it' }] });
  expect(codes(left)).toEqual(['count-differs lead']);
  expect(checkedRecipe(left, kitchen).left.map(({ accepted }) => accepted.because)).toEqual(['leeks show it']);
});

test('a reason is of one place and one rule', () => {
  expect(codes(dish({ accepted: [{ code: 'no-sign', at: 'step/2', because: 'elsewhere' }] }))).toContain('no-sign step/1');
  expect(codes(dish({ accepted: [{ code: 'count-differs', at: 'step/1', because: 'another rule' }] }))).toContain('no-sign step/1');
});

test('left for what it was about, it follows its step and comes back when its words change', () => {
  const about = groundOf(found(dish(), 'no-sign'), dish(), kitchen);
  const accepted = [{ code: 'no-sign' as const, at: 'step/1', because: 'leeks show it', about }];
  expect(codes(dish({ accepted }))).not.toContain('no-sign step/1');
  const moved = dish({ accepted, steps: ['Trim the leeks.', 'Stew the leeks for 20 minutes.', 'Share into 4 boxes.'] });
  expect(codes(moved)).not.toContain('no-sign step/2');
  const changed = dish({ accepted, steps: ['Stew the leeks for 40 minutes.', 'Share into 4 boxes.'] });
  expect(codes(changed)).toContain('no-sign step/1');
  expect(checkedRecipe(changed, kitchen).outdated).toEqual(accepted);
});

test('a mend does what it says, and what it mends is gone', () => {
  const count = found(dish(), 'count-differs');
  const mendedDish = mended(dish(), count.mend!);
  expect([count.mend?.words, mendedDish.lead]).toEqual(['Say four', 'Four boxes.']);
  expect(codes(mendedDish)).toEqual(['no-sign step/1']);
  expect([isMadeTogether(count), isMadeTogether(found(dish(), 'no-sign'))]).toEqual([true, false]);
});

test('a line that no step speaks of is added to the last step as a mention of it', () => {
  const lines = [
    { food: 'leek', amount: 400, unit: 'g' },
    { food: 'stock', amount: 500, unit: 'ml' },
  ];
  const recipe = recipeOf(lines, {
    servings: 4,
    servingName: 'box',
    steps: ['Stew the leeks for 20 minutes, until soft.', 'Share into 4 boxes.'],
  });
  const unused = found(recipe, 'line-unused');
  expect(unused.at).toBe('pot/2');
  const after = mended(recipe, unused.mend!);
  expect(after.steps?.[1]).toBe('Share into 4 boxes. Add {pot/2 stock}.');
  expect(codes(after)).toEqual([]);
});

test('what does not freeze keeps no months in the freezer; minutes that are stated stay where nothing is said of them', () => {
  const recipe = dish({ storage: { freezes: true, freezerMonths: 3, fridgeDays: 2 }, activeMinutes: 10, totalMinutes: 30 });
  expect(mended(recipe, { kind: 'storage', words: '', freezes: false }).storage).toEqual({ freezes: false, fridgeDays: 2 });
  expect(mended(recipe, { kind: 'minutes', words: '', totalMinutes: 40 })).toMatchObject({ activeMinutes: 10, totalMinutes: 40 });
});

test('mends that everybody would make are made together, two of one text too; what only a person knows stays', () => {
  const recipe = dish({ lead: 'Five boxes, under 10 kcal each.', storage: { fridgeDays: 6 } });
  const { recipe: after, made } = mendedTogether(recipe, kitchen);
  expect([made, after.lead, after.storage?.fridgeDays]).toEqual([3, 'Four boxes, about 30 kcal each.', 4]);
  expect(codes(after)).toEqual(['no-sign step/1']);
});

test('words that are too long to be read in good time are refused, not read in part', () => {
  expect(() => checkedRecipe(dish({ steps: Array.from({ length: 25 }, () => 'Stew. '.repeat(280)) }), kitchen)).toThrow(
    'too long to be checked',
  );
});
