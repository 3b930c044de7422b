import fc from 'fast-check';
import { recipeOf } from '../../test/kitchens.js';
import { keptReferences } from './keptReferences.js';
import { placeOf, type Line, type Recipe } from './recipe.js';

const salt: Line = { food: 'salt', amount: 5, unit: 'g', scaling: { ratioTo: 'pot/1', share: 0.01 } };
const lines: Line[] = [
  { food: 'a', amount: 1, unit: 'g' },
  { food: 'b', amount: 2, unit: 'g', fit: { bound: { withLine: 'pot/1' }, weight: 4 } },
  salt,
  { food: 'c', amount: 3, unit: 'g', scaling: { ratioTo: 'pot', share: 0.02 } },
];

test('what refers to a line follows it to where it goes', () => {
  const before = recipeOf(lines);
  const [a, b, c, d] = lines as [Line, Line, Line, Line];
  const [part] = keptReferences(before, recipeOf([b, c, a, d])).parts;
  expect(part?.lines.map(({ scaling, fit }) => [scaling, fit])).toEqual([
    [undefined, { bound: { withLine: 'pot/3' }, weight: 4 }],
    [{ ratioTo: 'pot/3', share: 0.01 }, undefined],
    [undefined, undefined],
    [{ ratioTo: 'pot', share: 0.02 }, undefined],
  ]);
});

test('what referred to a line that is gone goes, and nothing else with it', () => {
  const [, b, c, d] = lines as [Line, Line, Line, Line];
  const [part] = keptReferences(recipeOf(lines), recipeOf([b, c, d])).parts;
  expect(part?.lines.map(({ scaling, fit }) => [scaling, fit])).toEqual([
    [undefined, { weight: 4 }],
    [undefined, undefined],
    [{ ratioTo: 'pot', share: 0.02 }, undefined],
  ]);
});

test('nothing moved, nothing changed', () => {
  const before = recipeOf(lines);
  expect(keptReferences(before, before)).toBe(before);
});

test('in any order, a ratio is of the food it was of', () => {
  fc.assert(
    fc.property(fc.shuffledSubarray(lines, { minLength: 4 }), (order) => {
      const after = keptReferences(recipeOf(lines), recipeOf(order));
      const foodAt = (recipe: Recipe, at: string) =>
        recipe.parts.flatMap((part) => part.lines.map((line, i) => ({ line, place: placeOf(part, i) }))).find(({ place }) => place === at)
          ?.line.food;
      const kept = after.parts[0]?.lines.find(({ food }) => food === 'salt')?.scaling as { ratioTo: string };
      expect(foodAt(after, kept.ratioTo)).toBe('a');
    }),
  );
});
