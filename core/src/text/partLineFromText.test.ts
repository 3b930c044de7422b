import fc from 'fast-check';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { recipeFigures, reusableParts } from '../recipe/index.js';
import { partLineFromText } from './partLineFromText.js';

const dal = { recipe: 'base', part: 'dal', portion: 150 };

test.each([
  ['300 g dal, warm', { amount: 300, unit: 'g', note: 'warm' }],
  ['1 1/2 lb dal', { amount: 1.5, unit: 'lb' }],
  ['2 servings of dal', { amount: 300, unit: 'g' }],
  ['2-3 portions dal', { amount: [300, 450], unit: 'g' }],
  ['1 box dal (optional)', { amount: 150, unit: 'g', optional: true }],
])('%s', (text, line) => {
  expect(partLineFromText(text, dal)).toEqual({ recipe: 'base', part: 'dal', ...line, text });
});

test.each(['2 cups dal', '3 dal', 'dal', 'dal, to taste'])('%s says no weight', (text) => {
  expect(partLineFromText(text, dal)).toBeUndefined();
});

test('so many servings of another recipe bring what they deliver there', () => {
  fc.assert(
    fc.property(anyDish, fc.integer({ min: 1, max: 9 }), (drawn, n) => {
      const { kitchen, recipe } = dishOf(drawn);
      const base = { ...recipe, id: 'base' };
      const [part] = reusableParts(base, kitchen);
      fc.pre(part !== undefined && part.portion > 1e-6);
      const line = part && partLineFromText(`${n} servings of it`, part);
      const kitchenWithBase = kitchenOf({ ...kitchen.content, recipes: [base] });
      const [taken] = recipeFigures(recipeOf(line ? [line] : []), kitchenWithBase).lines;
      const whole = recipeFigures(base, kitchen).parts.find((one) => one.part.id === part?.part);
      const { amount } = whole?.nutrients.energyKcal ?? {};
      if (amount === undefined) expect(taken?.nutrients.energyKcal.amount).toBeUndefined();
      else expect(taken?.nutrients.energyKcal.amount).toBeCloseTo((amount / recipe.servings) * n, 6);
    }),
  );
});
