import { Client } from 'pg';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
let database: Client;
beforeAll(async () => {
  server = await testServer({ demo: true });
  database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
});
afterAll(async () => {
  await database.end();
  await server.close();
});

interface Row {
  readonly id: string;
  readonly title: string;
  readonly servingName: string;
  readonly series?: string;
  readonly usedCost: { readonly amount: number | null };
  readonly protein: { readonly amount: number | null };
}
const listed = async () => (await server.http.get('/api/recipes').expect(200)).body as Row[];
const cards = async () => (await server.http.get('/api/published-cards').expect(200)).body as { recipe: string; drift: object[] }[];
const parts = async () => (await server.http.get('/api/reusable-parts').expect(200)).body as { id: string; cooked: number }[];
interface Saved {
  readonly id: string;
  readonly revision: number;
  readonly document: Record<string, unknown>;
}
const opened = async (path: string) => (await server.http.get(path).expect(200)).body as Saved;

/** All that lists tell, and the same computed from nothing. */
async function expectAsComputed(): Promise<void> {
  const told = { listed: await listed(), cards: await cards(), parts: await parts() };
  await database.query('DELETE FROM recipe_summaries');
  expect(told).toEqual({ listed: await listed(), cards: await cards(), parts: await parts() });
}

const line = (food: string, amount: number) => ({ food, amount, unit: 'g' });
const BASE = { id: 'kept-base', title: 'Kept base', servings: 2, parts: [{ id: 'p', name: 'P', lines: [line('leek', 200)] }] };
const DISH = {
  id: 'kept-dish',
  title: 'Kept dish',
  servings: 2,
  parts: [{ id: 'm', name: 'M', lines: [{ recipe: 'kept-base', part: 'p', amount: 100, unit: 'g' }, line('oil-olive-extra-virgin', 10)] }],
};

test('whatever is changed, lists tell what would be computed', async () => {
  await server.http.post('/api/recipes').send({ document: BASE }).expect(201);
  await server.http.post('/api/recipes').send({ document: DISH }).expect(201);
  await server.http.post('/api/recipes/kept-dish/published-cards').expect(201);
  await expectAsComputed();
  const before = (await listed()).find(({ id }) => id === 'kept-dish');

  const leek = await opened('/api/foods/leek');
  const dearer = {
    food: 'leek',
    net: 10,
    unit: 'g',
    price: '9.99',
    currency: 'EUR',
    shop: 'Weir Lane Market',
    seen: '2026-11-20',
    pinned: true,
  };
  const { body: pack } = (await server.http.post('/api/packs').send({ document: dearer }).expect(201)) as { body: Saved };
  await expectAsComputed();
  // A price of a food that it holds only in a part it takes.
  expect((await listed()).find(({ id }) => id === 'kept-dish')?.usedCost).not.toEqual(before?.usedCost);
  await server.http
    .put(`/api/packs/${pack.id}`)
    .send({ revision: 1, document: { ...dearer, food: 'oil-olive-extra-virgin' } })
    .expect(200);
  await expectAsComputed();
  await server.http.delete(`/api/packs/${pack.id}`).expect(204);
  await expectAsComputed();
  await server.http
    .put('/api/foods/leek')
    .send({ revision: leek.revision, document: { ...leek.document, nutrients: { energyKcal: 250, protein: 3 } } })
    .expect(200);
  await expectAsComputed();
  expect((await cards()).find(({ recipe }) => recipe === 'kept-dish')?.drift).not.toEqual([]);
  const base = await opened('/api/recipes/kept-base');
  await server.http
    .put('/api/recipes/kept-base')
    .send({
      revision: 1,
      document: {
        ...base.document,
        servings: 5,
        parts: [{ id: 'p', name: 'P', lines: [line('leek', 200), line('oil-olive-extra-virgin', 90)] }],
      },
    })
    .expect(200);
  await expectAsComputed();
  await server.http.patch('/api/kitchen/settings').send({ maxPriceAge: 3 }).expect(200);
  await expectAsComputed();
  await server.http.patch('/api/kitchen/settings').send({ maxPriceAge: null }).expect(200);
  await server.http.post('/api/recipes/kept-dish/published-cards').expect(201);
  await expectAsComputed();
  expect((await cards()).find(({ recipe }) => recipe === 'kept-dish')?.drift).toEqual([]);
  await server.http.delete('/api/recipes/kept-base').expect(204);
  await expectAsComputed();
  await server.http.post('/api/recipes/kept-base/restore').expect(204);
  await expectAsComputed();
  await server.http.post('/api/merges').send({ kept: 'oil-olive-extra-virgin', gone: 'leek' }).expect(201);
  await expectAsComputed();
});

