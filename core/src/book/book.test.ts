import fc from 'fast-check';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { demoKitchen } from '../../test/demoKitchen.js';
import { FIGURE_KEYS, Kitchen, recipeFigures, servedOf, type Recipe } from '../recipe/index.js';
import { standardUncertainty } from '../sureness/index.js';
import { Book } from './book.js';

/** What the book says of each recipe against what its working says. */
function expectSame(recipes: readonly Recipe[], kitchen: Kitchen, book = new Book(recipes, kitchen, FIGURE_KEYS)): void {
  const { keys, nutrients, uncertainty, usedCost, weight, atLeast } = book.figures();
  recipes.forEach((recipe, i) => {
    const { perServing, parts } = recipeFigures(recipe, kitchen);
    const boxed = parts.filter(({ part }) => servedOf(part) === 'box');
    expectNear(weight[i], perServing.weight);
    expectNear(usedCost[i], perServing.usedCost.amount ?? NaN);
    expect(((atLeast[i] ?? 0) >> keys.length) & 1).toBe(perServing.usedCost.gaps.length > 0 ? 1 : 0);
    keys.forEach((key, k) => {
      const { amount, gaps } = perServing.nutrients[key];
      expectNear(nutrients[i * keys.length + k], amount ?? NaN);
      expectNear(uncertainty[i * keys.length + k], standardUncertainty(boxed, key));
      expect(((atLeast[i] ?? 0) >> k) & 1).toBe(gaps.length > 0 ? 1 : 0);
    });
  });
}

/** Near by what is added up, not by what is left: a discard may leave next to nothing. */
function expectNear(found: number | undefined, meant: number): void {
  if (Number.isNaN(meant)) expect(found).toBeNaN();
  else expect(Math.abs((found ?? NaN) - meant)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(meant)));
}

test('the book and the working agree on the demo', () => {
  expectSame(demoKitchen.content.recipes, demoKitchen);
});

test('the book and the working agree on any dish', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen, recipe } = dishOf(dish);
      expectSame([recipe], kitchen);
    }),
    { numRuns: 200 },
  );
});

const foods = [
  { id: 'a', name: 'A', source: 'label' as const, nutrients: { energyKcal: 100, iron: 3 } },
  { id: 'b', name: 'B', nutrients: { energyKcal: 900, iron: null } },
];
const base: Recipe = {
  id: 'base',
  title: 'Base',
  servings: 2,
  parts: [
    {
      id: 'p',
      name: 'P',
      lines: [{ food: 'a', amount: 200, unit: 'g', retention: 0.5 }],
      discards: [{ food: 'b', amount: 10, unit: 'g' }],
    },
  ],
};

test('a part of another recipe, taken twice, errs the same way twice; what is thrown away has its floor', () => {
  const twice = recipeOf([
    { recipe: 'base', part: 'p', amount: 50, unit: 'g' },
    { recipe: 'base', part: 'p', amount: 70, unit: 'g', retained: 0.5 },
    { food: 'a', amount: 30, unit: 'g' },
    { text: 'something' },
  ]);
  const floored = recipeOf([{ food: 'a', amount: 10, unit: 'g' }], {}, { discards: [{ food: 'b', amount: 10, unit: 'g' }] });
  const plain: Recipe = { ...base, id: 'plain', parts: [{ ...base.parts[0]!, discards: [] }] };
  const ofPlain = recipeOf([
    { recipe: 'plain', part: 'p', amount: 50, unit: 'g' },
    { recipe: 'plain', part: 'p', amount: 9, unit: 'g' },
  ]);
  const recipes = [base, plain, { ...twice, id: 'twice' }, { ...floored, id: 'floored' }, { ...ofPlain, id: 'of-plain' }];
  expectSame(recipes, kitchenOf({ foods, recipes }));
});

test('a weight that was measured for other lines is brought to these', () => {
  const recipe = recipeOf([{ food: 'a', amount: 300, unit: 'g' }], {}, { cookedWeight: 150, measuredFor: 200 });
  expectSame([recipe], kitchenOf({ foods, recipes: [recipe] }));
});

test('a food that changes changes every recipe that holds it', () => {
  const recipes = [base, { ...recipeOf([{ food: 'b', amount: 10, unit: 'g' }]), id: 'other' }];
  const before = kitchenOf({ foods, recipes });
  const book = new Book(recipes, before, FIGURE_KEYS);
  const after = kitchenOf({ foods: [{ ...foods[0]!, nutrients: { energyKcal: 250 } }, foods[1]!], packs: [PACK], recipes });
  book.change(after, ['a', 'b', 'nowhere']);
  expectSame(recipes, after, book);
  expect(book.recipesWith('a')).toEqual([0]);
  expect(book.recipesWith('b')).toEqual([0, 1]);
  expect(book.recipesWith('nowhere')).toEqual([]);
});

test('a book keeps thirty figures at most', () => {
  expect(() => new Book([], demoKitchen, new Array(31).fill('protein'))).toThrow(/30 figures at most/);
});

const PACK = { food: 'a', net: 500, unit: 'g', price: '2.50', currency: 'EUR', shop: 'Harbour Stores', seen: '2031-03-01' };
