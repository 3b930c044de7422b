import type { Food } from '../food/index.js';
import type { Pack } from '../price/index.js';
import { lineWeights } from './lineWeights.js';
import type { Line } from './recipe.js';
import { divide } from './share.js';
import { writtenUnit } from './writtenGrams.js';

const beans: Food = { id: 'beans', name: 'Beans', drained: 0.6, measures: { can: 400, cup: 180 }, measuresAre: ['cup'] };
const duck: Food = { id: 'duck', name: 'Duck', refuse: 0.25, yield: 0.6, measures: { piece: 240 } };
const mince: Food = { id: 'mince', name: 'Cooked mince', state: 'cooked', yield: 0.72 };
const oil: Food = { id: 'oil', name: 'Oil', density: 0.92, measures: { glug: 12 } };
const pack = (net: number, pinned = false): Pack => ({
  food: 'beans',
  net,
  unit: 'g',
  price: '1',
  currency: 'EUR',
  shop: 'A',
  seen: '2031-03-01',
  pinned,
});

test.each<[string, Line, Food, { grams: number; purchase: number; edible: number; eaten: number }]>([
  ['a can, as purchased', { amount: 2, unit: 'can' }, beans, { grams: 800, purchase: 800, edible: 480, eaten: 480 }],
  ['a cup, already drained', { amount: 1, unit: 'cup' }, beans, { grams: 180, purchase: 300, edible: 180, eaten: 180 }],
  ['grams, ready to eat', { amount: 180, unit: 'g' }, beans, { grams: 180, purchase: 300, edible: 180, eaten: 180 }],
  ['grams, said to be as purchased', { amount: 300, unit: 'g', as: 'AP' }, beans, { grams: 300, purchase: 300, edible: 180, eaten: 180 }],
  ['legs with bone', { amount: 4, unit: 'piece' }, duck, { grams: 960, purchase: 960, edible: 720, eaten: 720 }],
  [
    'cooked and off the bone, of a raw food',
    { amount: 360, unit: 'g', state: 'cooked' },
    duck,
    { grams: 360, purchase: 800, edible: 600, eaten: 600 },
  ],
  [
    'cooked with bone, of a raw food',
    { amount: 360, unit: 'g', state: 'cooked', as: 'AP' },
    duck,
    { grams: 360, purchase: 600, edible: 450, eaten: 450 },
  ],
  ['raw, of a cooked food', { amount: 500, unit: 'g', state: 'raw' }, mince, { grams: 500, purchase: 500, edible: 360, eaten: 360 }],
  ['half kept', { amount: 100, unit: 'ml', retained: 0.5 }, oil, { grams: 92, purchase: 92, edible: 92, eaten: 46 }],
  [
    'counted, trimmed more than is usual',
    { amount: 2, unit: 'piece', loss: 0.5 },
    { id: 'squash', name: 'Squash', refuse: 0.25, measures: { piece: 1000 } },
    { grams: 2000, purchase: 2000, edible: 1000, eaten: 1000 },
  ],
  [
    'weighed ready, trimmed of nothing',
    { amount: 300, unit: 'g', loss: 0 },
    { id: 'squash', name: 'Squash', refuse: 0.25 },
    { grams: 300, purchase: 300, edible: 300, eaten: 300 },
  ],
  [
    'of a can, its liquid all the same',
    { amount: 400, unit: 'g', as: 'AP' as const, loss: 0.1 },
    { id: 'beans', name: 'Beans', drained: 0.6 },
    { grams: 400, purchase: 400, edible: 216, eaten: 216 },
  ],
  ['to taste', { toTaste: 5 }, oil, { grams: 5, purchase: 5, edible: 5, eaten: 5 }],
])('%s', (_, line, food, weights) => {
  const found = lineWeights(line, food, 'metric', []);
  for (const [key, grams] of Object.entries(weights)) expect(found?.[key as keyof typeof weights]).toBeCloseTo(grams, 9);
});

test('amounts per serving are multiplied, a "to taste" is not', () => {
  expect(lineWeights({ amount: [10, 20], unit: 'g' }, oil, 'metric', [], 4)).toMatchObject({ grams: 60, range: [40, 80] });
  expect(lineWeights({ toTaste: 5 }, oil, 'metric', [], 4)?.grams).toBe(5);
});

test('the measure of a food goes before its density, a kitchen word before nothing', () => {
  expect(writtenUnit('glug', oil, 'metric', [])).toMatchObject({ grams: 12, as: 'AP', method: 'count', from: 'measure' });
  expect(writtenUnit('splash', oil, 'metric', [])).toMatchObject({ grams: 5, as: 'EP', method: 'eye', from: 'kitchen word' });
  expect(writtenUnit('cup', beans, 'us', [])).toMatchObject({ grams: 180, as: 'EP', method: 'cup' });
  expect(writtenUnit('tbsp', oil, 'au', []).grams).toBeCloseTo(18.4, 12);
  expect(writtenUnit('pint', oil, 'metric', []).grams).toBeUndefined();
  expect(writtenUnit('wedge', oil, 'metric', [])).toMatchObject({ grams: undefined, from: 'nothing' });
});

test('"1 pack" is the pinned pack, or the packs when they are of one size', () => {
  expect(writtenUnit('pack', beans, 'metric', [pack(400), pack(400)])).toMatchObject({ grams: 400, as: 'AP', method: 'pack' });
  expect(writtenUnit('pack', beans, 'metric', [pack(400), pack(2500)]).grams).toBeUndefined();
  expect(writtenUnit('pack', beans, 'metric', [pack(400), pack(2500, true)]).grams).toBe(2500);
  expect(writtenUnit('pack', beans, 'metric', []).grams).toBeUndefined();
});

test.each([
  [undefined, { share: 0.2, portion: 330, surplus: 0, shortfall: 0 }],
  [{ by: 'grams', grams: 300 } as const, { share: 300 / 1650, portion: 300, surplus: 150, shortfall: 0 }],
  [{ by: 'grams', grams: 400 } as const, { share: 400 / 1650, portion: 400, surplus: 0, shortfall: 350 }],
  [{ by: 'pieces', made: 20, each: 3 } as const, { share: 0.15, portion: 247.5, surplus: 412.5, shortfall: 0 }],
  [{ by: 'volume', made: 2000, each: 500 } as const, { share: 0.25, portion: 412.5, surplus: 0, shortfall: 412.5 }],
])('1650 g over five, by %j', (portion, expected) => {
  const share = divide(portion, 1650, 5);
  for (const [key, amount] of Object.entries(expected)) expect(share[key as keyof typeof expected]).toBeCloseTo(amount, 9);
});

test('a portion of nothing is short of all of it', () => {
  expect(divide({ by: 'grams', grams: 100 }, 0, 4)).toEqual({ share: 0, portion: 100, surplus: 0, shortfall: 400 });
});
