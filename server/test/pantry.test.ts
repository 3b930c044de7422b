import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

interface Found {
  readonly food: { readonly id: string; readonly document: { readonly name: string } };
  readonly usedIn: number;
}

async function found(words: string): Promise<Found[]> {
  return (await server.http.get('/api/found-foods').query({ q: words }).expect(200)).body as Found[];
}

test('the starter pantry comes in once; what is there stays as it is', async () => {
  const before = (await server.http.get('/api/foods/egg').expect(200)).body as object;
  const { body } = (await server.http.post('/api/imports/starter-pantry').expect(201)) as { body: { foods: number } };
  expect(body.foods).toBeGreaterThan(550);
  expect((await server.http.get('/api/foods/egg').expect(200)).body).toEqual(before);
  await server.http
    .post('/api/imports/starter-pantry')
    .expect(201, { foods: 0, packs: 0, recipes: 0, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 });
});

test.each([
  ['zuchini', 'courgette'],
  ['lentils red', 'red-lentils-weir-lane'],
  ['CRÈME fraiche', 'creme-fraiche'],
  ['garbanzo', 'chickpeas-canned'],
  ['poatto waxy', 'potato-waxy'],
])('"%s" finds %s', async (words, food) => {
  const ids = (await found(words)).slice(0, 6).map((one) => one.food.id);
  expect(ids).toContain(food);
});

test('foods that are cooked with or bought go first', async () => {
  const [first] = await found('rolled oats');
  expect(first).toMatchObject({ food: { id: 'rolled-oats-nine' } });
  expect(first?.usedIn).toBeGreaterThan(0);
});

test('nothing, signs and statements find nothing and break nothing', async () => {
  for (const words of ['', '   ', '%', "'; DROP TABLE foods; --", '&|!():*', 'x'.repeat(5000)])
    expect(Array.isArray(await found(words))).toBe(true);
  expect((await found('leek')).length).toBeGreaterThan(0);
});

test('a food keeps every composition it has had', async () => {
  const { body } = (await server.http.get('/api/foods/agave-syrup').expect(200)) as { body: { revision: number; document: object } };
  const changed = { ...body.document, nutrients: { energyKcal: 310, carbohydrate: 77 } };
  await server.http.put('/api/foods/agave-syrup').send({ revision: body.revision, document: changed }).expect(200);
  const history = (await server.http.get('/api/foods/agave-syrup/history').expect(200)).body as { revision: number; document: object }[];
  expect(history.map(({ revision }) => revision)).toEqual([2, 1]);
  expect(history[1]?.document).toEqual(body.document);
});

test('a food in use is put away, not removed; its recipes keep it, and no search finds it', async () => {
  expect((await server.http.get('/api/foods/prawns/used-in').expect(200)).body).toEqual([
    { id: 'prawn-and-courgette-orzo', title: 'Prawn and courgette orzo, lemon dressing' },
  ]);
  await server.http.delete('/api/foods/prawns').expect(409);
  await server.http.post('/api/foods/prawns/archive').expect(204);
  expect((await found('prawns')).map(({ food }) => food.id)).not.toContain('prawns');
  expect(((await server.http.get('/api/foods').expect(200)).body as { id: string }[]).some(({ id }) => id === 'prawns')).toBe(false);
  const { body } = (await server.http.get('/api/recipes').expect(200)) as { body: { id: string; energyKcal: { amount: number } }[] };
  expect(body.find(({ id }) => id === 'prawn-and-courgette-orzo')?.energyKcal.amount).toBeGreaterThan(400);
  await server.http.post('/api/foods/prawns/restore').expect(204);
  expect((await found('prawns')).map(({ food }) => food.id)).toContain('prawns');
  await server.http.delete('/api/foods/papaya').expect(204);
  await server.http.get('/api/foods/papaya').expect(404);
});

test('what a swap changes in the recipes', async () => {
  const { body } = (await server.http
    .get('/api/food-swaps')
    .query({ from: 'red-lentils-weir-lane', to: 'white-beans-harbour' })
    .expect(200)) as { body: { swaps: { id: string; energyKcal: number }[]; usualGrams: number } };
  const dal = body.swaps.find(({ id }) => id === 'smoky-lentil-and-squash-dal');
  // 300 g in five boxes: 60 g x (102 - 341) / 100
  expect(dal?.energyKcal).toBeCloseTo(0.6 * (102 - 341), 6);
  expect(body.usualGrams).toBeGreaterThan(0);
  await server.http.get('/api/food-swaps').query({ from: 'nobody', to: 'leek' }).expect(404);
});

test('a food edited under a recipe is said, with what it did, until it is agreed to', async () => {
  interface Basis {
    readonly moved: { readonly id: string }[];
    readonly before: { readonly energyKcal: number };
    readonly now: { readonly energyKcal: number };
  }
  const upstreamOf = async (id: string) => (await server.http.get(`/api/recipes/${id}/upstream-changes`).expect(200)).body as Basis;
  const dal = 'smoky-lentil-and-squash-dal';
  expect((await upstreamOf(dal)).moved).toEqual([]);
  const lentils = (await server.http.get('/api/foods/red-lentils-weir-lane').expect(200)).body as {
    revision: number;
    document: { nutrients: object };
  };
  const edited = { ...lentils.document, nutrients: { ...lentils.document.nutrients, energyKcal: 351 } };
  await server.http.put('/api/foods/red-lentils-weir-lane').send({ revision: lentils.revision, document: edited }).expect(200);
  const moved = await upstreamOf(dal);
  expect(moved.moved.map(({ id }) => id)).toEqual(['red-lentils-weir-lane']);
  // 10 kcal more in 100 g, 300 g in five boxes
  expect(moved.now.energyKcal - moved.before.energyKcal).toBeCloseTo(6, 9);

  // A save of the recipe agrees to nothing by itself.
  const open = (await server.http.get(`/api/recipes/${dal}`).expect(200)).body as { revision: number; document: object };
  await server.http.put(`/api/recipes/${dal}`).send({ revision: open.revision, document: open.document }).expect(200);
  expect((await upstreamOf(dal)).moved).toHaveLength(1);
  await server.http.post(`/api/recipes/${dal}/upstream-changes`).expect(204);
  expect((await upstreamOf(dal)).moved).toEqual([]);

  // Edited and edited back, nothing has moved.
  await server.http
    .put('/api/foods/leek')
    .send({ revision: 1, document: { ...(await foodOf('leek')), names: ['leeks'] } })
    .expect(200);
  await server.http
    .put('/api/foods/leek')
    .send({ revision: 2, document: (await historyOf('leek'))[1] })
    .expect(200);
  expect((await upstreamOf('egg-and-leek-muffins')).moved).toEqual([]);
  await server.http.get('/api/recipes/nobody/upstream-changes').expect(404);
});

async function foodOf(id: string): Promise<object> {
  return ((await server.http.get(`/api/foods/${id}`).expect(200)).body as { document: object }).document;
}

async function historyOf(id: string): Promise<object[]> {
  return ((await server.http.get(`/api/foods/${id}/history`).expect(200)).body as { document: object }[]).map(({ document }) => document);
}
