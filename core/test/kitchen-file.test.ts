import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import {
  faultText,
  MOST_FAULTS,
  findingsOf,
  foodEnergyAgreement,
  Kitchen,
  kitchenFileText,
  readEntry,
  readKitchen,
  readKitchenBytes,
  recipeFigures,
  RecipeEntry,
  variantRecipe,
  withIds,
  type WrittenKitchen,
} from '../src/index.js';
import { anyDish, dishOf } from './kitchens.js';

const FOOD = { id: 'oats', name: 'Oats', nutrients: { energyKcal: 370 } };
const dish = (line: object | null, over: object = {}) => ({
  format: 'portiona/1',
  foods: [FOOD],
  recipes: [{ id: 'd', title: 'D', servings: 1, parts: [{ id: 'p', name: 'P', lines: [line] }], ...over }],
});

function faultsIn(file: unknown): string[] {
  const read = readKitchen(file, '2031-03-10');
  return read.ok ? [] : read.faults.map(faultText);
}

test.each<[string, unknown, RegExp]>([
  ['an empty object', {}, /^format: is missing/],
  ['a list', [], /must be an object/],
  ['another format', { format: 'portiona/2' }, /^format: must be one of: portiona\/1/],
  ['an unknown key', { format: 'portiona/1', food: [] }, /^food: unknown key "food"; did you mean "foods"\?/],
  [
    'an unknown unit',
    dish({ food: 'oats', amount: 1, unit: 'cupp' }),
    /^recipes\[0\]\.parts\[0\]\.lines\[0\]\.unit: unknown unit "cupp"; did you mean "cup"\?/,
  ],
  [
    'a negative amount',
    dish({ food: 'oats', amount: -3, unit: 'g' }),
    /^recipes\[0\]\.parts\[0\]\.lines\[0\]\.amount: must be a number from 0/,
  ],
  ['a range the wrong way round', dish({ food: 'oats', amount: [3, 2], unit: 'g' }), /amount: must be a number/],
  ['no amount', dish({ food: 'oats' }), /amount: is missing/],
  ['no unit', dish({ food: 'oats', amount: 1 }), /unit: is missing/],
  ['servings 0', dish({ food: 'oats', amount: 1, unit: 'g' }, { servings: 0 }), /^recipes\[0\]\.servings: must be a number from 1/],
  ['no parts', dish({}, { parts: [] }), /parts: must hold at least one part/],
  ['an unknown food', dish({ food: 'oat', amount: 1, unit: 'g' }), /food: unknown food "oat"; did you mean "oats"\?/],
  ['neither food nor recipe', dish({ amount: 1, unit: 'g' }), /must name either a food/],
  ['a pint in metric', dish({ food: 'oats', amount: 1, unit: 'pint' }), /there is no "pint" in metric measures/],
  ['a scaling rule with more in it', dish({ food: 'oats', amount: 1, unit: 'g', scaling: { damped: 0.8, extra: 1 } }), /scaling: must be/],
  ['a ratio to nothing', dish({ food: 'oats', amount: 1, unit: 'g', scaling: { ratioTo: 'q', share: 1 } }), /unknown line or part "q"/],
  [
    'a step that mentions no line',
    dish({ food: 'oats', amount: 1, unit: 'g' }, { steps: ['Boil {p/1 oats}.', 'Salt {p/2 it}.'] }),
    /^recipes\[0\]\.steps\[1\]: mentions an unknown line "p\/2"; did you mean "p\/1"\?/,
  ],
  [
    'a step of no part',
    dish({ food: 'oats', amount: 1, unit: 'g' }, { steps: [{ text: 'Boil.', part: 'pp' }] }),
    /^recipes\[0\]\.steps\[0\]\.part: unknown part "pp"; did you mean "p"\?/,
  ],
  [
    'a step that is no step',
    dish({ food: 'oats', amount: 1, unit: 'g' }, { steps: [{ words: 'Boil.' }] }),
    /^recipes\[0\]\.steps\[0\]: must be a text, or/,
  ],
  ['a step too long', dish({ food: 'oats', amount: 1, unit: 'g' }, { steps: ['x'.repeat(2001)] }), /steps\[0\]: .*at most 2000 characters/],
  ['an id in capitals', { format: 'portiona/1', foods: [{ id: 'Oats', name: 'Oats' }] }, /^foods\[0\]\.id: must be lower-case/],
  ['an id twice', { format: 'portiona/1', foods: [FOOD, FOOD] }, /^foods\[1\]\.id: "oats" is already/],
  ['refuse of 1', { format: 'portiona/1', foods: [{ ...FOOD, refuse: 1 }] }, /^foods\[0\]\.refuse: must be a number from 0 to below 1/],
  ['density 0', { format: 'portiona/1', foods: [{ ...FOOD, density: 0 }] }, /density: must be a number above 0/],
  [
    'an unknown nutrient',
    { format: 'portiona/1', foods: [{ ...FOOD, nutrients: { protien: 1 } }] },
    /^foods\[0\]\.nutrients\.protien: unknown key "protien"; did you mean "protein"\?/,
  ],
  [
    'a nutrient in words',
    { format: 'portiona/1', foods: [{ ...FOOD, nutrients: { protein: 'much' } }] },
    /nutrients\.protein: must be a number/,
  ],
  [
    'per ml without density',
    { format: 'portiona/1', foods: [{ ...FOOD, per: { amount: 100, unit: 'ml' } }] },
    /^foods\[0\]\.per: per ml needs a density/,
  ],
  ['null for a number', { format: 'portiona/1', foods: [{ ...FOOD, yield: null }] }, /yield: must be a number above 0/],
  [
    'a day that is none',
    {
      format: 'portiona/1',
      foods: [FOOD],
      packs: [{ food: 'oats', net: 1, unit: 'kg', price: '1', currency: 'EUR', shop: 'A', seen: '2031-02-30' }],
    },
    /^packs\[0\]\.seen: must be a day/,
  ],
  ['a currency that is none', { format: 'portiona/1', settings: { currency: 'EURO' } }, /^settings\.currency: must be an ISO 4217/],
  [
    'a price in words',
    {
      format: 'portiona/1',
      foods: [FOOD],
      packs: [{ food: 'oats', net: 1, unit: 'kg', price: 'cheap', currency: 'EUR', shop: 'A', seen: '2031-02-01' }],
    },
    /price: must be a decimal/,
  ],
  [
    'a step that is no step, behind one that is',
    dish({ food: 'oats', amount: 1, unit: 'g' }, { steps: ['Boil.', 3] }),
    /^recipes\[0\]\.steps\[1\]: must be a text/,
  ],
  [
    'a scaling rule that is meant to damp, and what is wrong with it as that',
    dish({ food: 'oats', amount: 1, unit: 'g', scaling: { damped: -1 } }),
    /^recipes\[0\]\.parts\[0\]\.lines\[0\]\.scaling\.damped: must be a number from 0/,
  ],
  [
    'a change of a variant with a line that is wrong',
    dish(
      { food: 'oats', amount: 1, unit: 'g' },
      { variants: [{ name: 'v', changes: [{ at: 'p/1', line: { food: 'oats', amount: -1, unit: 'g' } }] }] },
    ),
    /^recipes\[0\]\.variants\[0\]\.changes\[0\]\.line\.amount: must be a number/,
  ],
  [
    'a change of a variant of no kind',
    dish({ food: 'oats', amount: 1, unit: 'g' }, { variants: [{ name: 'v', changes: [{ at: 'p/1' }] }] }),
    /changes\[0\]: must be \{"at", "line"\}/,
  ],
  ['a line that is nothing', dish(null), /^recipes\[0\]\.parts\[0\]\.lines\[0\]: must be an object/],
  [
    'an allergen that is none',
    { format: 'portiona/1', foods: [{ ...FOOD, allergens: ['milk', 'milks'] }] },
    /^foods\[0\]\.allergens\[1\]: must be one of: .*, not "milks"; did you mean "milk"\?/,
  ],
  ['a name that is no text', { format: 'portiona/1', foods: [{ ...FOOD, names: ['oat', 7] }] }, /^foods\[0\]\.names\[1\]: must be a text/],
  ['keys that reach into the runtime', JSON.parse('{"format":"portiona/1","__proto__":{"foods":[]}}'), /unknown key "__proto__"/],
])('%s is refused by name', (_, file, message) => {
  const faults = faultsIn(file);
  expect(faults[0]).toMatch(message);
});

