import fc from 'fast-check';
import type { Food } from '../food/index.js';
import { Kitchen, recipeFigures, variantRecipe, withIds, type Recipe } from '../recipe/index.js';
import type { Batch } from './batch.js';
import { batchBeside } from './batchCauses.js';
import { batchChanges } from './batchChanges.js';
import { batchFigures } from './batchFigures.js';

const foods: Food[] = [
  { id: 'barley', name: 'Pearl barley', state: 'dry', nutrients: { energyKcal: 350, protein: 10 }, yield: 2.6 },
  { id: 'leek', name: 'Leek, raw', state: 'raw', nutrients: { energyKcal: 30, protein: 1.5 }, yield: 0.8, measures: { piece: 200 } },
  { id: 'fat', name: 'Lard', nutrients: { energyKcal: 890, protein: 0 } },
];
const recipe: Recipe = withIds({
  id: 'pot',
  title: 'Pot',
  servings: 4,
  parts: [
    {
      id: 'main',
      name: 'Main',
      lines: [
        { food: 'barley', amount: 200, unit: 'g', text: '200 g barley' },
        { food: 'leek', amount: 2, unit: 'piece', note: 'sliced', text: '2 leeks, sliced' },
        { food: 'fat', amount: 50, unit: 'g', scaling: 'fixed' },
      ],
    },
  ],
});
const packs = [
  { food: 'barley', net: 500, unit: 'g', price: '1.00', currency: 'EUR', shop: 'Quay', seen: '2026-11-01' },
  { food: 'leek', net: 1, unit: 'kg', price: '2.00', currency: 'EUR', shop: 'Quay', seen: '2026-11-01' },
  { food: 'fat', net: 250, unit: 'g', price: '1.00', currency: 'EUR', shop: 'Quay', seen: '2026-11-01' },
];
const settings = { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-20' } as const;
const kitchen = new Kitchen({ settings, foods, packs, recipes: [recipe] });
const batch = (over: Partial<Batch>): Batch => ({ id: 'b', recipe: 'pot', date: '2026-11-20', then: recipe, ...over });

const FULL: Partial<Batch> = {
  lines: [
    { at: 'main/1', grams: 220 },
    { at: 'main/2', food: 'fat', grams: 30 },
    { at: 'main/3', out: true },
    { part: 'main', food: 'leek', grams: 40 },
  ],
  parts: [{ part: 'main', net: 900 }],
  paid: [{ food: 'barley', net: 1, unit: 'kg', price: '4.00', shop: 'Quay' }],
};

test('causes add up to the whole difference, whichever there are and at whatever size', () => {
  const some = fc.subarray(['lines', 'parts', 'paid'] as const);
  fc.assert(
    fc.property(some, fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 900 }), (keys, servings, grams) => {
      const cooked = batch({
        servings,
        ...Object.fromEntries(keys.map((key) => [key, FULL[key]])),
        ...(keys.includes('lines') ? { lines: [{ at: 'main/1', grams }, ...(FULL.lines ?? []).slice(1)] } : {}),
      });
      const { designed, cooked: as, causes } = batchBeside(cooked, kitchen);
      const sum = (of: 'energyKcal' | 'weight' | 'usedCost') => causes.reduce((all, cause) => all + (cause[of] ?? NaN), 0);
      const energy = (as.perServing.nutrients.energyKcal.amount ?? NaN) - (designed.perServing.nutrients.energyKcal.amount ?? NaN);
      expect(sum('energyKcal')).toBeCloseTo(energy, 9);
      expect(sum('weight')).toBeCloseTo(as.perServing.weight - designed.perServing.weight, 9);
      expect(sum('usedCost')).toBeCloseTo((as.perServing.usedCost.amount ?? NaN) - (designed.perServing.usedCost.amount ?? NaN), 9);
      expect(as.perServing).toEqual(batchFigures(cooked, [], kitchen).figures.perServing);
    }),
  );
  expect(batchBeside(batch(FULL), kitchen).causes.map(({ cause }) => cause)).toEqual(['weighed', 'swapped', 'came out', 'paid']);
  expect(batchBeside(batch({}), kitchen).causes).toEqual([]);
});

