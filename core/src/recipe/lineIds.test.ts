import fc from 'fast-check';
import { recipeOf } from '../../test/kitchens.js';
import { carriedIds } from './carriedIds.js';
import { countedIds, lineAt, placesByReference, withIds, withNumbers, withoutLostReferences } from './lineIds.js';
import { movedLines, withoutLines, type LinePlace } from './movedLines.js';
import type { Line, Recipe } from './recipe.js';
import { mentionsIn, stepOf } from './step.js';
import { everyLine, placedLines } from './walk.js';

const DISH: Recipe = recipeOf(
  [
    { food: 'a', amount: 1, unit: 'g' },
    { food: 'b', amount: 2, unit: 'g', fit: { bound: { withLine: 'pot/1' }, weight: 4 } },
    { food: 'salt', amount: 5, unit: 'g', scaling: { ratioTo: 'pot/1', share: 0.01 } },
    { food: 'c', amount: 3, unit: 'g', scaling: { ratioTo: 'pot', share: 0.02 } },
  ],
  {
    steps: ['Stew {pot/1 apples}, then {~pot/3 salt}.', { text: 'Top with {top/1 seeds}.', part: 'top' }],
    variants: [
      {
        name: 'other',
        changes: [
          { at: 'pot/1', line: { food: 'd', amount: 9, unit: 'g' } },
          { at: 'top/1', out: true },
          { part: 'top', line: { food: 'e', amount: 1, unit: 'g', scaling: { ratioTo: 'pot/2', share: 0.5 } } },
          { part: 'pot', cookedWeight: 500 },
        ],
      },
    ],
  },
);
const TWO_PARTS: Recipe = { ...DISH, parts: [...DISH.parts, { id: 'top', name: 'Top', lines: [{ food: 'seeds', amount: 1, unit: 'g' }] }] };

test('every line and step has an id, and what a file brought without goes out as it came', () => {
  const withAll = withIds(TWO_PARTS);
  for (const { line } of placedLines(withAll)) expect(line.id).toMatch(/^l--/);
  expect((withAll.steps ?? []).every((step) => stepOf(step).id !== undefined)).toBe(true);
  expect(withNumbers(withAll)).toEqual(TWO_PARTS);
  expect(withIds(withAll)).toBe(withAll);
});

test('ids of a file stay, of one used twice the first; what is referred to by them is found', () => {
  const own = recipeOf(
    [
      { id: 'plums', food: 'a', amount: 1, unit: 'g' },
      { id: 'plums', food: 'b', amount: 1, unit: 'g' },
      { food: 'salt', amount: 5, unit: 'g', scaling: { ratioTo: 'pot/plums', share: 0.01 } },
    ],
    { steps: ['Stew {pot/plums plums} and {pot/2 more}.'] },
  );
  const next = withIds(own, countedIds());
  expect(next.parts[0]?.lines.map(({ id }) => id)).toEqual(['plums', 'l--1', 'l--2']);
  expect(next.parts[0]?.lines[2]?.scaling).toEqual({ ratioTo: 'pot/plums', share: 0.01 });
  expect(stepOf(next.steps?.[0] ?? '').text).toBe('Stew {pot/plums plums} and {pot/l--1 more}.');
  expect(lineAt(next, 'pot/plums')?.food).toBe('a');
  expect(lineAt(next, 'pot/2')?.food).toBe('b');
  expect(lineAt(next, 'pot/9')).toBeUndefined();
  expect(stepOf(withNumbers(next).steps?.[0] ?? '').text).toBe('Stew {pot/plums plums} and {pot/2 more}.');
});

/** What refers to what, by the foods at both ends. */
function referred(recipe: Recipe): unknown {
  const places = placesByReference(recipe);
  const foodAt = (to: string) => placedLines(recipe).find(({ at }) => at === places.get(to))?.line.food ?? to;
  const of = ({ food, scaling, fit }: Line) => [
    food,
    typeof scaling === 'object' && 'ratioTo' in scaling ? foodAt(scaling.ratioTo) : undefined,
    typeof fit?.bound === 'object' && 'withLine' in fit.bound ? foodAt(fit.bound.withLine) : undefined,
  ];
  return {
    lines: everyLine(recipe)
      .map((line) => JSON.stringify(of(line)))
      .sort(),
    changes: recipe.variants?.flatMap(({ changes }) => changes.map((change) => ('at' in change ? foodAt(change.at) : change.part))),
    mentions: recipe.steps?.flatMap((step) => mentionsIn(stepOf(step).text).map(({ at }) => foodAt(at))),
  };
}

