import { kitchenOf, recipeOf } from '../../test/kitchens.js';
import { FormulaError, indexOf, indexWorking, isIndexFormula } from './indexFormula.js';
import { indexText } from './indexText.js';
import { recipeFigures } from './recipeFigures.js';

const foods = [
  { id: 'x', name: 'X', nutrients: { energyKcal: 150, protein: 6, fat: 3, carbohydrate: 20, fibre: 5, sodium: 400 } },
  { id: 'y', name: 'Y', nutrients: { energyKcal: 10 } },
];
const kitchen = kitchenOf({ foods });
const serving = recipeFigures(recipeOf([{ food: 'x', amount: 800, unit: 'g' }]), kitchen).perServing; // 200 g: 300 kcal
const index = (formula: string, step?: number) =>
  indexOf({ name: 'points', formula, ...(step === undefined ? {} : { step }) }, serving, 'available');

test.each([
  ['energyKcal / 50', 6],
  ['energyKcal / 50 + fat / 12 - min(fibre, 4) / 5', 6 + 0.5 - 0.8],
  ['-(protein - 2) * 3', -30],
  ['salt * 10', 20],
  ['max(weight, 100) / 100', 2],
  ['kcalPer100g + proteinPer100kcal', 154],
  ['carbohydrate', 40],
])('%s is %d', (formula, amount) => {
  expect(index(formula).amount).toBeCloseTo(amount, 10);
});

test('it is rounded by its own step, once', () => {
  expect(index('energyKcal / 48', 1).amount).toBe(6);
  expect(index('energyKcal / 48', 0.5).amount).toBe(6.5);
});

test('a figure that is unknown or lacking makes the index so', () => {
  expect(index('cost / 2').amount).toBeUndefined();
  expect(index('protein / 0').amount).toBeUndefined();
  const lacking = recipeFigures(
    recipeOf([
      { food: 'x', amount: 400, unit: 'g' },
      { food: 'y', amount: 400, unit: 'g' },
    ]),
    kitchen,
  ).perServing;
  expect(indexOf({ name: 'p', formula: 'fibre + fat' }, lacking, 'available')).toEqual({ amount: 8, gaps: ['pot/2'] });
});

test.each([
  '',
  'energy',
  '1 +',
  'energyKcal ** 2',
  'protein.constructor',
  'constructor("x")',
  'alert(1)',
  '"a" + 1',
  '[1]',
  'a = 1',
  'this',
  'min()',
  '('.repeat(60) + '1' + ')'.repeat(60) + '.x',
  'fat > 3',
  'x'.repeat(600),
])('nothing but a formula is computed: %s', (formula) => {
  expect(() => index(formula)).toThrow(FormulaError);
});

test('a formula is known by its reading, and nothing else is one', () => {
  expect(['energyKcal / 50', 'min(fat, salt) - 1', 'cost'].map(isIndexFormula)).toEqual([true, true, true]);
  expect(['energy', '1 +', 'alert(1)', '', 7, null, 'x'.repeat(600)].map(isIndexFormula)).toEqual([
    false,
    false,
    false,
    false,
    false,
    false,
    false,
  ]);
});

test('what it is reckoned from stands in the order of its formula, each figure once', () => {
  const { terms, unrounded, rounded } = indexWorking(
    { name: 'points', formula: 'fat / 12 + energyKcal / 48 - fat', step: 0.5 },
    serving,
    'available',
  );
  expect(terms.map(({ name, figure }) => [name, figure.amount])).toEqual([
    ['fat', 6],
    ['energyKcal', 300],
  ]);
  expect(unrounded).toBeCloseTo(0.75, 10);
  expect(rounded.amount).toBe(1);
});

test.each([
  [12.5, 0.5, '12.5'],
  [13, 1, '13'],
  [0.125, 0.005, '0.125'],
  [12.34, undefined, '12.3'],
  [-0.04, undefined, '0'],
])('%d in steps of %d is printed as %s', (amount, step, text) => {
  expect(indexText(amount, { name: 'points', formula: 'fat', ...(step === undefined ? {} : { step }) })).toBe(text);
});
