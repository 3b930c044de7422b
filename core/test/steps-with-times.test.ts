import fc from 'fast-check';
import {
  readKitchen,
  Kitchen,
  withEveryReference,
  type Recipe,
  equipmentIn,
  proposedHands,
  minutesIn,
  stepInCircle,
  timedSteps,
} from '../src/index.js';

/** Sentences of methods as people write them, with what they hold. */
const HOLDS: readonly (readonly [text: string, ...uses: readonly string[]])[] = [
  ['Roast at 200 °C / 390 °F (gas 6), 25 min, until gold.', 'oven 200'],
  ['Heat the oven to 180 °C and line a tray.', 'oven 180'],
  ['Bake until a thermometer reads 74 °C in the middle.', 'oven'],
  ['Bake at 170 °C fan until 74 °C inside, 35 minutes.', 'oven 170'],
  ['Take the tray out of the oven and leave to cool.'],
  ['Bring to the boil, then simmer for 20 minutes with the lid on.', 'hob'],
  ['Warm the oil in a wide pan over medium heat and soften the onions, 8 min.', 'hob'],
  ['Fry the paste for 2 minutes.', 'hob'],
  ['Meanwhile cook brown rice in water, lid on, low, 28 min; rest 5 min off the heat.', 'hob'],
  ['Cook in the oven until soft.', 'oven'],
  ['Take off the heat and stir in the yoghurt.'],
  ['Slow cooker, low: 7 hours.', 'slow cooker'],
  ['Put everything in the slow cooker, add the stock and simmer on low for 7 h.', 'slow cooker'],
  ['Pressure-cook for 25 minutes, then let the pressure drop.', 'pressure cooker'],
  ['Air fryer at 190 °C, 12 min, turn once.', 'air fryer'],
  ['Air-fry the tofu for 14 minutes.', 'air fryer'],
  ['Microwave for 3 minutes.', 'microwave'],
  ['Blitz to a smooth soup with a stick blender.', 'blender'],
  ['Simmer 10 minutes, then blend until smooth.', 'hob', 'blender'],
  ['Whisk the eggs with the milk.'],
  ['Chop the leeks and rinse them well.'],
  ['Spread on a baking sheet.'],
  ['Sift flour and baking powder.'],
  ['Pour boiling water over the couscous, cover, 10 min.'],
  ['Divide the stew over six boxes.'],
  ['Set the roasting tin aside.'],
  ['Sear the beef on all sides in a casserole, then braise in the oven at 160 °C for 3 hours.', 'oven 160', 'hob'],
  ['Stir the toasted nuts through.'],
  ['Grill the peppers until black.', 'oven'],
  ['Mix oats, milk and plums; chill overnight.'],
  ['Boil the kettle.'],
  ['Rinse the boiled potatoes under cold water.'],
  ['Cook the pasta in a pot of salted water, 9 minutes.', 'hob'],
  ['Steam the broccoli for 4 minutes.', 'hob'],
  ['Preheat the oven to gas mark 4.', 'oven 180'],
];

test.each(HOLDS)('“%s” holds what its words say', (text, ...uses) => {
  expect(equipmentIn(text).map((use) => (typeof use === 'string' ? use : `${use.name} ${use.at}`))).toEqual(uses);
});

const recipe = (steps: Recipe['steps']): Recipe => ({ id: 'r', title: 'R', servings: 4, parts: [], steps });

test('minutes are the sum of the times in the words, ranges by their longer end, rounded up', () => {
  expect(minutesIn('Fry 2 minutes, simmer for 20 to 25 min.')).toBe(27);
  expect(minutesIn('Whisk for 30 seconds.')).toBe(1);
  expect(minutesIn('7 h in the slow cooker, then 1 h 30 min.')).toBe(510);
  expect(minutesIn('Divide.')).toBeUndefined();
  // What an ingredient is called is no time.
  expect(timedSteps(recipe(['Stir in {main/1 5 minute rice}.']))[0]?.minutes).toBe(5);
  expect(timedSteps(recipe([{ text: 'Stir in {main/1 20 minute rice} for 3 min.' }]))[0]?.minutes).toBe(23);
});

test('what is left out: hands by what is held, after by the part, within only where something is waited for', () => {
  const steps = timedSteps(
    recipe([
      { text: 'Rinse.', part: 'a' },
      { text: 'Chop.', part: 'b', within: 4 },
      { text: 'Simmer 20 min.', part: 'a', within: 3 },
      'Label.',
      { text: 'Roast at 200 °C, 30 min.', part: 'b', hands: 99 },
      { text: 'Join.', after: [3, 5] },
      { text: 'Rest.', after: [], within: 2, minutes: 0 },
    ]),
  );
  expect(steps.map(({ minutes, hands, after, within }) => [minutes, hands, after, within])).toEqual([
    [5, 5, [], undefined],
    [5, 5, [], undefined],
    [20, 0, [1], 3],
    [5, 5, [], undefined],
    [30, 30, [2], undefined],
    [5, 5, [3, 5], undefined],
    [0, 0, [], undefined],
  ]);
  expect([...(steps[4]?.read ?? [])]).toEqual(['minutes', 'uses', 'after']);
});