test('faults of shape and of meaning are told together; what cannot be read is not said to be missing', () => {
  const file = {
    format: 'portiona/1',
    foods: [FOOD, { id: 'milk', name: 'Milk', density: -1 }],
    packs: [
      { food: 'oat', net: 1, unit: 'kg', price: '1', currency: 'EUR', shop: 'A', seen: '2031-02-01' },
      // Nobody can say whether milk that cannot be read comes in cartons.
      { food: 'milk', net: 1, unit: 'carton', price: '1', currency: 'EUR', shop: 'A', seen: '2031-02-01' },
    ],
    recipes: [
      dish({ food: 'oats', amount: 1, unit: 'cupp' }).recipes[0],
      {
        id: 'second',
        title: 'Second',
        servings: 1,
        parts: [
          {
            id: 'p',
            name: 'P',
            lines: [
              { food: 'milk', amount: 1, unit: 'glug' },
              { recipe: 'third', part: 'q', amount: 1, unit: 'g' },
              { food: 'egg', amount: 1, unit: 'g' },
            ],
          },
        ],
      },
      { id: 'third', title: 'Third', servings: 0, parts: [] },
    ],
  };
  const places = [
    'foods[1].density',
    'recipes[2].servings',
    'recipes[2].parts',
    'packs[0].food',
    'recipes[0].parts[0].lines[0].unit',
    'recipes[1].parts[0].lines[2].food',
  ];
  expect(faultsIn(file).map((fault) => fault.split(':')[0])).toEqual(places);
  const read = readKitchenBytes(new TextEncoder().encode(JSON.stringify(file)), (bytes) => new TextDecoder().decode(bytes), '2031-03-01');
  expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual(places);
});

