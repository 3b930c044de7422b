import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Food } from '../food/index.js';
import { amountWords, idFromName, leadingAmount, lineText, packWords, parseLineText, unitOfWord } from '../text/index.js';
import { FoodIndex } from './foodIndex.js';
import { lineFromText } from './lineFromText.js';
import { unitSlip } from './unitSlip.js';

const demo = join(__dirname, '../../../demo');
const foods = readdirSync(demo)
  .filter((name) => name.endsWith('.json'))
  .flatMap((name) => (JSON.parse(readFileSync(join(demo, name), 'utf8')) as { foods?: Food[] }).foods ?? []);
const index = new FoodIndex(foods);
const byId = new Map(foods.map((food) => [food.id, food]));

test.each([
  ['3 leeks, trimmed', 'leek', { amount: 3, unit: 'piece', note: 'trimmed' }],
  ['2 tbsp rapeseed oil', 'rapeseed-oil-harbour', { amount: 2, unit: 'tbsp' }],
  ['350 g pearl barley', 'pearl-barley-nine', { amount: 350, unit: 'g' }],
  ['4 garlic cloves, crushed', 'garlic', { amount: 4, unit: 'clove' }],
  ['3 stalks celery', 'celery', { amount: 3, unit: 'stick' }],
  ['1 small head red cabbage', 'cabbage-red', { amount: 1, unit: 'small head' }],
  ['2 large eggs', 'egg', { amount: 2, unit: 'large piece' }],
  ['2 cans white beans', 'white-beans-harbour', { amount: 2, unit: 'can' }],
  ['2 x 400 g cans white beans', 'white-beans-harbour', { amount: 800, unit: 'g', as: 'AP', also: { amount: 2, unit: 'can' } }],
  ['2 bay leaves', 'bay-leaf', { amount: 2, unit: 'leaf' }],
  ['salt, to taste', 'salt-fine', { toTaste: 6 }],
  ['1 courgete', 'courgette', { amount: 1, unit: 'piece' }],
])('%s is %s', (text, food, line) => {
  expect(lineFromText(text, index, { servings: 5, measures: 'metric' })).toMatchObject({ food, text, ...line });
});

test('words that fit no food stay words', () => {
  expect(lineFromText('200 g moon dust', index, { servings: 5, measures: 'metric' })).toEqual({ text: '200 g moon dust' });
});

test.each([
  ['2 cupp leeks', 'cupp', ['cup']],
  ['2 tbps rapeseed oil', 'tbps', ['tbsp', 'tsp']],
  ['2 tbp rapeseed oil', 'tbp', ['tsp', 'tbsp']],
  ['300 grms red lentils', 'grms', ['g']],
  ['1 slicce bread', 'slicce', ['slice']],
])('%s has no unit, and is no number of pieces', (text, word, meant) => {
  expect(unitSlip(parseLineText(text), index)).toEqual({ word, meant });
  expect(lineFromText(text, index, { servings: 5, measures: 'metric' })).toEqual({ text });
});

test.each([
  '3 pears',
  '2 thin leeks',
  '2 black garlic cloves',
  '3 spring onions',
  '2 red onions',
  '300 g cupp leeks',
  '2 hot chillies',
  'cupp leeks',
])('%s has no slip of a unit', (text) => {
  expect(unitSlip(parseLineText(text), index)).toBeUndefined();
});

test.each([
  ['3 tbsp + 1 tsp rapeseed oil', 'metric', 3 + 1 / 3, 'tbsp'],
  ['3 tbsp + 1 tsp rapeseed oil', 'au', 3.25, 'tbsp'],
  ['1 cup plus 2 tbsp rapeseed oil', 'metric', 1.12, 'cup'],
  ['1 cup plus 2 tbsp rapeseed oil', 'us', 1.125, 'cup'],
  ['100 g plus 1 tbsp rapeseed oil', 'metric', 113.8, 'g'],
] as const)('%s in %s measures is their sum', (text, measures, amount, unit) => {
  const line = lineFromText(text, index, { servings: 5, measures });
  expect(line).toMatchObject({ food: 'rapeseed-oil-harbour', unit });
  expect(line.amount).toBeCloseTo(amount, 6);
});

