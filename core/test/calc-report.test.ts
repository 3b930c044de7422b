import { findingsOf, recipeFigures, recipeReport } from '../src/index.js';
import { kitchenOf, recipeOf } from './kitchens.js';

test('what a person is asked is a finding, and no problem of the report', () => {
  const leek = { id: 'leek', name: 'Leek', nutrients: { energyKcal: 30, protein: 1.5, fat: 0.3, carbohydrate: 5, fibre: 2 } };
  const pack = { food: 'leek', net: 1, unit: 'kg', price: '2', currency: 'EUR', shop: 'A', seen: '2031-03-01' };
  const kitchen = kitchenOf({ foods: [leek], packs: [pack] });
  const recipe = recipeOf([{ food: 'leek', amount: 100, unit: 'g', text: '100 g greens', agreed: false }]);
  expect(findingsOf(recipeFigures(recipe, kitchen), kitchen).map(({ code }) => code)).toContain('food-unsure');
  expect(recipeReport(recipe, kitchen).problems.map(({ code }) => code)).not.toContain('food-unsure');
});
