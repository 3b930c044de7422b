import fc from 'fast-check';
import { cookedEstimate, findingsOf, recipeFigures, scaledRecipe, variantRecipe } from '../src/index.js';
import { anyDish, dishOf, kitchenOf, recipeOf } from './kitchens.js';

const rice = { id: 'rice', name: 'Rice', yield: 2.5, nutrients: { energyKcal: 350 } };
const kitchen = kitchenOf({ foods: [rice] });
/** Weighed at 1,200 g when the estimate was 500 x 2.5 = 1,250 g. */
const dish = (grams: number, over: object = {}) =>
  recipeOf([{ food: 'rice', amount: grams, unit: 'g' }], {}, { cookedWeight: 1200, measuredFor: 1250, ...over });
const part = (grams: number, over: object = {}) => recipeFigures(dish(grams, over), kitchen).parts[0];
const codes = (grams: number) => findingsOf(recipeFigures(dish(grams), kitchen), kitchen).map(({ code, at }) => `${code} ${at}`);

test('a measured weight stands while its lines come to nearly what they came to then', () => {
  expect(part(500)).toMatchObject({ cooked: 1200, estimated: false, outdated: undefined });
  // 505 x 2.5 = 1262.5, one percent more; 506 x 2.5 = 1265 is further.
  expect(part(505)).toMatchObject({ cooked: 1200, estimated: false });
  expect(part(506)?.cooked).toBeCloseTo((1200 * 1265) / 1250, 9);
  expect(part(506)?.estimated).toBe(true);
  expect(codes(505)).not.toContain('weight-outdated pot');
  expect(codes(600)).toContain('weight-outdated pot');
  expect(part(600)?.cooked).toBeCloseTo((1200 * 1500) / 1250, 9);
  // Without it a measured weight stands, whatever the lines say.
  expect(part(900, { measuredFor: undefined })).toMatchObject({ cooked: 1200, estimated: false });
});

test('at another size it is first brought to the lines as they are, then scaled', () => {
  for (const scaling of ['proportional', 'fixed', { damped: 0.5 }] as const)
    for (const grams of [500, 600]) {
      const written = recipeOf([{ food: 'rice', amount: grams, unit: 'g', scaling }], {}, { cookedWeight: 1200, measuredFor: 1250 });
      const scaled = recipeFigures(scaledRecipe(written, 8, kitchen).recipe, kitchen, { weighed: false }).parts[0];
      expect(scaled?.cooked).toBeCloseTo((grams === 500 ? 1200 : 1440) * 2, 9);
      expect(scaled?.outdated === undefined).toBe(grams === 500);
    }
});

test('a variant that says what it weighs was weighed as it is', () => {
  const variant = {
    name: 'more',
    changes: [
      { at: 'pot/1', line: { food: 'rice', amount: 700, unit: 'g' } },
      { part: 'pot', cookedWeight: 1650 },
    ],
  };
  expect(recipeFigures(variantRecipe(dish(500), variant), kitchen).parts[0]).toMatchObject({ cooked: 1650, estimated: false });
  const unweighed = { changes: variant.changes.slice(0, 1) };
  expect(recipeFigures(variantRecipe(dish(500), unweighed), kitchen).parts[0]?.cooked).toBeCloseTo((1200 * 1750) / 1250, 9);
});

test('what was measured for what is there now changes nothing, and there and back again it is the same', () => {
  fc.assert(
    fc.property(
      anyDish,
      fc.integer({ min: 100, max: 5000 }),
      fc.double({ min: 0.5, max: 2, noNaN: true }),
      fc.integer({ min: 1, max: 30 }),
      (any, grams, off, servings) => {
        const { kitchen: of, recipe } = dishOf(any);
        const estimates = recipe.parts.map((one) => cookedEstimate(one, recipe, of));
        const measured = (share: number) => ({
          ...recipe,
          parts: recipe.parts.map((one, p) =>
            (estimates[p] ?? 0) > 0.001 ? { ...one, cookedWeight: grams, measuredFor: (estimates[p] ?? 0) * share } : one,
          ),
        });
        const cooked = (share: number) => recipeFigures(measured(share), of).parts.map((one) => one.cooked);
        expect(cooked(1)).toEqual(estimates.map((one) => (one > 0.001 ? grams : one)));
        const back = scaledRecipe(scaledRecipe(measured(off), servings, of).recipe, recipe.servings, of).recipe;
        recipeFigures(back, of).parts.forEach((one, p) =>
          expect(Math.abs(one.cooked - (cooked(off)[p] ?? 0))).toBeLessThanOrEqual(1e-6 * Math.max(1, one.cooked)),
        );
      },
    ),
  );
});
