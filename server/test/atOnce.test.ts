import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import type { Response } from 'supertest';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

/** How often what may go wrong at once is tried. */
const TIMES = 15;

interface Body {
  readonly [key: string]: unknown;
  readonly detail: string;
  readonly faults: { readonly path: string; readonly message: string }[];
}

const line = (food: string) => ({ food, amount: 1, unit: 'g' });
const taken = (recipe: string, part = 'p') => ({ recipe, part, amount: 1, unit: 'g' });
const dish = (id: string, lines: readonly object[], part = 'p') => ({
  id,
  title: id,
  servings: 1,
  parts: [{ id: part, name: 'P', lines }],
});

const create = (document: object) => server.http.post('/api/recipes').send({ document });
const save = (id: string, revision: number, document: object) => server.http.put(`/api/recipes/${id}`).send({ revision, document });
const statusesOf = (answers: readonly { status: number }[]) => answers.map(({ status }) => status).sort();

/** Everything that is computed of all recipes: none of it may be taken down by one of them. */
async function expectLists(): Promise<void> {
  for (const path of [
    '/recipes',
    '/reusable-parts',
    '/published-cards',
    '/exports/recipes.csv',
    '/exports/kitchen-file',
    '/food-swaps?from=leek&to=milk-weir-lane',
  ])
    expect([path, (await server.http.get(`/api${path}`)).status]).toEqual([path, 200]);
  expect(
    (await server.http.post('/api/briefs/judged').send({ brief: { targets: [{ figure: 'protein', is: 'at least', amount: 1 }] } })).status,
  ).toBe(200);
}

test('two recipes that begin to take each other at once: one may, the other is told', async () => {
  for (let i = 0; i < TIMES; i++) {
    const [a, b] = [`circle-a-${i}`, `circle-b-${i}`];
    await create(dish(a, [line('leek')])).expect(201);
    await create(dish(b, [line('leek')])).expect(201);
    const answers = await Promise.all([save(a, 1, dish(a, [taken(b)])), save(b, 1, dish(b, [taken(a)]))]);
    expect(statusesOf(answers)).toEqual([200, 422]);
    const refused = answers.find(({ status }) => status === 422);
    expect((refused?.body as Body | undefined)?.faults[0]?.message).toMatch(/would hold itself/);
  }
  await expectLists();
});

test('a base that loses a part while a dish begins to take it: one of the two is told', async () => {
  for (let i = 0; i < TIMES; i++) {
    const [base, other] = [`base-${i}`, `taker-${i}`];
    await create(dish(base, [line('leek')])).expect(201);
    const answers = await Promise.all([save(base, 1, dish(base, [line('leek')], 'renamed')), create(dish(other, [taken(base)]))]);
    expect(statusesOf(answers).filter((status) => status === 422)).toHaveLength(1);
  }
  await expectLists();
});

test('a food that is removed while a recipe begins to use it: one of the two is told', async () => {
  for (let i = 0; i < TIMES; i++) {
    const food = `short-lived-${i}`;
    await server.http
      .post('/api/foods')
      .send({ document: { id: food, name: food } })
      .expect(201);
    const answers = await Promise.all([server.http.delete(`/api/foods/${food}`), create(dish(`user-${i}`, [line(food)]))]);
    expect([
      [204, 422],
      [201, 409],
    ]).toContainEqual(statusesOf(answers));
  }
  await expectLists();
});

test('a kitchen file whose dish rests on what is kept and lacks it is refused, by the place in the file', async () => {
  await create(dish('kept-base', [line('leek')])).expect(201);
  const file = {
    format: 'portiona/1',
    foods: [{ id: 'file-food', name: 'File food', measures: { slice: 20 } }],
    recipes: [dish('kept-base', [line('file-food')], 'sauce'), dish('from-file', [taken('kept-base', 'sauce')])],
  };
  const { body } = (await server.http.post('/api/imports/kitchen-file?there=keep').send(file).expect(422)) as { body: Body };
  expect(body.faults[0]?.path).toBe('recipes[1].parts[0].lines[0].part');
  expect(body.faults[0]?.message).toMatch(/has no part "sauce".*what is there already stays/);
  await server.http.get('/api/recipes/from-file').expect(404);
  await server.http.get('/api/foods/file-food').expect(404);
  // Nor by a food that is kept and has not the measure.
  await server.http
    .post('/api/foods')
    .send({ document: { id: 'file-food', name: 'Kept food' } })
    .expect(201);
  const sliced = { ...file, recipes: [dish('sliced', [{ food: 'file-food', amount: 2, unit: 'slice' }])], packs: [] };
  const { body: second } = (await server.http.post('/api/imports/kitchen-file?there=keep').send(sliced)) as { body: Body };
  expect(second.faults?.[0]?.path ?? 'taken').toMatch(/recipes\[0\]|taken/);
  await expectLists();
});

