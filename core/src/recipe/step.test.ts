import fc from 'fast-check';
import { recipeOf } from '../../test/kitchens.js';
import { withIds, withNumbers, withoutLostReferences } from './lineIds.js';
import { movedLines, withoutLines } from './movedLines.js';
import { mentionText, piecesOf } from './step.js';
import { variantRecipe } from './variant.js';
import type { Line, Recipe } from './recipe.js';

const line = (food: string): Line => ({ food, amount: 100, unit: 'g' });
const BASE = recipeOf([line('a'), line('b'), line('c')], {
  steps: ['Stew {pot/1 apples} with {~pot/3 cherries}.', { text: 'Serve {pot/2 berries}.', part: 'pot' }],
});

test('a step taken apart and put together is the same', () => {
  const word = fc.constantFrom(
    'Stew ',
    '{pot/1 plums}',
    '{~pot/12}',
    '{',
    '}',
    '{pot/0 x}',
    '{pot/01}',
    '{pot/1-2 x}',
    '{pot/plums x}',
    '{Pot/1}',
    '{a/1 b}',
    ' ',
  );
  fc.assert(
    fc.property(fc.array(word), (words) => {
      const text = words.join('');
      expect(
        piecesOf(text)
          .map((piece) => (typeof piece === 'string' ? piece : mentionText(piece)))
          .join(''),
      ).toBe(text);
    }),
  );
  expect(mentionText({ at: 'a/1', bare: false, words: ' pl{um}s ' })).toBe('{a/1 plums}');
});

test('mentions follow their lines; of a line that is gone the words stay', () => {
  const turned = movedLines(withIds(BASE), [{ part: 0, line: 0 }], { part: 0, line: 2 });
  expect(withNumbers(turned).steps).toEqual([
    'Stew {pot/3 apples} with {~pot/2 cherries}.',
    { text: 'Serve {pot/1 berries}.', part: 'pot' },
  ]);
  const without = withoutLines(withIds(BASE), [{ part: 0, line: 0 }]);
  expect(withNumbers(without).steps).toEqual(['Stew apples with {~pot/2 cherries}.', { text: 'Serve {pot/1 berries}.', part: 'pot' }]);
});

test('a part that is gone leaves its steps; a variant’s method is of its own lines', () => {
  const two: Recipe = { ...BASE, parts: [...BASE.parts, { id: 'top', name: 'Top', lines: [line('d')] }] };
  const gone = withoutLostReferences({ ...two, parts: two.parts.slice(1) });
  expect(gone.steps).toEqual(['Stew apples with cherries.', 'Serve berries.']);
  const variant = variantRecipe(BASE, {
    changes: [
      { at: 'pot/2', out: true },
      { at: 'pot/1', line: line('x') },
    ],
  });
  expect(withNumbers(variant).steps).toEqual(['Stew {pot/1 apples} with {~pot/2 cherries}.', { text: 'Serve berries.', part: 'pot' }]);
});
