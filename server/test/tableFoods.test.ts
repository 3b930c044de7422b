import { innerServer } from './innerServer.js';

type Server = Awaited<ReturnType<typeof innerServer>>;
let server: Server;
beforeAll(async () => {
  server = await innerServer({ demo: true });
});
afterAll(() => server.close());

const TABLE = [
  'Code;Food;Energy (kcal);Protein (g);Fat (g);Carbohydrate (g)',
  'T1;Samphire, raw;25;2.2;0.4;2.5',
  'T2;Samphire pickle;110;1.4;0.3;25',
  'T3;Dulse, dried;265;20;1.7;42',
  'T4;Red onion, raw;38;1.1;0.2;8',
].join('\n');

async function takeTable(): Promise<void> {
  const { body: brought } = (await server.http
    .post('/api/food-tables?fileName=shore.csv')
    .set('content-type', 'text/csv')
    .send(TABLE)
    .expect(201)) as { body: { id: string } };
  const { body: seen } = (await server.http.get(`/api/food-tables/${brought.id}/look`).expect(200)) as { body: { mapping: object } };
  await server.http
    .post(`/api/food-tables/${brought.id}/start`)
    .send({ name: 'Shore', mapping: seen.mapping, keepMapping: false })
    .expect(202);
  for (let i = 0; i < 600; i++) {
    const { body } = (await server.http.get(`/api/food-tables/${brought.id}`).expect(200)) as { body: { state: string } };
    if (body.state === 'done') return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('the table was not taken in');
}

test('rows of a table are tried on lines that waited for a food, and on those nobody agreed to, and on no others', async () => {
  const document = {
    id: 'shore-bowl',
    title: 'Shore bowl',
    servings: 4,
    parts: [
      {
        id: 'bowl',
        name: 'Bowl',
        lines: [{ text: '200 g samphire' }, { text: '20 g dulse', food: 'leek', amount: 20, unit: 'g' }, { text: '1 cup moon dust' }],
      },
    ],
  };
  await server.http.post('/api/recipes').send({ document }).expect(201);
  const before = (await server.http.get('/api/recipes/shore-bowl/table-foods').expect(200)) as { body: object[] };
  expect(before.body).toEqual([]);
  expect(await foundAgain()).toBeUndefined();
  await takeTable();
  const { body } = (await server.http.get('/api/recipes/shore-bowl/table-foods').expect(200)) as {
    body: { document: { name: string } }[];
  };
  // Both that hold the word, to be decided between; the dulse was chosen to be a leek, and nobody has a word of moon dust.
  expect(body.map((row) => row.document.name).sort()).toEqual(['Samphire pickle', 'Samphire, raw']);
  expect(await foundAgain()).toMatchObject({ title: 'Shore bowl', lines: 1 });
  await server.http.get('/api/recipes/no-such-dish/table-foods').expect(404);
});

async function foundAgain() {
  const { body } = (await server.http.get('/api/found-again').expect(200)) as { body: { id: string }[] };
  return body.find(({ id }) => id === 'shore-bowl');
}
