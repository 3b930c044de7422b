import fc from 'fast-check';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { batchEnergy, energyShareOfLine, energyShares } from './energyShares.js';
import { figuresOfGrams } from './nutrientAmounts.js';
import { recipeFigures } from './recipeFigures.js';
import { inGramsOf, shownFigure } from './shownFigure.js';
import { workingOf } from './working.js';

const kitchen = kitchenOf({
  foods: [
    {
      id: 'brine',
      name: 'Brine',
      nutrients: { energyKcal: 20, protein: 1, fat: 0, carbohydrate: 10, fibre: 4, salt: 5 },
      carbohydrateIs: 'total',
    },
    { id: 'mystery', name: 'Mystery', nutrients: {} },
  ],
});

test('salt is shown in grams of what is kept as sodium, with its gaps', () => {
  const resolved = kitchen.resolvedFood('brine');
  expect(inGramsOf(resolved, 50, 'salt', 'available')).toBeCloseTo(2.5, 12);
  expect(inGramsOf(resolved, 50, 'carbohydrate', 'available')).toBeCloseTo(3, 12);
  expect(inGramsOf(resolved, 50, 'carbohydrate', 'total')).toBeCloseTo(5, 12);
  expect(inGramsOf(kitchen.resolvedFood('mystery'), 50, 'salt', 'available')).toBeUndefined();
  const figures = figuresOfGrams('pot/1', 50, kitchen.resolvedFood('mystery'));
  expect(shownFigure('salt', figures, 'available')).toEqual({ amount: undefined, gaps: ['pot/1'] });
});

test('energy comes from available carbohydrate, whatever the kitchen shows', () => {
  const shares = energyShares({ nutrients: figuresOfGrams('pot/1', 100, kitchen.resolvedFood('brine')) });
  // 1 g protein 4 kcal, 6 g carbohydrate 24 kcal, 4 g fibre 8 kcal.
  expect(shares.map(({ of, share }) => [of, Math.round(share * 1e6) / 1e6])).toEqual([
    ['protein', 0.111111],
    ['carbohydrate', 0.666667],
    ['fat', 0],
    ['fibre', 0.222222],
  ]);
  expect(energyShares({ nutrients: figuresOfGrams('pot/1', 0, kitchen.resolvedFood('brine')) }).every(({ share }) => share === 0)).toBe(
    true,
  );
});

test('the lines of a batch share its energy out; what is optional has no share', () => {
  const figures = recipeFigures(
    recipeOf([
      { food: 'brine', amount: 300, unit: 'g' },
      { food: 'brine', amount: 100, unit: 'g' },
      { food: 'brine', amount: 100, unit: 'g', optional: true },
    ]),
    kitchen,
  );
  const batch = batchEnergy(figures);
  expect(batch).toBeCloseTo(80, 12);
  expect(figures.lines.map((line) => energyShareOfLine(line, batch))).toEqual([0.75, 0.25, 0]);
  expect(figures.lines.map((line) => energyShareOfLine(line, 0))).toEqual([0, 0, 0]);
});

test('a working’s serving is the figure shown', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen: any, recipe } = dishOf(dish);
      const figures = recipeFigures(recipe, any);
      for (const figure of ['salt', 'carbohydrate', 'protein'] as const) {
        const shown = shownFigure(figure, figures.perServing.nutrients, any.convention);
        const { serving } = workingOf(figure, figures, any);
        expect(serving.amount === undefined).toBe(shown.amount === undefined);
        if (shown.amount !== undefined) expect(serving.amount).toBeCloseTo(shown.amount, 6);
      }
    }),
  );
});
