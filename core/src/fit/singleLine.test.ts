import fc from 'fast-check';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { targetFigure } from '../brief/index.js';
import { recipeFigures } from '../recipe/index.js';
import { withChanges, withFactors } from './lineChange.js';
import { effectsOf, singleLineChanges } from './singleLine.js';

const kitchen = kitchenOf({
  foods: [
    { id: 'rice', name: 'Rice', nutrients: { energyKcal: 350, protein: 7 } },
    { id: 'oil', name: 'Oil', nutrients: { energyKcal: 900, protein: 0 } },
    { id: 'salt', name: 'Salt', nutrients: { energyKcal: 0, protein: 0 } },
  ],
});

test('60 kcal less of one line, with what each choice costs, the smallest change first', () => {
  const recipe = recipeOf([
    { food: 'rice', amount: 400, unit: 'g' },
    { food: 'oil', amount: 80, unit: 'g' },
    { food: 'salt', amount: 8, unit: 'g' },
    { food: 'oil', amount: 20, unit: 'g' },
    { food: 'rice', amount: 100, unit: 'g', fit: { bound: 'locked' } },
  ]);
  const choices = singleLineChanges(recipe, 'energyKcal', -60, kitchen);
  // 240 kcal of the batch: 68.57 g of rice, 26.67 g of oil; salt cannot, and 20 g of oil do not hold them.
  expect(
    choices.map(({ change, exact, far }) => [change.at, change.to, Number((exact * (change.from as number)).toFixed(2)), far]),
  ).toEqual([
    ['pot/1', 330, 331.43, false],
    ['pot/2', 55, 53.33, false],
  ]);
  expect(choices[0]?.effects.energyKcal).toBeCloseTo(-61.25, 9);
  expect(choices[0]?.effects.protein).toBeCloseTo(-1.225, 9);
  expect(choices[1]?.effects.protein).toBeCloseTo(0, 9);
  expect(choices[1]?.effects.weight).toBeCloseTo(-6.25, 9);
  expect(choices[0]?.effects.usedCost).toBeUndefined();
});

test('more than half of a line is far, and nothing asked is nothing to do', () => {
  const recipe = recipeOf([{ food: 'oil', amount: 80, unit: 'g' }]);
  expect(singleLineChanges(recipe, 'energyKcal', -100, kitchen)).toMatchObject([{ far: true }]);
  expect(singleLineChanges(recipe, 'energyKcal', 0, kitchen)).toEqual([]);
  expect(singleLineChanges(recipe, 'iron', 1, kitchen)).toEqual([]);
});

test('each choice, taken, moves the figure by what was asked', () => {
  fc.assert(
    fc.property(anyDish, fc.integer({ min: -40, max: 40 }), (dish, percent) => {
      const { kitchen: own, recipe } = dishOf(dish);
      const amountOf = (one: typeof recipe) => targetFigure({ figure: 'energyKcal' }, recipeFigures(one, own), own).amount;
      const before = amountOf(recipe) ?? 0;
      const by = (before * percent) / 100;
      for (const { change, exact, effects } of singleLineChanges(recipe, 'energyKcal', by, own)) {
        const at = amountOf(withFactors(recipe, new Map([[change.at, exact]])) as typeof recipe) ?? 0;
        expect(Math.abs(at - before - by)).toBeLessThanOrEqual(1e-6 * Math.max(1, before));
        expect(change.factor).toBeGreaterThanOrEqual(0);
        const now = amountOf(withChanges(recipe, [change]) as typeof recipe) ?? 0;
        expect(Math.abs(now - before - (effects.energyKcal ?? 0))).toBeLessThanOrEqual(1e-6 * Math.max(1, before));
      }
    }),
  );
});

test('a price that is not known makes no dish cheaper', () => {
  const priced = kitchenOf({
    foods: kitchen.content.foods,
    packs: [{ food: 'rice', net: 1, unit: 'kg', price: '2.00', currency: 'EUR', shop: 'S', seen: '2031-03-01' }],
  });
  const RICE = { food: 'rice', amount: 100, unit: 'g' };
  const [rice, oil] = ['rice', 'oil'].map((food) => recipeFigures(recipeOf([RICE, { food, amount: 100, unit: 'g' }]), priced));
  if (!rice || !oil) throw new Error('no figures');
  expect(effectsOf(rice, oil, priced)).toMatchObject({ energyKcal: 137.5, usedCost: undefined });
});
