import { UnknownFoodError } from '@portiona/core';
import { isAway, isPassing, problemOf } from './problemOf.js';
import { BusyError, RefusedFileError, TooMuchWorkError, UncertainSaveError } from './problems.js';

test.each([
  ['a library’s own client fault', { status: 416 }, 416, 'urn:portiona:request'],
  ['one that is not there', { status: 404 }, 404, 'urn:portiona:request'],
  ['a library’s own server fault', { status: 503 }, 500, 'urn:portiona:internal'],
  ['a status that is none', { status: 'bad' }, 500, 'urn:portiona:internal'],
  ['nothing at all', null, 500, 'urn:portiona:internal'],
  ['a text', 'broken', 500, 'urn:portiona:internal'],
  ['what core cannot compute', new UnknownFoodError('moss'), 422, 'urn:portiona:unreadable'],
])('%s is told as such', (_, error, status, type) => {
  expect(problemOf(error)).toMatchObject({ status, type });
});

test('what broke inside is not told outside', () => {
  expect(JSON.stringify(problemOf(new Error('password is hunter2')))).not.toContain('hunter2');
});

test.each([
  ['a connection that ended', Object.assign(new Error('gone'), { code: '57P01' }), true],
  ['a transaction whose connection ended under it', new Error('Database connection provided by a query runner was already released'), true],
  ['one that goes on asking', new Error('Query runner already released. Cannot run queries anymore.'), true],
  ['too much at once', new BusyError('all threads are taken'), true],
  ['a commit that nobody knows of', new UncertainSaveError(undefined), true],
  ['what cannot be read', new RefusedFileError('this is no table'), false],
  ['what is too much work', new TooMuchWorkError('time', {}), false],
  ['a fault of its own', new TypeError('x is undefined'), false],
])('%s: may go well in a moment?', (_, error, passes) => {
  expect(isPassing(error)).toBe(passes);
});

test('a statement that took too long counts against what asked for it, a database that is away does not', () => {
  const failed = (code: string) => Object.assign(new Error('x'), { code });
  expect([isPassing(failed('57014')), isAway(failed('57014'))]).toEqual([true, false]);
  expect([isPassing(failed('57P01')), isAway(failed('57P01'))]).toEqual([true, true]);
});
