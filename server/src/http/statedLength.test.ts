import { statedLength } from './statedLength.js';

test.each([
  ['what it says', { 'content-length': '120' }, 120],
  ['nothing where it sends no body', {}, 0],
  ['not known where it comes in pieces', { 'transfer-encoding': 'chunked' }, undefined],
  ['what it says, though it comes in pieces', { 'content-length': '7', 'transfer-encoding': 'chunked' }, 7],
])('a body weighs %s', (_, headers, bytes) => {
  expect(statedLength({ headers })).toBe(bytes);
});