test('a recipe that cannot be computed, however it came there, is told as such, and everything else goes on', async () => {
  const before = ((await server.http.get('/api/recipes').expect(200)) as { body: { id: string }[] }).body;
  const client = new Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await client.query(
    `WITH head AS (INSERT INTO recipes (kitchen_id, id, title, revision) SELECT id, 'broken', 'Broken', 1 FROM kitchens RETURNING kitchen_id)
     INSERT INTO recipe_revisions (kitchen_id, recipe_id, revision, document) SELECT kitchen_id, 'broken', 1, $1 FROM head`,
    [JSON.stringify(dish('broken', [taken('nowhere'), line('leek')]))],
  );
  await client.query(`INSERT INTO published_cards (kitchen_id, recipe_id, issue, recipe_revision, food_revisions, content)
    SELECT id, 'broken', 1, 1, '{}'::jsonb, '{}'::jsonb FROM kitchens`);
  await client.end();
  try {
    const { body } = (await server.http.get('/api/recipes').expect(200)) as {
      body: { id: string; uncomputed: string | null; energyKcal: { amount: number | null } }[];
    };
    expect(body).toHaveLength(before.length + 1);
    expect(body.find(({ id }) => id === 'broken')).toMatchObject({
      uncomputed: 'the kitchen holds no part "p" of a recipe "nowhere"; add it or choose another',
      energyKcal: { amount: null },
      wrong: 1,
    });
    expect(body.filter(({ uncomputed }) => uncomputed !== null)).toHaveLength(1);
    const { body: cards } = (await server.http.get('/api/published-cards').expect(200)) as {
      body: { recipe: string; uncomputed: string | null }[];
    };
    expect(cards.find(({ recipe }) => recipe === 'broken')?.uncomputed).toMatch(/holds no part/);
    const { text } = await server.http.get('/api/exports/recipes.csv').expect(200);
    expect(text).toMatch(/broken,.*cannot be computed: the kitchen holds no part/);
    expect((await server.http.get('/api/exports/kitchen-file').expect(200)).text).toContain('"broken"');
    expect((await server.http.get('/api/recipes/broken').expect(200)).body).toMatchObject({ document: { id: 'broken' } });
    await server.http.get('/api/recipes/broken/card.html').expect(422);
    await expectLists();
    // It is mended as any other: by taking the line out.
    await save('broken', 1, dish('broken', [line('leek')])).expect(200);
  } finally {
    await server.http.delete('/api/recipes/broken');
  }
});

test('what is sent again under one key is done once, and answered as it was', async () => {
  const pack = { food: 'leek', net: 1, unit: 'kg', price: '2.00', currency: 'EUR', shop: 'Once', seen: '2026-11-20' };
  const count = async () =>
    ((await server.http.get('/api/packs')).body as { document: { shop: string } }[]).filter(({ document }) => document.shop === 'Once')
      .length;
  const key = randomUUID();
  const send = (document: object) => server.http.post('/api/packs').set('Idempotency-Key', key).send({ document });
  const answers = await Promise.all(Array.from({ length: 8 }, () => send(pack)));
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([201]));
  expect(new Set(answers.map(({ text }) => text)).size).toBe(1);
  expect(await count()).toBe(1);
  // The key is of that request: another one under it is no repetition.
  const { body } = (await send({ ...pack, price: '3.00' }).expect(409)) as { body: Body };
  expect(body.detail).toMatch(/already a request under the key/);
  await server.http.post('/api/packs').set('Idempotency-Key', 'short').send({ document: pack }).expect(400);
  expect(await count()).toBe(1);
});

test('publishing and importing under one key happen once', async () => {
  await create(dish('published-once', [line('leek')])).expect(201);
  const publish = () => server.http.post('/api/recipes/published-once/published-cards').set('Idempotency-Key', 'publish-it-once');
  const issues = (await Promise.all([publish(), publish(), publish()])).map(({ body }) => (body as { issue: number }).issue);
  expect(issues).toEqual([1, 1, 1]);
  const file = { format: 'portiona/1', foods: [{ id: 'imported-once', name: 'Imported once' }] };
  const bring = () => server.http.post('/api/imports/kitchen-file').set('Idempotency-Key', 'bring-it-once').send(file);
  expect((await bring().expect(201)).body).toEqual((await bring().expect(201)).body);
});

