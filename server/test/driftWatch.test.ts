import { Client } from 'pg';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const STEW = 'chickpea-and-pepper-stew';
const FOOD = 'chickpeas-nine';

interface Moved {
  readonly name: string;
  readonly was: string;
  readonly is: string;
  readonly share: number | null;
}
interface Card {
  readonly recipe: string;
  readonly drift: readonly Moved[];
  readonly within: readonly Moved[];
  readonly causes: readonly { readonly kind: string; readonly of: string; readonly change: string; readonly moved: readonly Moved[] }[];
  readonly broke: readonly string[];
  readonly since: string | null;
}
interface Opened<Document> {
  readonly revision: number;
  readonly document: Document;
}

async function card(): Promise<Card> {
  const { body } = (await server.http.get('/api/published-cards').expect(200)) as { body: Card[] };
  return body.find(({ recipe }) => recipe === STEW)!;
}
async function edit<Document extends object>(path: string, change: (document: Document) => Document): Promise<void> {
  const { body } = (await server.http.get(path).expect(200)) as { body: Opened<Document> };
  await server.http
    .put(path)
    .send({ revision: body.revision, document: change(body.document) })
    .expect(200);
}
const relabel = (by: number) =>
  edit<{ nutrients: { protein: number } }>(`/api/foods/${FOOD}`, (food) => ({
    ...food,
    nutrients: { ...food.nutrients, protein: food.nutrients.protein + by },
  }));
const tolerate = (tolerances: object) => server.http.patch('/api/kitchen/settings').send({ card: { tolerances } }).expect(200);
const publish = () => server.http.post(`/api/recipes/${STEW}/published-cards`).expect(201);

test('a label that changed is told as the cause, with what it moved and by how much, and since when', async () => {
  await publish();
  expect(await card()).toMatchObject({ drift: [], within: [], causes: [], broke: [], since: null });
  await relabel(1.5);
  const { drift, causes, since } = await card();
  const protein = drift.find(({ name }) => name === 'Protein')!;
  const [from, to] = [protein.was, protein.is].map((text) => Number.parseFloat(text));
  expect(protein.share).toBeCloseTo((to! - from!) / from!, 10);
  expect(causes.map(({ kind, of }) => [kind, of])).toEqual([['label', FOOD]]);
  expect(causes[0]?.change).toMatch(/^protein [\d.]+ → [\d.]+ g per /);
  expect(causes[0]?.moved.map(({ name }) => name)).toEqual(drift.map(({ name }) => name));
  expect(Math.abs(Date.now() - Date.parse(since!))).toBeLessThan(60_000);
  // It is when it was first seen, whatever else changes under it.
  await edit<{ lead: string }>(`/api/recipes/${STEW}`, (recipe) => ({ ...recipe, lead: 'Other words.' }));
  const again = await card();
  expect(again.since).toBe(since);
  expect(again.causes.map(({ kind }) => kind)).toEqual(['recipe', 'label']);
  await publish();
  expect(await card()).toMatchObject({ drift: [], since: null });
});

test('a price that moved is told in its pack', async () => {
  const { body: packs } = (await server.http.get(`/api/foods/${FOOD}/packs`).expect(200)) as {
    body: { id: string; revision: number; document: { shop: string; net: number; unit: string; seen: string; price: string } }[];
  };
  const newest = packs.toSorted((a, b) => (a.document.seen < b.document.seen ? 1 : -1))[0]!;
  const document = { ...newest.document, id: 'chickpeas-dearer', seen: new Date().toISOString().slice(0, 10), price: '9.99' };
  await server.http.post('/api/packs').send({ document }).expect(201);
  const { causes } = await card();
  expect(causes.map(({ kind, of }) => [kind, of])).toEqual([['price', FOOD]]);
  expect(causes[0]?.change).toContain('→ € 9.99 for');
  await publish();
});

test('what the kitchen tolerates still holds, and is shown as moved; a promise that breaks is never tolerated', async () => {
  await relabel(0.6);
  const { drift } = await card();
  const most = Math.max(...drift.map(({ share }) => Math.abs(share ?? Infinity))) * 100;
  expect(most).toBeLessThan(20);
  await tolerate({ protein: most + 0.1, energyKcal: most + 0.1 });
  expect(await card()).toMatchObject({ drift: [], broke: [], within: drift.map(({ name }) => ({ name })) });
  await tolerate({ protein: 0.001 });
  expect((await card()).within).toEqual([]);
  await tolerate({ protein: 50, energyKcal: 50 });
  const { document } = ((await server.http.get(`/api/recipes/${STEW}`)) as { body: Opened<{ title: string }> }).body;
  const protein = Number.parseInt((await card()).within.find(({ name }) => name === 'Protein')!.is, 10);
  await edit<{ title: string }>(`/api/recipes/${STEW}`, (recipe) => ({ ...recipe, title: `Stew with at least ${protein - 1} g protein` }));
  await publish();
  await relabel(-2);
  const { broke, drift: told, within } = await card();
  expect(broke).toHaveLength(1);
  expect(broke[0]).toContain(`at least ${protein - 1} g protein`);
  expect(told.map(({ name }) => name)).toContain('Protein');
  expect(within).toEqual([]);
  await edit<{ title: string }>(`/api/recipes/${STEW}`, (recipe) => ({ ...recipe, title: document.title }));
});

test('of a card whose inputs were not kept nobody can say why it moved', async () => {
  const database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
  await database.query('UPDATE published_cards SET inputs = NULL WHERE recipe_id = $1', [STEW]);
  await database.query('DELETE FROM recipe_summaries');
  await database.end();
  const { drift, causes } = await card();
  expect(drift.length).toBeGreaterThan(0);
  expect(causes).toEqual([]);
});
