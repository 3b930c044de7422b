import { kitchenFileText } from './writeKitchen.js';
import { MOST_PHOTO_BYTES } from './photoFile.js';
import { readKitchen } from './readKitchen.js';
import { readKitchenBytes } from './readKitchenBytes.js';

const DAY = '2026-11-29';
const SOUP = { id: 'soup', title: 'Soup', servings: 2, parts: [{ id: 'pot', name: 'Pot', lines: [] }] };
const cooked = (id: string, photo: string) => ({ id, recipe: 'soup', date: DAY, photo: { id: photo, alt: 'A pot' } });
const file = (photos: unknown, ...batches: object[]) => ({ format: 'portiona/1', recipes: [SOUP], batches, photos });
const PICTURE = { id: 'p1', jpeg: '/9j/2Q==' };

const faultsOf = (found: object) => {
  const read = readKitchen(found, DAY);
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

test('a photo of a batch is read and written with it, whole and entry by entry', () => {
  const found = file([PICTURE], cooked('one', 'p1'));
  const read = readKitchen(found, DAY);
  if (!read.ok) throw new Error(faultsOf(found).join());
  expect(read.entry.photos).toEqual([PICTURE]);
  const text = kitchenFileText({ ...read.entry, settings: {} });
  expect(JSON.parse(text)).toMatchObject({ photos: [PICTURE], batches: [cooked('one', 'p1')] });
  const again = readKitchenBytes(new TextEncoder().encode(text), (bytes) => new TextDecoder().decode(bytes), DAY);
  expect(again.ok && again.entry.photos).toEqual([PICTURE]);
});

test('a batch names a photo of the file; a photo is named once', () => {
  expect(faultsOf(file([PICTURE], cooked('one', 'p2')))).toEqual(['batches[0].photo.id: unknown photo "p2"; did you mean "p1"?']);
  expect(faultsOf(file([PICTURE, PICTURE]))).toEqual(['photos[1].id: "p1" is already the id of photos[0]; give one of them another']);
  expect(faultsOf({ ...file(undefined, cooked('one', 'p1')), photos: [] })).toEqual(['batches[0].photo.id: unknown photo "p1"']);
});

test.each([
  ['no picture at all', 'aGVsbG8='],
  ['no base64', '/9j/2Q=!'],
  ['an address instead of a picture', 'https://example.org/a.jpg'],
  ['nothing', ''],
])('what is no JPEG is told: %s', (_, jpeg) => {
  // A batch that names it is not said to name what is not there.
  expect(faultsOf(file([{ id: 'p1', jpeg }], cooked('one', 'p1')))).toEqual([
    expect.stringContaining('photos[0].jpeg: must be a JPEG of at most 200 kB in base64'),
  ]);
});

test('a photo may be as large as it is kept, and no larger', () => {
  const ofBytes = (bytes: number) => ({
    id: 'p1',
    jpeg: Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), Buffer.alloc(bytes - 3)]).toString('base64'),
  });
  expect(faultsOf(file([ofBytes(MOST_PHOTO_BYTES)]))).toEqual([]);
  expect(faultsOf(file([ofBytes(MOST_PHOTO_BYTES + 3)]))).toHaveLength(1);
});
