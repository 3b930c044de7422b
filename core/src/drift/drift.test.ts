import fc from 'fast-check';
import { demoKitchen } from '../../test/demoKitchen.js';
import { cardContent, cardDrift, type CardContent } from '../card/index.js';
import { Kitchen, type KitchenContent, type Recipe } from '../recipe/index.js';
import { brokenPromises } from './brokenPromises.js';
import { causedCorrection } from './causedCorrection.js';
import { changedFood } from './changedFood.js';
import { driftCauses, type Dish } from './driftCauses.js';
import { driftShare, toleratedDrift } from './driftShare.js';

const demoDish = (id: string): Recipe => demoKitchen.content.recipes.find((recipe) => recipe.id === id) as Recipe;
const dal = demoDish('smoky-lentil-and-squash-dal');
const LENTILS = 'red-lentils-weir-lane';
const published = cardContent(dal, demoKitchen);
const dishWith = (change: Partial<KitchenContent>, recipe: Recipe = dal): Dish => {
  const content = { ...demoKitchen.content, ...change };
  const recipes = content.recipes.map((one) => (one.id === recipe.id ? recipe : one));
  return { recipe, kitchen: new Kitchen({ ...content, recipes }) };
};
const then = dishWith({});
const withProtein = (by: number) =>
  demoKitchen.content.foods.map((food) =>
    food.id === LENTILS ? { ...food, nutrients: { ...food.nutrients, protein: (food.nutrients?.protein ?? 0) + by } } : food,
  );
const dearer = demoKitchen.content.packs.map((pack) => (pack.food === LENTILS ? { ...pack, price: Number(pack.price) * 3 } : pack));
const causesOf = (now: Dish, was: CardContent = published) =>
  driftCauses(was, then, now).map(({ kind, of, moved }) => [kind, of, moved.map(({ name }) => name)]);

test('nothing changed: nothing caused anything', () => {
  expect(driftCauses(published, then, dishWith({}))).toEqual([]);
});

test('a label, a price and an edit are each told with what they moved, and with nothing else', () => {
  expect(causesOf(dishWith({ foods: withProtein(5) }))).toEqual([['label', LENTILS, ['Protein', 'Protein with topping']]]);
  expect(causesOf(dishWith({ packs: dearer }))).toEqual([['price', LENTILS, ['Costs, used', 'Costs, all of them', 'At the till']]]);
  const steps = ['Cook it all.'];
  const [edit] = driftCauses(published, then, dishWith({}, { ...dal, steps, lead: 'Other words.' }));
  expect(edit).toMatchObject({ kind: 'recipe', of: '', text: 'the recipe was changed' });
  expect(edit?.moved.map(({ name }) => name)).toEqual(expect.arrayContaining(['Lead', 'Step']));
  expect(causesOf(dishWith({ foods: withProtein(5), packs: dearer }, { ...dal, lead: 'Other words.' })).map(([kind]) => kind)).toEqual([
    'recipe',
    'label',
    'price',
  ]);
});

test('a food that came with an edit comes with its label and its price: the edit moved them, and nothing else did', () => {
  const [pot, ...rest] = dal.parts;
  const withOats = {
    ...dal,
    parts: [{ ...pot!, lines: [...pot!.lines, { id: 'new', food: 'rolled-oats-nine', amount: 500, unit: 'g' }] }, ...rest],
  };
  const without = dishWith({
    foods: demoKitchen.content.foods.filter(({ id }) => id !== 'rolled-oats-nine'),
    packs: demoKitchen.content.packs.filter(({ food }) => food !== 'rolled-oats-nine'),
    recipes: [dal],
  });
  expect(demoKitchen.packsOf('rolled-oats-nine').length).toBeGreaterThan(0);
  const causes = driftCauses(published, without, dishWith({}, withOats));
  expect(causes.map(({ kind }) => kind)).toEqual(['recipe']);
  expect(causes[0]?.moved.map(({ name }) => name)).toEqual(expect.arrayContaining(['Energy', 'Costs, used', 'Ingredient']));
});

