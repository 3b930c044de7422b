import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { dailyValue, shareOfDailyValue } from '../food/index.js';
import { derivedFigures } from './derived.js';
import { gramsGiving } from './macroExchange.js';
import { recipeFigures } from './recipeFigures.js';

const food = { id: 'x', name: 'X', nutrients: { energyKcal: 150, protein: 6, carbohydrate: 72.4 } };
const kitchen = kitchenOf({
  foods: [food],
  packs: [{ food: 'x', net: 1, unit: 'kg', price: '3.00', currency: 'EUR', shop: 'A', seen: '2031-03-01' }],
});
const serving = recipeFigures(recipeOf([{ food: 'x', amount: 800, unit: 'g' }]), kitchen).perServing; // 200 g each

test('figures derived from a serving', () => {
  const derived = derivedFigures(serving);
  expect(derived.per100g.protein.amount).toBeCloseTo(6, 12);
  expect(derived.kcalPer100g.amount).toBeCloseTo(150, 12);
  expect(derived.kcalPerOunce.amount).toBeCloseTo(1.5 * 28.349523125, 10);
  expect(derived.proteinPer100kcal.amount).toBeCloseTo(4, 12);
  expect(derived.costPer30gProtein.amount).toBeCloseTo((0.6 / 12) * 30, 12);
  expect(derived.costPer500kcal.amount).toBeCloseTo((0.6 / 300) * 500, 12);
});

test('a ratio of something unknown, or to nothing, is unknown', () => {
  const empty = derivedFigures(recipeFigures(recipeOf([]), kitchen).perServing);
  expect(empty.kcalPer100g.amount).toBeUndefined();
  expect(empty.costPer30gProtein.amount).toBeUndefined();
});

test('how much of a food gives 20 g of carbohydrate', () => {
  expect(gramsGiving(kitchen.resolvedFood('x'), 'carbohydrateAvailable', 20)).toBeCloseTo(2000 / 72.4, 10);
  expect(gramsGiving(kitchen.resolvedFood('x'), 'fat', 20)).toBeUndefined();
});

test('daily values and reference intakes', () => {
  expect(dailyValue('eu', 'salt')).toBe(6);
  expect(dailyValue('us', 'protein')).toBe(50);
  expect(dailyValue('plain', 'protein')).toBeUndefined();
  expect(shareOfDailyValue('us', 'sodium', 575)).toBe(0.25);
});
