import { Kitchen, latestPacks, recipeFigures, type Pack, type Recipe } from '@portiona/core';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

interface SeenPack {
  readonly id: string;
  readonly document: Pack;
  readonly putAwayAt: string | null;
}
const get = async <Body>(path: string) => (await server.http.get(path).expect(200)).body as Body;
const ofFood = (id: string) => get<SeenPack[]>(`/api/foods/${id}/packs`);
const counting = async () => (await get<SeenPack[]>('/api/packs')).map(({ document }) => document);
const ids = (packs: readonly Pack[]) => packs.map(({ id }) => id).sort();
const pack = (seen: string, price: string, more: Partial<Pack> = {}): Pack => ({
  food: 'leek',
  net: 750,
  unit: 'g',
  price,
  currency: 'EUR',
  shop: 'Depot Nine',
  seen,
  ...more,
});
const create = async (document: Pack) => (await server.http.post('/api/packs').send({ document }).expect(201)).body as SeenPack;

test('the page is sent the prices that count today or will; all of them are there on demand', async () => {
  for (const [seen, price] of [
    ['2026-06-01', '3.10'],
    ['2026-09-01', '3.20'],
    ['2026-11-20', '3.30'],
    ['2026-11-20', '3.35'],
    ['2031-01-01', '4.00'],
  ] as const)
    await create(pack(seen, price));
  await create(pack('2026-05-01', '2.00', { net: 0.75, unit: 'kg' }));
  // An offer with an end does not hide the price that counts again after it; each end is its own.
  await create(pack('2026-10-01', '8.00', { net: 77 }));
  for (const [until, price] of [
    ['2099-11-01', '5.00'],
    ['2099-12-01', '6.00'],
  ] as const)
    await create(pack('2026-11-02', price, { net: 77, promotion: true, until }));
  await create(pack('2026-05-01', '9', { shop: 'Weir Lane Market', currency: 'GBP' }));
  const { date } = await get<{ date: string }>('/api/kitchen');
  const all = (await get<{ packs: Pack[] }>('/api/exports/kitchen-file')).packs;
  expect(ids(await counting())).toEqual(ids(latestPacks(all, date)));
  expect(
    (await counting())
      .filter(({ food, net }) => food === 'leek' && net === 750)
      .map(({ price }) => price)
      .sort(),
  ).toEqual(['3.30', '3.35', '4.00', '9']);
  expect((await ofFood('leek')).filter(({ document }) => document.net === 750 && document.currency === 'EUR')).toHaveLength(5);
});

test('a pack that is put away counts no more, is known still, and is taken out again', async () => {
  const { id } = await create(pack('2026-11-24', '0.01', { net: 10_000 }));
  const cost = async () => (await get<{ usedCost: { amount: number } }[]>('/api/recipes')).map(({ usedCost }) => usedCost.amount);
  const cheap = await cost();
  await server.http.delete(`/api/packs/${id}`).expect(204);
  await server.http.delete(`/api/packs/${id}`).expect(404);
  expect(ids(await counting())).not.toContain(id);
  expect((await ofFood('leek')).find((one) => one.id === id)?.putAwayAt).toMatch(/^\d{4}-/);
  const dear = await cost();
  expect(dear).not.toEqual(cheap);
  expect((await get<{ packs: Pack[] }>('/api/exports/kitchen-file')).packs.map((one) => one.id)).not.toContain(id);
  await server.http.post(`/api/packs/${id}/restore`).expect(204);
  await server.http.post(`/api/packs/${id}/restore`).expect(404);
  expect(ids(await counting())).toContain(id);
  expect(await cost()).toEqual(cheap);
  await server.http.delete(`/api/packs/${id}`).expect(204);
});

test('a price that was put away may be seen again', async () => {
  const seen = pack('2026-11-23', '5.55', { net: 333 });
  const send = async () =>
    (
      await server.http
        .post('/api/receipts/prices')
        .send({ prices: [{ document: seen }] })
        .expect(201)
    ).body as { added: number };
  expect(await send()).toMatchObject({ added: 1 });
  expect(await send()).toMatchObject({ added: 0 });
  const { id } = (await ofFood('leek')).find(({ document }) => document.net === 333)!;
  await server.http.delete(`/api/packs/${id}`).expect(204);
  expect(await send()).toMatchObject({ added: 1 });
});

