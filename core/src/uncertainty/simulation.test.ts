import fc from 'fast-check';
import { anyDish, dishOf, kitchenOf, recipeOf } from '../../test/kitchens.js';
import { recipeFigures, servedOf, type Line, type Part, type PartFigures } from '../recipe/index.js';
import { bandOf, boxBand, standardUncertainty } from './band.js';
import { boxRangeBounds, rangeBounds } from './rangeBounds.js';
import { errorModelOf } from './errorModel.js';
import { histogramOf, quantileOf, shareWithin, shownDistribution, Simulation, type Distribution } from './simulation.js';

const kitchen = kitchenOf({
  foods: [
    { id: 'a', name: 'A', source: 'label', nutrients: { energyKcal: 100, protein: 10 } },
    { id: 'b', name: 'B', source: 'table', nutrients: { energyKcal: 300, protein: 0 } },
    { id: 'salt', name: 'Salt', nutrients: { energyKcal: 0, sodium: 39000 } },
  ],
});

function partsOf(lines: readonly Line[], part: Partial<Part> = {}): readonly PartFigures[] {
  return recipeFigures(recipeOf(lines, { servings: 1 }, part), kitchen).parts;
}

function simulated(parts: readonly PartFigures[], draws = 40_000, seed = 7, choices = false): Distribution {
  const run = new Simulation(errorModelOf(parts, ['energyKcal'], choices), { seed, draws });
  while (run.made < run.draws) run.make(7_000);
  return run.distributions()[0]!;
}

test('measured lines spread as the analytic band says', () => {
  const parts = partsOf([
    { food: 'a', amount: 200, unit: 'g', method: 'cup' },
    { food: 'b', amount: [40, 60], unit: 'g' },
    { food: 'a', amount: 100, unit: 'g' },
  ]);
  const { mean, standardDeviation, ...distribution } = simulated(parts);
  const [low, high] = bandOf(parts, 'energyKcal')!;
  expect(mean).toBeCloseTo(450, -1);
  expect(standardDeviation / standardUncertainty(parts, 'energyKcal')).toBeCloseTo(1, 1);
  expect(quantileOf(distribution, 0.025)).toBeGreaterThan(low - 6);
  expect(quantileOf(distribution, 0.975)).toBeLessThan(high + 6);
});

test('the same seed draws the same, another seed another; slices do not matter', () => {
  const parts = partsOf([{ food: 'a', amount: [100, 200], unit: 'g' }]);
  const model = errorModelOf(parts, ['energyKcal', 'protein']);
  const all = new Simulation(model, { seed: 3, draws: 1_000 });
  all.make(1_000);
  const sliced = new Simulation(model, { seed: 3, draws: 1_000 });
  for (let i = 0; i < 10; i++) sliced.make(100);
  expect(sliced.distributions()).toEqual(all.distributions());
  expect(simulated(parts, 100, 4).mean).not.toBe(simulated(parts, 100, 5).mean);
});

test('a range alone is even between its ends', () => {
  const exact = kitchenOf({ foods: [{ id: 'a', name: 'A', source: 'lab', nutrients: { energyKcal: 100 } }] });
  const { parts } = recipeFigures(recipeOf([{ food: 'a', amount: [0, 200], unit: 'g' }], { servings: 1 }), exact);
  const distribution = simulated(parts);
  expect(quantileOf(distribution, 0.25)).toBeCloseTo(50, -1);
  expect(quantileOf(distribution, 0.75)).toBeCloseTo(150, -1);
});

test('what a reader may leave out is in every second draw, and only when choices are asked for', () => {
  const parts = partsOf([
    { food: 'a', amount: 100, unit: 'g' },
    { food: 'b', amount: 100, unit: 'g', optional: true },
  ]);
  expect(simulated(parts).mean).toBeCloseTo(100, 0);
  expect(simulated(parts, 40_000, 7, true).mean).toBeCloseTo(250, -1);
  const optional = partsOf([{ food: 'a', amount: 100, unit: 'g' }], { served: 'optional' });
  expect(shareWithin(simulated(optional, 40_000, 7, true), { atMost: 0 })).toBeCloseTo(0.5, 1);
});

test('nothing is drawn below nothing', () => {
  const parts = partsOf([{ food: 'a', amount: 10, unit: 'g', method: 'assumed' }], { discards: [{ food: 'a', amount: 9, unit: 'g' }] });
  expect(simulated(parts).sorted[0]).toBe(0);
});

