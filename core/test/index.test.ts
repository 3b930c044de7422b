import { recipeReport } from '../src/index.js';
import { kitchenOf, recipeOf } from './kitchens.js';

const foods = [{ id: 'x', name: 'X', nutrients: { energyKcal: 150, protein: 6, fat: 3, carbohydrate: 20, fibre: 5, sodium: 400 } }];
const kitchen = kitchenOf({ foods });

test('it is printed with the figures of a serving, null with an unknown in it', () => {
  const report = (formula: string, step?: number) =>
    recipeReport(
      recipeOf([{ food: 'x', amount: 800, unit: 'g' }]),
      kitchenOf({ foods }, { index: { name: 'points', formula, ...(step === undefined ? {} : { step }) } }),
    ).perServing.index;
  expect(report('energyKcal / 48', 0.5)).toBe(6.5);
  expect(report('cost + 1')).toBeNull();
  expect(recipeReport(recipeOf([{ food: 'x', amount: 800, unit: 'g' }]), kitchen).perServing).not.toHaveProperty('index');
});
