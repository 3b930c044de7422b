import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

interface Preview {
  readonly packs: number;
  readonly food: { readonly names?: string[]; readonly measures?: object };
  readonly recipes: { readonly id: string; readonly energyKcal: number | null }[];
}
interface Saved {
  readonly revision: number;
  readonly document: object;
}

const TWIN = { id: 'leek-twin', name: 'Leeks, own', state: 'raw', nutrients: { energyKcal: 61 }, measures: { bunch: 600 } };
const DISH = {
  id: 'twin-dish',
  title: 'Twin dish',
  servings: 2,
  parts: [{ id: 'm', name: 'M', lines: [{ food: 'leek-twin', amount: 1, unit: 'bunch', text: '1 bunch leeks' }] }],
};
const pair = { kept: 'leek', gone: 'leek-twin' };

test('two foods become one: previewed, then in the pantry, its packs and every recipe', async () => {
  await server.http.post('/api/foods').send({ document: TWIN }).expect(201);
  const pack = { food: 'leek-twin', net: 1, unit: 'bunch', currency: 'EUR', shop: 'Weir Lane Market' };
  // The price of today, and one from before that counts no longer.
  for (const seen of [
    { price: '1.80', seen: '2026-09-20' },
    { price: '2.00', seen: '2026-11-20' },
  ])
    await server.http
      .post('/api/packs')
      .send({ document: { ...pack, ...seen } })
      .expect(201);
  await server.http.post('/api/recipes').send({ document: DISH }).expect(201);
  const { body: preview } = (await server.http.post('/api/merges/preview').send(pair).expect(200)) as { body: Preview };
  expect(preview).toMatchObject({ packs: 2, food: { id: 'leek', measures: { bunch: 600 } }, recipes: [{ id: 'twin-dish' }] });
  expect(preview.food.names).toContain('Leeks, own');
  expect(preview.recipes[0]?.energyKcal).not.toBeNull();
  expect(((await server.http.get('/api/recipes/twin-dish').expect(200)).body as Saved).revision).toBe(1);

  await server.http.post('/api/merges').send(pair).expect(201);
  const recipe = (await server.http.get('/api/recipes/twin-dish').expect(200)).body as Saved;
  expect(recipe.revision).toBe(2);
  expect(JSON.stringify(recipe.document)).not.toContain('leek-twin');
  const packs = (await server.http.get('/api/packs').expect(200)).body as { document: { food: string; unit: string } }[];
  expect(packs.filter(({ document }) => document.food === 'leek-twin')).toEqual([]);
  expect(packs.filter(({ document }) => document.food === 'leek' && document.unit === 'bunch')).toHaveLength(1);
  const ever = (await server.http.get('/api/foods/leek/packs').expect(200)).body as { document: { unit: string; price: string } }[];
  expect(ever.flatMap(({ document }) => (document.unit === 'bunch' ? [Number(document.price)] : [])).sort()).toEqual([1.8, 2]);
  const listed = (await server.http.get('/api/foods').expect(200)).body as { id: string }[];
  expect(listed.map(({ id }) => id)).not.toContain('leek-twin');
  await server.http.get('/api/foods/leek-twin').expect(200);
  expect((await server.http.get('/api/foods/leek/history').expect(200)).body).toHaveLength(2);
});

test('a food is not merged with itself, nor with one that is not there', async () => {
  await server.http.post('/api/merges').send({ kept: 'leek', gone: 'leek' }).expect(422);
  await server.http.post('/api/merges/preview').send({ kept: 'leek', gone: 'nowhere' }).expect(404);
  await server.http.post('/api/merges').send({ kept: 'leek' }).expect(422);
});

test('a variant that holds the food that is gone holds the one that stays', async () => {
  const gone = { id: 'sorrel-own', name: 'Sorrel, own', nutrients: { energyKcal: 22 } };
  await server.http.post('/api/foods').send({ document: gone }).expect(201);
  const dish = {
    id: 'sorrel-dish',
    title: 'Sorrel dish',
    servings: 2,
    parts: [{ id: 'm', name: 'M', lines: [{ food: 'leek', amount: 100, unit: 'g' }] }],
    variants: [{ name: 'sour', changes: [{ at: 'm/1', line: { food: 'sorrel-own', amount: 90, unit: 'g' } }] }],
  };
  await server.http.post('/api/recipes').send({ document: dish }).expect(201);
  const { body: preview } = (await server.http.post('/api/merges/preview').send({ kept: 'leek', gone: 'sorrel-own' }).expect(200)) as {
    body: Preview;
  };
  expect(preview.recipes.map(({ id }) => id)).toEqual(['sorrel-dish']);
  await server.http.post('/api/merges').send({ kept: 'leek', gone: 'sorrel-own' }).expect(201);
  const { document } = (await server.http.get('/api/recipes/sorrel-dish').expect(200)).body as Saved;
  expect(JSON.stringify(document)).not.toContain('sorrel-own');
  // Put away, it is in the way of nothing.
  await server.http.put('/api/recipes/sorrel-dish').send({ revision: 2, document }).expect(200);
});
