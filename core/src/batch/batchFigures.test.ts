import fc from 'fast-check';
import { kitchenOf } from '../../test/kitchens.js';
import type { Food } from '../food/index.js';
import { Kitchen, recipeFigures, type Recipe } from '../recipe/index.js';
import { scaledRecipe } from '../scale/index.js';
import type { Batch } from './batch.js';
import { batchFigures } from './batchFigures.js';
import { learnedYields, taughtKitchen } from './learnedYields.js';

const foods: Food[] = [
  { id: 'barley', name: 'Pearl barley', state: 'dry', nutrients: { energyKcal: 350, protein: 10 }, yield: 2.6 },
  {
    id: 'leek',
    name: 'Leek, raw',
    state: 'raw',
    nutrients: { energyKcal: 30, protein: 1.5 },
    refuse: 0.3,
    yield: 0.8,
    measures: { piece: 200 },
  },
  { id: 'fat', name: 'Lard', nutrients: { energyKcal: 890, protein: 0 } },
];
const recipe: Recipe = {
  id: 'pot',
  title: 'Pot',
  servings: 4,
  parts: [
    {
      id: 'main',
      name: 'Main',
      discards: [{ food: 'fat', amount: 20, unit: 'g' }],
      lines: [
        { food: 'barley', amount: 200, unit: 'g' },
        { food: 'leek', amount: 2, unit: 'piece', note: 'sliced' },
        { food: 'fat', amount: 50, unit: 'g', retained: 0.8, optional: false },
      ],
    },
    { id: 'top', name: 'Top', served: 'table', cookedWeight: 100, lines: [{ food: 'leek', amount: 100, unit: 'g' }] },
  ],
};
const packs = [{ food: 'barley', net: 500, unit: 'g', price: '1.00', currency: 'EUR', shop: 'Quay', seen: '2026-11-01' }];
const kitchen = kitchenOf({ foods, packs, recipes: [recipe] });
const batch = (over: Partial<Batch> = {}): Batch => ({ id: 'b', recipe: 'pot', date: '2026-11-20', ...over });
const figuresOf = (over: Partial<Batch> = {}, others: readonly Batch[] = []) =>
  batchFigures(batch(over), [...others, batch(over)], kitchen);

test('a batch of which nothing is said is the recipe, every weight of it estimated', () => {
  const { figures } = figuresOf();
  const plain = recipeFigures(recipe, kitchen);
  expect(figures.perServing.nutrients.energyKcal).toEqual(plain.perServing.nutrients.energyKcal);
  expect(figures.perServing.weight).toBeCloseTo(plain.perServing.weight, 12);
  expect(figures.parts.map(({ estimated }) => estimated)).toEqual([true, true]);
  expect(plain.parts.map(({ estimated }) => estimated)).toEqual([true, false]);
});

test('at any size, of which nothing else is said, it is the recipe scaled', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), (servings) => {
      const { figures } = figuresOf({ servings });
      const scaled = recipeFigures(scaledRecipe(recipe, servings, kitchen).recipe, kitchen);
      expect(figures.perServing.nutrients.energyKcal.amount).toBeCloseTo(scaled.perServing.nutrients.energyKcal.amount ?? NaN, 9);
    }),
  );
});

test('what was weighed, swapped, left out and added counts; the rest stays, its numbers too', () => {
  const { figures } = figuresOf({
    lines: [
      { at: 'main/1', out: true },
      { at: 'main/2', grams: 300, as: 'AP' },
      { at: 'main/3', food: 'leek', grams: 40 },
      { part: 'main', food: 'barley', grams: 180 },
    ],
  });
  const main = figures.parts[0];
  expect(main?.lines.map(({ at, weights }) => [at, weights?.edible, weights?.eaten])).toEqual([
    ['main/2', 210, 210],
    ['main/3', 40, 32],
    ['main/4', 180, 180],
  ]);
  expect(main?.lines[0]).toMatchObject({ line: { note: 'sliced', method: 'scale' } });
  expect(figures.lines.map(({ at }) => at)).toEqual(['main/2', 'main/3', 'main/4', 'top/1']);
});

test('a line that was left out lacks nothing, though nobody knows its food', () => {
  const unknown = kitchenOf({ foods: [...foods, { id: 'moss', name: 'Moss' }], recipes: [] });
  const dish = {
    ...recipe,
    parts: [
      {
        id: 'main',
        name: 'Main',
        lines: [
          { food: 'moss', amount: 5, unit: 'g' },
          { food: 'fat', amount: 9, unit: 'g' },
        ],
      },
    ],
  };
  const { figures } = batchFigures(batch({ then: dish, lines: [{ at: 'main/1', out: true }] }), [], unknown);
  expect(figures.perServing.nutrients.energyKcal).toEqual({ amount: (9 * 8.9) / 4, gaps: [] });
});

test('amounts written per serving are of all of them, and what was weighed is of the whole batch', () => {
  const each = { ...recipe, amountsPer: 'serving' as const };
  const { figures } = batchFigures(batch({ then: each, lines: [{ at: 'main/1', grams: 500 }] }), [], kitchen);
  expect(figures.parts[0]?.lines.map(({ weights }) => weights?.grams)).toEqual([500, 1600, 200]);
});

