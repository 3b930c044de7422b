import type { Food } from '../food/index.js';
import { parseLineText } from '../text/index.js';
import { FoodIndex } from './foodIndex.js';
import { lineDoubt } from './lineDoubt.js';
import { lineFromText } from './lineFromText.js';

const foods: Food[] = [
  { id: 'carrot', name: 'Carrot, raw', measures: { piece: 80 } },
  { id: 'rice', name: 'Basmati rice, dry' },
  { id: 'thigh', name: 'Chicken thigh, raw', measures: { thigh: 110 } },
  { id: 'prawn', name: 'Prawns, raw', measures: { piece: 10 } },
  { id: 'flour', name: 'Flour, plain' },
  { id: 'puree', name: 'Tomato puree' },
  { id: 'passata', name: 'Passata' },
  { id: 'coriander', name: 'Coriander, fresh', names: ['cilantro'] },
];
const index = new FoodIndex(foods);
const read = (text: string) => {
  const line = lineFromText(text, index, { servings: 4, measures: 'metric' });
  return [line.food, line.amount, line.unit, lineDoubt(line, index)?.reason];
};

test.each([
  ['Carrots 400', 'carrot', 400],
  ['Carrots, 400', 'carrot', 400],
  ['400 carrots', 'carrot', 400],
  ['Basmati rice 300', 'rice', 300],
  ['500 chicken thighs', 'thigh', 500],
])('%s: so many can hardly be counted; grams, and asked about', (text, food, amount) => {
  expect(read(text)).toEqual([food, amount, 'g', `“${amount}” has no unit: it is taken as grams`]);
});

test.each([
  ['Carrots 4', 'carrot', 4, 'piece'],
  ['60 prawns', 'prawn', 60, 'piece'],
  ['20 carrots', 'carrot', 20, 'piece'],
  ['Carrots 400 g', 'carrot', 400, 'g'],
])('%s is what it says', (text, food, amount, unit) => {
  expect(read(text)).toEqual([food, amount, unit, undefined]);
});

test('a number that says which is no amount', () => {
  for (const text of ['Flour type 550', 'flour 00', 'Mehl Typ 405', 'vitamin C 500', 'omega 3'])
    expect(parseLineText(text).amount).toBeUndefined();
});

test('what a bracket calls the food: another one is asked about, the same one is not', () => {
  expect(read('400 ml tomato puree (passata)')).toEqual(['passata', 400, 'ml', '“tomato puree” is another food than “passata”']);
  expect(read('20 g coriander (cilantro)')).toEqual(['coriander', 20, 'g', undefined]);
  expect(read('300 g carrot (chopped)')).toEqual(['carrot', 300, 'g', undefined]);
});