test('another way is taken with its own time and place', () => {
  const step = { text: 'Slow cooker on low, 7 h.', or: [{ name: 'oven', text: 'Braise at 160 °C in the oven, 3 h.', hands: 4 }] };
  expect(timedSteps(recipe([step]))[0]).toMatchObject({ minutes: 420, uses: [{ name: 'slow cooker' }] });
  expect(timedSteps(recipe([step]), new Map([[1, 'oven']]))[0]).toMatchObject({
    minutes: 180,
    hands: 4,
    uses: [{ name: 'oven', at: 160 }],
  });
});

test('hands are proposed by the words', () => {
  expect(proposedHands('Fry the onions', 8)).toBe(8);
  expect(proposedHands('Simmer, stirring now and then', 25)).toBe(5);
  expect(proposedHands('Roast until gold', 40)).toBe(2);
  expect(proposedHands('Chop everything', 12)).toBe(12);
  expect(proposedHands('Simmer', 1)).toBe(1);
});

test('a circle is found wherever it is, and none where steps only wait for others', () => {
  const orders = fc.array(fc.nat(), { minLength: 1, maxLength: 12 });
  fc.assert(
    fc.property(orders, (seeds) => {
      // Each waits for one before it: no circle can be.
      const steps = seeds.map((seed, i) => ({ number: i + 1, after: i === 0 ? [] : [1 + (seed % i)] }));
      expect(stepInCircle(steps)).toBeUndefined();
      const last = steps.length;
      // The chain from the last leads to the first; let the first wait for the last.
      const circle = steps.map((step) => (step.number === 1 ? { ...step, after: [last] } : step));
      if (last > 1) expect(stepInCircle(circle)).toBeDefined();
    }),
  );
});

const FILE = {
  format: 'portiona/1',
  foods: [{ id: 'leek', name: 'Leek' }],
  recipes: [{ id: 'r', title: 'R', servings: 2, parts: [{ id: 'main', name: 'Main', lines: [{ food: 'leek', amount: 100, unit: 'g' }] }] }],
};
const faultsOf = (...steps: unknown[]) => {
  const read = readKitchen({ ...FILE, recipes: [{ ...FILE.recipes[0], steps }] }, '2026-11-25');
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

test('a sound step comes in and out as it was', () => {
  const steps = [
    'Wash.',
    {
      text: 'Roast {main/1 leek}.',
      part: 'main',
      minutes: 40,
      hands: 2,
      uses: ['hob', { name: 'oven', at: 200 }],
      after: [1],
      within: 0,
      or: [{ name: 'air fryer', text: 'Air-fry {main/1 leek}, 12 min.', uses: [] }],
    },
  ];
  expect(faultsOf(...steps)).toEqual([]);
  const read = readKitchen({ ...FILE, recipes: [{ ...FILE.recipes[0], steps }] }, '2026-11-25');
  expect(read.ok && new Kitchen({ ...read.entry, settings: read.entry.settings }).recipe('r')?.steps).toEqual(steps);
});

test.each([
  [{ text: 'a', minutes: 2.5 }, 'recipes[0].steps[0].minutes: must be a whole number from 0 to 86400, not 2.5'],
  [{ text: 'a', hands: -1 }, 'recipes[0].steps[0].hands: must be a whole number from 0 to 86400, not -1'],
  [{ text: 'a', uses: [{ at: 3 }] }, 'recipes[0].steps[0].uses[0]: must be a name, or {"name": "oven", "at": 180}'],
  [{ text: 'a', uses: [7] }, 'recipes[0].steps[0].uses[0]: must be a name, or {"name": "oven", "at": 180}, not 7'],
  [{ text: 'a', after: [0] }, 'recipes[0].steps[0].after: must be a list of at most 200 whole numbers from 1 to 200'],
  [{ text: 'a', after: [2] }, 'recipes[0].steps[0].after[0]: there is no step 2; the recipe has 1'],
  [{ text: 'a', after: [1] }, 'recipes[0].steps[0].after[0]: a step cannot wait for itself'],
  [{ text: 'a', heat: 3 }, 'recipes[0].steps[0]: must be a text'],
  [{ text: 'a', or: [{ name: 'b' }] }, 'recipes[0].steps[0].or[0].text: is missing'],
  [{ text: 'a', or: [{ name: 'b', text: 'x {main/7 y}' }] }, 'recipes[0].steps[0].or[0]: mentions an unknown line "main/7"'],
  [
    {
      text: 'a',
      or: [
        { name: 'b', text: 'x' },
        { name: 'b', text: 'y' },
      ],
    },
    'recipes[0].steps[0].or[1].name: "b" is another way',
  ],
])('a step that is wrong is told by its place: %j', (step, says) => {
  expect(faultsOf(step)[0]).toContain(says);
});

test('a circle is refused, the usual order included', () => {
  expect(faultsOf({ text: 'a', after: [2] }, 'b')[0]).toMatch(/^recipes\[0\]\.steps\[\d\]\.after: step \d waits for itself in a circle/);
  expect(faultsOf({ text: 'a', part: 'main', after: [2] }, 'b')).toEqual([]);
});

test('what another way mentions follows its line', () => {
  const dish = recipe([{ text: 'a', or: [{ name: 'b', text: 'Fry {main/1 leek}.' }] }]);
  const moved = withEveryReference(dish, (to) => (to === 'main/1' ? 'main/2' : to));
  expect(moved.steps).toEqual([{ text: 'a', or: [{ name: 'b', text: 'Fry {main/2 leek}.' }] }]);
  expect(withEveryReference(dish, (to) => to)).toBe(dish);
});