test('boxes hold their share of every part, and what is over is told', () => {
  const { boxes, left, figures } = figuresOf({
    parts: [{ part: 'main', gross: 1400, tare: 400 }],
    boxes: [
      { name: 'lunch', count: 3, grams: { main: 300 } },
      { name: 'late', grams: { main: 150, top: 50 } },
    ],
  });
  expect(figures.parts[0]).toMatchObject({ cooked: 1000, estimated: false });
  expect(boxes.map(({ weight }) => weight)).toEqual([300, 200]);
  const all = figures.parts[0]?.nutrients.energyKcal.amount ?? 0;
  expect(boxes[0]?.nutrients.energyKcal.amount).toBeCloseTo(0.3 * all, 9);
  expect(left).toEqual([{ part: 'main', grams: -50 }]);
});

test('what was paid prices a food, whatever its packs say, and is exact', () => {
  const { paid, figures } = figuresOf({
    paid: [
      { food: 'barley', net: 0.1, unit: 'kg', price: '0.10', shop: 'Quay' },
      { food: 'barley', net: 300, unit: 'g', price: 0.2, shop: 'Quay' },
    ],
  });
  expect(paid?.toString()).toBe('0.3');
  expect(figures.lines[0]?.usedCost.amount).toBeCloseTo((200 * 0.3) / 400, 12);
  expect(figuresOf().paid).toBeUndefined();
});

const measured = (id: string, date: string, net: number, over: Partial<Batch> = {}): Batch =>
  batch({ id, date, parts: [{ part: 'main', net }], ...over });

test('three batches teach a yield; two do not, nor one that is left out, and a stated yield stands', () => {
  const taught = [measured('a', '2026-11-01', 500), measured('b', '2026-11-02', 600), measured('c', '2026-11-03', 700)];
  const learned = learnedYields(taught, kitchen).get('pot/main');
  expect(learned).toMatchObject({ batches: 3 });
  const eaten = 200 + 280 + 40;
  expect(learned?.mean).toBeCloseTo((600 + 20) / eaten, 12);
  expect(learned?.sd).toBeCloseTo(100 / eaten, 12);
  expect(learnedYields(taught.slice(1), kitchen).size).toBe(0);
  expect(learnedYields([...taught.slice(1), measured('a', '2026-11-01', 500, { leaveOut: true })], kitchen).size).toBe(0);

  const wise = taughtKitchen(kitchen.content, taught);
  const part = (dish: Recipe) => recipeFigures(dish, wise).parts[0];
  expect(part(recipe)).toMatchObject({ cooked: expect.closeTo(600, 9) as number, estimated: true, learned });
  const stating = (over: object): Recipe => ({
    ...recipe,
    parts: recipe.parts.map((one) => (one.id === 'main' ? { ...one, ...over } : one)),
  });
  expect(part(stating({ yield: 1 }))).toMatchObject({ cooked: eaten - 20, learned: undefined });
  expect(part(stating({ cookedWeight: 444 }))).toMatchObject({ cooked: 444, learned: undefined });
});

test('what is usual is of the batches before, by day and then by place in the list', () => {
  const before = [500, 520, 510, 530].map((net, i) => measured(`x${i}`, `2026-11-0${i + 1}`, net));
  const now = measured('now', '2026-11-04', 900);
  const [usual] = batchFigures(now, [...before, now], kitchen).yields;
  const factors = [500, 520, 510, 530].map((net) => (net + 20) / 520);
  const mean = factors.reduce((sum, one) => sum + one, 0) / 4;
  const reach = (2.66 * (20 + 10 + 20)) / 520 / 3;
  expect(usual).toMatchObject({ part: 'main', batches: 4 });
  expect(usual?.mean).toBeCloseTo(mean, 12);
  expect(usual?.low).toBeCloseTo(mean - reach, 12);
  expect(usual?.high).toBeCloseTo(mean + reach, 12);
  // Of the same day, what stands behind it is not before it.
  const [fewer] = batchFigures(now, [...before.slice(0, 3), now, before[3] ?? now], kitchen).yields;
  expect(fewer).toMatchObject({ batches: 3, low: undefined, high: undefined });
});

test('a line without a weight teaches nothing', () => {
  const unweighed = { ...recipe, parts: [{ id: 'main', name: 'Main', lines: [{ food: 'barley', amount: 1, unit: 'piece' }] }] };
  const { yields } = batchFigures(measured('u', '2026-11-09', 300, { then: unweighed }), [], new Kitchen(kitchen.content));
  expect(yields).toEqual([{ part: 'main', factor: undefined, mean: undefined, low: undefined, high: undefined, batches: 0 }]);
});

test('a batch that cannot be added up any more teaches nothing, and keeps no other from teaching', () => {
  const lost = { ...recipe, parts: [{ id: 'main', name: 'Main', lines: [{ recipe: 'gone', part: 'base', amount: 100, unit: 'g' }] }] };
  const taught = [measured('a', '2026-11-01', 500), measured('b', '2026-11-02', 600), measured('c', '2026-11-03', 700)];
  const learned = learnedYields([...taught, measured('x', '2026-11-04', 1, { then: lost })], kitchen);
  expect(learned.get('pot/main')).toMatchObject({ batches: 3 });
  expect(() => taughtKitchen(kitchen.content, [measured('x', '2026-11-04', 1, { then: lost })])).not.toThrow();
});
