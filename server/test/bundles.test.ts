import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { strFromU8, unzipSync } from 'fflate';
import { responseBytes } from './responseBytes.js';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;

interface Bundle {
  readonly id: string;
  readonly state: string;
  readonly done: number;
  readonly total: number;
  readonly bytes: number | null;
  readonly message: string | null;
  readonly leftOut: readonly { readonly recipe: string; readonly because: string }[];
}
interface Dish {
  readonly id: string;
  readonly title: string;
  readonly number: number | null;
  readonly revision: number;
  readonly printed: number | null;
  readonly indexed: readonly string[];
  readonly indexedBy: string;
}
interface Series {
  readonly name: string;
  readonly subtitle?: string;
  readonly dishes: readonly Dish[];
  readonly trouble: readonly string[];
}

beforeAll(async () => {
  server = await testServer({ demo: true });
  for (const id of ['egg-and-leek-muffins', 'overnight-oats-plum-compote', 'white-bean-and-kale-soup'])
    await server.http.post(`/api/recipes/${id}/published-cards`).expect(201);
});
afterAll(() => server.close());

const order = async (said: object, status = 201) =>
  ((await server.http.post('/api/bundles').send(said).expect(status)) as { body: Bundle }).body;
const bundle = async (id: string) => ((await server.http.get(`/api/bundles/${id}`).expect(200)) as { body: Bundle }).body;
async function ended(id: string): Promise<Bundle> {
  for (;;) {
    const now = await bundle(id);
    if (now.state !== 'running') return now;
    await wait(100);
  }
}
async function fileOf(id: string): Promise<{ readonly bytes: Buffer; readonly headers: Record<string, string> }> {
  const { body, headers } = (await server.http.get(`/api/bundles/${id}/file`).buffer(true).parse(responseBytes).expect(200)) as {
    body: Buffer;
    headers: Record<string, string>;
  };
  return { bytes: body, headers };
}
const series = async (name: string) =>
  ((await server.http.get('/api/series').expect(200)) as { body: Series[] }).body.find((one) => one.name === name)!;
function textOf(pdf: Buffer): string {
  const path = join(mkdtempSync(join(tmpdir(), 'portiona-booklet-')), 'booklet.pdf');
  writeFileSync(path, pdf);
  return execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).replace(/\u00a0/g, ' ');
}

test('a booklet of a series: what is not published is left out and told, the rest is in it, with contents and indexes', async () => {
  const begun = await order({ kind: 'booklet', series: 'Early Ferry' });
  expect(begun).toMatchObject({
    state: 'running',
    total: 3,
    leftOut: [{ recipe: 'yoghurt-pots-plum-compote', because: 'it is not published' }],
  });
  const done = await ended(begun.id);
  expect(done).toMatchObject({ state: 'done', done: 3 });
  const { bytes, headers } = await fileOf(begun.id);
  expect([headers['content-type'], Number(headers['content-length'])]).toEqual(['application/pdf', done.bytes]);
  expect(headers['content-disposition']).toMatch(/filename="early-ferry-a5-\d{4}-\d\d-\d\d\.pdf"/);
  const pages = textOf(bytes).split('\f');
  expect(pages[0]).toMatch(/Early Ferry\s[\s\S]*2 dishes/);
  expect(pages[1]).toMatch(
    /Contents[\s\S]*Egg and leek muffins +292 kcal +17 g +3\n[\s\S]*Overnight oats with plum compote +445 kcal +17 g +4\n/,
  );
  expect(pages[2]).toContain('Egg and leek');
  expect(pages[4]).toMatch(/By what is in it[\s\S]*Eggs +Egg and leek muffins +3[\s\S]*Plums +Overnight oats with plum compote +4/);
  expect(pages[5]).toMatch(/By energy[\s\S]*292 kcal[\s\S]*445 kcal/);
  expect(textOf(bytes)).not.toContain('Yoghurt pots');
});

test('an archive holds every format of every card, and says what it holds', async () => {
  const { id } = await order({ kind: 'archive', series: 'Night Watch' });
  expect(await ended(id)).toMatchObject({ state: 'done', leftOut: { length: 4 } });
  const { bytes, headers } = await fileOf(id);
  expect(headers['content-type']).toBe('application/zip');
  const files = unzipSync(bytes);
  const names = Object.keys(files).sort();
  const own = [
    'card.md',
    'docket-a5.pdf',
    'index-6x4.pdf',
    'page-a4.pdf',
    'page-letter.pdf',
    'page.html',
    'picture-portrait.png',
    'picture-square.png',
    'piece.html',
    'recipe.jsonld',
  ];
  expect(names).toEqual([...own.map((name) => `01-white-bean-and-kale-soup/${name}`), 'contents.json']);
  for (const name of names.filter((one) => one.endsWith('.pdf'))) expect(strFromU8(files[name]!.slice(0, 5))).toBe('%PDF-');
  for (const name of names.filter((one) => one.endsWith('.png'))) expect([...files[name]!.slice(0, 4)]).toEqual([0x89, 0x50, 0x4e, 0x47]);
  expect(JSON.parse(strFromU8(files['contents.json']!))).toMatchObject({
    series: 'Night Watch',
    cards: [{ title: 'White bean and kale soup', issue: 1, files: { length: own.length } }],
  });
  expect(strFromU8(files['01-white-bean-and-kale-soup/page.html']!)).toContain('Issue 1 of');
});