test('deep nesting is refused, not followed', () => {
  let nested: object = {};
  for (let i = 0; i < 100_000; i++) nested = { foods: nested };
  expect(faultsIn(nested)[0]).toMatch(/nested too deep/);
});

test('a circle of parts is refused at the line that closes it', () => {
  const recipe = (id: string, of: string) => ({
    id,
    title: id,
    servings: 1,
    parts: [{ id: 'p', name: 'P', lines: [{ recipe: of, part: 'p', amount: 1, unit: 'g' }] }],
  });
  const faults = faultsIn({ format: 'portiona/1', recipes: [recipe('a', 'b'), recipe('b', 'c'), recipe('c', 'a')] });
  expect(faults).toHaveLength(1);
  expect(faults[0]).toMatch(/^recipes\[2\]\.parts\[0\]\.lines\[0\]: part "a\/p" would hold itself: a\/p -> b\/p -> c\/p -> a\/p/);
});

test('a variant that takes what is built on its own part is refused, and one that does not is none of it', () => {
  const taking = (recipe: string) => ({ recipe, part: 'p', amount: 1, unit: 'g' });
  const dish = (id: string, lines: object[], changes: object[]) => ({
    id,
    title: id,
    servings: 1,
    parts: [{ id: 'p', name: 'P', lines }],
    variants: [{ name: 'v', changes }],
  });
  const oats = { food: 'oats', amount: 1, unit: 'g' };
  const circle = faultsIn({
    format: 'portiona/1',
    foods: [FOOD],
    recipes: [dish('a', [oats], [{ part: 'p', line: taking('b') }]), dish('b', [taking('a')], [])],
  });
  expect(circle).toEqual([expect.stringMatching(/^recipes\[0\]\.variants\[0\]\.changes\[0\]\.line: part "b\/p" is built on "a\/p"/)]);
  // Each takes the other in a variant only: each variant is made of the other dish as it is.
  const crossed = {
    format: 'portiona/1',
    foods: [FOOD],
    recipes: [dish('a', [oats], [{ at: 'p/1', line: taking('b') }]), dish('b', [oats], [{ at: 'p/1', line: taking('a') }])],
  };
  expect(faultsIn(crossed)).toEqual([]);
  const read = readKitchen(crossed, '2031-03-10');
  if (!read.ok) throw new Error('not read');
  const kitchen = new Kitchen(read.entry);
  for (const recipe of read.entry.recipes)
    expect(recipeFigures(variantRecipe(recipe, recipe.variants?.[0] ?? { changes: [] }), kitchen).perServing.weight).toBe(1);
});