test.each(['3 tbsp + 1 tsp rapeseed oil', '3 tbsp + 2 handfuls rapeseed oil'])(
  '%s, of which nobody knows what it comes to, is not counted as its first amount alone',
  (text) => {
    const { food, agreed } = lineFromText(text, index, { servings: 5 });
    expect(food === undefined || agreed === false).toBe(true);
  },
);

test('an amount of each box is for all of them, unless amounts are written so', () => {
  const line = (amountsPer: 'batch' | 'serving') => lineFromText('2 onions per box', index, { servings: 5, amountsPer });
  expect(line('batch').amount).toBe(10);
  expect(line('serving').amount).toBe(2);
});

test('a heap holds more than is level, and is judged by eye', () => {
  expect(lineFromText('2 heaped tbsp rapeseed oil', index, { servings: 5 })).toMatchObject({ amount: 3.7, unit: 'tbsp', method: 'eye' });
  expect(lineFromText('2 level tbsp rapeseed oil', index, { servings: 5 })).not.toHaveProperty('method');
});

test.each([
  ['1. 300 g red lentils', { amount: 300, unit: 'g' }],
  ['2) 2 onions', { amount: 2 }],
  ['2 x 125 g balls mozzarella', { amount: 250, unit: 'g', foodWords: 'mozzarella' }],
  ['250 g pouch brown rice', { amount: 250, unit: 'g', foodWords: 'brown rice' }],
])('%s', (text, parsed) => {
  expect(parseLineText(text)).toMatchObject(parsed);
});

test('a food picked by hand is kept over any match', () => {
  expect(lineFromText('2 onions', index, { servings: 5, measures: 'metric' }, byId.get('onion-red'))).toMatchObject({
    food: 'onion-red',
    amount: 2,
  });
});

test.each([
  '3 leeks, trimmed',
  '300 g red lentils, rinsed',
  '2 to 3 bay leaves',
  '1 ½ tbsp honey',
  'salt, to taste',
  '2 large eggs, beaten',
  '1 small head red cabbage, shredded',
])('%s reads the same when written back', (text) => {
  const line = lineFromText(text, index, { servings: 5, measures: 'metric' });
  expect(lineText(line, byId.get(line.food ?? ''))).toBe(text);
});

test('a line without text is named after its food', () => {
  expect(lineText({ food: 'leek', amount: 3, unit: 'piece', note: 'trimmed' }, { id: 'leek', name: 'Leek, raw' })).toBe('3 leek, trimmed');
});

test('finding tolerates word order, plural, accents and a slip', () => {
  expect(index.best('lentils red')?.id).toBe('red-lentils-weir-lane');
  expect(index.best('tomatoes chopped')?.id).toBe('chopped-tomatoes-harbour');
  expect(index.best('póttato waxy')).toBeDefined();
  expect(index.find('')).toEqual([]);
});

test('an id is made of letters, digits and hyphens, and is nobody else’s', () => {
  expect(idFromName('Crème fraîche, 30 %', new Set())).toBe('creme-fraiche-30');
  expect(idFromName('Leek', new Set(['leek', 'leek-2']))).toBe('leek-3');
  expect(idFromName('日本', new Set())).toBe('unnamed');
});

test('amounts in words', () => {
  expect(amountWords([4, 6], 'sprig')).toBe('4 to 6 sprigs');
  expect(amountWords(1, 'cup, chopped')).toBe('1 cup');
  expect(amountWords(3, 'piece')).toBe('3');
  expect([packWords(3, 'piece'), packWords(1, 'piece'), packWords(2.5, 'kg'), packWords(2, 'jar')]).toEqual([
    '3 pieces',
    '1 piece',
    '2.5 kg',
    '2 jars',
  ]);
});

test('units in words', () => {
  expect(unitOfWord('Tablespoons')).toEqual({ unit: 'tbsp', times: 1 });
  expect(unitOfWord('dl')).toEqual({ unit: 'ml', times: 100 });
  expect(unitOfWord('leeks')).toBeUndefined();
});

test('an amount is read off the front only', () => {
  expect(leadingAmount('4 to 6 sprigs thyme')).toEqual({ amount: [4, 6], rest: 'sprigs thyme' });
  expect(leadingAmount('thyme 4')).toBeUndefined();
});
