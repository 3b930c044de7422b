import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import type { Food } from '../food/index.js';
import { recipeFigures, type Kitchen, type Line, type Method, type Part, type Recipe } from '../recipe/index.js';
import { bandOf, standardUncertainty, weighNext } from './band.js';
import { amountVariance, UNCERTAINTY_OF_METHOD, UNCERTAINTY_OF_SOURCE } from './uncertainty.js';

const food = (id: string, over: Partial<Food> = {}): Food => ({
  id,
  name: id,
  source: 'label',
  nutrients: { energyKcal: 100 },
  measures: { piece: 50 },
  density: 1,
  ...over,
});
const kitchen = kitchenOf({ foods: [food('a'), food('b'), food('fat', { nutrients: { energyKcal: 900 } })] });

/** Standard uncertainty of a serving's energy, one serving. */
function uncertainty(lines: readonly Line[], part: Partial<Part> = {}, within: Kitchen = kitchen): number {
  const { parts } = recipeFigures(recipeOf(lines, { servings: 1 }, part), within);
  return standardUncertainty(parts, 'energyKcal');
}

test.each(Object.entries(UNCERTAINTY_OF_METHOD))('an amount by %s is known to %d of itself', (method, relative) => {
  const line: Line = { food: 'a', amount: 100, unit: 'g', method: method as Method };
  expect(uncertainty([line])).toBeCloseTo(100 * Math.hypot(relative, UNCERTAINTY_OF_SOURCE.label), 10);
});

test.each(Object.entries(UNCERTAINTY_OF_SOURCE))('a composition from a %s is known to %d of itself', (source, relative) => {
  const within = kitchenOf({ foods: [food('a', { source: source as Food['source'] & string })] });
  expect(uncertainty([{ food: 'a', amount: 100, unit: 'g' }], {}, within)).toBeCloseTo(100 * Math.hypot(0.01, relative), 10);
});

test.each([
  ['g', 0.01],
  ['tbsp', 0.1],
  ['cup', 0.12],
  ['ml', 0.12],
  ['piece', 0.15],
  ['pinch', 0.3],
])('a line in %s is measured with %d', (unit, relative) => {
  const { parts, lines } = recipeFigures(recipeOf([{ food: 'a', amount: 1, unit }], { servings: 1 }), kitchen);
  const energy = lines[0]?.nutrients.energyKcal.amount ?? 0;
  expect(standardUncertainty(parts, 'energyKcal')).toBeCloseTo(energy * Math.hypot(relative, 0.08), 10);
});

test('a range adds its half-width over the square root of three', () => {
  expect(amountVariance('scale', 0.25)).toBeCloseTo(0.01 ** 2 + 0.25 ** 2 / 3, 15);
  expect(uncertainty([{ food: 'a', amount: [150, 250], unit: 'g' }])).toBeCloseTo(
    200 * Math.sqrt(0.01 ** 2 + 0.25 ** 2 / 3 + 0.08 ** 2),
    10,
  );
});

test('two foods are independent, one food used twice shares the error of its composition', () => {
  const apart = uncertainty([
    { food: 'a', amount: 100, unit: 'g' },
    { food: 'b', amount: 100, unit: 'g' },
  ]);
  const together = uncertainty([
    { food: 'a', amount: 100, unit: 'g' },
    { food: 'a', amount: 100, unit: 'g' },
  ]);
  expect(apart).toBeCloseTo(Math.sqrt(2 * 1 ** 2 + 2 * 8 ** 2), 10);
  expect(together).toBeCloseTo(Math.sqrt(2 * 1 ** 2 + 16 ** 2), 10);
});

test('a discard counts as a measured line, and takes back what its food brought', () => {
  const lines = [{ food: 'fat', amount: 100, unit: 'g' }];
  // 900 kcal in, 450 out: the composition's error is of the 450 that stay, the two scales' of each.
  expect(uncertainty(lines, { discards: [{ food: 'fat', amount: 50, unit: 'g' }] })).toBeCloseTo(
    Math.sqrt(9 ** 2 + 4.5 ** 2 + 36 ** 2),
    10,
  );
});

