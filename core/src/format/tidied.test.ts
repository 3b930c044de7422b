import fc from 'fast-check';
import { tidied } from './tidied.js';

test('what is in order is given back as it is, the very same', () => {
  const found = { title: 'Crème', lines: [{ text: '½ leek, “trimmed” 🍲' }, 3, null] };
  expect(tidied(found)).toEqual({ tidy: found, faults: [] });
  expect(tidied(found).tidy).toBe(found);
});

test('text is made well-formed and composed wherever it stands, keys too, and what was sent is not changed', () => {
  const found = { 'cre\u0300me': [{ title: 'plum \ud83c' }], kept: { a: 1 } };
  const { tidy } = tidied<object>(found);
  expect(tidy).toEqual({ crème: [{ title: 'plum \ufffd' }], kept: { a: 1 } });
  expect(Object.keys(found)[0]).toBe('cre\u0300me');
  expect((tidy as typeof found).kept).toBe(found.kept);
});

test('NUL is told by its place, in text and in keys; depth without end and keys of the runtime too', () => {
  const found = JSON.parse('{"parts":[{"name":"a\\u0000b"}],"x\\u0000":1,"__proto__":{}}') as object;
  expect(tidied(found, 'document').faults).toEqual([
    { path: 'document.parts[0].name', message: expect.stringContaining('NUL') as string },
    { path: 'document.x␀', message: expect.stringContaining('NUL') as string },
    { path: 'document.__proto__', message: expect.stringContaining('unknown key') as string },
  ]);
  const deep = JSON.parse('['.repeat(5000) + ']'.repeat(5000)) as object;
  expect(tidied(deep).faults).toEqual([{ path: '[0]'.repeat(13), message: 'is nested too deep to be a kitchen file' }]);
});

test('whatever JSON holds, twice is as once, and nothing but text changes', () => {
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 4 }), (found) => {
      const once = tidied(found).tidy;
      expect(tidied(once).tidy).toBe(once);
    }),
  );
});
