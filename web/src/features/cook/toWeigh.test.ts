import { Kitchen, type Batch, type PlannedBatch, type Recipe } from '@portiona/core';
import { lineRows, linesToWeigh, partsToWeigh, weighedLine, weighedPart } from './toWeigh';

const recipe: Recipe = {
  id: 'pot',
  title: 'Pot',
  servings: 2,
  parts: [
    {
      id: 'main',
      name: 'Main',
      lines: [
        { food: 'leek', amount: 300, unit: 'g' },
        { food: 'barley', amount: 200, unit: 'g' },
      ],
    },
    { id: 'empty', name: 'Empty', lines: [] },
  ],
};
const kitchen = new Kitchen({
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-20' },
  foods: [
    { id: 'leek', name: 'Leek' },
    { id: 'barley', name: 'Barley' },
  ],
  packs: [],
  recipes: [recipe],
});
const plan: PlannedBatch = {
  recipe,
  grams: new Map([
    ['main/1', 300],
    ['main/2', undefined],
  ]),
};
const batch = (over: Partial<Batch> = {}): Batch => ({ id: 'b', recipe: 'pot', date: '2026-11-20', ...over });

test('every line is to be weighed once, in its place, until it is weighed, in, or out', () => {
  const rows = lineRows(plan, kitchen);
  expect(rows.map(({ at }) => at)).toEqual(['main/1', 'main/2']);
  const of = (over: Partial<Batch>) => linesToWeigh(rows, batch(over), plan).map(({ of: at, grams, done }) => [at, grams, done]);
  expect(of({})).toEqual([
    ['main/1', 300, false],
    ['main/2', undefined, false],
  ]);
  expect(of({ lines: [{ at: 'main/1', grams: 302 }], cooking: { begun: '', step: 1, ready: ['main/2'] } })).toEqual([
    ['main/1', 300, true],
    ['main/2', undefined, true],
  ]);
  expect(of({ lines: [{ at: 'main/2', out: true }] }).at(1)?.[2]).toBe(true);
});

test('parts of which there is something are weighed when they come out', () => {
  expect(partsToWeigh(plan, batch()).map(({ of, done }) => [of, done])).toEqual([['main', false]]);
  expect(partsToWeigh(plan, batch({ parts: [{ part: 'main', net: 5 }] }))[0]?.done).toBe(true);
});

test('a weight keeps what was said before it: another food, a pot, pieces', () => {
  expect(weighedLine(batch(), 'main/1', 872, 1121)).toEqual({ do: 'line', line: { at: 'main/1', grams: 872, trimmedFrom: 1121 } });
  // Heavier than before trimming is no trimming.
  expect(weighedLine(batch(), 'main/1', 872, 872)).toEqual({ do: 'line', line: { at: 'main/1', grams: 872 } });
  expect(weighedLine(batch({ lines: [{ at: 'main/1', food: 'barley', grams: 1 }] }), 'main/1', 90)).toEqual({
    do: 'line',
    line: { at: 'main/1', food: 'barley', grams: 90 },
  });
  expect(weighedPart(batch(), 'main', 3468)).toEqual({ do: 'part', part: { part: 'main', net: 3468 } });
  const potted = batch({ parts: [{ part: 'main', gross: 3000, tare: 1158, pieces: 4 }] });
  expect(weighedPart(potted, 'main', 3468)).toEqual({ do: 'part', part: { part: 'main', gross: 3468, tare: 1158, pieces: 4 } });
  expect(weighedPart(potted, 'main', 900)).toEqual({ do: 'part', part: { part: 'main', net: 900, pieces: 4 } });
});
