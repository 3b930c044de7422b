import type { Food } from '../food/index.js';
import { parseLineText } from '../text/index.js';
import { FoodIndex } from './foodIndex.js';
import { isCalled } from './isCalled.js';
import { lineDoubt } from './lineDoubt.js';
import { lineFromText } from './lineFromText.js';

const food = (id: string, name: string, more: Partial<Food> = {}): Food => ({ id, name, ...more });
const read = (text: string, foods: readonly Food[], athand: readonly string[] = []) => {
  const reading = new FoodIndex(foods, new Set(athand)).read(parseLineText(text));
  return reading && { food: reading.food.id, sureness: reading.sureness };
};

const SHIN = food('shin', 'Beef shin, boneless, trimmed, raw', { names: ['beef leg, boneless'] });
const THIGH = food('thigh', 'Chicken thigh, boneless, skinless, raw', { names: ['chicken thigh fillet'] });
const BONY = food('bony', 'Chicken thigh, bone-in, skin-on, raw');

test('never does another animal win on an adjective', () => {
  expect(read('1.2 kg boneless, skinless chicken thighs', [SHIN])).toBeUndefined();
  expect(read('1.2 kg boneless, skinless chicken thighs', [SHIN, THIGH, BONY])).toEqual({ food: 'thigh', sureness: 'same' });
  expect(read('500 g chicken thighs', [SHIN, THIGH, BONY])).toMatchObject({ sureness: 'unsure' });
});

test.each([
  ['2 tbsp oat flour', food('wheat', 'Flour, wheat, white, plain', { names: ['plain flour'] })],
  ['2 beef stock cubes', food('beef', 'Beef, stewing, diced, raw')],
  ['200 ml coconut milk', food('milk', 'Milk, whole')],
  ['1 tbsp peanut butter', food('butter', 'Butter, salted')],
  ['1 tsp garlic salt', food('salt', 'Salt, fine')],
  ['1 tsp garlic salt', food('garlic', 'Garlic, raw')],
  ['400 g butter beans', food('butter', 'Butter, salted')],
  ['1 tsp onion powder', food('onion', 'Onion, white, raw')],
  ['2 tbsp potato starch', food('potato', 'Potato, waxy, raw')],
  ['1 fish stock cube', food('cube', 'Stock cube, chicken')],
])('“%s” is not what is only called after it, or called like it', (text, other) => {
  expect(read(text, [other])).toBeUndefined();
});

test.each([
  ['2 zucchini', food('c', 'Courgette, raw', { names: ['zucchini'], measures: { piece: 200 } }), 'same'],
  ['300 g red lentils', food('l', 'Lentils, red, dry', { names: ['red lentils'] }), 'same'],
  ['100 g lentils, red', food('l', 'Lentils, red, dry', { names: ['red lentils'] }), 'same'],
  ['2 tbsp corriander powder', food('g', 'Coriander powder'), 'same'],
  ['250 g 5 % fat beef mince', food('m', 'Beef mince, 5 % fat, raw'), 'same'],
  ['250 g ground beef, 95% lean', food('m', 'Beef mince, 5 % fat, raw'), 'same'],
  ['30 g vegan butter', food('b', 'Butter, salted'), 'unsure'],
  ['100 g smoked tofu', food('t', 'Tofu, firm'), 'unsure'],
  ['1 tbsp dried basil', food('b', 'Basil, fresh'), 'unsure'],
  ['200 g cooked rice', food('r', 'Rice, white, dry'), 'unsure'],
  ['100 g Granny Smith apples', food('a', 'Apple, raw'), 'unsure'],
])('“%s” finds its food', (text, one, sureness) => {
  expect(read(text, [one])).toEqual({ food: one.id, sureness });
});

test('a can, a bunch and a bare number decide between forms', () => {
  const chickpeas = [
    food('dry', 'Chickpeas, dry', { state: 'dry' }),
    food('can', 'Chickpeas, canned, drained', { measures: { can: 400 } }),
  ];
  expect(read('1 can chickpeas', chickpeas)).toMatchObject({ food: 'can' });
  expect(read('200 g chickpeas', chickpeas)).toMatchObject({ sureness: 'unsure' });
  expect(read('200 g dried chickpeas', chickpeas)).toEqual({ food: 'dry', sureness: 'same' });
  const thyme = [
    food('fresh', 'Thyme, fresh', { state: 'raw', measures: { bunch: 20, sprig: 0.7 } }),
    food('dried', 'Thyme, dried', { state: 'dry', measures: { pinch: 0.1 } }),
  ];
  expect(read('1 bunch thyme', thyme)).toEqual({ food: 'fresh', sureness: 'usual' });
  expect(read('1 tsp thyme', thyme)).toMatchObject({ sureness: 'unsure' });
  // What is at hand is no reason to take fresh for dry.
  expect(read('1 tsp thyme', thyme, ['fresh'])).toMatchObject({ food: 'fresh', sureness: 'unsure' });
});

test('one’s own product goes before the general food; of two of one’s own it is asked', () => {
  const general = food('l', 'Lentils, red, dry', { names: ['red lentils'], state: 'dry' });
  const weir = food('w', 'Red lentils, Weir Lane', { source: 'label' });
  const nine = food('n', 'Red lentils, Depot Nine', { source: 'label' });
  expect(read('300 g red lentils', [general, weir], ['w'])).toEqual({ food: 'w', sureness: 'usual' });
  expect(read('300 g red lentils', [general, weir, nine], ['w', 'n'])).toMatchObject({ sureness: 'unsure' });
});

