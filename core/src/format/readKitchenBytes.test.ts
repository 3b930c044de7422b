import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { kitchenPieces, NoJsonError } from './kitchenPieces.js';
import { isListKey, readKitchen } from './readKitchen.js';
import { readKitchenBytes } from './readKitchenBytes.js';

const TODAY = '2026-11-28';
const decode = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const bytesOf = (text: string) => new TextEncoder().encode(text);
const cases = join(__dirname, '../../test/cases');
const casesIn = (folder: string) =>
  readdirSync(folder, { encoding: 'utf8' })
    .filter((name) => /^\d.*\.json$/.test(name) && !/\.(?:expected|args)\.json$/.test(name))
    .map((name) => readFileSync(join(folder, name), 'utf8'));
const files = [
  ...casesIn(cases),
  ...casesIn(join(cases, 'batches')),
  readFileSync(join(__dirname, '../../../demo/saltmarsh-suppers.json'), 'utf8'),
];

test('a file read entry by entry is the file read whole', () => {
  expect(files.length).toBeGreaterThan(15);
  expect(files.filter((file) => file.includes('"batches"')).length).toBeGreaterThan(4);
  for (const file of files) expect(readKitchenBytes(bytesOf(file), decode, TODAY)).toEqual(readKitchen(JSON.parse(file), TODAY));
});

test('whatever is wrong in it is told at the same places', () => {
  const file = {
    format: 'portiona/1',
    foods: [{ id: 'a', name: 'A' }, {}],
    packs: [{ food: 'nobody' }],
    recipes: [{ id: 'x' }],
    batches: [{}, 3],
    more: 1,
  };
  const [whole, pieces] = [readKitchen(file, TODAY), readKitchenBytes(bytesOf(JSON.stringify(file)), decode, TODAY)];
  const places = (read: typeof whole) => (read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`).sort());
  expect(places(pieces)).toEqual(places(whole));
  expect(places(pieces).length).toBeGreaterThan(5);
});

test.each([
  ['nothing', ''],
  ['a list', '[]'],
  ['no end', '{"format":"portiona/1","foods":[{"id":"a"}'],
  ['a text without end', '{"format":"portiona/1'],
  ['something behind the end', '{"format":"portiona/1"} x'],
  ['a member that is missing', '{"format":"portiona/1","foods":[,]}'],
  ['a comma too many', '{"format":"portiona/1",}'],
  ['a member that is no JSON', '{"format":"portiona/1","foods":[nope]}'],
  ['a list that stands there twice', '{"format":"portiona/1","foods":[{"id":"a","name":"A"}],"packs":[],"foods":[{"id":"b","name":"B"}]}'],
  ['a key that stands there twice', '{"format":"portiona/1","format":"portiona/1"}'],
])('%s is refused', (_, text) => {
  const read = readKitchenBytes(bytesOf(text), decode, TODAY);
  expect(read.ok ? [] : read.faults).toHaveLength(1);
});

test('the pieces of any object are its members, however it is written', () => {
  const value = fc.jsonValue({ maxDepth: 3 });
  fc.assert(
    fc.property(fc.array(value), fc.array(value), value, fc.nat(3), (foods, recipes, other, indent) => {
      const text = JSON.stringify({ foods, 'ot"her': other, recipes }, null, indent);
      const pieces = [...kitchenPieces(bytesOf(text), decode, isListKey)].map(({ key, index, text: piece }) => ({
        key,
        index,
        held: JSON.parse(piece) as unknown,
      }));
      const plain = <Held>(held: Held) => JSON.parse(JSON.stringify(held)) as Held;
      expect(pieces).toEqual([
        ...plain(foods).map((held, index) => ({ key: 'foods', index, held })),
        { key: 'ot"her', index: undefined, held: plain(other) },
        ...plain(recipes).map((held, index) => ({ key: 'recipes', index, held })),
      ]);
    }),
  );
});

test('a file of endless empty foods is read no further than the hundredth fault', () => {
  const text = `{"format":"portiona/1","foods":[${'{},'.repeat(400_000)}!`;
  const read = readKitchenBytes(bytesOf(text), decode, TODAY);
  expect(read.ok ? [] : read.faults).toHaveLength(100);
});

test('what is no JSON says where', () => {
  expect(() => [...kitchenPieces(bytesOf('{"a" 1}'), decode, isListKey)]).toThrow(new NoJsonError(5));
});