test('publishing many times at once makes as many issues, one after another', async () => {
  await create(dish('often', [line('leek')])).expect(201);
  // On a machine that is busy elsewhere some are told to come again, and nothing of theirs was written: they do.
  const publish = async (): Promise<Response> => {
    const answer = await server.http.post('/api/recipes/often/published-cards');
    if (answer.status !== 503) return answer;
    expect(Number(answer.headers['retry-after'])).toBeGreaterThan(0);
    await new Promise((resolve) => setTimeout(resolve, 500));
    return publish();
  };
  const answers = await Promise.all(Array.from({ length: 30 }, publish));
  expect(new Set(answers.map(({ status }) => status))).toEqual(new Set([201]));
  expect(answers.map(({ body }) => (body as { issue: number }).issue).sort((a, b) => a - b)).toEqual(
    Array.from({ length: 30 }, (_, i) => i + 1),
  );
});

test('opposite merges at once: one is done, the other is told', async () => {
  for (let i = 0; i < TIMES; i++) {
    const [one, two] = [`merge-one-${i}`, `merge-two-${i}`];
    for (const id of [one, two])
      await server.http
        .post('/api/foods')
        .send({ document: { id, name: id } })
        .expect(201);
    await create(dish(`merged-${i}`, [line(one), line(two)])).expect(201);
    const merge = (kept: string, gone: string) => server.http.post('/api/merges').send({ kept, gone });
    expect(statusesOf(await Promise.all([merge(one, two), merge(two, one)]))).toEqual([201, 422]);
  }
  await expectLists();
});

test.each([
  ['NUL in a title', { title: 'a\0b' }, 'document.title'],
  ['NUL in a line', { parts: [{ id: 'p', name: 'P', lines: [{ text: 'a\0b' }] }] }, 'document.parts[0].lines[0].text'],
  ['NUL in a step', { steps: ['Boil.', 'Stir\0.'] }, 'document.steps[1]'],
])('%s is refused by its place', async (_, change, path) => {
  const { body } = (await create({ ...dish('nul', [line('leek')]), ...change }).expect(422)) as { body: Body };
  expect(body.faults).toEqual([{ path, message: expect.stringMatching(/NUL/) as string }]);
});

test('half a letter, and an accent on its own, are put in order at the door', async () => {
  const { body } = (await server.http
    .post('/api/recipes')
    .send(
      '{"document":{"id":"tidy","title":"Cre\\u0300me \\ud83c","servings":1,"parts":[{"id":"p","name":"P","lines":[]}],"steps":["Stir \\udf72."]}}',
    )
    .expect(201)) as { body: { document: object } };
  expect(body.document).toMatchObject({ title: 'Crème \ufffd', steps: [{ text: 'Stir \ufffd.' }] });
});

test('limits of parts and steps are told at reading', async () => {
  const parts = Array.from({ length: 201 }, (_, i) => ({ id: `p${i}`, name: 'P', lines: [] }));
  const { body } = (await create({ ...dish('many', []), parts, steps: Array<string>(201).fill('Stir.') }).expect(422)) as { body: Body };
  expect(body.faults.map(({ path, message }) => `${path}: ${message}`)).toEqual([
    'document.parts: must hold at most 200 parts; split the recipe',
    'document.steps: must hold at most 200 steps',
  ]);
});

test('a large body is read in a thread as a small one is here: saved, refused, and in order', async () => {
  const words = 'x'.repeat(400);
  const lines = Array.from({ length: 600 }, () => ({ ...line('leek'), note: words }));
  const { body: made } = (await create(dish('large', lines)).expect(201)) as { body: { revision: number } };
  expect(made.revision).toBe(1);
  const { body: refused } = (await create(dish('large-2', [...lines, line('nothing')])).expect(422)) as { body: Body };
  expect(refused.faults[0]?.path).toBe('document.parts[0].lines[600].food');
  await save('large', 1, dish('large', [...lines, line('leek')])).expect(200);
  const { body: stale } = (await save('large', 1, dish('large', lines)).expect(409)) as { body: { current: { revision: number } } };
  expect(stale.current.revision).toBe(2);
  await server.http
    .post('/api/recipes')
    .send(`{"document":{"id":"a","title":"${'t'.repeat(200_000)}`)
    .expect(400);
});
