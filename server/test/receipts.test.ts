import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const pack = (over: object = {}) => ({
  food: 'leek',
  net: 1,
  unit: 'kg',
  price: '2.75',
  currency: 'EUR',
  shop: 'Weir Lane Market',
  seen: '2026-11-25',
  ...over,
});

test('a receipt is read into rows, whatever its letters, and nothing of it is kept', async () => {
  const content = Buffer.from('Artikel;Betrag\nKräuter;1,49\n', 'latin1');
  const { body } = (await server.http
    .post('/api/receipts/read?fileName=till.csv')
    .set('content-type', 'text/csv')
    .send(content)
    .expect(200)) as { body: object };
  expect(body).toEqual({
    fileName: 'till.csv',
    rows: [
      ['Artikel', 'Betrag'],
      ['Kräuter', '1,49'],
    ],
  });
  await server.http.post('/api/receipts/read').set('content-type', 'text/csv').send('').expect(422);
  await server.http.post('/api/receipts/read').set('content-type', 'text/csv').send('Leek,1.00\n'.repeat(5_001)).expect(422);
});

test('prices are added once, and what the shop calls them is remembered', async () => {
  const prices = [
    { document: pack(), item: 'LEEKS LOOSE 1KG' },
    { document: pack({ net: 500, unit: 'g', price: '1.60' }), item: 'Leeks 500 g' },
  ];
  await server.http.post('/api/receipts/prices').send({ prices }).expect(201, { added: 2, there: 0 });
  await server.http.post('/api/receipts/prices').send({ prices }).expect(201, { added: 0, there: 2 });
  const { body } = (await server.http.get('/api/receipts/names').expect(200)) as { body: object };
  expect(body).toEqual([
    { words: 'leek', food: 'leek' },
    { words: 'leek loose', food: 'leek' },
  ]);
});

test('the same prices added twice at once are there once', async () => {
  const prices = Array.from({ length: 40 }, (_, i) => ({ document: pack({ seen: '2026-11-01', net: i + 1 }) }));
  const answers = await Promise.all([1, 2, 3].map(() => server.http.post('/api/receipts/prices').send({ prices }).expect(201)));
  expect(answers.map(({ body }) => (body as { added: number }).added).sort()).toEqual([0, 0, 40]);
});

test('one bad price, and none is added; each is named', async () => {
  const before = ((await server.http.get('/api/packs').expect(200)).body as object[]).length;
  const prices = [{ document: pack({ price: '9.99' }) }, { document: pack({ food: 'nowhere' }) }, { document: pack({ price: '-1' }) }];
  const { body } = (await server.http.post('/api/receipts/prices').send({ prices }).expect(422)) as {
    body: { faults: { path: string }[] };
  };
  expect(body.faults.map(({ path }) => path)).toEqual(['prices[2].document.price']);
  const mended = [prices[0], prices[1]];
  const { body: second } = (await server.http.post('/api/receipts/prices').send({ prices: mended }).expect(422)) as {
    body: { faults: { path: string }[] };
  };
  expect(second.faults.map(({ path }) => path)).toEqual(['prices[1].document.food']);
  expect((await server.http.get('/api/packs').expect(200)).body).toHaveLength(before);
});
