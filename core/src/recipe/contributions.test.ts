import fc from 'fast-check';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { DRIVEN_FIGURES, contributionsOf } from './contributions.js';
import { recipeFigures } from './recipeFigures.js';

test('each line’s share of a serving, by part', () => {
  const kitchen = kitchenOf({
    foods: [
      { id: 'rice', name: 'Rice', nutrients: { energyKcal: 350, protein: 7, sodium: 0 } },
      { id: 'oil', name: 'Oil', nutrients: { energyKcal: 900, protein: 0 } },
    ],
    packs: [{ food: 'rice', net: 1, unit: 'kg', price: '2.00', currency: 'EUR', shop: 'S', seen: '2031-03-01' }],
  });
  const dish = recipeOf([
    { food: 'rice', amount: 300, unit: 'g' },
    { food: 'oil', amount: 50, unit: 'g' },
    { food: 'oil', amount: 500, unit: 'g', optional: true },
  ]);
  const [pot] = contributionsOf(recipeFigures(dish, kitchen));
  // 1050 and 450 kcal of 1500, for 4.
  expect(pot?.lines.map(({ name, amounts, shares }) => [name, amounts.energyKcal, shares.energyKcal])).toEqual([
    ['Rice', 262.5, 0.7],
    ['Oil', 112.5, 0.3],
  ]);
  expect(pot?.amounts.usedCost).toBeCloseTo(0.15, 12);
  expect(pot?.lines[1]?.amounts.usedCost).toBeUndefined();
  expect(pot?.shares).toMatchObject({ energyKcal: 1, protein: 1, usedCost: 1, sodium: 0 });
});

test('shares of all lines are the whole, or nothing; amounts are the serving’s', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen, recipe } = dishOf(dish);
      const figures = recipeFigures(recipe, kitchen);
      const ranked = contributionsOf(figures);
      for (const figure of DRIVEN_FIGURES) {
        const shares = ranked.flatMap(({ lines }) => lines.map((line) => line.shares[figure]));
        const sum = shares.reduce((total, one) => total + one, 0);
        expect(Math.min(Math.abs(sum - 1), Math.abs(sum))).toBeLessThan(1e-9);
        const amount = ranked.reduce((total, part) => total + (part.amounts[figure] ?? 0), 0);
        const serving = figure === 'usedCost' ? figures.perServing.usedCost : figures.perServing.nutrients[figure];
        expect(amount).toBeCloseTo(serving.amount ?? 0, 6);
      }
    }),
  );
});
