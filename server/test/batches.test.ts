import { randomUUID } from 'node:crypto';
import { readKitchen, recipeFigures, taughtKitchen, type Batch, type BatchEdit, type Recipe } from '@portiona/core';
import { innerServer } from './innerServer.js';

type Server = Awaited<ReturnType<typeof innerServer>>;
let server: Server;
beforeAll(async () => {
  server = await innerServer({ demo: true });
});
afterAll(() => server.close());

interface Saved {
  readonly revision: number;
  readonly document: Batch;
  readonly recipeRevision: number;
  readonly refused?: readonly { readonly id: string; readonly because: string }[];
}
interface Logged {
  readonly id: string;
  readonly used: number | null;
  readonly paid: string | null;
  readonly different: number;
  readonly unusual: boolean;
  readonly uncomputed: string | null;
  readonly yields: readonly { readonly part: string; readonly factor: number; readonly mean: number | null; readonly batches: number }[];
}

const DISH = {
  id: 'test-pot',
  title: 'Test pot',
  servings: 4,
  parts: [
    {
      id: 'main',
      name: 'Main',
      lines: [
        { food: 'leek', amount: 400, unit: 'g', as: 'EP' },
        { food: 'oil-olive-extra-virgin', amount: 20, unit: 'g' },
      ],
    },
  ],
};

beforeAll(() => server.http.post('/api/recipes').send({ document: DISH }).expect(201));

let last = 0;
const batchOf = (over: Partial<Batch> = {}): Batch => ({ id: `test-batch-${++last}`, recipe: 'test-pot', date: '2026-11-20', ...over });
async function begun(over: Partial<Batch> = {}): Promise<Saved> {
  return (
    (await server.http
      .post('/api/batches')
      .send({ document: batchOf(over) })
      .expect(201)) as { body: Saved }
  ).body;
}
async function opened(id: string) {
  return ((await server.http.get(`/api/batches/${id}`).expect(200)) as { body: Saved & { siblings: Batch[]; recipes: Recipe[] } }).body;
}
async function edited(id: string, edits: readonly BatchEdit[], ids = edits.map(() => randomUUID())): Promise<Saved> {
  const sent = { edits: edits.map((edit, i) => ({ id: ids[i], edit })) };
  return ((await server.http.post(`/api/batches/${id}/edits`).send(sent).expect(200)) as { body: Saved }).body;
}
async function logged(): Promise<Logged[]> {
  return ((await server.http.get('/api/batches?recipe=test-pot').expect(200)) as { body: Logged[] }).body;
}

test('a batch is kept with the recipe as it was, whatever becomes of the recipe', async () => {
  const batch = await begun({ lines: [{ at: 'main/2', grams: 25 }] });
  expect(batch).toMatchObject({ revision: 1, recipeRevision: 1, document: { then: { title: 'Test pot' } } });
  const recipe = ((await server.http.get('/api/recipes/test-pot').expect(200)) as { body: { revision: number; document: Recipe } }).body;
  const fewer = { ...recipe.document, parts: [{ ...recipe.document.parts[0], lines: recipe.document.parts[0]?.lines.slice(0, 1) }] };
  await server.http.put('/api/recipes/test-pot').send({ revision: recipe.revision, document: fewer }).expect(200);
  const now = await opened(batch.document.id);
  expect(now.document.then?.parts[0]?.lines).toHaveLength(2);
  expect(now.recipes[0]?.parts[0]?.lines).toHaveLength(1);
  // The version it was cooked from stays.
  const { body: versions } = (await server.http.get('/api/recipes/test-pot/versions').expect(200)) as {
    body: { revision: number; because: string[]; cooked: string[] }[];
  };
  expect(versions.find(({ revision }) => revision === 1)).toMatchObject({
    because: expect.arrayContaining(['cooked']) as string[],
    cooked: ['2026-11-20'],
  });
  await server.http
    .put('/api/recipes/test-pot')
    .send({ revision: recipe.revision + 1, document: recipe.document })
    .expect(200);
});

test('what is measured is kept once, however often and in whatever pieces it is sent', async () => {
  const { document } = await begun({ cooking: { begun: '2026-11-20T10:00:00Z', step: 0 } });
  const edits: BatchEdit[] = [
    { do: 'line', line: { at: 'main/1', grams: 412 } },
    { do: 'more', line: { part: 'main', food: 'leek', grams: 30 } },
    { do: 'paid', pack: { food: 'leek', net: 500, unit: 'g', price: '1.99', shop: 'Quay' } },
  ];
  const ids = edits.map(() => randomUUID());
  const once = await edited(document.id, edits, ids);
  expect(once).toMatchObject({
    revision: 2,
    refused: [],
    document: { lines: [edits[0], edits[1]].map((edit) => (edit as { line: object }).line) },
  });
  expect(await edited(document.id, edits, ids)).toEqual(once);
  const twice = await edited(document.id, [...edits.slice(1), { do: 'say', head: { rating: 4 } }], [...ids.slice(1), randomUUID()]);
  expect(twice).toMatchObject({ revision: 3, document: { rating: 4 } });
  expect(twice.document.lines).toHaveLength(2);
  expect(twice.document.paid).toHaveLength(1);
  // The same twice in one request, as well.
  const same = randomUUID();
  const more: BatchEdit = { do: 'more', line: { part: 'main', food: 'leek', grams: 5 } };
  expect((await edited(document.id, [more, more], [same, same])).document.lines).toHaveLength(3);
  const { body: history } = (await server.http.get(`/api/batches/${document.id}/history`).expect(200)) as { body: Saved[] };
  expect(history.map(({ revision }) => revision)).toEqual([4, 3, 2, 1]);
});

