import { Kitchen, withIds, type Recipe } from '@portiona/core';
import { stepWords } from '@portiona/core';
import { stepRows } from './stepRows';
import { clockFace, timerNow } from './timers';

const recipe: Recipe = withIds({
  id: 'r',
  title: 'R',
  servings: 4,
  parts: [
    {
      id: 'dal',
      name: 'Dal',
      lines: [
        { food: 'lentils', amount: 300, unit: 'g' },
        { food: 'squash', amount: 900, unit: 'g' },
        { food: 'salt', toTaste: 4 },
      ],
    },
  ],
});
const kitchen = new Kitchen({
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
  foods: [
    { id: 'lentils', name: 'Red lentils' },
    { id: 'squash', name: 'Butternut squash' },
    { id: 'salt', name: 'Salt' },
  ],
  packs: [],
  recipes: [recipe],
});
const read = (text: string) =>
  stepRows(text, recipe, kitchen).map((row) =>
    row.row === 'line'
      ? `[${row.at} ${row.amount}]`
      : row.runs.map((run) => (run.kind === 'words' ? run.text : `<${run.kind} ${run.text}>`)).join(''),
  );

test('a step stands in the order of doing: what goes in on rows of its own, what joins a list falls away', () => {
  expect(read('Add {dal/1 lentils}, {dal/2 squash} and {dal/3 salt}. Simmer, lid ajar, 25 min: squash soft.')).toEqual([
    'Add',
    '[dal/1 300 g]',
    '[dal/2 900 g]',
    '[dal/3 ]',
    'Simmer, lid ajar, <time 25 min>: <sign squash soft>.',
  ]);
  expect(read('Stir in {dal/1 lentils}, 1 min. Add {dal/2 squash}.')).toEqual([
    'Stir in',
    '[dal/1 300 g]',
    '<time 1 min>',
    'Add',
    '[dal/2 900 g]',
  ]);
  expect(read('Roast at 200 °C, until gold.')).toEqual(['Roast at 200 °C (390 °F, gas 6), <sign until gold>.']);
});

test('a line that is gone keeps its words in the sentence', () => {
  expect(read('Stir in {dal/9 plums} now.')).toEqual(['Stir in plums now.']);
  expect(stepWords('Stir in {dal/1 lentils} and {~dal/2 squash}.')).toBe('Stir in lentils and squash.');
});

test('a timer is called by the clause its time stands in', () => {
  const names = (text: string) =>
    stepRows(text, recipe, kitchen).flatMap((row) =>
      row.row === 'said' ? row.runs.flatMap((run) => (run.kind === 'time' ? [[run.name, run.minutes]] : [])) : [],
    );
  expect(names('Fry {dal/1 lentils}, 2 min. Simmer, lid ajar, 20 to 25 min.')).toEqual([
    ['Fry lentils', 2],
    ['Simmer, lid ajar', 25],
  ]);
  expect(names('25 min: soft.')).toEqual([['Timer', 25]]);
  expect(names('Cook everything very slowly over the lowest heat there is for 30 min.')[0]?.[0]).toBe('Cook everything very slowly …');
});

test('a timer counts down, and past its end', () => {
  const timer = { id: 't', name: 'Rice', minutes: 28, started: '2026-11-26T14:00:00Z' };
  const at = (time: string) => timerNow(timer, Date.parse(`2026-11-26T${time}Z`));
  expect(clockFace(at('14:00:00').left)).toBe('28:00');
  expect(clockFace(at('14:09:24').left)).toBe('18:36');
  expect(at('14:14:00').used).toBeCloseTo(0.5, 9);
  expect(at('14:28:24').left).toBe(-24);
  expect(clockFace(-24)).toBe('0:24');
  expect(clockFace(3661)).toBe('1:01:01');
  // A clock that was set back begins anew, and does not run the other way.
  expect(at('13:00:00').left).toBe(28 * 60);
});
