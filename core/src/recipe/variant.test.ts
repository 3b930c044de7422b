import fc from 'fast-check';
import { recipeOf } from '../../test/kitchens.js';
import { keptReferences } from './keptReferences.js';
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
  expect(variantRecipe(BASE, { changes: [{ at: 'pot/9', out: true }] })).toEqual(BASE);
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
  expect(next.variants?.[1]?.changes).toEqual([{ at: 'pot/2', line: line('onion', 300) }]);
  const back = variantRecipe(next, next.variants?.[0] ?? { changes: [] });
  expect(foods(back)).toEqual([['beef', 'onion', 'oil'], ['cheese']]);
  expect(back.parts[0]?.cookedWeight).toBe(900);
});

test('changes follow their lines when the base is rearranged', () => {
  const before = { ...BASE, variants: [VEGETARIAN] };
  const [pot, top] = before.parts;
  if (!pot || !top) throw new Error('no parts');
  const after = keptReferences(before, { ...before, parts: [{ ...pot, lines: [...pot.lines].reverse() }, top] });
  expect(foods(variantRecipe(after, after.variants?.[0] ?? { changes: [] }))[0]).toEqual(['onion', 'beans']);
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