test('two who measure at once lose nothing of each other', async () => {
  const { document } = await begun({ cooking: { begun: '2026-11-20T10:00:00Z', step: 0 } });
  const one = [1, 2].map((line) => edited(document.id, [{ do: 'line', line: { at: `main/${line}`, grams: 100 * line } }]));
  const other = ['main/1', 'main/2'].map((at) => edited(document.id, [{ do: 'ready', at, ready: true }]));
  await Promise.all([...one, ...other]);
  const now = (await opened(document.id)).document;
  expect(now.lines).toHaveLength(2);
  expect([...(now.cooking?.ready ?? [])].sort()).toEqual(['main/1', 'main/2']);
});

test('an edit that cannot be is told with its reason, and keeps no other from being kept', async () => {
  const { document } = await begun();
  const result = await edited(document.id, [
    { do: 'line', line: { at: 'main/9', grams: 5 } },
    { do: 'line', line: { at: 'main/1', food: 'no-such-food', grams: 5 } },
    { do: 'say', head: { rating: 9 } },
    { do: 'part', part: { part: 'main', gross: 100, tare: 200 } },
    { do: 'say', head: { note: 'kept' } },
  ]);
  expect(result.document).toMatchObject({ note: 'kept' });
  expect(result.document.lines).toBeUndefined();
  expect(result.refused?.map(({ because }) => because)).toEqual([
    expect.stringContaining('unknown line "main/9"'),
    expect.stringContaining('unknown food "no-such-food"'),
    expect.stringContaining('rating: must be a whole number from 1 to 5'),
    expect.stringContaining('must be below gross'),
  ]);
  const edits = [{ id: 'no uuid', edit: { do: 'step', step: 1 } }];
  await server.http.post(`/api/batches/${document.id}/edits`).send({ edits }).expect(422);
  await server.http.post(`/api/batches/${document.id}/edits`).send({ edits: [] }).expect(422);
  await server.http
    .post('/api/batches/none/edits')
    .send({ edits: [{ id: randomUUID(), edit: {} }] })
    .expect(404);
});

test('a stale save is told, and writes nothing; id and recipe stay what they are', async () => {
  const { document, revision } = await begun();
  await edited(document.id, [{ do: 'say', head: { note: 'theirs' } }]);
  const stale = await server.http.put(`/api/batches/${document.id}`).send({ revision, document: { ...document, note: 'mine' } });
  expect(stale.status).toBe(409);
  expect((await opened(document.id)).document.note).toBe('theirs');
  const send = (over: object) => server.http.put(`/api/batches/${document.id}`).send({ revision: 2, document: { ...document, ...over } });
  await send({ recipe: 'beef-shin-and-barley' }).expect(422);
  await send({ id: 'another' }).expect(422);
  await send({ note: 'mine' }).expect(200);
});

test.each([
  [{ recipe: 'no-such-dish' }, 'document.recipe'],
  [{ lines: [{ at: 'main/7', grams: 3 }] }, 'document.lines[0].at'],
  [{ date: 'yesterday' }, 'document.date'],
  [{ boxes: [{ name: 'A', grams: { top: 3 } }] }, 'document.boxes[0].grams.top'],
])('a batch that cannot be is refused by its place: %j', async (over, path) => {
  const { body } = (await server.http
    .post('/api/batches')
    .send({ document: batchOf(over) })
    .expect(422)) as {
    body: { faults: { path: string }[] };
  };
  expect(body.faults[0]?.path).toBe(path);
});

