import { DEMO, testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

async function sheet(name: string): Promise<string> {
  const answer = await server.http
    .get(`/api/exports/${name}.csv`)
    .expect(200)
    .expect('content-type', /text\/csv/);
  return answer.text;
}

test('foods, prices and recipes go out as sheets', async () => {
  expect(await sheet('foods')).toMatch(/^\ufeff?Code,Food name,/);
  expect(await sheet('foods')).toContain('leek,"Leek, raw"');
  expect(await sheet('prices')).toContain('Weir Lane Market');
  expect(await sheet('recipes')).toMatch(/"Smoky lentil and squash dal, brown rice",Night Watch,7,5,/);
});

test('what a spreadsheet would run goes out as text', async () => {
  const name = '=HYPERLINK("http://127.0.0.1","x")';
  await server.http
    .post('/api/foods')
    .send({ document: { id: 'formula', name, names: ['@SUM(A1)', '+1', '-2+3'] } })
    .expect(201);
  await server.http
    .post('/api/packs')
    .send({ document: { food: 'formula', net: 1, unit: 'kg', price: '1', currency: 'EUR', shop: '+cmd|x', seen: '2026-01-01' } })
    .expect(201);
  expect(await sheet('foods')).toContain(`"'=HYPERLINK(""http://127.0.0.1"",""x"")",'@SUM(A1); +1; -2+3`);
  expect(await sheet('prices')).toContain(`,'+cmd|x,1,kg,`);
  for (const cell of (await sheet('foods')).split(/\r\n|,/)) expect(cell).not.toMatch(/^"?[=@+]/);
});

test('a kitchen file whose foods are there is refused whole; asked to, only what is new comes in', async () => {
  const food = { id: 'new-food', name: 'New food' };
  const body = { ...DEMO, foods: [...(DEMO as { foods: object[] }).foods, food] };
  await server.http.post('/api/imports/kitchen-file').send(body).expect(409);
  await server.http.get('/api/foods/new-food').expect(404);
  await server.http
    .post('/api/imports/kitchen-file?there=keep')
    .send(body)
    .expect(201, { foods: 1, packs: 0, recipes: 0, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 });
  await server.http.get('/api/foods/new-food').expect(200);
  const { body: out } = (await server.http.get('/api/exports/kitchen-file').expect(200)) as { body: { foods: { id: string }[] } };
  expect(out.foods.map(({ id }) => id)).toContain('new-food');
});

test('one recipe goes out as Markdown, schema.org data, a sheet of its lines, and a kitchen file that another kitchen takes in', async () => {
  const dal = '/api/recipes/smoky-lentil-and-squash-dal';
  const card = await server.http
    .get(`${dal}/card.md`)
    .expect(200)
    .expect('content-type', /text\/markdown/);
  expect(card.text).toMatch(/^# Smoky lentil and squash dal, brown rice\n/);
  expect(card.headers['content-disposition']).toBe('attachment; filename=smoky-lentil-and-squash-dal.md');
  const data = JSON.parse((await server.http.get(`${dal}/recipe.jsonld`).expect(200)).text) as {
    '@type': string;
    recipeIngredient: string[];
  };
  expect(data['@type']).toBe('Recipe');
  expect(data.recipeIngredient).toContain('300 g red lentils, rinsed');
  const lines = (await server.http.get('/api/exports/recipes/smoky-lentil-and-squash-dal/lines.csv').expect(200)).text;
  expect(lines).toMatch(/\r\nDal,box,"300 g red lentils, rinsed",300,g,rinsed,"Red lentils, Weir Lane",300,300,300,/);
  const file = (await server.http.get('/api/exports/recipes/smoky-lentil-and-squash-dal/kitchen-file').expect(200)).text;
  const other = await testServer({ demo: false });
  try {
    await other.http.post('/api/imports/kitchen-file').set('content-type', 'application/json').send(file).expect(201);
    const [figures, again] = await Promise.all(
      [server, other].map(async ({ http }) =>
        ((await http.get('/api/recipes').expect(200)).body as { id: string }[]).find(({ id }) => id === 'smoky-lentil-and-squash-dal'),
      ),
    );
    expect(again).toMatchObject({ ...figures, revision: 1, savedAt: expect.any(String) as string });
  } finally {
    await other.close();
  }
  await server.http.get('/api/recipes/nothing/card.md').expect(404);
});
