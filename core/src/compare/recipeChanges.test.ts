import fc from 'fast-check';
import type { Recipe } from '../recipe/index.js';
import { recipeChanges } from './recipeChanges.js';

const dish: Recipe = {
  id: 'stew',
  title: 'Stew',
  servings: 4,
  storage: { fridgeDays: 3 },
  parts: [
    {
      id: 'stew',
      name: 'Stew',
      lines: [
        { id: 'a', food: 'leek', amount: 100, unit: 'g', text: '100 g leek' },
        { id: 'b', food: 'lentil', amount: 200, unit: 'g', text: '200 g lentils' },
        { id: 'c', amount: 1, unit: 'l', text: '1 l water' },
      ],
    },
    { id: 'top', name: 'Top', lines: [{ id: 'a', food: 'seed', amount: 10, unit: 'g', text: '10 g seeds' }] },
  ],
  steps: [
    { id: 's', text: 'Cut the {stew/a leek}.' },
    { id: 't', text: 'Simmer.' },
  ],
  variants: [{ name: 'lean', changes: [] }],
};
const changes = (is: Recipe, was = dish) => recipeChanges(was, is, () => undefined);
const stew = dish.parts[0]!;
const withLines = (lines: Recipe['parts'][number]['lines']): Recipe => ({ ...dish, parts: [{ ...stew, lines }, dish.parts[1]!] });
const [leek, lentil, water] = stew.lines as [Line, Line, Line];
type Line = (typeof stew.lines)[number];

test('nothing changed, however its fields are ordered', () => {
  expect(changes(structuredClone(dish))).toEqual([]);
  expect(changes({ ...dish, parts: dish.parts.map(({ lines, name, id }) => ({ lines, id, name })) })).toEqual([]);
});

test('a line is the same by its id: its amount, its food, its place', () => {
  expect(changes(withLines([leek, { ...lentil, amount: 250, text: '250 g lentils' }, water]))).toEqual([
    { of: 'line', key: 'b', part: 'stew', before: '200 g lentils', after: '250 g lentils', fields: [], moved: false },
  ]);
  expect(changes(withLines([leek, { ...lentil, food: 'pea' }, water]))).toMatchObject([{ key: 'b', fields: ['food'], moved: false }]);
  expect(changes(withLines([water, leek, lentil]))).toMatchObject([{ key: 'c', fields: [], moved: true }]);
  expect(changes(withLines([leek, water]))).toEqual([
    { of: 'line', key: 'b', part: 'stew', before: '200 g lentils', fields: [], moved: false },
  ]);
  expect(changes(withLines([...stew.lines, { id: 'd', amount: 5, unit: 'g', text: '5 g salt' }]))).toEqual([
    { of: 'line', key: 'd', part: 'stew', after: '5 g salt', fields: [], moved: false },
  ]);
});

test('ids are of a part: the same id in two parts is two lines; a line that went to another part is one that moved', () => {
  const top = dish.parts[1]!;
  const away: Recipe = {
    ...dish,
    parts: [
      { ...stew, lines: [leek, water] },
      { ...top, lines: [...top.lines, lentil] },
    ],
  };
  expect(changes(away)).toEqual([
    { of: 'line', key: 'b', part: 'top', before: '200 g lentils', after: '200 g lentils', fields: [], moved: true },
  ]);
});

test('a line that came without its id is found by what it says', () => {
  const { id: _, ...bare } = lentil;
  expect(changes(withLines([leek, { ...bare, amount: 210, text: '210 g lentils' }, water]))).toMatchObject([
    { key: 'b', before: '200 g lentils', after: '210 g lentils' },
  ]);
});

test('the dish, its storage, parts, steps and variants', () => {
  const is: Recipe = {
    ...dish,
    title: 'Soup',
    storage: { fridgeDays: 4 },
    parts: [{ ...stew, cookedWeight: 900 }, dish.parts[1]!],
    steps: [
      { id: 't', text: 'Simmer.' },
      { id: 's', text: 'Slice the {stew/a leek}.' },
    ],
    variants: [{ name: 'rich', changes: [] }],
  };
  expect(changes(is)).toEqual([
    { of: 'dish', key: 'title', before: 'Stew', after: 'Soup', fields: [], moved: false },
    { of: 'dish', key: 'storage.fridgeDays', before: '3', after: '4', fields: [], moved: false },
    { of: 'variant', key: 'lean', before: 'lean', fields: [], moved: false },
    { of: 'variant', key: 'rich', after: 'rich', fields: [], moved: false },
    { of: 'part', key: 'stew', before: 'Stew', after: 'Stew', fields: ['cookedWeight'], moved: false },
    // Of two that changed places, one has moved.
    { of: 'step', key: 't', before: 'Simmer.', after: 'Simmer.', fields: [], moved: true },
    { of: 'step', key: 's', before: 'Cut the leek.', after: 'Slice the leek.', fields: [], moved: false },
  ]);
});

test('a step whose words stay and whose mention is of another line is said to', () => {
  const steps = [{ id: 's', text: 'Cut the {stew/b leek}.' }, ...dish.steps!.slice(1)];
  expect(changes({ ...dish, steps })).toMatchObject([{ of: 'step', key: 's', fields: ['mentions'] }]);
});

test('of lines put into another order, as few as can be are said to have moved, and the way back says as many', () => {
  const ids = fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 9 });
  fc.assert(
    fc.property(
      ids.chain((one) => fc.tuple(fc.constant(one), fc.shuffledSubarray(one, { minLength: one.length }))),
      ([a, b]) => {
        const of = (order: number[]) => withLines(order.map((n) => ({ id: `l${n}`, amount: n, unit: 'g', text: `${n} g salt` })));
        const moved = changes(of(b), of(a));
        expect(moved.every(({ of: kind, moved: is }) => kind === 'line' && is)).toBe(true);
        expect(moved.length).toBe(a.length - longestRising(b.map((one) => a.indexOf(one))));
        expect(changes(of(a), of(b)).length).toBe(moved.length);
      },
    ),
  );
});

/** By trying them all. */
function longestRising(numbers: readonly number[], above = -1): number {
  const [first, ...rest] = numbers;
  if (first === undefined) return 0;
  const without = longestRising(rest, above);
  return first > above ? Math.max(without, 1 + longestRising(rest, first)) : without;
}
