import { recipeFigures, Kitchen, type Food, type Recipe, type Settings } from '@portiona/core';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
beforeEach(async () => {
  server = await testServer({ demo: false });
});
afterEach(() => server.close());

const BEGINNING = { name: 'Tarn kitchen', currency: 'GBP', measures: 'us', rules: 'us', starterPantry: false, exampleDish: false };
const kitchen = async () => (await server.http.get('/api/kitchen').expect(200)).body as object;

test('a new kitchen is asked, and what is answered holds', async () => {
  expect(await kitchen()).toMatchObject({ empty: true, begun: false });
  await server.http
    .post('/api/imports/beginning')
    .send(BEGINNING)
    .expect(201, { foods: 0, packs: 0, recipes: 0, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 });
  expect(await kitchen()).toMatchObject({ name: 'Tarn kitchen', currency: 'GBP', measures: 'us', rules: 'us', empty: true, begun: true });
});

test('it begins with the starter pantry and a dish whose every line counts', async () => {
  const { body } = (await server.http
    .post('/api/imports/beginning')
    .send({ ...BEGINNING, starterPantry: true, exampleDish: true })
    .expect(201)) as { body: object };
  const { body: starters } = (await server.http.get('/api/imports/starter-pantry').expect(200)) as { body: Food[] };
  expect(body).toEqual({ foods: starters.length, packs: 0, recipes: 1, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 });
  const { body: row } = (await server.http.get('/api/recipes/red-lentil-and-spinach-pot').expect(200)) as { body: { document: Recipe } };
  const settings = { currency: 'GBP', measures: 'metric', rules: 'eu', staples: 'counted', date: '2026-11-25' } as Settings;
  const figures = recipeFigures(row.document, new Kitchen({ foods: starters, packs: [], recipes: [], settings }));
  expect(figures.perServing.nutrients.energyKcal).toMatchObject({ gaps: [] });
  expect(row.document.parts.flatMap(({ lines }) => lines).every(({ food, agreed }) => food !== undefined && agreed !== false)).toBe(true);
});

test('a dish alone brings the foods that it needs, and nothing that is there is changed', async () => {
  const mine = { id: 'garlic', name: 'Garlic of the yard' };
  await server.http.post('/api/foods').send({ document: mine }).expect(201);
  const { body } = (await server.http
    .post('/api/imports/beginning')
    .send({ ...BEGINNING, exampleDish: true })
    .expect(201)) as { body: object };
  expect(body).toEqual({ foods: 11, packs: 0, recipes: 1, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 });
  expect((await server.http.get('/api/foods/garlic').expect(200)).body).toMatchObject({ document: mine });
  await server.http
    .post('/api/imports/beginning')
    .send({ ...BEGINNING, exampleDish: true })
    .expect(201, { foods: 0, packs: 0, recipes: 0, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 });
});

test.each([
  ['name', { name: '' }],
  ['currency', { currency: 'euro' }],
  ['measures', { measures: 'cups' }],
  ['rules', { rules: 'none' }],
  ['starterPantry', { starterPantry: 'yes' }],
])('a wrong %s is told by its place, and nothing is begun', async (path, wrong) => {
  const { body } = (await server.http.post('/api/imports/beginning').send({ ...BEGINNING, ...wrong })) as {
    body: { faults: { path: string }[] };
  };
  expect(body.faults.map((fault) => fault.path)).toEqual([path]);
  expect(await kitchen()).toMatchObject({ empty: true, begun: false });
});

test('what was answered can be changed: the name is one, the currency one that there is', async () => {
  await server.http.patch('/api/kitchen/settings').send({ name: 'Other', currency: 'CHF' }).expect(200);
  expect(await kitchen()).toMatchObject({ name: 'Other', currency: 'CHF' });
  for (const wrong of [{ name: '' }, { name: 7 }, { name: null }, { name: 'x'.repeat(201) }, { currency: 'XXQ' }])
    await server.http.patch('/api/kitchen/settings').send(wrong).expect(422);
  expect(await kitchen()).toMatchObject({ name: 'Other', currency: 'CHF' });
});

test('dishes with lines that find a food once foods have come are told, and nothing of them is changed', async () => {
  const document = (id: string, lines: object[]) => ({ id, title: id, servings: 2, parts: [{ id: 'p', name: 'P', lines }] });
  const waiting = document('waiting', [{ text: '200 g red lentils' }, { text: '1 tsp moon dust' }]);
  await server.http.post('/api/recipes').send({ document: waiting }).expect(201);
  await server.http
    .post('/api/recipes')
    .send({ document: document('other', [{ text: '1 tsp moon dust' }]) })
    .expect(201);
  await server.http.get('/api/found-again').expect(200, []);
  await server.http.post('/api/imports/starter-pantry').expect(201);
  await server.http.get('/api/found-again').expect(200, [{ id: 'waiting', title: 'waiting', lines: 1 }]);
  expect((await server.http.get('/api/recipes/waiting').expect(200)).body).toMatchObject({
    revision: 1,
    document: { parts: waiting.parts },
  });
});