test('a choice, several at once, and a second amount are told, never taken silently', () => {
  const foods = [
    food('ghee', 'Ghee'),
    food('oil', 'Oil, rapeseed', { names: ['vegetable oil'] }),
    food('egg', 'Egg, whole, raw', { measures: { piece: 50 } }),
  ];
  expect(new FoodIndex(foods).read(parseLineText('2 tbsp ghee or vegetable oil'))).toMatchObject({
    food: { id: 'ghee' },
    sureness: 'unsure',
    rivals: [{ id: 'oil' }],
  });
  expect(new FoodIndex(foods).read(parseLineText('1 egg + 1 yolk'))).toMatchObject({
    sureness: 'unsure',
    reason: '“+ 1 yolk” is not counted',
  });
});

test('juice and zest of a fruit are the juice and the zest, where the pantry has them', () => {
  const juice = food('juice', 'Lime juice, fresh', { measures: { 'juice of 1 lime': 30 } });
  const lime = food('lime', 'Lime, raw', { measures: { piece: 60 } });
  expect(lineFromText('juice of 2 limes', new FoodIndex([lime, juice]), { servings: 4, measures: 'metric' })).toMatchObject({
    food: 'juice',
    amount: 2,
    unit: 'juice of 1 lime',
  });
  expect(lineFromText('juice of 2 limes', new FoodIndex([lime]), { servings: 4, measures: 'metric' })).toMatchObject({
    food: 'lime',
    amount: 2,
    unit: 'piece',
    // Where it has not, the share of the fruit that it is, and the person is asked.
    retained: 0.6,
    agreed: false,
  });
  expect(new FoodIndex([lime]).read(parseLineText('2 limes, zested'))?.reason).toBe('only its zest is meant: 5 % of it is counted');
  expect(lineFromText('2 limes, sliced', new FoodIndex([lime]), { servings: 4 })).not.toHaveProperty('retained');
});

test('a line keeps that nobody agreed, and says why as long as nobody did', () => {
  const index = new FoodIndex([THIGH, BONY]);
  const line = lineFromText('500 g chicken thighs', index, { servings: 4, measures: 'metric' });
  expect(line.agreed).toBe(false);
  expect(lineDoubt(line, index)).toMatchObject({ rivals: [BONY] });
  expect(lineDoubt({ ...line, agreed: true }, index)).toBeUndefined();
  expect(lineDoubt({ ...line, food: 'other' }, index)?.reason).toMatch(/^its words mean Chicken thigh/);
  expect(lineFromText('500 g boneless, skinless chicken thighs', index, { servings: 4, measures: 'metric' })).not.toHaveProperty('agreed');
});

test('what a line is counted as is told unless its words say so', () => {
  expect(isCalled(food('l', 'Lentils, red, dry'), '300 g red lentils')).toBe(true);
  expect(isCalled(food('c', 'Courgette, raw'), '2 zucchini')).toBe(false);
  expect(isCalled(food('t', 'Chicken thigh, raw'), '500 g chicken')).toBe(false);
});

test.each([
  ['100 g chocolate milk', food('m', 'Milk chocolate')],
  ['200 g tomato salad', food('t', 'Tomato, red, raw', { names: ['salad tomato'] })],
  ['100 g salmon heads', food('s', 'Salmon, pink, canned', { names: ['tinned salmon'] })],
  ['1 melon', food('w', 'Watermelon, raw', { names: ['water melon'] })],
])('the last word says what it is: “%s” is never surely that', (text, other) => {
  expect(read(text, [other])?.sureness ?? 'unsure').toBe('unsure');
});

test('what is said of a thing is not the thing: a shoulder is no other piece that is boneless too', () => {
  const neck = food('neck', 'Lamb neck fillet, boneless, raw');
  const shoulder = food('shoulder', 'Lamb shoulder, boneless, raw');
  expect(read('500 g diced lamb', [neck, shoulder])).toEqual({ food: 'shoulder', sureness: 'unsure' });
  expect(read('500 g boneless lamb shoulder', [neck, shoulder])).toEqual({ food: 'shoulder', sureness: 'same' });
});

test('a piece of one animal is no piece of another, even to be asked about', () => {
  expect(read('500 g goat shoulder', [food('lamb', 'Lamb shoulder, boneless, raw')])).toBeUndefined();
});

test('dry food that is said to be cooked may be weighed so: it is asked', () => {
  const lentils = food('l', 'Lentils, brown, dry', { state: 'dry' });
  expect(read('200 g brown lentils', [lentils])).toEqual({ food: 'l', sureness: 'usual' });
  expect(read('200 g brown lentils, cooked', [lentils])).toEqual({ food: 'l', sureness: 'unsure' });
});

test('leaves are the plant where leaves are what is eaten of it, and another thing where they are not', () => {
  expect(read('100 g beetroot leaves', [food('b', 'Beetroot, raw', { measures: { piece: 100 } })])?.sureness).not.toBe('same');
  expect(read('100 g basil leaves', [food('b', 'Basil, fresh', { measures: { leaf: 0.5 } })])).toEqual({ food: 'b', sureness: 'usual' });
});

test('a name that is so only in some place is not plainly the food’s', () => {
  const rump = food('rump', 'Beef rump steak, raw', { names: ['sirloin steak (US)'] });
  const sirloin = food('sirloin', 'Beef sirloin steak, raw');
  expect(read('200 g sirloin steak', [rump, sirloin])).toEqual({ food: 'sirloin', sureness: 'usual' });
});