test('only what something changed under is computed anew', async () => {
  await listed();
  const mark = () => database.query(`UPDATE recipe_summaries SET listed = jsonb_set(listed::jsonb, '{servingName}', '"as kept"')::json`);
  const anew = async () => (await listed()).filter(({ servingName }) => servingName !== 'as kept').map(({ id }) => id);
  await mark();
  expect(await anew()).toEqual([]);
  const price = {
    food: 'red-lentils-weir-lane',
    net: 1,
    unit: 'kg',
    price: '2.22',
    currency: 'EUR',
    shop: 'Weir Lane Market',
    seen: '2026-11-21',
  };
  await server.http.post('/api/packs').send({ document: price }).expect(201);
  const { rows } = await database.query<{ recipe_id: string }>(
    `WITH RECURSIVE over AS (SELECT recipe_id FROM recipe_foods WHERE food_id = 'red-lentils-weir-lane'
       UNION SELECT used.recipe_id FROM over JOIN recipe_bases used ON used.base_id = over.recipe_id)
     SELECT recipe_id FROM over JOIN recipes ON id = recipe_id AND archived_at IS NULL`,
  );
  expect((await anew()).sort()).toEqual(rows.map(({ recipe_id }) => recipe_id).sort());
  expect(rows.length).toBeGreaterThan(0);
  await mark();
  // A day on which other prices count, and another engine.
  await database.query(`UPDATE recipe_summaries SET holds_until = '2020-01-01' WHERE recipe_id = 'kept-dish'`);
  expect(await anew()).toEqual(['kept-dish']);
  await mark();
  await database.query(`UPDATE recipe_summaries SET engine = 'another' WHERE recipe_id = 'kept-base'`);
  expect(await anew()).toEqual(['kept-base']);
});

test('many at once that find something changed are all told the same, and it is computed once', async () => {
  await database.query('DELETE FROM recipe_summaries');
  await listed();
  const price = {
    food: 'red-lentils-weir-lane',
    net: 2,
    unit: 'kg',
    price: '3.33',
    currency: 'EUR',
    shop: 'Weir Lane Market',
    seen: '2026-11-22',
  };
  await server.http.post('/api/packs').send({ document: price }).expect(201);
  const all = await Promise.all(Array.from({ length: 12 }, listed));
  for (const one of all) expect(one).toEqual(all[0]);
  await expectAsComputed();
});

test('a recipe that nobody foresaw is a row that says so, and keeps no list from the others', async () => {
  const before = await listed();
  const broken = (brief: string) =>
    database.query(`UPDATE recipe_revisions SET document = jsonb_set(document, '{brief}', $1::jsonb) WHERE recipe_id = 'kept-dish'`, [
      brief,
    ]);
  await broken('{"targets": [null]}');
  await database.query(`UPDATE recipe_summaries SET stale = true`);
  const after = (await listed()) as (Row & { readonly uncomputed: string | null })[];
  expect(after.find(({ id }) => id === 'kept-dish')?.uncomputed).toMatch(/cannot be added up/);
  expect(after.filter(({ id }) => id !== 'kept-dish')).toEqual(before.filter(({ id }) => id !== 'kept-dish'));
  await broken('{}');
  await database.query(`UPDATE recipe_summaries SET stale = true`);
  expect((await listed()).length).toBe(before.length);
});

