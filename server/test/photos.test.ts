import { randomUUID } from 'node:crypto';
import { createJimp } from '@jimp/core';
import jpeg from '@jimp/js-jpeg';
import png from '@jimp/js-png';
import { decode } from 'jpeg-js';
import { isPlainJpeg } from '../src/photos/plainJpeg.js';
import { testServer } from './testServer.js';

const Jimp = createJimp({ formats: [jpeg, png] });

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

interface Photo {
  readonly id: string;
  readonly width: number;
  readonly height: number;
}

const RED = 0xdc1e1eff;
const GREEN = 0x1eb428ff;
const BLUE = 0x1e28c8ff;

/** A picture whose left is red, its right green, and its upper left corner blue. */
function picture(width: number, height: number) {
  const image = new Jimp({ width, height, color: RED });
  const { data } = image.bitmap;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) data.writeUInt32BE(x >= width / 2 ? GREEN : y < height / 2 ? BLUE : RED, 4 * (y * width + x));
  return image;
}

/** What stands nearest to a place of a picture, given as shares of its sides. */
function colourAt(bytes: Uint8Array, across: number, down: number): string {
  const { width, height, data } = decode(bytes);
  const found = data.readUInt32BE(4 * (Math.floor(down * height) * width + Math.floor(across * width)));
  const distance = (one: number) =>
    [24, 16, 8].reduce((sum, shift) => sum + Math.abs(((found >>> shift) & 255) - ((one >>> shift) & 255)), 0);
  const named = { red: RED, green: GREEN, blue: BLUE, white: 0xffffffff, black: 0xff };
  return Object.entries(named).sort(([, a], [, b]) => distance(a) - distance(b))[0]?.[0] ?? '';
}

/** A piece of a JPEG: its kind, and what it holds. */
function piece(kind: number, held: Buffer): Buffer {
  const head = Buffer.from([0xff, kind, 0, 0]);
  head.writeUInt16BE(held.length + 2, 2);
  return Buffer.concat([head, held]);
}

/** What a camera writes beside the picture: how it was held, and words that are nobody's business. */
function camera(held: number): Buffer {
  const exif = Buffer.alloc(26);
  exif.write('MM\0*', 0, 'latin1');
  exif.writeUInt32BE(8, 4);
  exif.writeUInt16BE(1, 8);
  exif.writeUInt16BE(0x0112, 10);
  exif.writeUInt16BE(3, 12);
  exif.writeUInt32BE(1, 14);
  exif.writeUInt16BE(held, 18);
  return Buffer.concat([
    piece(0xe1, Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), exif])),
    piece(0xfe, Buffer.from('GPS 54.1 N, 0.2 W')),
  ]);
}

/** The bytes of a JPEG with more put behind its beginning. */
const withMore = (bytes: Buffer, more: Buffer) => Buffer.concat([bytes.subarray(0, 2), more, bytes.subarray(2)]);

const bring = (bytes: Buffer) => server.http.post('/api/photos').set('Content-Type', 'application/octet-stream').send(bytes);
const kept = async (bytes: Buffer): Promise<Photo> => (await bring(bytes).expect(201)).body as Photo;
const look = async (id: string): Promise<Buffer> => {
  const answer = await server.http.get(`/api/photos/${id}`).responseType('blob').expect(200);
  expect(answer.headers['content-type']).toBe('image/jpeg');
  expect(answer.headers['cache-control']).toContain('immutable');
  return answer.body as Buffer;
};

test('a photo is turned upright, made smaller, and holds nothing but the picture', async () => {
  const plain = await picture(1600, 800).getBuffer('image/jpeg', { quality: 90 });
  // Held on its side: what is shown has its top where the file has its left.
  const brought = withMore(plain, camera(6));
  expect(isPlainJpeg(brought)).toBe(false);
  const photo = await kept(brought);
  expect(photo).toMatchObject({ width: 640, height: 1280 });
  const bytes = await look(photo.id);
  expect(isPlainJpeg(bytes)).toBe(true);
  expect(bytes.length).toBeLessThanOrEqual(200_000);
  expect(bytes.toString('latin1')).not.toMatch(/GPS|Exif/);
  // Turned to the right: the lower left of the file stands at the upper left, its left on top.
  expect(colourAt(bytes, 0.25, 0.25)).toBe('red');
  expect(colourAt(bytes, 0.75, 0.25)).toBe('blue');
  expect(colourAt(bytes, 0.5, 0.75)).toBe('green');
});