test('a label says from what to what; a price in which pack', () => {
  const [label] = driftCauses(published, then, dishWith({ foods: withProtein(5) }));
  expect(label?.change).toMatch(/^protein \d+(?:\.\d+)? → \d+(?:\.\d+)? g per 100 g$/);
  const [price] = driftCauses(published, then, dishWith({ packs: dearer }));
  expect(price?.change).toMatch(/^€ \d+\.\d\d → € \d+\.\d\d for [\d.]+ k?g at \w/);
  const food = demoKitchen.food(LENTILS)!;
  expect(changedFood(food, { ...food, allergens: ['milk'], per: { amount: 50, unit: 'g' } })).toBe(
    'figures per 100 g → per 50 g; allergens',
  );
  expect(changedFood(food, food)).toBe('');
  expect(changedFood(food, { ...food, nutrients: { ...food.nutrients, fibre: null } })).toMatch(/^fibre [\d.]+ → unknown g per 100 g$/);
});

test('settings, the day and the reckoning itself are causes like any other', () => {
  const settings = demoKitchen.settings;
  expect(causesOf(dishWith({ settings: { ...settings, staples: 'free' } })).map(([kind]) => kind)).toEqual(['settings']);
  expect(causesOf(dishWith({ settings: { ...settings, maxPriceAge: 1, date: '2027-06-01' } })).map(([kind]) => kind)).toEqual(['settings']);
  // No price had been seen by then.
  expect(causesOf(dishWith({ settings: { ...settings, date: '2020-01-01' } }))).toEqual([
    ['day', '', expect.arrayContaining(['Costs, used']) as string[]],
  ]);
  const other: CardContent = { ...published, servingsText: '5 tubs' };
  expect(causesOf(dishWith({}), other)).toEqual([['reckoning', '', ['Makes']]]);
});

test('a recipe that takes a part which is gone waits for what brings it back, and is told with it', () => {
  const base: Recipe = { ...demoDish('overnight-oats-plum-compote'), id: 'base', title: 'Base' };
  const taking: Recipe = {
    ...dal,
    id: 'taker',
    parts: [{ ...dal.parts[0]!, lines: [{ recipe: 'base', part: base.parts[0]!.id, amount: 100, unit: 'g' }] }],
  };
  const dish = (recipe: Recipe, bases: Recipe): Dish => ({
    recipe,
    kitchen: new Kitchen({ ...demoKitchen.content, recipes: [recipe, bases] }),
  });
  const renamed: Recipe = { ...base, parts: base.parts.map((part, i) => (i === 0 ? { ...part, id: 'other' } : part)) };
  const moved: Recipe = {
    ...taking,
    lead: 'Of another part.',
    parts: [{ ...taking.parts[0]!, lines: [{ recipe: 'base', part: 'other', amount: 150, unit: 'g' }] }],
  };
  const [was, is] = [dish(taking, base), dish(moved, renamed)];
  const causes = driftCauses(cardContent(taking, was.kitchen), was, is);
  expect(causes.map(({ kind, text }) => [kind, text])).toEqual([
    ['recipe', 'the recipe was changed, and Base, which it takes, was changed'],
  ]);
});

test('whatever changed, what the causes moved is what drifted, and nothing is moved that did not', () => {
  const foods = [...new Set(dal.parts.flatMap(({ lines }) => lines.flatMap(({ food }) => food ?? [])))];
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.nat(foods.length - 1), { maxLength: 4 }),
      fc.uniqueArray(fc.nat(foods.length - 1), { maxLength: 4 }),
      fc.boolean(),
      (relabelled, repriced, edited) => {
        const [labels, prices] = [relabelled, repriced].map((places) => new Set(places.map((at) => foods[at])));
        const now = dishWith(
          {
            foods: demoKitchen.content.foods.map((food) =>
              labels?.has(food.id) ? { ...food, nutrients: { ...food.nutrients, protein: 30, salt: 3 } } : food,
            ),
            packs: demoKitchen.content.packs.map((pack) => (prices?.has(pack.food) ? { ...pack, price: Number(pack.price) + 5 } : pack)),
          },
          edited ? { ...dal, lead: 'Other words.', activeMinutes: 77 } : dal,
        );
        const drift = cardDrift(published, cardContent(now.recipe, now.kitchen));
        const causes = driftCauses(published, then, now);
        const names = new Set(causes.flatMap(({ moved }) => moved.map(({ name }) => name)));
        for (const { name } of drift) expect(names).toContain(name);
        // What each moved follows on what the one before it left, from what was printed to what would be.
        for (const { name, was, is, figure } of drift) {
          if (figure === undefined) continue;
          const chain = causes.flatMap(({ moved }) => moved.filter((one) => one.name === name));
          expect([chain[0]?.was, chain.at(-1)?.is]).toEqual([was, is]);
          chain.slice(1).forEach((one, i) => expect(one.was).toBe(chain[i]?.is));
        }
        for (const { kind, of } of causes) {
          if (kind === 'label') expect(labels).toContain(of);
          else if (kind === 'price') expect(prices).toContain(of);
          else expect([kind, edited]).toEqual(['recipe', true]);
        }
      },
    ),
    { numRuns: 40 },
  );
});

