import type { Week } from '../week/index.js';
import { readKitchen } from './readKitchen.js';
import { personFaults, weekFaults, weeksTwice, withoutGoneBoxes } from './weekFaults.js';
import { kitchenFileText } from './writeKitchen.js';

const references = {
  people: new Set(['ann']),
  batches: new Map([['b1', { boxes: [{ name: 'Ann', grams: { pot: 1 } }] }]]),
  sessions: new Map([['prep', { dishes: [{ recipe: 'dish' }] }]]),
  unread: new Set(['lost']),
};
const week = (over: Partial<Week> = {}): Week => ({ id: 'w', from: '2031-03-10', meals: [], ...over });
const at = { person: 'ann', date: '2031-03-11', meal: 'main' as const };
const box = { session: 'prep', dish: 1 };
const faults = (over: Partial<Week>) =>
  [...weekFaults(week(over), references, 'weeks[0]')].map(({ path, message }) => `${path}: ${message}`);

test.each<[string, Partial<Week>, string[]]>([
  [
    'sound',
    {
      meals: [
        { ...at, box },
        { ...at, meal: 'late', box: { batch: 'b1', name: 'Ann' } },
      ],
    },
    [],
  ],
  ['another day than a Monday', { from: '2031-03-11' }, ['weeks[0].from: a week begins on a Monday; 2031-03-11 is none']],
  [
    'a day outside',
    { meals: [{ ...at, date: '2031-03-17', box }] },
    ['weeks[0].meals[0].date: must be a day of this week, 2031-03-10 to 2031-03-16'],
  ],
  ['a stranger', { off: [{ person: 'anne', date: '2031-03-11' }] }, ['weeks[0].off[0].person: unknown person "anne"; did you mean "ann"?']],
  [
    'two boxes',
    {
      meals: [
        { ...at, box },
        { ...at, box },
      ],
    },
    ['weeks[0].meals[1]: ann has a box at this meal already; take one of them out'],
  ],
  [
    'no such session',
    { meals: [{ ...at, box: { session: 'prp', dish: 1 } }] },
    ['weeks[0].meals[0].box.session: unknown session "prp"; did you mean "prep"?'],
  ],
  [
    'no such dish',
    { seasoned: [{ session: 'prep', dish: 2, variants: [] }] },
    ['weeks[0].seasoned[0].dish: there is no dish 2; the session has 1'],
  ],
  [
    'no such batch',
    { gone: [{ box: { batch: 'b2', name: 'Ann' }, count: 1 }] },
    ['weeks[0].gone[0].box.batch: unknown batch "b2"; did you mean "b1"?'],
  ],
  [
    'no such boxes',
    { meals: [{ ...at, box: { batch: 'b1', name: 'An' } }] },
    ['weeks[0].meals[0].box.name: the batch has no boxes "An"; did you mean "Ann"?'],
  ],
  ['what could not be read', { meals: [{ ...at, person: 'lost', box: { session: 'lost', dish: 1 } }] }, []],
])('a week with %s', (_, over, expected) => {
  expect(faults(over)).toEqual(expected);
});

test('people are told apart by their names, and say a meal once', () => {
  const ann = { id: 'ann', name: 'Ann' };
  expect([...personFaults({ id: 'two', name: ' ann ' }, [ann], 'p')]).toMatchObject([{ path: 'p.name' }]);
  expect([...personFaults({ ...ann, meals: [{ meal: 'main' }, { meal: 'main' }] }, [ann], 'p')]).toMatchObject([
    { path: 'p.meals[1].meal' },
  ]);
  expect([...weeksTwice([week(), week({ id: 'other' })], 'weeks')]).toMatchObject([{ path: 'weeks[1].from' }]);
});

test('what is not there any more is left out; what somebody who left has eaten stays gone', () => {
  const kept = withoutGoneBoxes(
    week({
      meals: [
        { ...at, box },
        { ...at, person: 'gone', box },
        { ...at, meal: 'late', box: { session: 'lost', dish: 1 } },
      ],
      off: [{ person: 'gone', date: '2031-03-12' }],
    }),
    references,
  );
  expect(kept).toEqual(week({ meals: [{ ...at, box }], off: [], gone: [{ box, count: 1 }] }));
});

test('people and weeks are read from a kitchen file as they were written', () => {
  const people = [
    { id: 'ann', name: 'Ann', targets: [{ figure: 'protein', is: 'at least', amount: 40 }], meals: [{ meal: 'main', repeats: true }] },
  ];
  const sessions = [{ id: 'prep', date: '2031-03-09', dishes: [{ recipe: 'dish' }] }];
  const recipes = [{ id: 'dish', title: 'Dish', servings: 4, parts: [{ id: 'pot', name: 'Pot', lines: [] }] }];
  const file = { format: 'portiona/1', recipes, sessions, people, weeks: [week({ meals: [{ ...at, box }] })] };
  const read = readKitchen(file, '2031-03-10');
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  expect(JSON.parse(JSON.stringify(read.entry.weeks))).toEqual(file.weeks);
  expect(JSON.parse(JSON.stringify(read.entry.people))).toEqual(people);
  const written = JSON.parse(kitchenFileText(read.entry)) as typeof file;
  expect([written.people, written.weeks]).toEqual([people, file.weeks]);
  const broken = readKitchen({ ...file, people: [] }, '2031-03-10');
  expect(broken.ok ? [] : broken.faults).toMatchObject([{ path: 'weeks[0].meals[0].person' }]);
});
