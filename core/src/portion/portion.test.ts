import fc from 'fast-check';
import Big from 'big.js';
import { kitchenOf } from '../../test/kitchens.js';
import { batchFigures, type Batch, type BatchBox } from '../batch/index.js';
import type { Food } from '../food/index.js';
import type { Recipe } from '../recipe/index.js';
import { aimState } from './aimOffers.js';
import { boxKinds, countAt, withCount, withCountAt, withEach } from './boxKinds.js';
import { boxesByGrams, equalGrams, gramsOfShare, pieceCounts } from './fillBoxes.js';
import { eyeBand, portionFigures } from './portionFigures.js';

const foods: Food[] = [
  { id: 'barley', name: 'Pearl barley', nutrients: { energyKcal: 350, protein: 10 } },
  { id: 'leek', name: 'Leek', nutrients: { energyKcal: 30, protein: 1.5 } },
  { id: 'moss', name: 'Moss' },
];
const recipe: Recipe = {
  id: 'pot',
  title: 'Pot',
  servings: 4,
  parts: [
    { id: 'grain', name: 'Grain', cookedWeight: 900, lines: [{ food: 'barley', amount: 400, unit: 'g' }] },
    { id: 'green', name: 'Green', cookedWeight: 600, lines: [{ food: 'leek', amount: 700, unit: 'g' }] },
    { id: 'top', name: 'Top', served: 'table', lines: [{ food: 'leek', amount: 100, unit: 'g' }] },
  ],
};
const packs = [
  { food: 'barley', net: 500, unit: 'g', price: '1.37', currency: 'EUR', shop: 'Quay', seen: '2026-11-01' },
  { food: 'leek', net: 1000, unit: 'g', price: '2.99', currency: 'EUR', shop: 'Quay', seen: '2026-11-01' },
];
const kitchen = kitchenOf({ foods, packs, recipes: [recipe] });
const madeOf = (boxes: readonly BatchBox[], of: Recipe = recipe) => {
  const batch: Batch = { id: 'b', recipe: 'pot', date: '2026-11-20', boxes, then: of };
  return batchFigures(batch, [batch], kitchen);
};
const box = (name: string, grain: number, green: number, over: Partial<BatchBox> = {}): BatchBox => ({
  name,
  grams: { grain, green },
  ...over,
});

test('boxes times their counts and what is left are the batch, in energy, weight and money', () => {
  const grams = fc.float({ min: 0, max: 200, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.record({ grain: grams, green: fc.float({ min: 0, max: 120, noNaN: true }), count: fc.integer({ min: 1, max: 4 }) }), {
        minLength: 1,
        maxLength: 4,
      }),
      (list) => {
        const boxes = list.map(({ grain, green, count }, i) => box(`n${i}`, grain / list.length, green / list.length, { count }));
        const { boxes: filled, left, whole, shares } = portionFigures(madeOf(boxes), 'EUR');
        const sum = (of: (one: (typeof filled)[number]) => number) => filled.reduce((all, one) => all + of(one) * (one.box.count ?? 1), 0);
        const near = (found: number, wanted: number) =>
          expect(Math.abs(found - wanted)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(wanted)));
        near(sum(({ weight }) => weight) + left.weight, whole.weight);
        for (const key of ['energyKcal', 'protein'] as const)
          near(sum(({ nutrients }) => nutrients[key].amount ?? 0) + (left.nutrients[key].amount ?? 0), whole.nutrients[key].amount ?? 0);
        near(sum(({ usedCost }) => usedCost.amount ?? 0) + (left.usedCost.amount ?? 0), whole.usedCost.amount ?? 0);
        const money = (shares?.boxes.flat() ?? []).reduce((all, one) => all.plus(one), shares?.left ?? new Big(0));
        expect(money.toFixed(2)).toBe(new Big(whole.usedCost.amount ?? 0).round(2, Big.roundHalfUp).toFixed(2));
        filled.forEach(({ usedCost }, i) =>
          shares?.boxes[i]?.forEach((one) => expect(Math.abs(one.toNumber() - (usedCost.amount ?? 0))).toBeLessThan(0.01 + 1e-9)),
        );
      },
    ),
  );
});

