import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
jest.setTimeout(60_000);
beforeAll(async () => {
  process.env.PORTIONA_SHOP_DELAY = '2';
  process.env.PORTIONA_SHOP_PAUSE = '5';
  process.env.PORTIONA_SHOP_CLOSED = 'Depot Nine';
  server = await testServer({ demo: true });
});
afterAll(async () => {
  await server.close();
  delete process.env.PORTIONA_SHOP_DELAY;
  delete process.env.PORTIONA_SHOP_CLOSED;
});

interface Item {
  readonly food: string;
  readonly shop: string;
  readonly net: number;
  readonly unit: string;
  readonly state: string;
  readonly before: string;
  readonly price: string | null;
  readonly change: number | null;
  readonly message: string | null;
}
interface Refresh {
  readonly id: string;
  readonly day: string;
  readonly state: string;
  readonly asked: number;
  readonly answered: number;
  readonly items: readonly Item[];
}
interface Pack {
  readonly document: { food: string; shop: string; net: number; unit: string; price: string; seen: string };
}

async function ended(id: string): Promise<Refresh> {
  for (let i = 0; i < 400; i++) {
    const { body } = (await server.http.get(`/api/price-refreshes/${id}`).expect(200)) as { body: Refresh };
    if (body.state !== 'running') return body;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('it did not end');
}

/** Every price there is, whether it counts today or came before. */
const packs = async () => {
  const { body } = (await server.http.get('/api/exports/kitchen-file').expect(200)) as { body: { packs: Pack['document'][] } };
  return body.packs.map((document): Pack => ({ document }));
};

let first: Refresh;
test('the shops are asked beside other work; each answer is added as a price of the day, none is written over', async () => {
  await server.http.get('/api/price-refreshes/latest').expect(200, { refresh: null });
  const before = await packs();
  const { body: begun } = (await server.http.post('/api/price-refreshes').expect(201)) as { body: Refresh };
  const { body: again } = (await server.http.post('/api/price-refreshes').expect(201)) as { body: Refresh };
  expect(again.id).toBe(begun.id);
  await server.http.get('/api/found-foods?q=leek').expect(200);
  first = await ended(begun.id);
  expect(first).toMatchObject({ state: 'done', asked: 70, answered: 70 });
  const came = first.items.filter(({ price }) => price !== null);
  expect(came.length).toBeGreaterThan(25);
  const after = await packs();
  const today = after.filter(
    ({ document }) => document.seen === first.day && !before.some((one) => JSON.stringify(one) === JSON.stringify({ document })),
  );
  for (const { food, shop, net, unit, price, change, before: was } of came) {
    const seen = today.filter(
      ({ document }) =>
        document.food === food && document.shop === shop && document.net === net && document.unit === unit && document.price === price,
    );
    expect(seen).toHaveLength(1);
    expect(change).toBeCloseTo(Number(price) / Number(was) - 1, 9);
  }
  for (const one of before) expect(after).toContainEqual(one);
});

test('a shop that is closed is left alone after a few tries, and told; what failed is asked again', async () => {
  const closed = first.items.filter(({ shop }) => shop === 'Depot Nine');
  expect(closed.length).toBeGreaterThan(5);
  expect(closed.every(({ state, price }) => state === 'failed' && price === null)).toBe(true);
  expect(closed[0]?.message).toBe('Depot Nine is closed');
  expect(closed.at(-1)?.message).toBe('Depot Nine does not answer; ask again later');
  const before = (await packs()).length;
  const { body: retried } = (await server.http.post(`/api/price-refreshes/${first.id}/retry`).expect(201)) as { body: Refresh };
  expect(retried.state).toBe('running');
  const done = await ended(first.id);
  expect(done.items.filter(({ state }) => state !== 'failed')).toEqual(first.items.filter(({ state }) => state !== 'failed'));
  expect(await packs()).toHaveLength(before);
});

test('asked again on the same day, nothing is added twice', async () => {
  const before = (await packs()).length;
  const { body } = (await server.http.post('/api/price-refreshes').expect(201)) as { body: Refresh };
  const { items } = await ended(body.id);
  expect(items.some(({ state }) => state === 'changed')).toBe(false);
  expect(items.some(({ state }) => state === 'same')).toBe(true);
  expect(await packs()).toHaveLength(before);
});

test('asking is stopped; what is not there is told', async () => {
  const { body } = (await server.http.post('/api/price-refreshes').expect(201)) as { body: Refresh };
  await server.http.delete(`/api/price-refreshes/${body.id}`).expect(204);
  expect((await ended(body.id)).state).toBe('cancelled');
  await server.http.get('/api/price-refreshes/nonsense').expect(404);
  await server.http.post('/api/price-refreshes/00000000-0000-0000-0000-000000000000/retry').expect(404);
});
