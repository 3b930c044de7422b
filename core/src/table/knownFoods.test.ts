import { knownFood } from './knownFoods.js';

test.each([
  ['Milk, whole, 3.5 % fat', 'milk'],
  ['Lait entier', 'milk'],
  ['SPINACH, RAW', 'spinach'],
  ['Épinard, cru', 'spinach'],
  ['Egg, whole, raw', 'egg'],
  ['Œuf, cru', 'egg'],
  ['Hühnerei, ganz', 'egg'],
  ['Liver, beef, raw', 'liver'],
  ['Beef liver', 'liver'],
  ['Salt, table', 'salt'],
  ['Olivenöl', 'oil'],
  ['Chicken, broilers, breast, raw', 'chicken breast'],
])('%s is known as %s', (name, known) => {
  expect(knownFood(name)?.name).toBe(known);
});

test.each([
  'Milk chocolate',
  'Milk powder, skimmed',
  'Milkfish, raw',
  'Egg white, raw',
  'Eggplant, raw',
  'Egg noodles, dry',
  'Liver sausage',
  'Salted peanuts',
  'Salt cod',
  'Butter beans, canned',
  'Peanut butter',
  'Sugar snap peas',
  'Potato crisps',
  'Coconut milk',
  'Oat drink',
  'Rice',
  'x'.repeat(500),
])('%s is not taken for one', (name) => {
  expect(knownFood(name)).toBeUndefined();
});