test('a yield alone moves what a box weighs, and not what is in it; prices alone move the cost', () => {
  const [out] = batchBeside(batch({ parts: FULL.parts ?? [] }), kitchen).causes;
  expect(out?.energyKcal).toBeCloseTo(0, 9);
  expect(Math.abs(out?.weight ?? 0)).toBeGreaterThan(1);
  const [paid] = batchBeside(batch({ paid: FULL.paid ?? [] }), kitchen).causes;
  expect(paid).toMatchObject({ cause: 'paid', weight: 0 });
  expect(paid?.usedCost).toBeCloseTo((200 * 4) / 1000 / 4 - (200 * 1) / 500 / 4, 12);
});

test('what was done otherwise, taken into the recipe, gives the figures of the batch', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), (servings) => {
      const { paid: _, ...done } = FULL;
      const cooked = batch({ ...done, servings });
      const { changes, lost } = batchChanges(cooked, recipe, kitchen);
      expect(lost).toEqual([]);
      const taken = recipeFigures(variantRecipe(recipe, { changes }), kitchen).perServing;
      const as = batchFigures(cooked, [], kitchen).figures.perServing;
      if (servings === 4) {
        expect(taken.nutrients.energyKcal.amount).toBeCloseTo(as.nutrients.energyKcal.amount ?? NaN, 4);
        expect(taken.weight).toBeCloseTo(as.weight, 6);
      }
    }),
  );
  const { changes } = batchChanges(batch(FULL), recipe, kitchen);
  expect(changes).toMatchObject([
    {
      at: expect.stringMatching(/^main\/l/) as string,
      line: { food: 'barley', amount: 220, unit: 'g', as: 'EP', method: 'scale', text: '220 g pearl barley' },
    },
    { line: { food: 'fat', amount: 30, note: 'sliced' } },
    { out: true },
    { part: 'main', line: { food: 'leek', amount: 40 } },
    { part: 'main', cookedWeight: 900 },
  ]);
});

test('a batch of another size is taken in at the recipe’s own: in proportion, each line by its rule', () => {
  const { changes } = batchChanges(
    batch({
      servings: 8,
      lines: [
        { at: 'main/1', grams: 440 },
        { at: 'main/3', grams: 60 },
      ],
      parts: [{ part: 'main', net: 1800 }],
    }),
    recipe,
    kitchen,
  );
  // 440 of 400 planned: a tenth more of 200; the lard is fixed, 60 of 50 planned.
  expect(changes).toMatchObject([{ line: { amount: 220 } }, { line: { amount: 60 } }, { cookedWeight: 900 }]);
});

test('a line is found wherever it stands now; one that is gone is told', () => {
  const [part] = recipe.parts;
  const moved: Recipe = {
    ...recipe,
    parts: part ? [{ ...part, lines: [part.lines[2], part.lines[0]].flatMap((line) => line ?? []) }] : [],
  };
  const { changes, lost } = batchChanges(
    batch({
      lines: [
        { at: 'main/1', grams: 210 },
        { at: 'main/2', grams: 380 },
      ],
    }),
    moved,
    kitchen,
  );
  expect(lost).toEqual(['2 leeks, sliced']);
  expect(changes).toHaveLength(1);
  expect(variantRecipe(moved, { changes }).parts[0]?.lines.map(({ food, amount }) => [food, amount])).toEqual([
    ['fat', 50],
    ['barley', 210],
  ]);
});

test('a batch of a variant keeps the variant’s changes, with its own over them', () => {
  const [part] = recipe.parts;
  const at = `main/${part?.lines[0]?.id ?? ''}`;
  const lean: Recipe = {
    ...recipe,
    variants: [
      {
        name: 'lean',
        changes: [
          { at, line: { food: 'barley', amount: 150, unit: 'g' } },
          { part: 'main', line: { id: 'lx', food: 'leek', amount: 100, unit: 'g' } },
        ],
      },
    ],
  };
  const { changes } = batchChanges(
    batch({
      then: lean,
      variant: 'lean',
      lines: [
        { at: 'main/1', grams: 160 },
        { at: 'main/4', grams: 90 },
      ],
    }),
    lean,
    kitchen,
  );
  expect(variantRecipe(lean, { changes }).parts[0]?.lines.map(({ food, amount }) => [food, amount])).toEqual([
    ['barley', 160],
    ['leek', 2],
    ['fat', 50],
    ['leek', 90],
  ]);
});
