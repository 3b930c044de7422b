import type { Allergen } from './allergen.js';
import { allergensInWords, lackedBy } from './allergenWords.js';

test.each<[string, Allergen[]]>([
  ['600 g cod fillet', ['fish']],
  ['100 g mature cheddar', ['milk']],
  ['400 ml coconut milk', []],
  ['2 cans butter beans', []],
  ['1 butternut squash', []],
  ['a pinch of nutmeg', []],
  ['1 aubergine (eggplant)', []],
  ['200 g buckwheat', []],
  ['250 g oyster mushrooms', []],
  ['½ tsp cream of tartar', []],
  ['200 ml oat milk', ['oats']],
  ['60 g almond butter', ['almonds']],
  ['80 g peanut butter', ['peanuts']],
  ['3 tbsp soya single cream', ['soy']],
  ['2 tbsp tahini', ['sesame']],
  ['200 g couscous', ['wheat']],
  ['2 eggs and 100 g prawns', ['eggs', 'crustaceans']],
  ['vegan butter', []],
])('%j names %j', (text, named) => {
  expect(allergensInWords(text).named).toEqual(named);
});

test('what a text says is not in it', () => {
  expect(allergensInWords('dairy-free spread').denied).toEqual(['milk']);
  expect(allergensInWords('gluten free oats')).toEqual({ named: ['oats'], denied: ['gluten', 'wheat', 'rye', 'barley', 'spelt'] });
  expect(allergensInWords('vegan butter').denied).toContain('milk');
  expect(allergensInWords('free-range chicken').denied).toEqual([]);
});

test('a nut is had by its name or as one of the nuts, and spelt is a wheat', () => {
  expect(lackedBy(['almonds', 'milk'], ['nuts'])).toEqual(['milk']);
  expect(lackedBy(['nuts'], ['almonds'])).toEqual([]);
  expect(lackedBy(['spelt'], ['wheat'])).toEqual([]);
  expect(lackedBy(['almonds'], ['hazelnuts'])).toEqual(['almonds']);
  expect(lackedBy(['wheat'], ['gluten'])).toEqual([]);
});
