import type { BoxPool, Week } from '@portiona/core';
import {
  emptyWeek,
  mondayOf,
  repointed,
  withAgain,
  withBox,
  withGone,
  withMeals,
  withMoved,
  withOff,
  withoutMeals,
  withSeasoned,
} from './weekEdits';

const place = (date: string, meal: 'before' | 'main' | 'late' = 'main', person = 'ann') => ({ person, date, meal });
const dal = { session: 'prep', dish: 1 };
const stew = { session: 'prep', dish: 2 };
const week = (meals: Week['meals'] = []): Week => ({ ...emptyWeek('2031-03-10'), meals });
const said = ({ meals }: Week) =>
  meals.map(({ person, date, meal, box }) => `${person} ${date.slice(8)} ${meal} ${'dish' in box ? box.dish : box.name}`);

test('a box is given, another takes its place, and it is taken back; meals stand in the order of the day', () => {
  const late = withBox(week(), place('2031-03-11', 'late'), dal);
  const both = withBox(withBox(late, place('2031-03-11', 'before'), stew), place('2031-03-10'), stew);
  expect(said(both)).toEqual(['ann 10 main 2', 'ann 11 before 2', 'ann 11 late 1']);
  expect(said(withBox(both, place('2031-03-11', 'late'), stew))).toEqual(['ann 10 main 2', 'ann 11 before 2', 'ann 11 late 2']);
  expect(said(withBox(both, place('2031-03-10'), undefined))).toEqual(['ann 11 before 2', 'ann 11 late 1']);
});

test('what is proposed goes to meals without a box only', () => {
  const given = week([{ ...place('2031-03-10'), box: dal }]);
  const more = [
    { ...place('2031-03-10'), box: stew },
    { ...place('2031-03-12'), box: stew },
  ];
  expect(said(withMeals(given, more))).toEqual(['ann 10 main 1', 'ann 12 main 2']);
});

test('a box that is moved changes places with what is there', () => {
  const given = week([
    { ...place('2031-03-10'), box: dal },
    { ...place('2031-03-11'), box: stew },
  ]);
  expect(said(withMoved(given, place('2031-03-10'), place('2031-03-11')))).toEqual(['ann 10 main 2', 'ann 11 main 1']);
  expect(said(withMoved(given, place('2031-03-10'), place('2031-03-13', 'main', 'bo')))).toEqual(['ann 11 main 2', 'bo 13 main 1']);
  expect(withMoved(given, place('2031-03-10'), place('2031-03-10'))).toBe(given);
});

test('who eats elsewhere gives the boxes of that day back, and a list that is empty is not written', () => {
  const given = week([
    { ...place('2031-03-10'), box: dal },
    { ...place('2031-03-10', 'main', 'bo'), box: dal },
  ]);
  const off = withOff(given, 'ann', '2031-03-10', true);
  expect(said(off)).toEqual(['bo 10 main 1']);
  expect(off.off).toEqual([{ person: 'ann', date: '2031-03-10' }]);
  expect(withOff(off, 'ann', '2031-03-10', false)).not.toHaveProperty('off');
  expect(said(withoutMeals(given, '2031-03-10'))).toEqual([]);
});

test('what is allowed, seasoned and gone is said once', () => {
  const twice = withAgain(withAgain(week(), 'ann', '2031-03-11', 'dal'), 'ann', '2031-03-11', 'dal');
  expect(twice.again).toHaveLength(1);
  const seasoned = withSeasoned(withSeasoned(week(), 'prep', 1, ['hot']), 'prep', 1, ['hot', 'mild']);
  expect(seasoned.seasoned).toEqual([{ session: 'prep', dish: 1, variants: ['hot', 'mild'] }]);
  expect(withSeasoned(seasoned, 'prep', 1, [])).not.toHaveProperty('seasoned');
  const pool = { key: JSON.stringify(['prep', 1]), box: dal } as unknown as BoxPool;
  const gone = withGone(withGone(week(), pool, 1), pool, 1);
  expect(gone.gone).toEqual([{ box: dal, count: 2 }]);
  expect(withGone(withGone(gone, pool, -1), pool, -1)).not.toHaveProperty('gone');
});

test('boxes of a dish that was cooked are taken from what was filled, each good for its day; what is not there stays', () => {
  const pool = (keep: 'fridge' | 'freezer', count: number): BoxPool => ({
    ...{
      key: JSON.stringify(['b1', 'Ann', keep]),
      box: { batch: 'b1', name: 'Ann', keep },
      recipe: 'dal',
      title: 'Dal',
      name: 'Ann',
      count,
    },
    ...{ cooked: '2031-03-09', planned: false, keep, because: '', contents: [{ figures: {} }] },
    ...(keep === 'fridge' ? { fridgeUntil: '2031-03-11' } : { freezerUntil: '2031-06-09' }),
  });
  const given = week([
    { ...place('2031-03-10'), box: dal },
    { ...place('2031-03-13'), box: dal },
    { ...place('2031-03-14'), box: dal },
    { ...place('2031-03-15'), box: stew },
  ]);
  const cooked = [{ kind: 'cooked' as const, title: 'Dal', date: '2031-03-09', recipe: 'dal', session: 'prep', dish: 1, batch: 'b1' }];
  const { meals } = repointed(given, cooked, [pool('freezer', 1), pool('fridge', 2)]);
  expect(meals.map(({ box }) => box)).toEqual([
    { batch: 'b1', name: 'Ann', keep: 'fridge' },
    { batch: 'b1', name: 'Ann', keep: 'freezer' },
    dal,
    stew,
  ]);
});

test.each([
  ['2031-03-10', '2031-03-10'],
  ['2031-03-16', '2031-03-10'],
  ['2031-03-17', '2031-03-17'],
  ['2031-01-01', '2030-12-30'],
])('%s is in the week of %s', (date, monday) => {
  expect(mondayOf(date)).toBe(monday);
});