test('packs put away go along when their food is merged into another', async () => {
  const TWIN = { id: 'leek-too', name: 'Leeks too', state: 'raw', nutrients: { energyKcal: 61 } };
  await server.http.post('/api/foods').send({ document: TWIN }).expect(201);
  const { id } = await create(pack('2026-11-01', '7', { food: 'leek-too', net: 444 }));
  await create(pack('2026-10-01', '1', { food: 'leek-too', net: 445 }));
  await create(pack('2026-11-01', '2', { food: 'leek-too', net: 445 }));
  await server.http.delete(`/api/packs/${id}`).expect(204);
  await server.http.post('/api/merges').send({ kept: 'leek', gone: 'leek-too' }).expect(201);
  const moved = (await ofFood('leek')).find((one) => one.id === id);
  // So does every price it had before the latest.
  expect((await ofFood('leek')).filter(({ document }) => document.net === 445).map(({ document }) => document.price)).toEqual(
    expect.arrayContaining(['1', '2']),
  );
  expect(moved).toMatchObject({ document: { food: 'leek', net: 444 } });
  expect(moved?.putAwayAt).not.toBeNull();
});

test('what moved most since it was first seen, what rose most first; a price put away moves nothing', async () => {
  await create(pack('2026-07-01', '1.00', { net: 55 }));
  const { id } = await create(pack('2026-11-01', '9.00', { net: 55 }));
  interface Move {
    readonly food: string;
    readonly net: number;
    readonly change: number;
  }
  const [first, ...others] = await get<Move[]>('/api/price-moves');
  expect(first).toMatchObject({
    food: 'leek',
    net: 55,
    first: '1',
    latest: '9',
    firstSeen: '2026-07-01',
    latestSeen: '2026-11-01',
    change: 8,
  });
  expect(others.map(({ change }) => change)).toEqual(others.map(({ change }) => change).sort((a, b) => b - a));
  await server.http.delete(`/api/packs/${id}`).expect(204);
  expect((await get<Move[]>('/api/price-moves')).filter(({ net }) => net === 55)).toEqual([]);
});

test('foods that most recipes use, with how many do; recipes put away are not counted', async () => {
  const used = async () => (await get<{ id: string; recipes: number }[]>('/api/used-foods')).find(({ id }) => id === 'salt-fine')?.recipes;
  const before = (await used()) ?? 0;
  expect(before).toBeGreaterThan(1);
  const lines = [{ food: 'salt-fine', amount: 1, unit: 'g' }];
  await server.http
    .post('/api/recipes')
    .send({ document: { id: 'salted', title: 'Salted', servings: 1, parts: [{ id: 'm', name: 'M', lines }] } })
    .expect(201);
  expect(await used()).toBe(before + 1);
  await server.http.delete('/api/recipes/salted').expect(204);
  expect(await used()).toBe(before);
});

test('no such food, no such pack', async () => {
  await server.http.get('/api/foods/nothing/packs').expect(404);
  await server.http.post('/api/packs/nothing/restore').expect(404);
});

test('a published card keeps what it was computed from: its figures come out of that again, whatever is edited since', async () => {
  const id = 'smoky-lentil-and-squash-dal';
  const { body: card } = (await server.http.post(`/api/recipes/${id}/published-cards`).expect(201)) as { body: { issue: number } };
  const { recipes: listed } = {
    recipes: await get<{ id: string; energyKcal: { amount: number }; usedCost: { amount: number } }[]>('/api/recipes'),
  };
  const then = listed.find((one) => one.id === id)!;
  const open = await get<{ revision: number; document: Recipe }>(`/api/recipes/${id}`);
  await server.http
    .put(`/api/recipes/${id}`)
    .send({ revision: open.revision, document: { ...open.document, servings: 9 } })
    .expect(200);
  await create(pack('2026-11-25', '0.10', { food: 'red-lentils-weir-lane', net: 1000 }));
  const file = await get<{ settings: Kitchen['settings']; foods: []; packs: []; recipes: Recipe[] }>(
    `/api/recipes/${id}/published-cards/${card.issue}/kitchen-file`,
  );
  // Which prices counted depends on the day: it is stated, though the kitchen states none.
  expect(file.settings.date).toBe((await get<Kitchen['settings']>('/api/kitchen')).date);
  const kitchen = new Kitchen({ ...file, settings: { ...(await get<Kitchen['settings']>('/api/kitchen')), ...file.settings } });
  const figures = recipeFigures(file.recipes[0]!, kitchen).perServing;
  expect(figures.nutrients.energyKcal.amount).toBeCloseTo(then.energyKcal.amount, 9);
  expect(figures.usedCost.amount).toBeCloseTo(then.usedCost.amount, 9);
  await server.http.get(`/api/recipes/${id}/published-cards/99/kitchen-file`).expect(404);
});