test('what is such a photo already stays as it is, byte for byte, and is kept once', async () => {
  const plain = await picture(300, 200).getBuffer('image/jpeg', { quality: 80 });
  const photo = await kept(plain);
  expect((await look(photo.id)).equals(plain)).toBe(true);
  expect(await kept(plain)).toEqual(photo);
  // With the profile that a browser writes, it is the same picture.
  expect(await kept(withMore(plain, piece(0xe2, Buffer.from('ICC_PROFILE\0\u0001\u0001of no account', 'latin1'))))).toEqual(photo);
});

test.each([
  ['a remark', (plain: Buffer) => withMore(plain, piece(0xfe, Buffer.from('remark')))],
  ['a page behind it', (plain: Buffer) => Buffer.concat([plain, Buffer.from('<script>alert(1)</script>')])],
  ['what is no profile', (plain: Buffer) => withMore(plain, piece(0xe2, Buffer.from('remark of another kind')))],
  ['another picture in its head', (plain: Buffer) => withMore(plain, piece(0xe0, Buffer.from('JFXX\0more', 'latin1')))],
])('%s is not kept with a photo', async (_, made) => {
  const brought = made(await picture(120, 120).getBuffer('image/jpeg', { quality: 80 }));
  const bytes = await look((await kept(brought)).id);
  expect(isPlainJpeg(bytes)).toBe(true);
  expect(bytes.toString('latin1')).not.toMatch(/remark|script|JFXX/);
});

test('what a PNG lets through lies on white', async () => {
  const image = new Jimp({ width: 60, height: 60, color: 0x00000000 });
  for (let x = 30; x < 60; x++) for (let y = 0; y < 60; y++) image.setPixelColor(GREEN, x, y);
  const bytes = await look((await kept(await image.getBuffer('image/png'))).id);
  expect([colourAt(bytes, 0.2, 0.5), colourAt(bytes, 0.8, 0.5)]).toEqual(['white', 'green']);
});

test('a picture full of grain is drawn less finely until it is small enough', async () => {
  const image = new Jimp({ width: 800, height: 800, color: RED });
  let seed = 7;
  for (let i = 0; i < image.bitmap.data.length; i++) {
    seed = (seed * 1103515245 + 12345) & 0x7fffffff;
    image.bitmap.data[i] = i % 4 === 3 ? 255 : 96 + ((seed >> 16) & 63);
  }
  const answer = await bring(await image.getBuffer('image/jpeg', { quality: 95 }));
  // Either small enough, or said: never larger.
  if (answer.status === 422) expect((answer.body as { detail: string }).detail).toContain('larger than 200 kB');
  else expect((await look((answer.body as Photo).id)).length).toBeLessThanOrEqual(200_000);
});

test('what is no photo is told, and nothing is kept', async () => {
  const plain = await picture(200, 200).getBuffer('image/jpeg', { quality: 80 });
  const huge = Buffer.from(await picture(8, 8).getBuffer('image/png'));
  huge.writeUInt32BE(40_000, 16);
  huge.writeUInt32BE(40_000, 20);
  const gif = Buffer.from('R0lGODlhAQABAIAAAAAAAP///ywAAAAAAQABAAACAUwAOw==', 'base64');
  for (const [bytes, why] of [
    [Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /kind that is not read|no picture/],
    [Buffer.from('hello'), /no picture/],
    [Buffer.alloc(0), /no picture/],
    [gif, /kind that is not read \(gif\)/],
    [huge, /more than 26 million pixels/],
    [plain.subarray(0, 60), /broken|no picture/],
  ] as const) {
    const told = await bring(bytes);
    expect([told.status, (told.body as { detail: string }).detail]).toEqual([422, expect.stringMatching(why)]);
  }
  const headers = { ...server.headers, 'content-type': 'application/octet-stream' };
  const large = await fetch(`${server.kitchenAddress}/photos`, { method: 'POST', headers, body: new Uint8Array(17 * 1024 * 1024) });
  expect(large.status).toBe(413);
  // A form of another page can send no such thing.
  await server.http.post('/api/photos').set('Content-Type', 'image/jpeg').send(plain).expect(415);
  await server.http.get('/api/photos/none').expect(404);
});

