import { parseLineText, type ParsedLine } from './parseLineText.js';

/** Text, then what must be understood of it. */
const LINES: readonly (readonly [string, Partial<ParsedLine>])[] = [
  ['300 g red lentils, rinsed', { amount: 300, unit: 'g', foodWords: 'red lentils', note: 'rinsed' }],
  ['2 tbsp rapeseed oil', { amount: 2, unit: 'tbsp', foodWords: 'rapeseed oil' }],
  ['1kg beef shin', { amount: 1, unit: 'kg', foodWords: 'beef shin' }],
  ['1,5 kg potatoes', { amount: 1.5, unit: 'kg', foodWords: 'potatoes' }],
  ['1,200 g potatoes', { amount: 1200, unit: 'g' }],
  ['1 ½ cups leeks, sliced', { amount: 1.5, unit: 'cup', foodWords: 'leeks', note: 'sliced' }],
  ['1 1/2 cups oats', { amount: 1.5, unit: 'cup', foodWords: 'oats' }],
  ['⅓ cup milk', { unit: 'cup', foodWords: 'milk' }],
  ['3 leeks, trimmed', { amount: 3, foodWords: 'leeks', note: 'trimmed' }],
  ['2 large eggs', { amount: 2, size: 'large', foodWords: 'eggs' }],
  ['1 small head red cabbage, shredded', { amount: 1, unit: 'head', size: 'small', foodWords: 'red cabbage', note: 'shredded' }],
  ['4 cloves garlic, crushed', { amount: 4, unit: 'clove', foodWords: 'garlic', note: 'crushed' }],
  ['4 garlic cloves', { amount: 4, foodWords: 'garlic cloves', countWord: 'clove' }],
  ['4 to 6 sprigs thyme', { amount: [4, 6], unit: 'sprig', foodWords: 'thyme' }],
  ['2–3 bay leaves', { amount: [2, 3], countWord: 'leaf' }],
  ['2 or 3 carrots', { amount: [2, 3], foodWords: 'carrots' }],
  ['half an onion', { amount: 0.5, foodWords: 'onion' }],
  ['a pinch of smoked paprika', { amount: 1, unit: 'pinch', foodWords: 'smoked paprika' }],
  ['about 250 g mushrooms', { amount: 250, unit: 'g', foodWords: 'mushrooms' }],
  [
    '2 x 400 g cans white beans, drained',
    { amount: 800, unit: 'g', also: { amount: 2, unit: 'can' }, foodWords: 'white beans', note: 'drained' },
  ],
  ['2 cans (400 g) chopped tomatoes', { amount: 800, unit: 'g', also: { amount: 2, unit: 'can' }, foodWords: 'chopped tomatoes' }],
  ['1 tin chopped tomatoes', { amount: 1, unit: 'can', foodWords: 'chopped tomatoes' }],
  ['1 lb 4 oz carrots', { amount: 1.25, unit: 'lb', foodWords: 'carrots' }],
  ['300 g / 10 oz brown rice', { amount: 300, unit: 'g', also: { amount: 10, unit: 'oz' }, foodWords: 'brown rice' }],
  ['500 g (1 lb 2 oz) beef', { amount: 500, unit: 'g', foodWords: 'beef' }],
  ['2 onions (about 250 g), diced', { amount: 250, unit: 'g', also: { amount: 2, unit: 'piece' }, foodWords: 'onions', note: 'diced' }],
  ['2 chicken breasts (180 g each)', { amount: 360, unit: 'g', also: { amount: 2, unit: 'piece' }, foodWords: 'chicken breasts' }],
  ['2 chicken breasts, about 180 g each, diced', { amount: 360, unit: 'g', foodWords: 'chicken breasts', note: 'diced' }],
  ['4 tomatoes, 400 g in total', { amount: 400, unit: 'g', foodWords: 'tomatoes' }],
  ['red lentils 300 g', { amount: 300, unit: 'g', foodWords: 'red lentils' }],
  ['flour type 405', { foodWords: 'flour type 405' }],
  ['salt, to taste', { toTaste: true, foodWords: 'salt' }],
  ['black pepper to taste', { toTaste: true, foodWords: 'black pepper' }],
  ['1 tsp salt, or to taste', { amount: 1, unit: 'tsp', toTaste: true, foodWords: 'salt' }],
  ['200 g tofu (optional)', { amount: 200, optional: true, foodWords: 'tofu' }],
  ['600 g lentils (cooked weight)', { amount: 600, cooked: true, foodWords: 'lentils' }],
  ['2 fl oz cream', { amount: 2, unit: 'floz', foodWords: 'cream' }],
  ['2 dl stock', { amount: 200, unit: 'ml', foodWords: 'stock' }],
  ['2 T soy sauce', { amount: 2, unit: 'tbsp' }],
  ['1 t cumin', { amount: 1, unit: 'tsp' }],
  ['1 heaped tbsp flour', { amount: 1, unit: 'tbsp', foodWords: 'flour' }],
  ['- 100 g kale', { amount: 100, unit: 'g', foodWords: 'kale' }],
  ['5 turns of the mill of black pepper', { amount: 5, unit: 'turn', foodWords: 'black pepper' }],
  ['leeks', { foodWords: 'leeks' }],
  ['2 cupp flour', { amount: 2, foodWords: 'cupp flour' }],
];

test.each(LINES)('%s', (text, understood) => {
  expect(parseLineText(text)).toMatchObject(understood);
});

test.each(['', '   ', '-', '(', '))((', '½', '1/0', '"><script>alert(1)</script>', 'x'.repeat(5000)])(
  'any text is taken apart without a fault: %s',
  (text) => {
    expect(() => parseLineText(text)).not.toThrow();
  },
);