test('what is at the table is in no box and not left; more than there was is left below nothing, and its money is not shared out', () => {
  const { parts, left, shares } = portionFigures(madeOf([box('A', 500, 100, { count: 2 })]), 'EUR');
  expect(parts.map(({ part }) => part.id)).toEqual(['grain', 'green']);
  expect(left.weight).toBe(900 - 1000 + 400);
  expect(shares?.left.toNumber()).toBeGreaterThan(0);
  expect(portionFigures(madeOf([box('A', 500, 600, { count: 2 })]), 'EUR').shares).toBeUndefined();
});

test('boxes filled alike are one kind, whoever they wait for', () => {
  const boxes = [
    box('A', 1, 2, { count: 2, keep: 'tonight' }),
    box('B', 3, 4),
    box('A', 1, 2, { keep: 'freezer', useBy: '2027-01-01' }),
    box('A', 1, 9),
  ];
  const kinds = boxKinds(boxes);
  expect(kinds.map(({ name, count }) => [name, count])).toEqual([
    ['A', 3],
    ['B', 1],
    ['A', 1],
  ]);
  const [first] = kinds;
  if (!first) throw new Error('no kind');
  expect(withCountAt(first, 'fridge', 2)).toEqual([boxes[0], { ...box('A', 1, 2), count: 2, keep: 'fridge' }, boxes[2]]);
  expect(withCountAt(first, 'freezer', 0)).toEqual([boxes[0]]);
  expect(withEach(first, { grams: { grain: 7 } }).map(({ grams }) => grams)).toEqual([{ grain: 7 }, { grain: 7 }]);
});

test('however a number of boxes is changed, there are so many, and never fewer than none anywhere', () => {
  const some = fc.integer({ min: 0, max: 6 });
  fc.assert(
    fc.property(some, some, some, fc.integer({ min: 0, max: 20 }), (tonight, fridge, freezer, wanted) => {
      const boxes = (
        [
          ['tonight', tonight],
          ['fridge', fridge],
          ['freezer', freezer],
        ] as const
      ).flatMap(([keep, count]) => (count > 0 ? [box('A', 1, 2, { keep, count })] : []));
      const [kind] = boxKinds(boxes);
      if (!kind) return;
      const after = withCount(kind, wanted);
      const [then] = boxKinds(after);
      expect(then?.count ?? 0).toBe(wanted);
      expect(after.every(({ count = 1 }) => count >= 1)).toBe(true);
      if (wanted >= tonight + fridge + freezer)
        expect(then && [countAt(then, 'tonight'), countAt(then, 'freezer')]).toEqual([tonight, freezer]);
      else expect(countAt(then ?? kind, 'tonight') === tonight || wanted < tonight).toBe(true);
    }),
  );
});

test('a box is filled to what a scale can show; pieces are suggested that can be shared', () => {
  expect(equalGrams(2310, 5)).toBe(462);
  expect(equalGrams(1000, 3)).toBe(333);
  expect(equalGrams(50, 4)).toBe(12.5);
  expect(equalGrams(700, 0)).toBe(0);
  expect(boxesByGrams(2310, 400)).toEqual({ boxes: 5, left: 310 });
  expect(boxesByGrams(1200, 400)).toEqual({ boxes: 3, left: 0 });
  expect(gramsOfShare(900, 18, 3)).toBe(150);
  expect(pieceCounts(645, 5, 14)).toEqual([
    { made: 10, each: 2, grams: 64.5 },
    { made: 15, each: 3, grams: 43 },
  ]);
  expect(pieceCounts(640, 5, 15)).toEqual([{ made: 15, each: 3, grams: 640 / 15 }]);
  expect(pieceCounts(640, 5, 3)).toEqual([{ made: 5, each: 1, grams: 128 }]);
});

