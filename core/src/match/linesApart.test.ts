import type { Food } from '../food/index.js';
import { FoodIndex } from './foodIndex.js';
import { lineFromText } from './lineFromText.js';
import { linesApart } from './linesApart.js';

const foods: Food[] = [
  { id: 'salt', name: 'Salt, fine', nutrients: { sodium: 38800 } },
  { id: 'pepper', name: 'Black pepper, ground', names: ['pepper', 'ground black pepper'] },
  { id: 'cumin', name: 'Cumin, ground' },
  { id: 'coriander', name: 'Coriander, ground' },
  { id: 'coriander-fresh', name: 'Coriander, fresh' },
  { id: 'oil', name: 'Olive oil', density: 0.92 },
  { id: 'vinegar', name: 'White wine vinegar', names: ['vinegar'] },
  { id: 'sauce', name: 'Sweet and sour sauce' },
  { id: 'egg', name: 'Egg', names: ['eggs'], measures: { piece: 58 } },
  { id: 'yolk', name: 'Egg yolk', names: ['yolk'], measures: { piece: 17 } },
  { id: 'ginger', name: 'Ginger root, raw', names: ['ginger'], measures: { 'piece, 2.5 cm': 12, thumb: 25 } },
  { id: 'leek', name: 'Leek, raw', names: ['leek'], measures: { piece: 150 } },
];
const index = new FoodIndex(foods);

test.each([
  ['salt and pepper', ['salt', 'pepper']],
  ['Salt and freshly ground black pepper, to taste', ['Salt, to taste', 'freshly ground black pepper, to taste']],
  ['1 tsp each ground cumin and coriander', ['1 tsp ground cumin', '1 tsp ground coriander']],
  ['1 tbsp olive oil and 1 tsp vinegar', ['1 tbsp olive oil', '1 tsp vinegar']],
  ['1 egg + 1 yolk', ['1 egg', '1 yolk']],
])('%s is two lines', (text, lines) => {
  expect(linesApart(text, index)).toEqual(lines);
});

test.each([
  '200 g sweet and sour sauce',
  '2 tbsp plus 1 tsp olive oil',
  '1 tsp salt and pepper',
  'salt and moon dust',
  'salt, pepper and cumin and coriander',
  '1 egg and 1 moonstone',
  '200 g leek, trimmed and washed',
])('%s stays one', (text) => {
  expect(linesApart(text, index)).toEqual([text]);
});

test.each([
  ['a 5 cm piece of ginger, grated', 2],
  ['2-inch piece ginger', 2.032],
  ['2 x 5cm pieces ginger', 4],
  ['5cm/2in piece of ginger', 2],
])('%s is as many pieces of the length whose weight is known', (text, amount) => {
  expect(lineFromText(text, index, { servings: 4 })).toMatchObject({ food: 'ginger', amount, unit: 'piece, 2.5 cm' });
});

test('of a food that says no weight by length it is a piece, and asked about', () => {
  expect(lineFromText('10 cm piece of leek', index, { servings: 4 })).toMatchObject({
    food: 'leek',
    amount: 1,
    unit: 'piece',
    agreed: false,
  });
  expect(index.read({ foodWords: 'leek', amount: 1, length: 10, toTaste: false, optional: false, cooked: false })?.reason).toBe(
    'nobody has said what 10 cm of it weigh: it counts as a piece',
  );
});