test('a ratio that goes round through a variant is refused', () => {
  const ratio = (ratioTo: string) => ({ food: 'oats', amount: 1, unit: 'g', scaling: { ratioTo, share: 1 } });
  const file = (line: object) => ({
    format: 'portiona/1',
    foods: [FOOD],
    recipes: [
      {
        id: 'd',
        title: 'D',
        servings: 1,
        parts: [{ id: 'p', name: 'P', lines: [{ food: 'oats', amount: 1, unit: 'g' }, ratio('p/1')] }],
        variants: [{ name: 'v', changes: [{ at: 'p/1', line }] }],
      },
    ],
  });
  expect(faultsIn(file(ratio('p/2')))).toEqual([expect.stringMatching(/^recipes\[0\]\.variants\[0\]: p\/1 would be a ratio of itself/)]);
  expect(faultsIn(file({ food: 'oats', amount: 5, unit: 'g' }))).toEqual([]);
});

test('a line has an id of its own in its part, which is no number, and is referred to by it', () => {
  const file = (ids: readonly unknown[], steps: readonly unknown[] = []) => ({
    format: 'portiona/1',
    foods: [FOOD],
    recipes: [
      {
        id: 'd',
        title: 'D',
        servings: 1,
        parts: [{ id: 'p', name: 'P', lines: ids.map((id) => ({ id, food: 'oats', amount: 1, unit: 'g' })) }],
        steps,
      },
    ],
  });
  expect(faultsIn(file(['plain', 'more'], ['Stir {p/plain oats} into {p/2 oats}.']))).toEqual([]);
  expect(faultsIn(file(['plain', 'plain']))[0]).toMatch(/^recipes\[0\]\.parts\[0\]\.lines\[1\]\.id: "plain" is already the id/);
  expect(faultsIn(file(['12']))[0]).toMatch(
    /lines\[0\]\.id: must be lower-case letters, digits and hyphens, at least one of them a letter/,
  );
  expect(faultsIn(file(['plain'], ['Stir {p/plane oats}.']))[0]).toMatch(
    /steps\[0\]: mentions an unknown line "p\/plane"; did you mean "p\/plain"/,
  );
  expect(faultsIn(file(['plain'], [{ id: '7', text: 'Stir.' }]))[0]).toMatch(/steps/);
});

test('a kitchen comes out as it came, whatever ids its lines are given in between', () => {
  const text = readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8');
  const read = readKitchen(JSON.parse(text), '2031-03-10');
  if (!read.ok) throw new Error('not read');
  const { stated = {}, foods, packs, recipes } = read.entry;
  const before = kitchenFileText({ settings: stated, foods, packs, recipes });
  expect(kitchenFileText({ settings: stated, foods, packs, recipes: recipes.map((recipe) => withIds(recipe)) })).toBe(before);
  expect(JSON.parse(before)).toMatchObject({ recipes: (JSON.parse(text) as { recipes: object[] }).recipes });
});

test('ratios that go round in a circle are refused', () => {
  const ratio = (ratioTo: string) => ({ food: 'oats', amount: 1, unit: 'g', scaling: { ratioTo, share: 1 } });
  const file = {
    format: 'portiona/1',
    foods: [FOOD],
    recipes: [
      {
        id: 'd',
        title: 'D',
        servings: 1,
        parts: [
          { id: 'p', name: 'P', lines: [ratio('q'), ratio('p/1')] },
          { id: 'q', name: 'Q', lines: [ratio('p/2')] },
        ],
      },
    ],
  };
  expect(faultsIn(file)).toEqual([
    'recipes[0].parts[0].lines[0].scaling.ratioTo: p/1 would be a ratio of itself; give one of the lines another rule',
  ]);
});

test('what is left out means what the format says', () => {
  const read = readKitchen({ format: 'portiona/1' }, '2031-03-10');
  expect(read.ok && read.entry).toMatchObject({
    settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2031-03-10' },
    foods: [],
    packs: [],
    recipes: [],
  });
});

test('a line of words alone is a draft, and may be saved', () => {
  expect(faultsIn(dish({ text: '2 spoons of something' }))).toEqual([]);
  expect(readEntry(RecipeEntry, { id: 'd', title: '', servings: 1, parts: [] }).ok).toBe(false);
});

