import { readKitchen } from './readKitchen.js';

const FILE = {
  format: 'portiona/1',
  foods: [
    { id: 'barley', name: 'Barley' },
    { id: 'leek', name: 'Leek', measures: { piece: 200 } },
  ],
  recipes: [
    {
      id: 'pot',
      title: 'Pot',
      servings: 4,
      variants: [{ name: 'lean', changes: [{ at: 'main/2', out: true }] }],
      parts: [
        {
          id: 'main',
          name: 'Main',
          lines: [
            { food: 'barley', amount: 200, unit: 'g' },
            { food: 'leek', amount: 100, unit: 'g' },
          ],
        },
      ],
    },
  ],
};
const BATCH = { id: 'b', recipe: 'pot', date: '2026-11-20' };
const faultsOf = (...batches: object[]) => {
  const read = readKitchen({ ...FILE, batches: batches.map((one) => ({ ...BATCH, ...one })) }, '2026-11-25');
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

test('a sound batch is read with the rest, and comes out as it was', () => {
  const batch = {
    ...BATCH,
    servings: 6,
    lines: [
      { at: 'main/1', grams: 310 },
      { part: 'main', food: 'leek', grams: 20, as: 'AP' },
    ],
    parts: [{ part: 'main', gross: 900, tare: 300 }],
    boxes: [{ name: 'lunch', count: 2, grams: { main: 200 }, keep: 'freezer' }],
    paid: [{ food: 'leek', net: 2, unit: 'piece', price: '1.20', shop: 'Quay' }],
    rating: 4,
  };
  const read = readKitchen({ ...FILE, batches: [batch] }, '2026-11-25');
  expect(read.ok && read.entry.batches).toEqual([batch]);
});

test.each([
  ['a recipe that is not there', { recipe: 'pott' }, /^batches\[0\]\.recipe: unknown recipe "pott"; did you mean "pot"\?/],
  ['a variant that is not there', { variant: 'leen' }, /^batches\[0\]\.variant: unknown variant "leen"/],
  ['a line that is not there', { lines: [{ at: 'main/3', grams: 5 }] }, /^batches\[0\]\.lines\[0\]\.at: unknown line "main\/3"/],
  [
    'a line of the recipe that its variant does not have',
    { variant: 'lean', lines: [{ at: 'main/2', grams: 5 }] },
    /unknown line "main\/2"/,
  ],
  [
    'a line told twice',
    {
      lines: [
        { at: 'main/1', grams: 5 },
        { at: 'main/1', out: true },
      ],
    },
    /lines\[1\]\.at: "main\/1" is told twice/,
  ],
  ['a part that is not there', { lines: [{ part: 'top', food: 'leek', grams: 5 }] }, /lines\[0\]\.part: unknown part "top"/],
  ['a food that is not there', { lines: [{ at: 'main/1', food: 'leak', grams: 5 }] }, /lines\[0\]\.food: unknown food "leak"/],
  ['a line of no kind', { lines: [{ at: 'main/1' }] }, /lines\[0\]: must be \{"at", "grams"\}/],
  [
    'a part told twice',
    {
      parts: [
        { part: 'main', net: 5 },
        { part: 'main', pieces: 5 },
      ],
    },
    /parts\[1\]\.part: "main" is told twice/,
  ],
  ['net and gross', { parts: [{ part: 'main', net: 5, gross: 9, tare: 1 }] }, /parts\[0\]: must have net, or gross and tare/],
  ['gross alone', { parts: [{ part: 'main', gross: 9 }] }, /parts\[0\]\.tare: is missing/],
  ['a pot heavier than what was in it', { parts: [{ part: 'main', gross: 9, tare: 9 }] }, /parts\[0\]\.tare: must be below gross/],
  ['a part of which nothing is said', { parts: [{ part: 'main' }] }, /parts\[0\]: says nothing of what came out/],
  ['a discard of nothing known', { discards: [{ part: 'main', food: 'moss', grams: 5 }] }, /discards\[0\]\.food: unknown food "moss"/],
  ['a pack in no unit', { paid: [{ food: 'leek', net: 1, unit: 'sack', price: 1, shop: 'Q' }] }, /paid\[0\]\.unit: unknown unit "sack"/],
  ['a box of a part that is not there', { boxes: [{ name: 'x', grams: { top: 5 } }] }, /boxes\[0\]\.grams\.top: unknown part "top"/],
  ['half a serving', { servings: 2.5 }, /servings: must be a whole number/],
  ['a day that is none', { date: '2026-02-30' }, /date: must be a day/],
  ['a key that nobody knows', { mood: 'good' }, /mood: unknown key "mood"/],
  [
    'a recipe as it was that cannot be',
    { then: { ...FILE.recipes[0], variants: [], parts: [{ id: 'p', name: 'P', lines: [{ food: 'moss', amount: 1, unit: 'g' }] }] } },
    /then\.parts\[0\]\.lines\[0\]\.food: unknown food "moss"/,
  ],
])('%s is told by its place', (_, over, told) => {
  const faults = faultsOf(over);
  expect(faults).toHaveLength(1);
  expect(faults[0]).toMatch(told);
});

test('ids stand once', () => {
  expect(faultsOf({}, {})).toEqual([expect.stringMatching(/^batches\[1\]\.id/) as string]);
});