test('cards as they stand are bound too, and say so; a card that was taken back is left out with its reason', async () => {
  const { id, total } = await order({ kind: 'booklet', of: 'drafts', format: 'a4' });
  expect(total).toBe(11);
  await server.http
    .post('/api/recipes/overnight-oats-plum-compote/published-cards/1/taken-back')
    .send({ because: 'wrong jar' })
    .expect(200);
  const published = await order({ kind: 'booklet' });
  expect(published.leftOut).toContainEqual(expect.objectContaining({ because: 'its issue 1 was taken back: wrong jar' }));
  await server.http.delete('/api/recipes/overnight-oats-plum-compote/published-cards/1/taken-back').expect(200);
  expect((await ended(id)).state).toBe('done');
  const text = textOf((await fileOf(id)).bytes);
  expect(text).toContain('Not published');
  expect(text).toContain('Duck leg with red cabbage');
  await ended(published.id);
});

test('one that is not wanted any more is ended, and leaves nothing; one that is made is taken away', async () => {
  const { id } = await order({ kind: 'archive', of: 'drafts' });
  while ((await bundle(id)).done < 1) await wait(50);
  await server.http.delete(`/api/bundles/${id}`).expect(204);
  const { state, done, total } = await bundle(id);
  expect([state, done < total]).toEqual(['cancelled', true]);
  await server.http.get(`/api/bundles/${id}/file`).expect(404);
  // The next one is not kept waiting by it.
  const next = await order({ kind: 'booklet', series: 'Early Ferry' });
  expect((await ended(next.id)).state).toBe('done');
  expect((await bundle(id)).state).toBe('cancelled');
  // Its file is not among those that are kept, whole or half.
  const kept = readdirSync(join(process.env.PORTIONA_HOME ?? '', 'bundles'));
  expect(kept.filter((name) => name.startsWith(id))).toEqual([]);
  expect(kept).toContain(next.id);
  await server.http.delete(`/api/bundles/${next.id}`).expect(204);
  await server.http.get(`/api/bundles/${next.id}`).expect(404);
  await server.http.delete(`/api/bundles/${next.id}`).expect(404);
});

test('where there is nothing to bind it is said why; no more than three are begun at once', async () => {
  const nothing = await order({ kind: 'booklet', series: 'Harbour Sunday' }, 422);
  expect(JSON.stringify(nothing)).toContain('it is not published');
  await order({ kind: 'booklet', series: 'No such series' }, 422);
  await order({ kind: 'leaflet' }, 422);
  await order({ kind: 'booklet', format: '6x4' }, 422);
  const begun = [];
  for (let i = 0; i < 3; i++) begun.push(await order({ kind: 'booklet', series: 'Early Ferry' }));
  await order({ kind: 'booklet', series: 'Early Ferry' }, 503);
  for (const { id } of begun) await ended(id);
});

test('numbers are given all at once or not at all; what is doubled or missing is told', async () => {
  const { dishes, trouble } = await series('Early Ferry');
  expect([dishes.map(({ number }) => number), trouble]).toEqual([[3, 4, 5], []]);
  const turned = dishes.toReversed().map(({ id, revision }, i) => ({ id, revision, number: 7 + 2 * i }));
  await server.http.put('/api/series/numbers').send({ dishes: turned }).expect(200);
  const now = await series('Early Ferry');
  expect(now.dishes.map(({ id, number, printed }) => [id, number, printed])).toEqual([
    ['yoghurt-pots-plum-compote', 7, null],
    ['overnight-oats-plum-compote', 9, 4],
    ['egg-and-leek-muffins', 11, 3],
  ]);
  expect(now.trouble).toEqual(['No. 8 and no. 10 are missing.']);
  // A card that prints another number than it would now has moved.
  const { body: cards } = (await server.http.get('/api/published-cards')) as {
    body: { recipe: string; drift: { name: string; was: string; is: string }[] }[];
  };
  expect(cards.find(({ recipe }) => recipe === 'egg-and-leek-muffins')?.drift).toMatchObject([
    { name: 'Series', was: 'Early Ferry, no. 3', is: 'Early Ferry, no. 11' },
  ]);
  // One that was saved meanwhile: none gets another number.
  const stale = now.dishes.map(({ id, revision }, i) => ({ id, revision: i === 2 ? revision - 1 : revision, number: 1 + i }));
  await server.http.put('/api/series/numbers').send({ dishes: stale }).expect(409);
  expect((await series('Early Ferry')).dishes.map(({ number }) => number)).toEqual([7, 9, 11]);
  const twice = [now.dishes[0]!, now.dishes[0]!].map(({ id, revision }) => ({ id, revision, number: 1 }));
  await server.http.put('/api/series/numbers').send({ dishes: twice }).expect(422);
  const back = now.dishes.map(({ id, revision }) => ({
    id,
    revision,
    number: { 'egg-and-leek-muffins': 3, 'overnight-oats-plum-compote': 4 }[id] ?? 5,
  }));
  await server.http.put('/api/series/numbers').send({ dishes: back }).expect(200);
});

test('what an index has a dish under is its title’s, until somebody says otherwise', async () => {
  const muffins = async () => (await series('Early Ferry')).dishes.find(({ id }) => id === 'egg-and-leek-muffins')!;
  expect(await muffins()).toMatchObject({ indexed: ['Eggs', 'Leeks'], indexedBy: 'title' });
  const { body } = (await server.http.get('/api/recipes/egg-and-leek-muffins')) as { body: { revision: number; document: object } };
  await server.http
    .put('/api/recipes/egg-and-leek-muffins')
    .send({ revision: body.revision, document: { ...body.document, indexedUnder: ['Breakfast'] } })
    .expect(200);
  expect(await muffins()).toMatchObject({ indexed: ['Breakfast'], indexedBy: 'recipe' });
  // Of a dish without a card its foods say it.
  expect((await series('Night Watch')).dishes.find(({ id }) => id === 'beef-shin-and-barley')).toMatchObject({
    indexed: ['Beef shin', 'Pearl barley', 'Thyme'],
  });
});