test('how far a figure moved; what became unknown did not move, and words have no measure', () => {
  expect(driftShare({ name: 'Energy', was: '500 kcal', is: '520 kcal', figure: 'energyKcal' })).toBeCloseTo(0.04);
  expect(driftShare({ name: 'Costs, used', was: '1.50 €', is: '1.20 €', figure: 'usedCost' })).toBeCloseTo(-0.2);
  expect(driftShare({ name: 'Protein', was: '24 g', is: 'at least 24 g', figure: 'protein' })).toBeUndefined();
  expect(driftShare({ name: 'Protein', was: '', is: '24 g', figure: 'protein' })).toBeUndefined();
  expect(driftShare({ name: 'Fat', was: '0 g', is: '1 g', figure: 'fat' })).toBeUndefined();
  expect(driftShare({ name: 'Step 1', was: 'Fry 3 min.', is: 'Fry 5 min.' })).toBeUndefined();
});

test('what the kitchen tolerates is parted from what drifted, figure by figure, to the very percent', () => {
  const energy = { name: 'Energy', was: '500 kcal', is: '515 kcal', figure: 'energyKcal' } as const;
  const kj = { name: 'Energy in kJ', was: '2000 kJ', is: '2060 kJ', figure: 'energyKj' } as const;
  const salt = { name: 'Salt', was: '2 g', is: '2.2 g', figure: 'salt' } as const;
  const gone = { name: 'Protein', was: '20 g', is: 'at least 20 g', figure: 'protein' } as const;
  const allergens = { name: 'Allergens in the box', was: 'milk', is: 'milk, eggs' };
  const all = [energy, kj, salt, gone, allergens];
  expect(toleratedDrift(all)).toEqual({ drift: all, within: [] });
  expect(toleratedDrift(all, { energyKcal: 3, protein: 50 })).toEqual({ drift: [salt, gone, allergens], within: [energy, kj] });
  expect(toleratedDrift(all, { energyKcal: 2.99 }).within).toEqual([]);
});

test('claims and promises that broke are told; what was broken when it was published is no news', () => {
  const claiming = { ...published, claims: ['high fibre', 'source of protein'] };
  const finding = (code: string, at = 'title') => ({ code: code as 'promise-broken', at, message: `${code} at ${at}` });
  expect(brokenPromises(claiming, { ...published, claims: ['source of protein'] }, [], [])).toEqual([
    'It prints “high fibre”, and may no longer be called so.',
  ]);
  expect(brokenPromises(published, published, [], [finding('promise-broken'), finding('no-sign', 'step/1')])).toEqual([
    'promise-broken at title',
  ]);
  expect(brokenPromises(published, published, [finding('promise-broken')], [finding('promise-broken')])).toEqual([]);
});

test('a correction says what moved and why; what nobody knows the cause of stands without one', () => {
  const now = dishWith({ foods: withProtein(5), packs: dearer });
  const drift = cardDrift(published, cardContent(now.recipe, now.kitchen));
  const said = causedCorrection(drift, driftCauses(published, then, now));
  const name = demoKitchen.food(LENTILS)?.name ?? '';
  expect(said).toMatch(new RegExp(String.raw`Protein was 24 g, is \d+ g; protein with topping .*: the label of ${name} changed\.`));
  expect(said).toMatch(new RegExp(String.raw`Costs, used was .*: the price of ${name} changed\.$`));
  expect(causedCorrection(drift, [])).not.toContain('changed');
  const words = ['Step 3', 'Step 5', 'Ingredient'].map((name) => ({ name, was: 'a', is: 'b' }));
  expect(causedCorrection(words, [])).toBe('Steps 3, 5 and the ingredients changed; read the new card.');
});