test('three measured batches teach the dish its yield: where it is opened, in lists, and no more once one is put away', async () => {
  const taught = { ...DISH, id: 'taught-pot', title: 'Taught pot' };
  await server.http.post('/api/recipes').send({ document: taught }).expect(201);
  const weightListed = async () => {
    const { body } = (await server.http.get('/api/recipes').expect(200)) as { body: { id: string; weight: number | null }[] };
    return body.find(({ id }) => id === 'taught-pot')?.weight ?? NaN;
  };
  const learnedNow = async () =>
    (
      (await server.http.get('/api/recipes/taught-pot').expect(200)) as {
        body: { learned: { of: string; batches: number; mean: number }[] };
      }
    ).body.learned;
  const before = await weightListed();
  for (const net of [300, 310, 320]) await begun({ recipe: 'taught-pot', parts: [{ part: 'main', net }] });
  expect(await learnedNow()).toEqual([
    { of: 'taught-pot/main', batches: 3, mean: expect.closeTo(310 / 420, 9) as number, sd: expect.any(Number) as number },
  ]);
  expect(before).not.toBeCloseTo(310 / 4, 3);
  expect(await weightListed()).toBeCloseTo(310 / 4, 6);
  // A file of the dish, and what a published card was computed from, hold what taught it: they come to the same.
  await server.http.post('/api/recipes/taught-pot/published-cards').expect(201);
  for (const path of ['/api/exports/recipes/taught-pot/kitchen-file', '/api/recipes/taught-pot/published-cards/1/kitchen-file']) {
    const { text } = await server.http.get(path).expect(200);
    const read = readKitchen(JSON.parse(text), '2026-11-29');
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const { batches, ...content } = read.entry;
    expect(batches).toHaveLength(3);
    const [dish] = content.recipes;
    expect(dish && recipeFigures(dish, taughtKitchen(content, batches)).parts[0]?.cooked).toBeCloseTo(310, 9);
  }
  await server.http.delete(`/api/batches/test-batch-${last}`).expect(204);
  expect(await learnedNow()).toEqual([]);
  expect(await weightListed()).toBeCloseTo(before, 9);
  await server.http.post(`/api/batches/test-batch-${last}/restore`).expect(204);
  expect(await learnedNow()).toHaveLength(1);
});

test('the log tells what each came to, the newest first, and says why one cannot be added up', async () => {
  const batch = await begun({
    date: '2026-11-25',
    lines: [{ at: 'main/1', grams: 380 }],
    parts: [{ part: 'main', gross: 1300, tare: 1000 }],
    paid: [{ food: 'leek', net: 1000, unit: 'g', price: '3.00', shop: 'Quay' }],
  });
  const [newest] = await logged();
  expect(newest).toMatchObject({ id: batch.document.id, different: 1, paid: '3', uncomputed: null, unusual: false });
  expect(newest?.yields).toMatchObject([{ part: 'main', factor: expect.closeTo(300 / 400, 9) as number }]);
  await server.http.get('/api/batches?recipe=no-such-dish').expect(404);
  const { body } = (await server.http.get('/api/batches').expect(200)) as { body: Logged[] };
  expect(body.map(({ id }) => id)).toContain(batch.document.id);
});

test('batches go out with the kitchen and come in again as they were', async () => {
  const { text } = await server.http.get('/api/exports/kitchen-file').expect(200);
  const file = JSON.parse(text) as { batches: Batch[] };
  expect(file.batches.map(({ id }) => id)).toContain('test-batch-1');
  // The recipe as it was stands only where it is another by now.
  expect(file.batches.find(({ id }) => id === 'test-batch-1')?.then).toBeUndefined();
  const other = await innerServer({ demo: false });
  try {
    const { body } = (await other.http.post('/api/imports/kitchen-file').send(file).expect(201)) as { body: { batches: number } };
    expect(body.batches).toBe(file.batches.length);
    const again = await other.http.get('/api/exports/kitchen-file').expect(200);
    expect((JSON.parse(again.text) as typeof file).batches).toEqual(file.batches);
  } finally {
    await other.close();
  }
});

test('a food that only a batch speaks of is not removed', async () => {
  await server.http
    .post('/api/foods')
    .send({ document: { id: 'only-cooked', name: 'Only cooked' } })
    .expect(201);
  await begun({ lines: [{ part: 'main', food: 'only-cooked', grams: 5 }] });
  const { body } = (await server.http.delete('/api/foods/only-cooked').expect(409)) as { body: { detail: string } };
  expect(body.detail).toContain('is used in 1 batch;');
  await server.http.get('/api/foods/only-cooked').expect(200);
});

test('a food that was put away since is handed over with the batch that it was cooked in', async () => {
  await server.http
    .post('/api/foods')
    .send({ document: { id: 'gone-since', name: 'Gone since', nutrients: { energyKcal: 100 } } })
    .expect(201);
  const { document } = await begun({ lines: [{ at: 'main/1', food: 'gone-since', grams: 50 }] });
  await server.http.post('/api/foods/gone-since/archive').expect(204);
  const { body } = (await server.http.get(`/api/batches/${document.id}`).expect(200)) as { body: { foods: { id: string }[] } };
  expect(body.foods.map(({ id }) => id)).toContain('gone-since');
  const row = (await logged()).find(({ id }) => id === document.id);
  expect(row?.uncomputed).toBeNull();
});