test('a part of another recipe brings its errors along, and its own amount', () => {
  const base: Recipe = {
    id: 'base',
    title: 'Base',
    servings: 1,
    parts: [{ id: 'p', name: 'P', cookedWeight: 100, lines: [{ food: 'a', amount: 2, unit: 'piece' }] }],
  };
  const within = kitchenOf({ foods: [food('a')], recipes: [base] });
  // Half of 100 kcal: 15 % by count, 8 % by label, 1 % by scale.
  expect(uncertainty([{ recipe: 'base', part: 'p', amount: 50, unit: 'g' }], {}, within)).toBeCloseTo(
    50 * Math.hypot(0.15, 0.08, 0.01),
    10,
  );
  // The same line of the base taken twice errs the same way twice.
  const twice = uncertainty(
    [
      { recipe: 'base', part: 'p', amount: 50, unit: 'g' },
      { recipe: 'base', part: 'p', amount: 50, unit: 'g' },
    ],
    {},
    within,
  );
  expect(twice).toBeCloseTo(Math.sqrt((100 * 0.15) ** 2 + (100 * 0.08) ** 2 + 2 * (50 * 0.01) ** 2), 10);
});

test('a band reaches 1.96 uncertainties either way, and never below zero', () => {
  const { parts } = recipeFigures(recipeOf([{ food: 'a', amount: 100, unit: 'g', method: 'assumed' }], { servings: 1 }), kitchen);
  const u = 100 * Math.hypot(0.5, 0.08);
  expect(bandOf(parts, 'energyKcal')).toEqual([Math.max(0, 100 - 1.96 * u), 100 + 1.96 * u]);
  expect(bandOf(parts, 'protein')).toBeUndefined();
  const wide = recipeFigures(recipeOf([{ food: 'a', amount: [0, 200], unit: 'g', method: 'assumed' }], { servings: 1 }), kitchen);
  expect(bandOf(wide.parts, 'energyKcal')?.[0]).toBe(0);
});

test('weigh next: the largest saving first, told as the half band now and after', () => {
  const { parts } = recipeFigures(
    recipeOf([
      { food: 'a', amount: 100, unit: 'g' },
      { food: 'a', amount: 1, unit: 'piece' },
      { food: 'b', amount: 200, unit: 'g', method: 'eye' },
    ]),
    kitchen,
  );
  const rows = weighNext(parts);
  expect(rows.map(({ at }) => at)).toEqual(['pot/3', 'pot/2']);
  expect(rows[0]?.saved).toBeCloseTo(50 ** 2 * (0.3 ** 2 - 0.01 ** 2), 9);
  expect(rows[0]?.after).toBeLessThan(rows[0]?.now ?? 0);
});

test('a line left out by the reader has no error, and is not worth weighing', () => {
  expect(uncertainty([{ food: 'a', amount: 100, unit: 'g', method: 'eye', optional: true }])).toBe(0);
});

test('a part that is taken by eye: its share is as sure as a look, over all of it at once', () => {
  const lines: Line[] = [
    { food: 'a', amount: 100, unit: 'g' },
    { food: 'b', amount: 100, unit: 'g' },
  ];
  const eyed = (eye: boolean) => {
    const recipe = recipeOf(lines, { servings: 1 });
    const [part] = recipe.parts;
    const portioned = {
      ...recipe,
      parts: [{ ...part, cookedWeight: 400, portion: { by: 'grams' as const, grams: 100, ...(eye ? { eye } : {}) } }],
    };
    return recipeFigures(portioned as Recipe, kitchen);
  };
  const [weighed, seen] = [eyed(false), eyed(true)];
  const energy = seen.perServing.nutrients.energyKcal.amount ?? 0;
  expect(energy).toBe(weighed.perServing.nutrients.energyKcal.amount);
  expect(standardUncertainty(seen.parts, 'energyKcal')).toBeCloseTo(
    Math.hypot(standardUncertainty(weighed.parts, 'energyKcal'), 0.3 * energy),
    10,
  );
});
