import { kitchenFileText } from './writeKitchen.js';
import { readKitchen } from './readKitchen.js';
import { unplannable, withoutGoneSteps } from './sessionFaults.js';

const recipe = {
  id: 'stew',
  title: 'Stew',
  servings: 4,
  parts: [{ id: 'pot', name: 'Pot', lines: [] }],
  steps: [
    { text: 'Chop.', minutes: 5, uses: [] },
    {
      text: 'Bake.',
      minutes: 40,
      uses: [
        { name: 'oven', at: 180 },
        { name: 'oven', at: 200 },
      ],
      or: [{ name: 'slow cooker', text: 'Leave it.' }],
    },
  ],
};
const twoOvens = [{ name: 'oven', count: 2 }];
const session = (over: object = {}) => ({ id: 'sunday', date: '2031-05-04', dishes: [{ recipe: 'stew' }], equipment: twoOvens, ...over });
const faultsOf = (sessions: unknown, more: object = {}) => {
  const read = readKitchen({ format: 'portiona/1', recipes: [recipe], sessions, ...more }, '2031-05-01');
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

test('a sound session is read, and written as it was', () => {
  const whole = session({
    start: '09:30',
    cooks: 2,
    ovenTolerance: 10,
    dishes: [{ recipe: 'stew', boxes: 8, choose: { 2: 'slow cooker' } }],
    done: [{ dish: 1, step: 1, start: 0 }],
    adjusted: [{ dish: 1, step: 1, minutes: 8, hands: 8, uses: ['board'] }],
    pinned: [{ dish: 1, step: 2, start: 90 }],
    name: 'Sunday',
    cookNames: ['Ada'],
    finishBy: '13:00',
  });
  const stock = [{ food: 'oats', amount: 2, unit: 'piece', bestBefore: '2031-05-06', place: 'cupboard' }];
  const foods = [{ id: 'oats', name: 'Oats', measures: { piece: 40 } }];
  const file = { format: 'portiona/1', settings: { shoppingTrip: '1.50' }, foods, packs: [], recipes: [recipe], sessions: [whole], stock };
  const read = readKitchen(file, '2031-05-01');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const { stated = {}, ...content } = read.entry;
  expect(JSON.parse(kitchenFileText({ ...content, settings: stated }))).toEqual(file);
});

test.each([
  [
    'a recipe that is not there',
    { dishes: [{ recipe: 'stews' }] },
    'sessions[0].dishes[0].recipe: unknown recipe "stews"; did you mean "stew"?',
  ],
  [
    'a way that is not there',
    { dishes: [{ recipe: 'stew', choose: { 2: 'slow' } }] },
    'sessions[0].dishes[0].choose.2: unknown way "slow"; step 2 has: slow cooker',
  ],
  [
    'a way of a step with one only',
    { dishes: [{ recipe: 'stew', choose: { 1: 'slow' } }] },
    'sessions[0].dishes[0].choose.1: step 1 has no other way',
  ],
  [
    'a step that is not there',
    { dishes: [{ recipe: 'stew', choose: { 7: 'slow' } }] },
    'sessions[0].dishes[0].choose.7: there is no step 7; the recipe has 2',
  ],
  [
    'what is done twice',
    {
      done: [
        { dish: 1, step: 1, start: 0 },
        { dish: 1, step: 1, start: 5 },
      ],
    },
    'sessions[0].done[1]: dish 1 step 1 is told twice; keep one of them',
  ],
  [
    'what ends before it starts',
    { done: [{ dish: 1, step: 1, start: 9, end: 5 }] },
    'sessions[0].done[0].end: ends before it starts, at 9',
  ],
  [
    'a dish that is not there',
    { pinned: [{ dish: 2, step: 1, start: 0 }] },
    'sessions[0].pinned[0].dish: there is no dish 2; the session has 1',
  ],
  ['no time of day', { start: '24:00' }, 'sessions[0].start: must be a time of day such as "09:30"'],
  ['nobody to cook', { cooks: 0 }, 'sessions[0].cooks: must be a whole number from 1 to 20'],
  ['half a minute', { done: [{ dish: 1, step: 1, start: 0.5 }] }, 'sessions[0].done[0].start: must be a whole number from 0 to 100000'],
  ['no dishes said', { dishes: undefined }, 'sessions[0].dishes: is missing'],
])('refused with its place: %s', (_, over, fault) => {
  expect(faultsOf([session(over)]).join('\n')).toContain(fault);
});

const unheld = (over: object) =>
  unplannable(session(over), new Map([['stew', recipe]]), () => 'recipes[0]').map(({ path, message }) => `${path}: ${message}`);

test('a step that nothing there can hold cannot be planned, and the file is sound all the same', () => {
  expect(unheld({ equipment: [{ name: 'oven', count: 0 }] })).toEqual([
    'recipes[0].steps[1].uses: step 2 of "Stew" holds 2 of "oven", and this session has none; add one, or choose another way',
  ]);
  expect(unheld({ equipment: [{ name: 'oven', shelves: 2 }] })).toEqual([
    'recipes[0].steps[1].uses: step 2 of "Stew" holds 2 of "oven", and there is no room for them at once; add a unit or a shelf',
  ]);
  expect(faultsOf([session({ equipment: [{ name: 'oven', count: 0 }] })])).toEqual([]);
});

test('an oven wide enough for both heats, or two of them, holds the step', () => {
  expect(unheld({ equipment: [{ name: 'oven', shelves: 2 }], ovenTolerance: 20 })).toEqual([]);
  expect(unheld({ equipment: [{ name: 'oven' }, { name: 'oven' }] })).toEqual([]);
  // The other way needs no oven at all.
  expect(unheld({ equipment: [{ name: 'oven', count: 0 }], dishes: [{ recipe: 'stew', choose: { 2: 'slow cooker' } }] })).toEqual([]);
});

test('what was noted of steps that are gone says nothing any more', () => {
  const noted = session({
    dishes: [{ recipe: 'stew', boxes: 6, choose: { 2: 'slow cooker' } }],
    done: [1, 2].map((step) => ({ dish: 1, step, start: 0 })),
    pinned: [{ dish: 1, step: 2, start: 9 }],
  });
  expect(withoutGoneSteps(noted, new Map([['stew', recipe]]))).toEqual(noted);
  const shorter = { ...recipe, steps: recipe.steps.slice(0, 1) };
  expect(withoutGoneSteps(noted, new Map([['stew', shorter]]))).toEqual({
    ...noted,
    dishes: [{ recipe: 'stew', boxes: 6 }],
    done: [{ dish: 1, step: 1, start: 0 }],
    pinned: [],
  });
});

test('two sessions of one id, and stock of what nobody holds, are refused', () => {
  expect(faultsOf([session(), session()])[0]).toContain('sessions[1].id');
  const foods = [{ id: 'oats', name: 'Oats' }];
  expect(faultsOf([], { foods, stock: [{ food: 'oat', amount: 1, unit: 'kg' }] })).toEqual([
    'stock[0].food: unknown food "oat"; did you mean "oats"?',
  ]);
  expect(faultsOf([], { foods, stock: [{ food: 'oats', amount: 1, unit: 'bag' }] })[0]).toContain('stock[0].unit: unknown unit "bag"');
});