test('a share of draws, a histogram, a quantile', () => {
  const sorted = Float64Array.from([1, 2, 3, 4, 5]);
  expect(shareWithin({ sorted }, { atMost: 3 })).toBe(0.6);
  expect(shareWithin({ sorted }, { atLeast: 4 })).toBe(0.4);
  expect(shareWithin({ sorted }, { atLeast: 2, atMost: 4 })).toBe(0.6);
  expect(shareWithin({ sorted }, {})).toBe(1);
  expect(quantileOf({ sorted }, 0.5)).toBe(3);
  expect(quantileOf({ sorted }, 0.625)).toBe(3.5);
  const bars = histogramOf({ sorted: Float64Array.from(Array.from({ length: 1000 }, (_, i) => i)) }, 10);
  expect(bars).toHaveLength(10);
  expect(bars.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  expect(histogramOf({ sorted: Float64Array.from([7, 7, 7]) })).toEqual([{ from: 7, to: 7, share: 1 }]);
});

test('a number of draws that makes no sense is refused', () => {
  expect(() => new Simulation(errorModelOf([], ['energyKcal']), { seed: 1, draws: 0 })).toThrow(/1 or more/);
});

test('ends: ranges at their ends, to taste from nothing to twice as much', () => {
  const parts = partsOf([
    { food: 'a', amount: [100, 200], unit: 'g' },
    { food: 'b', amount: 100, unit: 'g' },
    { food: 'salt', toTaste: 2 },
    { food: 'b', amount: [10, 20], unit: 'g', optional: true },
  ]);
  expect(rangeBounds(parts, 'energyKcal')).toEqual([400, 500]);
  expect(rangeBounds(parts, 'sodium')).toEqual([0, 1560]);
  expect(rangeBounds(parts, 'iron')).toBeUndefined();
});

test('band, ends and spread of salt are those of its sodium, in grams', () => {
  const figures = recipeFigures(recipeOf([{ food: 'salt', toTaste: 2 }], { servings: 1 }), kitchen);
  const shown = (ends: readonly number[] | undefined) => ends?.map((sodium) => expect.closeTo(sodium * 0.0025, 9) as number);
  expect(boxRangeBounds('salt', figures, 'available')).toEqual([0, expect.closeTo(3.9, 9)]);
  expect(boxBand('salt', figures, 'available')).toEqual(shown(bandOf(figures.parts, 'sodium')));
  const sodium = { key: 'sodium' as const, mean: 400, standardDeviation: 40, sorted: Float64Array.of(360, 400, 440) };
  const salt = shownDistribution(sodium, (amount) => amount / 400);
  expect([salt.mean, salt.standardDeviation, ...salt.sorted]).toEqual([1, 0.1, 0.9, 1, 1.1]);
});

test('what is served at the table is in neither band nor ends of the box', () => {
  const recipe = recipeOf([{ food: 'a', amount: 100, unit: 'g' }], { servings: 1 });
  const table = { id: 'top', name: 'Top', served: 'table' as const, lines: [{ food: 'b', amount: [10, 90] as const, unit: 'g' }] };
  const alone = recipeFigures(recipe, kitchen);
  const topped = recipeFigures({ ...recipe, parts: [...recipe.parts, table] }, kitchen);
  expect(boxBand('energyKcal', topped, 'available')).toEqual(boxBand('energyKcal', alone, 'available'));
  expect(boxRangeBounds('energyKcal', topped, 'available')).toEqual([100, 100]);
});

test('ends of a part of another recipe reach through it', () => {
  const base = recipeOf([{ food: 'a', amount: [100, 200], unit: 'g' }], { id: 'base', servings: 1 }, { cookedWeight: 100 });
  const within = kitchenOf({ ...kitchen.content, recipes: [base] });
  const { parts } = recipeFigures(recipeOf([{ recipe: 'base', part: 'pot', amount: [40, 60], unit: 'g' }], { servings: 1 }), within);
  expect(rangeBounds(parts, 'energyKcal')).toEqual([100 * 0.4, 200 * 0.6].map((end) => expect.closeTo(end, 9) as number));
});

test('ends hold the figure between them, and every spread its mean', () => {
  fc.assert(
    fc.property(anyDish, (dish) => {
      const { kitchen: within, recipe } = dishOf(dish);
      const { parts, perServing } = recipeFigures(recipe, within);
      const boxed = parts.filter(({ part }) => servedOf(part) === 'box');
      const ends = rangeBounds(boxed, 'energyKcal');
      const { amount } = perServing.nutrients.energyKcal;
      expect(ends === undefined).toBe(amount === undefined);
      if (!ends || amount === undefined) return;
      expect(ends[0]).toBeLessThanOrEqual(amount * (1 + 1e-9));
      expect(ends[1]).toBeGreaterThanOrEqual(amount * (1 - 1e-9));
    }),
  );
});