test('a box is told how it stands to what it is to have, and what would bring it there', () => {
  const made = madeOf([box('A', 180, 120, { count: 3, aim: { atLeast: 320 } })]);
  const { parts, boxes } = portionFigures(made, 'EUR');
  const left = new Map(made.left.map(({ part, grams }) => [part, grams]));
  const [a] = boxes;
  if (!a) throw new Error('no box');
  // 180 of 900 g of 1,400 kcal and 120 of 600 g of 210: 280 + 42.
  expect(a.nutrients.energyKcal.amount).toBeCloseTo(322, 10);
  expect(aimState(a, parts, left)).toMatchObject({ state: 'met', bound: 320, kind: 'atLeast' });
  const more = aimState({ ...a, box: { ...a.box, aim: { atLeast: 400 } } }, parts, left);
  expect(more).toMatchObject({ state: 'below', by: expect.closeTo(78, 9) as number });
  const [all, grain] = more?.offers ?? [];
  expect(all?.box).toEqual({ grain: Math.ceil((180 * 400) / 322), green: Math.ceil((120 * 400) / 322) });
  // 78 kcal at 1,400 / 900 a gram: 50.14 g, and 3 x 51 of 360 that are left.
  expect(grain).toMatchObject({ part: 'grain', grams: 51, short: 0 });
  const far = aimState({ ...a, box: { ...a.box, aim: { atLeast: 900 } } }, parts, left)?.offers.find(({ part }) => part === 'grain');
  expect(far?.short).toBe(3 * (far?.grams ?? 0) - 360);
  const fewer = aimState({ ...a, box: { ...a.box, aim: { atMost: 300 } } }, parts, left);
  expect(fewer).toMatchObject({ state: 'above', kind: 'atMost' });
  expect(fewer?.offers.every(({ grams, short }) => grams < 0 && short === 0)).toBe(true);
  expect(aimState({ ...a, box: box('A', 1, 1) }, parts, left)).toBeUndefined();
});

test('each offer brings the box to its bound, and none past it by a gram', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 50, max: 300 }),
      fc.integer({ min: 50, max: 200 }),
      fc.integer({ min: 100, max: 900 }),
      (grain, green, atLeast) => {
        const made = madeOf([box('A', grain, green, { aim: { atLeast } })]);
        const { parts, boxes } = portionFigures(made, 'EUR');
        const [a] = boxes;
        for (const { box: grams } of (a && aimState(a, parts, new Map())?.offers) ?? []) {
          const [then] = portionFigures(madeOf([{ name: 'A', grams, aim: { atLeast } }]), 'EUR').boxes;
          const energy = then?.nutrients.energyKcal.amount ?? 0;
          expect(energy).toBeGreaterThanOrEqual(atLeast - 1e-6);
          expect(energy).toBeLessThan(atLeast + 2 * (1400 / 900 + 210 / 600));
        }
      },
    ),
  );
});

test('a box of something nobody knows is not said to hold what it is to have', () => {
  const of: Recipe = {
    ...recipe,
    parts: [{ id: 'grain', name: 'G', cookedWeight: 900, lines: [{ food: 'moss', amount: 400, unit: 'g' }] }],
  };
  const made = madeOf([{ name: 'A', grams: { grain: 100 }, aim: { atMost: 500 } }], of);
  const { parts, boxes } = portionFigures(made, 'EUR');
  const [a] = boxes;
  expect(a && aimState(a, parts, new Map())).toMatchObject({ state: 'unknown', offers: [] });
});

test('what is taken by eye is between wide ends, and only it', () => {
  const made = madeOf([box('A', 180, 120, { eye: ['grain'] }), box('B', 180, 120)]);
  const { parts, boxes } = portionFigures(made, 'EUR');
  const [eyed, weighed] = boxes;
  const reach = 1.96 * 0.3 * 280;
  expect(eyed && eyeBand(eyed, parts)).toEqual([expect.closeTo(322 - reach, 9), expect.closeTo(322 + reach, 9)]);
  expect(weighed && eyeBand(weighed, parts)).toBeUndefined();
});
