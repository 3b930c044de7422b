import fc from 'fast-check';
import { recipeOf } from '../../test/kitchens.js';
import { withIds, withNumbers } from './lineIds.js';
import { movedLines } from './movedLines.js';
import type { Line, Recipe, Variant, VariantChange } from './recipe.js';
import { promotedVariant, variantRecipe } from './variant.js';

const line = (food: string, amount = 100): Line => ({ food, amount, unit: 'g' });
const BASE: Recipe = {
  ...recipeOf([]),
  parts: [
    { id: 'pot', name: 'Pot', lines: [line('beef'), line('onion'), line('oil', 10)], cookedWeight: 900 },
    { id: 'top', name: 'Top', lines: [line('cheese', 20)] },
  ],
};
const VEGETARIAN: Variant = {
  name: 'vegetarian',
  changes: [
    { at: 'pot/1', line: line('beans', 300) },
    { at: 'pot/3', out: true },
    { part: 'top', line: line('seeds', 15) },
    { part: 'pot', cookedWeight: 850 },
  ],
};
const foods = ({ parts }: Recipe) => parts.map(({ lines }) => lines.map(({ food }) => food));

test('a variant is its base with its changes', () => {
  const made = variantRecipe({ ...BASE, variants: [VEGETARIAN] }, VEGETARIAN);
  expect(foods(made)).toEqual([
    ['beans', 'onion'],
    ['cheese', 'seeds'],
  ]);
  expect(made.parts[0]?.cookedWeight).toBe(850);
  expect(made).not.toHaveProperty('variants');
  expect(withNumbers(variantRecipe(BASE, { changes: [{ at: 'pot/9', out: true }] }))).toEqual(BASE);
});

test('promoted, it is the base, the old base is a variant of it, and others stay about their lines', () => {
  const cheaper: Variant = {
    name: 'cheaper',
    changes: [
      { at: 'pot/2', line: line('onion', 300) },
      { at: 'pot/3', out: true },
    ],
  };
  const next = promotedVariant({ ...BASE, variants: [VEGETARIAN, cheaper] }, 0, 'as it was');
  expect(foods(next)).toEqual([
    ['beans', 'onion'],
    ['cheese', 'seeds'],
  ]);
  expect(next.variants?.map(({ name }) => name)).toEqual(['as it was', 'cheaper']);
  // The oil is gone, so what was said of it is too.
  expect(withNumbers(next).variants?.[1]?.changes).toEqual([{ at: 'pot/2', line: line('onion', 300) }]);
  const back = variantRecipe(next, next.variants?.[0] ?? { changes: [] });
  expect(foods(back)).toEqual([['beef', 'onion', 'oil'], ['cheese']]);
  expect(back.parts[0]?.cookedWeight).toBe(900);
});

test('changes follow their lines when the base is rearranged, within a part and into another', () => {
  const before = withIds({ ...BASE, variants: [VEGETARIAN] });
  const turned = movedLines(before, [{ part: 0, line: 0 }], { part: 0, line: 2 });
  expect(foods(turned)[0]).toEqual(['onion', 'oil', 'beef']);
  expect(foods(variantRecipe(turned, turned.variants?.[0] ?? { changes: [] }))[0]).toEqual(['onion', 'beans']);
  const across = movedLines(before, [{ part: 0, line: 0 }], { part: 1, line: 1 });
  expect(foods(variantRecipe(across, across.variants?.[0] ?? { changes: [] }))).toEqual([['onion'], ['cheese', 'beans', 'seeds']]);
});

test('a ratio of a line that has another in its place is of that; of one that is left out there is none', () => {
  const salt: Line = { food: 'salt', amount: 9, unit: 'g', scaling: { ratioTo: 'pot/1', share: 0.01 } };
  const [pot, top] = BASE.parts;
  if (!pot || !top) throw new Error('no parts');
  const dish: Recipe = { ...BASE, parts: [{ ...pot, lines: [...pot.lines, salt] }, top] };
  const scalings = (changes: readonly VariantChange[]) =>
    withNumbers(variantRecipe(dish, { changes })).parts[0]?.lines.map(({ food, scaling }) => [food, scaling]);
  expect(scalings([{ at: 'pot/2', out: true }])?.at(-1)).toEqual(['salt', { ratioTo: 'pot/1', share: 0.01 }]);
  expect(
    scalings([
      { at: 'pot/1', line: line('beans') },
      { at: 'pot/2', out: true },
    ])?.at(-1),
  ).toEqual(['salt', { ratioTo: 'pot/1', share: 0.01 }]);
  expect(scalings([{ at: 'pot/1', out: true }])?.at(-1)).toEqual(['salt', undefined]);
});

test('promoting and promoting back brings the same lines, whatever the changes', () => {
  const anyChange: fc.Arbitrary<VariantChange> = fc.oneof(
    fc.record({ at: fc.constantFrom('pot/1', 'pot/2', 'pot/3', 'top/1'), line: fc.constant(line('new')) }),
    fc.record({ at: fc.constantFrom('pot/1', 'pot/2', 'pot/3', 'top/1'), out: fc.constant(true as const) }),
    fc.record({ part: fc.constantFrom('pot', 'top'), line: fc.constant(line('more')) }),
  );
  fc.assert(
    fc.property(
      fc.uniqueArray(anyChange, { selector: (change) => ('at' in change ? change.at : Math.random()), maxLength: 6 }),
      (changes) => {
        const next = promotedVariant({ ...BASE, variants: [{ name: 'v', changes }] }, 0, 'old');
        const back = variantRecipe(next, next.variants?.[0] ?? { changes: [] });
        // A line that was left out comes back at the end of its part.
        expect(foods(back).map((part) => [...part].sort())).toEqual(foods(BASE).map((part) => [...part].sort()));
      },
    ),
  );
});
