import type { BoxPool } from '@portiona/core';
import { initialsOf, looksOf, movesText, shortName } from './looks';

test.each([
  ['Smoky lentil and squash dal, brown rice', 'Dal'],
  ['Egg and leek muffins', 'Muffins'],
  ['Beef shin and barley, thyme gravy', 'Beef'],
  ['Duck leg with red cabbage and potatoes', 'Duck leg'],
  ['Overnight oats with plum compote', 'Overnight oats'],
  ['Shakshuka', 'Shakshuka'],
  ['', ''],
])('%s is %s', (title, short) => {
  expect(shortName(title)).toBe(short);
});

const pool = (recipe: string, title: string, box: BoxPool['box'], cooked = '2031-03-09') =>
  ({ recipe, title, box, cooked, key: recipe }) as unknown as BoxPool;

test('dishes of sessions look as in the session; two that are short for the same keep their names', () => {
  const looks = looksOf([
    pool('soup', 'White bean and kale soup', { batch: 'b', name: 'Ann' }, '2031-03-01'),
    pool('leek', 'Leek and potato soup', { session: 'prep', dish: 2 }),
    pool('dal', 'Smoky lentil and squash dal', { session: 'prep', dish: 1 }),
  ]);
  expect([...looks]).toEqual([
    ['dal', { look: 1, short: 'Dal' }],
    ['leek', { look: 2, short: 'Leek and potato soup' }],
    ['soup', { look: 3, short: 'White bean and kale soup' }],
  ]);
  const dal = pool('dal', 'Smoky lentil and squash dal', { session: 'prep', dish: 1 });
  expect(
    movesText(
      [
        { pool: dal, meals: [], count: 1 },
        { pool: dal, meals: [], count: 1 },
      ],
      looks,
    ),
  ).toBe('2 dal');
});

test('people are told apart by a letter, or two', () => {
  expect([
    ...initialsOf([
      { id: 'a', name: 'Tilde' },
      { id: 'b', name: 'Tom' },
      { id: 'c', name: 'Bram' },
    ]).values(),
  ]).toEqual(['Ti', 'To', 'B']);
});
