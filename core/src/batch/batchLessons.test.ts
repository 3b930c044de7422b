import type { Food } from '../food/index.js';
import { Kitchen, recipeFigures, type Recipe } from '../recipe/index.js';
import type { Batch } from './batch.js';
import { batchLessons, withLesson } from './batchLessons.js';

const foods: Food[] = [
  { id: 'barley', name: 'Pearl barley', state: 'dry', nutrients: { energyKcal: 350 }, yield: 2.6 },
  { id: 'leek', name: 'Leek', state: 'raw', nutrients: { energyKcal: 30 }, refuse: 0.3 },
  { id: 'fat', name: 'Lard', nutrients: { energyKcal: 890 } },
];
const recipe: Recipe = {
  id: 'pot',
  title: 'Pot',
  servings: 4,
  activeMinutes: 25,
  parts: [
    {
      id: 'main',
      name: 'Main',
      discards: [{ food: 'fat', amount: 20, unit: 'g' }],
      lines: [
        { id: 'lb', food: 'barley', amount: 200, unit: 'g' },
        { id: 'll', food: 'leek', amount: 300, unit: 'g', as: 'EP' },
      ],
    },
  ],
};
const settings = { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-20' } as const;
const kitchen = new Kitchen({ settings, foods, packs: [], recipes: [recipe] });
const cooked = (id: number, over: Partial<Batch>): Batch => ({
  id: `b${id}`,
  recipe: 'pot',
  date: `2026-11-0${id}`,
  then: recipe,
  ...over,
});

test('weights, minutes and losses of two batches or more are offered, with what they were learned from', () => {
  const batches = [
    cooked(1, { parts: [{ part: 'main', net: 580 }], minutes: { active: 38 }, lines: [{ at: 'main/2', grams: 300, trimmedFrom: 400 }] }),
    cooked(2, { parts: [{ part: 'main', net: 620 }], minutes: { active: 41 }, lines: [{ at: 'main/2', grams: 300, trimmedFrom: 375 }] }),
    cooked(3, { minutes: { active: 36 } }),
    // Of another size, what it took says nothing of this one; what is left out says nothing at all.
    cooked(4, { servings: 8, minutes: { active: 99 } }),
    cooked(5, { leaveOut: true, parts: [{ part: 'main', net: 99 }], minutes: { active: 1 } }),
  ];
  const [weight, minutes, loss] = batchLessons(recipe, batches, kitchen);
  expect(weight).toMatchObject({ teaches: 'weight', part: 'main', grams: expect.closeTo(600, 9) as number, measured: false });
  expect(weight).toMatchObject({ factor: { batches: 2, mean: expect.closeTo(620 / 500, 9) as number } });
  expect(minutes).toEqual({ teaches: 'minutes', minutes: 38, taken: [38, 41, 36], now: 25 });
  expect(loss).toMatchObject({ teaches: 'loss', at: 'main/2', name: 'Leek', loss: expect.closeTo(0.225, 9) as number });
  expect(batchLessons(recipe, batches.slice(0, 1), kitchen)).toEqual([]);
});

test('what was taught is taken into the recipe, and counts as it was offered', () => {
  const batches = [580, 620].map((net, i) => cooked(i + 1, { parts: [{ part: 'main', net }], minutes: { active: 30 + i } }));
  const [weight, minutes] = batchLessons(recipe, batches, kitchen);
  if (weight?.teaches !== 'weight' || !minutes) throw new Error('nothing was taught');
  const taken = withLesson(recipe, weight, kitchen);
  const [part] = recipeFigures(taken, kitchen).parts;
  expect(part).toMatchObject({ cooked: 600, estimated: false });
  // It holds for these amounts: with others it follows them.
  expect(taken.parts[0]?.measuredFor).toBeGreaterThan(0);
  expect(withLesson(recipe, minutes, kitchen).activeMinutes).toBe(31);
  expect(withLesson(recipe, { teaches: 'loss', at: 'main/2', name: '', losses: [], loss: 0.22549 }, kitchen).parts[0]?.lines[1]?.loss).toBe(
    0.225,
  );
});
