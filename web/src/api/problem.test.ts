import { isPassing, problemOf, UNREACHED } from './problem';

const told = { status: 422, title: 'Cannot be read', detail: 'mend it', faults: [{ path: 'a', message: 'b' }] };

test('a problem is read out of an error, parsed or as text', () => {
  expect(problemOf({ status: 422, data: told })).toEqual(told);
  expect(problemOf({ status: 'PARSING_ERROR', data: JSON.stringify(told) })).toEqual(told);
  const current = { revision: 2 };
  expect(problemOf({ data: { ...told, status: 409, current } })).toMatchObject({ status: 409, current });
});

test.each([
  ['words', 'failed to fetch'],
  ['nothing', undefined],
  ['null', null],
  ['an error of its own', new TypeError('no')],
  ['a page instead of an answer', { data: '<html>' }],
  ['an answer of another kind', { data: { message: 'no' } }],
])('%s: the server was not reached', (_, error) => {
  expect(problemOf(error)).toEqual(UNREACHED);
});

test('what may be over by itself is told apart from what is at fault', () => {
  expect([0, 500, 503, 507].map((status) => isPassing({ ...UNREACHED, status }))).toEqual([true, true, true, true]);
  expect([404, 409, 422].map((status) => isPassing({ ...UNREACHED, status }))).toEqual([false, false, false]);
});