test('pages are of one order, and hold every recipe once', async () => {
  const all = await listed();
  interface Page {
    readonly total: number;
    readonly recipes: Row[];
  }
  const page = async (query: string) => (await server.http.get(`/api/recipe-pages?${query}`).expect(200)).body as Page;
  for (const order of ['series', 'usedCost', 'protein', 'energyKcal', 'savedAt']) {
    const rows: Row[] = [];
    for (let from = 0; from < all.length; from += 5) {
      const { total, recipes } = await page(`order=${order}&from=${from}&count=5`);
      expect(total).toBe(all.length);
      rows.push(...recipes);
    }
    expect(new Map(rows.map((row) => [row.id, row]))).toEqual(new Map(all.map((row) => [row.id, row])));
    const proteins = rows.map(({ protein }) => protein.amount ?? -1);
    if (order === 'protein') expect(proteins).toEqual([...proteins].sort((a, b) => b - a));
    if (order === 'savedAt') expect(rows.map(({ id }) => id)).toEqual(all.map(({ id }) => id));
  }
  const some = await page('words=KEPT%20D');
  expect(some.recipes.map(({ id }) => id)).toEqual(['kept-dish']);
  expect((await page('words=dish%20%20kept')).total).toBe(1);
  expect((await page('words=%25')).total).toBe(0);
  for (const wrong of ['order=size', 'from=-1', 'count=201', 'from=x', 'words=a&words=b', 'more=1'])
    expect([400, 422]).toContain((await server.http.get(`/api/recipe-pages?${wrong}`)).status);
});

test('a page waits for nobody: what changed under a row is said of it, until it is computed', async () => {
  await listed();
  interface Page {
    readonly computing: number;
    readonly recipes: (Row & { readonly computing: boolean; readonly servings: number; readonly weight: number | null })[];
  }
  const page = async () => (await server.http.get('/api/recipe-pages?order=savedAt&count=200').expect(200)).body as Page;
  const settled = await page();
  expect(settled.computing).toBe(0);
  expect(settled.recipes.filter(({ computing }) => computing)).toEqual([]);
  const was = (id: string) => settled.recipes.find((one) => one.id === id);
  // Somebody else computes, and does not come to an end.
  const [{ id: kitchen }] = (await database.query<{ id: string }>('SELECT id FROM kitchens')).rows as [{ id: string }];
  const lock = `(${0x73756d73}, hashtext('${kitchen}'))`;
  await database.query(`SELECT pg_advisory_lock${lock}`);
  try {
    const base = await opened('/api/recipes/kept-base');
    await server.http
      .put('/api/recipes/kept-base')
      .send({ revision: base.revision, document: { ...base.document, servings: 7, title: 'Kept base, larger' } })
      .expect(200);
    await server.http
      .post('/api/recipes')
      .send({ document: { ...BASE, id: 'kept-new', title: 'Kept new', servings: 3 } })
      .expect(201);
    const { computing, recipes } = await page();
    // What was changed, what takes parts of it, and what is new: nothing else.
    expect(computing).toBe(3);
    const marked = recipes.filter((one) => one.computing);
    expect(marked.map(({ id }) => id).sort()).toEqual(['kept-base', 'kept-dish', 'kept-new']);
    const row = (id: string) => marked.find((one) => one.id === id);
    expect(row('kept-base')).toMatchObject({
      title: 'Kept base, larger',
      servings: was('kept-base')?.servings,
      weight: was('kept-base')?.weight,
    });
    expect(row('kept-dish')).toEqual({ ...was('kept-dish'), computing: true });
    expect(row('kept-new')).toMatchObject({ servings: 3, servingName: 'serving', weight: null, protein: { amount: null }, wrong: 0 });
  } finally {
    await database.query(`SELECT pg_advisory_unlock${lock}`);
  }
  // Whoever looks has it computed, beside what they are told.
  let after = await page();
  for (let i = 0; i < 200 && after.computing > 0; i++) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    after = await page();
  }
  expect(after.computing).toBe(0);
  expect(after.recipes.find(({ id }) => id === 'kept-base')).toMatchObject({ computing: false, servings: 7 });
  expect(after.recipes.find(({ id }) => id === 'kept-new')?.weight).toBeGreaterThan(0);
  expect(after.recipes).toEqual(await listed());
});

test('the kitchen’s own figure is kept, refused where it is no formula, and taken back', async () => {
  const patch = (index: unknown) => server.http.patch('/api/kitchen/settings').send({ index });
  const kept = { name: 'Crew points', formula: 'energyKcal / 50', step: 1 };
  expect((await patch(kept).expect(200)).body).toMatchObject({ index: kept });
  const { text } = await patch({ ...kept, formula: 'energy / 50' }).expect(422);
  expect(text).toMatch(/index\.formula/);
  expect((await server.http.get('/api/kitchen').expect(200)).body).toMatchObject({ index: kept });
  expect((await patch(null).expect(200)).body).not.toHaveProperty('index');
});