const anyPlaces = fc.uniqueArray(
  fc.oneof(fc.record({ part: fc.constant(0), line: fc.nat(3) }), fc.record({ part: fc.constant(1), line: fc.constant(0) })),
  { selector: ({ part, line }: LinePlace) => `${part}/${line}`, minLength: 1 },
);

test('wherever lines are moved, within a part or into another, everything refers to what it referred to', () => {
  fc.assert(
    fc.property(anyPlaces, fc.nat(1), fc.nat(5), (places, part, line) => {
      const before = withIds(TWO_PARTS);
      const after = movedLines(before, places, { part, line });
      expect(referred(after)).toEqual(referred(before));
      expect(everyLine(after)).toHaveLength(everyLine(before).length);
      // And as a file, which knows numbers only.
      expect(referred(withNumbers(after))).toEqual(referred(before));
      expect(referred(withIds(withNumbers(after)))).toEqual(referred(before));
    }),
  );
});

test('a line whose id is taken in the part it comes to gets another, and what referred to it follows', () => {
  const [pot, top] = TWO_PARTS.parts;
  if (!pot || !top) throw new Error('no parts');
  const same = (part: typeof pot) => ({ ...part, lines: part.lines.map((line, i) => (i === 0 ? { ...line, id: 'first' } : line)) });
  const before = withIds({ ...TWO_PARTS, parts: [same(pot), same(top)] });
  const after = movedLines(before, [{ part: 0, line: 0 }], { part: 1, line: 1 });
  expect(new Set(after.parts[1]?.lines.map(({ id }) => id)).size).toBe(2);
  expect(referred(after)).toEqual(referred(before));
});

test('what referred to a line that is gone goes, and nothing else with it', () => {
  const after = withNumbers(withoutLines(withIds(TWO_PARTS), [{ part: 0, line: 0 }]));
  expect(after.parts[0]?.lines.map(({ scaling, fit }) => [scaling, fit])).toEqual([
    [undefined, { weight: 4 }],
    [undefined, undefined],
    [{ ratioTo: 'pot', share: 0.02 }, undefined],
  ]);
  expect(after.steps?.[0]).toBe('Stew apples, then {~pot/2 salt}.');
  expect(after.variants?.[0]?.changes).toEqual([
    { at: 'top/1', out: true },
    { part: 'top', line: { food: 'e', amount: 1, unit: 'g', scaling: { ratioTo: 'pot/1', share: 0.5 } } },
    { part: 'pot', cookedWeight: 500 },
  ]);
});

test('a part that is gone takes its changes and its steps’ part with it', () => {
  const before = withIds(TWO_PARTS);
  const after = withNumbers(withoutLostReferences({ ...before, parts: before.parts.slice(0, 1) }));
  expect(after.variants?.[0]?.changes.map((change) => ('at' in change ? change.at : change.part))).toEqual(['pot/1', 'pot']);
  expect(after.steps?.[1]).toBe('Top with seeds.');
});

test('a recipe that comes without ids has those it had before, where it is alike', () => {
  const before = withIds(TWO_PARTS);
  const [pot, top] = TWO_PARTS.parts;
  if (!pot || !top) throw new Error('no parts');
  const ids = (recipe: Recipe): Record<string, string | undefined> =>
    Object.fromEntries(placedLines(recipe).map(({ line }) => [line.food ?? '', line.id]));
  const more: Line = { food: 'new', amount: 1, unit: 'g' };
  const sent: Recipe = {
    ...TWO_PARTS,
    parts: [{ ...pot, lines: [more, ...[...pot.lines].reverse().map((line) => ({ ...line, amount: 77 }))] }, top],
    steps: ['First warm the oven.', ...(TWO_PARTS.steps ?? [])],
  };
  const carried = withIds(carriedIds(before, sent));
  expect(ids(carried)).toMatchObject(ids(before));
  expect(ids(carried).new).toMatch(/^l--/);
  const steps = (carried.steps ?? []).map((step) => stepOf(step).id);
  const had = (before.steps ?? []).map((step) => stepOf(step).id);
  expect(new Set(steps).size).toBe(3);
  expect(steps.filter((id) => had.includes(id))).toHaveLength(2);
});
