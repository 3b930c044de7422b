import fc from 'fast-check';
import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { snapAmount } from '../quantity/index.js';
import { servingsForPack, servingsForPortion } from './servingsFor.js';
import { snappedRecipe } from './snappedRecipe.js';
import { FILL_LIMITS, fitVessel, servingsInVessel } from './vessel.js';

const beef = { id: 'beef', name: 'Beef', yield: 0.66, refuse: 0.1, nutrients: { energyKcal: 131, protein: 21.5 } };
const kitchen = kitchenOf({ foods: [beef] });

test.each([
  [0.3, 'cup', 1 / 3],
  [0.05, 'cup', 0.25],
  [1.9, 'cup', 2],
  [0.6, 'tsp', 0.5],
  [0.05, 'tsp', 0.25],
  [63, 'g', 65],
  [127, 'g', 130],
  [2.2, 'g', 2],
  [1.237, 'kg', 1.24],
  [4.4, 'piece', 4.5],
  [0, 'g', 0],
])('%d %s is measured as %d', (amount, unit, snapped) => {
  expect(snapAmount(amount, unit)).toBeCloseTo(snapped, 12);
});

test('what is snapped stays where it is, and nothing vanishes', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 50_000 }), fc.constantFrom('g', 'ml', 'cup', 'tsp', 'piece', 'oz'), (hundredths, unit) => {
      const once = snapAmount(hundredths / 100, unit);
      expect(once).toBeGreaterThan(0);
      expect(snapAmount(once, unit)).toBeCloseTo(once, 12);
    }),
  );
});

test('figures are computed again from what the card prints, and the drift is told', () => {
  const snapped = snappedRecipe(
    recipeOf([
      { food: 'beef', amount: 403, unit: 'g' },
      { food: 'beef', amount: 100, unit: 'g' },
    ]),
    kitchen,
  );
  expect(snapped.lines).toEqual([{ at: 'pot/1', from: 403, to: 400, drift: 400 / 403 - 1 }]);
  expect(snapped.figures.perServing.nutrients.protein.amount).toBeCloseTo((500 * 0.215) / 4, 12);
  expect(snapped.perServing.energyKcal).toBeCloseTo((-3 * 1.31) / 4, 9);
});

test('amounts per serving are measured for the batch', () => {
  const snapped = snappedRecipe(recipeOf([{ food: 'beef', amount: 33, unit: 'g' }], { amountsPer: 'serving' }), kitchen);
  expect(snapped.recipe.parts[0]?.lines[0]?.amount).toBe(130 / 4); // 132 g for four
});

test('a pack on hand decides the servings, by the rule of its line', () => {
  const dish = recipeOf([{ food: 'beef', amount: 900, unit: 'g' }], { servings: 6 }); // 1000 g to buy
  expect(servingsForPack(dish, 'pot/1', 1360, kitchen)).toBeCloseTo(6 * 1.36, 6);
  const damped = recipeOf([{ food: 'beef', amount: 900, unit: 'g', scaling: { damped: 0.5 } }], { servings: 6 });
  expect(servingsForPack(damped, 'pot/1', 2000, kitchen)).toBeCloseTo(24, 5);
  const fixed = recipeOf([{ food: 'beef', amount: 900, unit: 'g', scaling: 'fixed' }], { servings: 6 });
  expect(servingsForPack(fixed, 'pot/1', 1360, kitchen)).toBeUndefined();
});

test('a portion weight decides the servings', () => {
  expect(servingsForPortion(recipeOf([{ food: 'beef', amount: 1000, unit: 'g' }]), 110, kitchen)).toBeCloseTo(6, 9);
});

test('a batch over the fill limit is split, and the method says so', () => {
  const cooker = { name: 'slow cooker', capacity: 4500, fillLimit: FILL_LIMITS['slow cooker'] };
  expect(fitVessel(5200, cooker)).toMatchObject({
    batches: 2,
    each: 2600,
    says: 'Cook in 2 batches: the slow cooker is filled to 67 % at most.',
  });
  expect(fitVessel(3000, cooker)).toMatchObject({ batches: 1, says: '' });
  expect(servingsInVessel(520, { name: 'pot', capacity: 5000, fillLimit: 0.8 })).toBe(7);
  expect(() => fitVessel(1, { ...cooker, capacity: 0 })).toThrow(RangeError);
});
