import fc from 'fast-check';
import { type Recipe, withoutLines } from '@portiona/core';
import { between, doubled, dropped, madeOptional, placesOf, shifted, textOfLines, toggled, type Selection } from './selection';

const line = (text: string) => ({ text });
const DISH: Recipe = {
  id: 'dish',
  title: 'Dish',
  servings: 4,
  parts: [
    { id: 'a', name: 'A', lines: ['one', 'two', 'three'].map(line) },
    { id: 'b', name: 'B', lines: [] },
    { id: 'c', name: 'C', lines: ['four', 'five'].map(line) },
  ],
};
const words = ({ parts }: Recipe) => parts.map(({ lines }) => lines.map(({ text }) => text).join(' '));
const [one, two, three, four, five] = placesOf(DISH) as [Place, Place, Place, Place, Place];
type Place = Selection[number];

test('a range goes over the edges of parts, either way; single lines come and go in the order they stand', () => {
  expect(between(DISH, four, two)).toEqual([two, three, four]);
  expect(between(DISH, two, { part: 9, line: 0 })).toEqual([]);
  expect(toggled(DISH, [four], one)).toEqual([one, four]);
  expect(toggled(DISH, [one, four], four)).toEqual([one]);
});

test('lines that stood apart are dropped together, and are told where they stand', () => {
  const { recipe, selection } = dropped(DISH, [one, three, five], { part: 0, line: 2 });
  expect(words(recipe)).toEqual(['two one three five', '', 'four']);
  expect(textOfLines(recipe, selection, new Map())).toBe('one\nthree\nfive');
  expect(words(dropped(DISH, [two], { part: 1, line: 0 }).recipe)).toEqual(['one three', 'two', 'four five']);
});

test('lines go up and down over empty parts, and no further than the ends', () => {
  expect(words(shifted(DISH, [one, two], 1).recipe)).toEqual(['three one two', '', 'four five']);
  expect(words(shifted(DISH, [one], 1).recipe)).toEqual(['two one three', '', 'four five']);
  const into = shifted(DISH, [three], 1);
  expect(words(into.recipe)).toEqual(['one two', 'three', 'four five']);
  expect(words(shifted(into.recipe, into.selection, 1).recipe)).toEqual(['one two', '', 'three four five']);
  expect(shifted(DISH, [one], -1).recipe).toBe(DISH);
  expect(shifted(DISH, [five], 1).recipe).toBe(DISH);
  expect(shifted(DISH, [], 1).recipe).toBe(DISH);
});

test('doubled behind the last of them; optional, and counted again', () => {
  const { recipe, selection } = doubled(DISH, [one, two]);
  expect(words(recipe)).toEqual(['one two one two three', '', 'four five']);
  expect(selection).toEqual([
    { part: 0, line: 2 },
    { part: 0, line: 3 },
  ]);
  const optional = madeOptional(DISH, [one, five]);
  expect(optional.parts[2]?.lines[1]).toEqual({ text: 'five', optional: true });
  expect(madeOptional(optional, [one, five])).toEqual(DISH);
});

test('no move loses a line or changes the order of those selected', () => {
  const selections = fc.subarray(placesOf(DISH), { minLength: 1 });
  const place = fc.constantFrom(...placesOf(DISH), { part: 1, line: 0 }, { part: 0, line: 3 }, { part: 2, line: 2 });
  fc.assert(
    fc.property(selections, place, fc.constantFrom(1 as const, -1 as const), (selection, before, by) => {
      for (const moved of [dropped(DISH, selection, before), shifted(DISH, selection, by)]) {
        expect(words(moved.recipe).join(' ').split(' ').filter(Boolean).sort()).toEqual(['five', 'four', 'one', 'three', 'two']);
        expect(textOfLines(moved.recipe, moved.selection, new Map())).toBe(textOfLines(DISH, selection, new Map()));
      }
      const left = withoutLines(DISH, selection);
      expect(placesOf(left)).toHaveLength(5 - selection.length);
    }),
  );
});