describe('in a batch', () => {
  const DISH = {
    id: 'seen-pot',
    title: 'Seen pot',
    servings: 2,
    parts: [{ id: 'main', name: 'Main', lines: [{ food: 'leek', amount: 400, unit: 'g' }] }],
  };
  let photo: Photo;
  const edit = (edit: object) => server.http.post('/api/batches/seen/edits').send({ edits: [{ id: randomUUID(), edit }] });

  beforeAll(async () => {
    await server.http.post('/api/recipes').send({ document: DISH }).expect(201);
    await server.http
      .post('/api/batches')
      .send({ document: { id: 'seen', recipe: 'seen-pot', date: '2026-11-28' } })
      .expect(201);
    photo = await kept(await picture(400, 300).getBuffer('image/jpeg', { quality: 80 }));
  });

  test('it is said of a batch, by name; one that was never brought is not', async () => {
    const refused = await edit({ do: 'photo', photo: { id: 'f'.repeat(64) } }).expect(200);
    expect(refused.body).toMatchObject({ refused: [{ because: expect.stringContaining('there is no photo') as string }] });
    const edited = await edit({ do: 'photo', photo: { id: photo.id, alt: 'A pot with leeks' } }).expect(200);
    expect(edited.body).toMatchObject({ refused: [], document: { photo: { id: photo.id, alt: 'A pot with leeks' } } });
    const logged = (await server.http.get('/api/batches?recipe=seen-pot').expect(200)).body as object[];
    expect(logged).toMatchObject([{ photo: { id: photo.id, alt: 'A pot with leeks' } }]);
    const made = { id: 'seen-2', recipe: 'seen-pot', date: '2026-11-28', photo: { id: 'a'.repeat(64) } };
    const told = await server.http.post('/api/batches').send({ document: made }).expect(422);
    expect(told.body).toMatchObject({ faults: [{ path: 'document.photo.id' }] });
  });

  test('it goes out with the kitchen file and comes in with it, the same; a file without photos names none', async () => {
    const file = JSON.parse((await server.http.get('/api/exports/kitchen-file').expect(200)).text) as {
      photos: Photo[];
      batches: object[];
    };
    expect(file.photos.map(({ id }) => id)).toContain(photo.id);
    const other = await testServer({ demo: false });
    try {
      await other.http.post('/api/imports/kitchen-file').send(file).expect(201);
      expect(JSON.parse((await other.http.get('/api/exports/kitchen-file').expect(200)).text)).toEqual(file);
      await other.http.get(`/api/photos/${photo.id}`).expect(200);
    } finally {
      await other.close();
    }
    const { text } = await server.http.get('/api/exports/kitchen-file?photos=none').expect(200);
    expect(text).not.toContain(photo.id);
    // A dish alone goes out without them, and comes in by itself.
    expect((await server.http.get('/api/exports/recipes/seen-pot/kitchen-file').expect(200)).text).not.toContain(photo.id);
  });

  test('a file’s photo of another kind is made as photos are kept, and its batch shows that one', async () => {
    const brought = withMore(await picture(200, 100).getBuffer('image/jpeg', { quality: 50 }), camera(1));
    const file = {
      format: 'portiona/1',
      recipes: [{ id: 'other-pot', title: 'Other pot', servings: 2, parts: [{ id: 'main', name: 'Main', lines: [] }] }],
      batches: [{ id: 'other', recipe: 'other-pot', date: '2026-11-28', photo: { id: 'mine' } }],
      photos: [{ id: 'mine', jpeg: brought.toString('base64') }],
    };
    const taken = await server.http.post('/api/imports/kitchen-file').send(file);
    expect(taken.body).toMatchObject({ batches: 1 });
    const other = await server.http.get('/api/batches/other').expect(200);
    const { id } = (other.body as { document: { photo: Photo } }).document.photo;
    expect(id).not.toBe('mine');
    expect(isPlainJpeg(await look(id))).toBe(true);
    const broken = { ...file, recipes: [], batches: [], photos: [{ id: 'mine', jpeg: '/9j/AAAA' }] };
    const told = await server.http.post('/api/imports/kitchen-file').send(broken).expect(422);
    expect(told.body).toMatchObject({ faults: [{ path: 'photos[0].jpeg' }] });
  });

  test('it can be taken out, and is still there for what the batch was before', async () => {
    const edited = await edit({ do: 'no photo' }).expect(200);
    expect((edited.body as { document: object }).document).not.toHaveProperty('photo');
    await look(photo.id);
  });
});
