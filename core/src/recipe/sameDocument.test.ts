import fc from 'fast-check';
import { sameDocument } from './sameDocument.js';

test('the order of keys says nothing, that of a list does', () => {
  expect(sameDocument({ a: 1, b: { c: [1, 2], d: null } }, { b: { d: null, c: [1, 2] }, a: 1 })).toBe(true);
  expect(sameDocument({ a: [1, 2] }, { a: [2, 1] })).toBe(false);
  expect(sameDocument({ a: 1 }, { a: 1, b: 0 })).toBe(false);
  expect(sameDocument({ a: 1 }, undefined)).toBe(false);
  expect(sameDocument({ a: 1, b: undefined }, { a: 1 })).toBe(true);
});

test('a document is the same as itself turned over', () => {
  fc.assert(
    fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (document) => {
      expect(sameDocument(document, Object.fromEntries(Object.entries(document).reverse()))).toBe(true);
    }),
  );
});
