import fc from 'fast-check';
import {
  batchFigures,
  batchProblems,
  foodsOfBatch,
  Kitchen,
  plannedBatch,
  tellingWords,
  withIds,
  withThenIfOther,
  type Batch,
  type Food,
  type Recipe,
} from '../src/index.js';

const foods: Food[] = [
  { id: 'leek', name: 'Leek', state: 'raw', nutrients: { energyKcal: 30 }, refuse: 0.4, measures: { piece: 200 } },
  { id: 'barley', name: 'Barley', nutrients: { energyKcal: 350 } },
];
const recipe: Recipe = {
  id: 'pot',
  title: 'Pot',
  servings: 4,
  variants: [{ name: 'lean', changes: [{ at: 'main/2', out: true }] }],
  parts: [
    {
      id: 'main',
      name: 'Main',
      lines: [
        { food: 'leek', amount: 500, unit: 'g', as: 'AP' },
        { food: 'barley', amount: 100, unit: 'g', scaling: 'fixed' },
        { food: 'barley', amount: 1, unit: 'jug' },
      ],
    },
  ],
};
const settings = { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-20' } as const;
const kitchen = new Kitchen({ settings, foods, packs: [], recipes: [recipe] });
const batch = (over: Partial<Batch> = {}): Batch => ({ id: 'b', recipe: 'pot', date: '2026-11-20', ...over });

test('what was planned is edible, at the batch’s size, by each line’s rule, whatever was measured since', () => {
  const { grams, recipe: planned } = plannedBatch(
    batch({ servings: 8, lines: [{ at: 'main/1', grams: 7 }], parts: [{ part: 'main', net: 9 }] }),
    kitchen,
  );
  expect(planned.servings).toBe(8);
  // 500 g bought, four tenths of it trimmed away, for twice the boxes; the barley is fixed; nobody knows a jug.
  expect([...grams]).toEqual([
    ['main/1', expect.closeTo(600, 9)],
    ['main/2', 100],
    ['main/3', undefined],
  ]);
  expect([...plannedBatch(batch({ variant: 'lean' }), kitchen).grams.keys()]).toEqual(['main/1', 'main/2']);
  expect(() => plannedBatch(batch({ recipe: 'gone' }), kitchen)).toThrow('the kitchen holds no recipe "gone"');
});

test('amounts written for each serving are planned for the batch', () => {
  const each: Recipe = { ...recipe, amountsPer: 'serving' };
  const { grams } = plannedBatch(batch({ then: each, servings: 2 }), kitchen);
  expect(grams.get('main/1')).toBeCloseTo(600, 9);
});

test('every food that a batch speaks of is told, each once, and those of nothing else', () => {
  expect(foodsOfBatch(batch())).toEqual([]);
  expect(foodsOfBatch(batch({ paid: [{ food: 'salt', net: 1, unit: 'kg', price: 1, shop: 'Quay' }] }))).toEqual(['salt']);
  expect(foodsOfBatch(batch({ discards: [{ part: 'main', food: 'fat', grams: 1 }] }))).toEqual(['fat']);
  expect(
    foodsOfBatch(
      batch({
        lines: [
          { part: 'main', food: 'oil', grams: 1 },
          { at: 'main/1', food: 'oil', grams: 2 },
        ],
      }),
    ),
  ).toEqual(['oil']);
  expect(foodsOfBatch(batch({ then: recipe }))).toEqual(['leek', 'barley']);
});

test('the recipe as it was stands in a file only where it is another by now', () => {
  const same = batch({ then: withIds(recipe) });
  expect(withThenIfOther(same, [recipe])).not.toHaveProperty('then');
  expect(withThenIfOther(same, [{ ...recipe, servings: 5 }])).toBe(same);
  expect(withThenIfOther(same, [])).toBe(same);
  const none = batch();
  expect(withThenIfOther(none, [recipe])).toBe(none);
});

const weighed: Recipe = { ...recipe, parts: recipe.parts.map((part) => ({ ...part, lines: part.lines.slice(0, 2) })) };
const ofWeighed = new Kitchen({ settings, foods, packs: [], recipes: [weighed] });
const codes = (one: Batch, others: readonly Batch[] = []) =>
  batchProblems(batchFigures(one, [...others, one], ofWeighed)).map(({ code, at }) => `${code} ${at}`);

test('boxes may hold what came out, to half a gram, and no more', () => {
  const filled = (grams: number) =>
    batch({ parts: [{ part: 'main', net: 800 }], boxes: [{ name: 'A', count: 2, grams: { main: grams } }] });
  expect(codes(filled(400))).toEqual([]);
  expect(codes(filled(400.24))).toEqual([]);
  expect(codes(filled(400.3))).toEqual(['boxes-over main']);
});

test('a yield is unusual outside the limits of four before it, on either side, and on neither of fewer', () => {
  const before = [600, 604, 598, 602].map((net, i): Batch => ({
    id: `x${i}`,
    recipe: 'pot',
    date: `2026-11-0${i + 1}`,
    parts: [{ part: 'main', net }],
  }));
  const now = (net: number) => batch({ parts: [{ part: 'main', net }] });
  expect(codes(now(601), before)).toEqual([]);
  for (const net of [400, 800]) expect(codes(now(net), before)).toEqual(['yield-unusual main']);
  expect(codes(now(800), before.slice(1))).toEqual([]);
});

test('what boxes hold and what is left is the batch, in weight, energy and whatever else', () => {
  const count = fc.integer({ min: 1, max: 9 });
  const box = fc.record({ count, grams: fc.double({ min: 1, max: 60, noNaN: true }) });
  fc.assert(
    fc.property(fc.array(box, { minLength: 1, maxLength: 4 }), fc.double({ min: 500, max: 3000, noNaN: true }), (boxes, net) => {
      const made = batchFigures(
        batch({
          parts: [{ part: 'main', net }],
          boxes: boxes.map((one, i) => ({ name: `${i}`, count: one.count, grams: { main: one.grams } })),
        }),
        [],
        ofWeighed,
      );
      const all = made.figures.parts[0]?.nutrients.energyKcal.amount ?? NaN;
      const inBoxes = made.boxes.reduce((sum, one) => sum + (one.box.count ?? 1) * (one.nutrients.energyKcal.amount ?? NaN), 0);
      const left = ((made.left[0]?.grams ?? NaN) / net) * all;
      expect(Math.abs(inBoxes + left - all)).toBeLessThanOrEqual(1e-9 * all);
    }),
  );
});

test('words that tell foods apart; where a name has no others, all of them', () => {
  expect(tellingWords('fresh basil')).toEqual(['basil']);
  expect(tellingWords('boneless, skinless chicken thighs')).toEqual(['chicken', 'thigh']);
  expect(tellingWords('plain, whole')).toEqual(['plain', 'whole']);
});
