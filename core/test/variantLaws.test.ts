import fc from 'fast-check';
import {
  changesOf,
  everyLine,
  foodsOf,
  placedLines,
  recipeFigures,
  scaledRecipe,
  snappedAmounts,
  variantRecipe,
  withChanges,
  withFoodMerged,
  withIds,
  type Line,
  type Recipe,
  type VariantChange,
} from '../src/index.js';
import { anyDish, dishOf } from './kitchens.js';

// What is done to a dish is done to its variants: each is then what it would be had it been done to it alone.

const rules: fc.Arbitrary<Pick<Line, 'scaling'>> = fc.oneof(
  fc.constant({}),
  fc.constant({ scaling: 'fixed' as const }),
  fc.constant({ scaling: { damped: 0.8 } }),
  fc.constant({ scaling: { evaporation: { perBatch: 50 } } }),
);
const more = fc.record({
  food: fc.constantFrom('a', 'b', 'c'),
  amount: fc.integer({ min: 1, max: 500 }),
  unit: fc.constantFrom('g', 'piece'),
  rule: rules,
});
const lineOf = ({ rule, ...line }: typeof more extends fc.Arbitrary<infer One> ? One : never): Line => ({ ...line, ...rule });
const anyChanges = fc.array(
  fc.record({
    kind: fc.constantFrom('in place', 'out', 'more', 'weighed'),
    which: fc.nat(20),
    line: more,
    grams: fc.integer({ min: 50, max: 3000 }),
  }),
  { minLength: 1, maxLength: 5 },
);

function withVariant(recipe: Recipe, wanted: typeof anyChanges extends fc.Arbitrary<infer Many> ? Many : never): Recipe {
  const lines = placedLines(recipe);
  const taken = new Set<string>();
  const changes = wanted.flatMap(({ kind, which, line, grams }): VariantChange[] => {
    const placed = lines[which % lines.length];
    if (!placed) return [];
    if (kind === 'more') return [{ part: placed.part.id, line: lineOf(line) }];
    if (kind === 'weighed')
      return taken.has(placed.part.id) ? [] : (taken.add(placed.part.id), [{ part: placed.part.id, cookedWeight: grams }]);
    if (taken.has(placed.at)) return [];
    taken.add(placed.at);
    return kind === 'out' ? [{ at: placed.at, out: true }] : [{ at: placed.at, line: lineOf(line) }];
  });
  return { ...recipe, variants: [{ name: 'v', changes }] };
}

const variantOf = (recipe: Recipe) => variantRecipe(recipe, recipe.variants?.[0] ?? { changes: [] });
const near = (got: number | undefined, want: number | undefined) => {
  expect(got === undefined).toBe(want === undefined);
  expect(Math.abs((got ?? 0) - (want ?? 0))).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(want ?? 0)));
};

test('a dish scaled has its variants scaled, each as it would be made', () => {
  fc.assert(
    fc.property(anyDish, anyChanges, fc.integer({ min: 1, max: 40 }), fc.boolean(), (dish, wanted, servings, ids) => {
      const { kitchen, recipe } = dishOf(dish);
      const written = withVariant(recipe, wanted);
      const whole = ids ? withIds(written) : written;
      const ofScaled = recipeFigures(variantOf(scaledRecipe(whole, servings, kitchen).recipe), kitchen);
      const scaled = recipeFigures(scaledRecipe(variantOf(whole), servings, kitchen).recipe, kitchen);
      near(ofScaled.perServing.weight, scaled.perServing.weight);
      near(ofScaled.perServing.nutrients.energyKcal.amount, scaled.perServing.nutrients.energyKcal.amount);
      expect(ofScaled.lines.map(({ line }) => line.food)).toEqual(scaled.lines.map(({ line }) => line.food));
    }),
  );
});

test('there and back again, a dish and its variants are what they were', () => {
  fc.assert(
    fc.property(anyDish, anyChanges, fc.integer({ min: 1, max: 40 }), (dish, wanted, servings) => {
      const { kitchen, recipe } = dishOf(dish);
      const whole = withVariant(
        recipe,
        wanted.map((one) => ({ ...one, line: { ...one.line, rule: {} } })),
      );
      const back = scaledRecipe(scaledRecipe(whole, servings, kitchen).recipe, recipe.servings, kitchen).recipe;
      near(recipeFigures(variantOf(back), kitchen).perServing.weight, recipeFigures(variantOf(whole), kitchen).perServing.weight);
    }),
  );
});

test('a merged food is in no line, no discard and no variant any more', () => {
  fc.assert(
    fc.property(anyDish, anyChanges, fc.constantFrom('a', 'b', 'c'), (dish, wanted, gone) => {
      const { recipe } = dishOf(dish);
      const whole = withVariant(
        { ...recipe, parts: recipe.parts.map((part) => ({ ...part, discards: [{ food: gone, amount: 1, unit: 'g' }] })) },
        wanted,
      );
      const merged = withFoodMerged(whole, gone, 'kept');
      expect(foodsOf(merged)).not.toContain(gone);
      expect(everyLine(merged).map(({ food }) => (food === 'kept' ? gone : food))).toEqual(everyLine(whole).map(({ food }) => food));
      expect(withFoodMerged(recipe, 'nowhere', 'kept')).toBe(recipe);
    }),
  );
});

test('what stands in a line’s place changes with it when amounts are changed, and nothing else of a variant', () => {
  fc.assert(
    fc.property(anyDish, anyChanges, fc.nat(20), fc.integer({ min: 2, max: 30 }), (dish, wanted, which, tenths) => {
      const { recipe } = dishOf(dish);
      const whole = withIds(withVariant(recipe, wanted));
      const lines = placedLines(whole);
      const placed = lines[which % lines.length];
      if (!placed) return;
      const factor = tenths / 10;
      const next = withChanges(whole, changesOf(whole, new Map([[placed.at, factor]])));
      const changed = changesOf(whole, new Map([[placed.at, factor]])).length > 0;
      whole.variants?.[0]?.changes.forEach((change, c) => {
        const now = next.variants?.[0]?.changes[c];
        if (!('line' in change) || !now || !('line' in now)) return expect(now).toEqual(change);
        const moves = changed && 'at' in change && change.at === `${placed.part.id}/${placed.line.id}`;
        near(Number(now.line.amount), Number(change.line.amount) * (moves ? factor : 1));
      });
    }),
  );
});

test('what is snapped is snapped in variants too', () => {
  const recipe: Recipe = {
    id: 'dish',
    title: 'Dish',
    servings: 2,
    parts: [{ id: 'pot', name: 'Pot', lines: [{ food: 'a', amount: 403, unit: 'g' }] }],
    variants: [{ name: 'v', changes: [{ at: 'pot/1', line: { food: 'b', amount: 297, unit: 'g' } }] }],
  };
  const { recipe: snapped, lines } = snappedAmounts(recipe);
  expect(snapped.variants?.[0]?.changes).toEqual([{ at: 'pot/1', line: { food: 'b', amount: 300, unit: 'g' } }]);
  expect(lines.map(({ at }) => at)).toEqual(['pot/1']);
});
