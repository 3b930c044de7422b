import { UnknownFoodError } from '@portiona/core';
import { problemOf } from './problemOf.js';

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