describe('the demo kitchen', () => {
  const read = readKitchen(JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')), '2026-11-25');
  const content = read.ok ? read.entry : undefined;

  test('reads without a fault, and holds enough to work with', () => {
    expect(read.ok ? [] : read.faults).toEqual([]);
    expect(content?.recipes.length).toBeGreaterThanOrEqual(4);
    expect(content?.foods.length).toBeGreaterThanOrEqual(50);
  });

  test.each((content?.foods ?? []).map((food) => [food.id, food] as const))('%s passes the energy check', (_, food) => {
    expect(foodEnergyAgreement(food)?.agrees).toBe(true);
  });

  test.each((content?.recipes ?? []).map((recipe) => [recipe.id, recipe] as const))(
    '%s has figures a dietitian would believe, and nothing wrong',
    (_, recipe) => {
      const kitchen = new Kitchen(content!);
      const figures = recipeFigures(recipe, kitchen);
      const { energyKcal, protein, sodium } = figures.perServing.nutrients;
      expect(energyKcal.amount).toBeGreaterThan(200);
      expect(energyKcal.amount).toBeLessThan(800);
      expect(protein.amount).toBeGreaterThan(10);
      expect((sodium.amount ?? 0) * 0.0025).toBeLessThan(3.5);
      expect(figures.perServing.usedCost.amount).toBeLessThan(5);
      expect(findingsOf(figures, kitchen).filter(({ severity }) => severity === 'wrong')).toEqual([]);
    },
  );
});

test('what is written is read back key for key', () => {
  const demo = JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')) as WrittenKitchen;
  const written = JSON.parse(kitchenFileText(demo)) as object;
  expect(written).toEqual({ format: 'portiona/1', ...demo });
  expect(readKitchen(written, '2026-11-25')).toMatchObject({
    ok: true,
    entry: { foods: demo.foods, packs: demo.packs, recipes: demo.recipes },
  });
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen, recipe } = dishOf(dish);
      const { settings, foods, packs } = kitchen.content;
      const cooked = { id: 'b', recipe: recipe.id, date: '2026-11-20', then: recipe, boxes: [{ name: 'lunch', grams: {} }] };
      for (const batches of [[], [cooked]]) {
        const read = readKitchen(JSON.parse(kitchenFileText({ settings, foods, packs, recipes: [recipe], batches })), '2026-11-25');
        const entry: unknown = JSON.parse(
          JSON.stringify({
            settings,
            stated: settings,
            foods,
            packs,
            recipes: [recipe],
            batches,
            sessions: [],
            stock: [],
            people: [],
            weeks: [],
            photos: [],
          }),
        );
        expect(read).toEqual({ ok: true, entry });
      }
    }),
  );
});

test('a recipe of thousands of lines, and parts built on parts without end, are refused before anything is computed', () => {
  const line = { food: 'a', amount: 1, unit: 'g' };
  const file = (recipes: readonly object[]) => ({ format: 'portiona/1', foods: [{ id: 'a', name: 'A' }], recipes });
  const recipe = (id: string, lines: readonly object[]) => ({ id, title: id, servings: 1, parts: [{ id: 'p', name: 'P', lines }] });
  const faultsOf = (recipes: readonly object[]) => {
    const read = readKitchen(file(recipes), '2026-11-25');
    return read.ok ? [] : read.faults.map(faultText);
  };
  expect(faultsOf([recipe('long', new Array(5001).fill(line))])).toEqual([
    'recipes[0].parts: hold 5001 lines; a recipe has 5000 at most: split it',
  ]);
  const chain = (length: number, times: number) =>
    Array.from({ length }, (_, i) =>
      recipe(`r${i}`, i === 0 ? [line] : new Array(times).fill({ recipe: `r${i - 1}`, part: 'p', amount: 1, unit: 'g' })),
    );
  expect(faultsOf(chain(50, 1))).toEqual([]);
  expect(faultsOf(chain(51, 1))).toEqual([expect.stringMatching(/^recipes\[50\].*more than 50 deep/)]);
  expect(faultsOf(chain(51, 1).reverse())).toEqual([expect.stringMatching(/^recipes\[0\].*more than 50 deep/)]);
  expect(faultsOf(chain(20, 2))[0]).toMatch(/more than 20000 lines/);
  expect(faultsOf(chain(5200, 1))).toHaveLength(MOST_FAULTS);
});
