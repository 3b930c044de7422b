import { Client } from 'pg';
import type { Recipe } from '@portiona/core';
import type { VersionDto } from '../src/recipes/version.dto.js';
import { testServer } from './testServer.js';

type Server = Awaited<ReturnType<typeof testServer>>;
let server: Server;
let database: Client;
beforeAll(async () => {
  server = await testServer({ demo: true });
  database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
});
afterAll(async () => {
  await database.end();
  await server.close();
});

interface Saved {
  readonly revision: number;
  readonly document: Recipe;
}
const made = (id: string, title = 'one') => ({
  id,
  title,
  servings: 2,
  parts: [{ id: 'm', name: 'M', lines: [{ food: 'leek', amount: 100, unit: 'g' }] }],
});
const create = async (document: object) => (await server.http.post('/api/recipes').send({ document }).expect(201)).body as Saved;
async function save(id: string, change: Partial<Recipe>): Promise<Saved> {
  const { revision, document } = (await server.http.get(`/api/recipes/${id}`).expect(200)).body as Saved;
  const sent = { revision, document: { ...document, ...change } };
  return (await server.http.put(`/api/recipes/${id}`).send(sent).expect(200)).body as Saved;
}
const versions = async (id: string) => (await server.http.get(`/api/recipes/${id}/versions`).expect(200)).body as VersionDto[];
const revisionsOf = async (id: string) => (await versions(id)).map(({ revision }) => revision);
/** Has all that was saved so far been saved so much earlier. */
const age = (table: string, of: string, id: string, by: string) =>
  database.query(`UPDATE ${table} SET saved_at = saved_at - $2::interval WHERE ${of} = $1`, [id, by]);
const ageRecipe = (id: string, by: string) => age('recipe_revisions', 'recipe_id', id, by);
const READY = '2 days';

test('of the last hour every draft stays, with who and when; the newest is told', async () => {
  await create(made('fresh'));
  for (const title of ['two', 'three', 'four']) await save('fresh', { title });
  const found = await versions('fresh');
  expect(found.map(({ revision, title, because }) => [revision, title, because])).toEqual([
    [4, 'four', ['newest']],
    [3, 'three', ['draft']],
    [2, 'two', ['draft']],
    [1, 'one', ['draft']],
  ]);
  expect(found[1]).toMatchObject({ savedBy: 'Owner', own: true, name: null, issues: [], dishes: [] });
  expect(Date.parse(found[1]?.savedAt ?? '')).toBeGreaterThan(Date.now() - 60_000);
});

test('of older drafts the last of ten minutes stays for a day, then the last of a day', async () => {
  await create(made('older'));
  for (const title of ['two', 'three']) await save('older', { title });
  // Within one stretch of ten minutes, three hours ago: far from where one stretch, or one day, becomes the next.
  const noon = new Date();
  noon.setHours(noon.getHours() - 3, 2, 0, 0);
  await database.query(`UPDATE recipe_revisions SET saved_at = $1 WHERE recipe_id = 'older'`, [noon]);
  await save('older', { title: 'four' });
  expect(await revisionsOf('older')).toEqual([4, 3]);
  // A day's last, and what came before it on that day, two stretches earlier.
  await database.query(`UPDATE recipe_revisions SET saved_at = date_trunc('day', now() - interval '3 days') + revision * interval '1 hour'
    WHERE recipe_id = 'older'`);
  await save('older', { title: 'five' });
  expect(await revisionsOf('older')).toEqual([5, 4]);
  expect((await versions('older'))[1]?.because).toEqual(['day']);
});

test('a version that something rests on stays: published, named, overwritten, taken back, or a dish was agreed to rest on it', async () => {
  await create(made('rested'));
  await server.http.post('/api/recipes/rested/published-cards').expect(201);
  await save('rested', { title: 'two' });
  await server.http.put('/api/recipes/rested/versions/2').send({ because: 'named', name: ' as tested ' }).expect(204);
  await save('rested', { title: 'three' });
  await server.http.put('/api/recipes/rested/versions/3').send({ because: 'overwritten' }).expect(204);
  await save('rested', { title: 'four' });
  const taken = { recipe: 'rested', part: 'm', amount: 10, unit: 'g' };
  await create({ ...made('on-it', 'On it'), parts: [{ id: 'p', name: 'P', lines: [taken] }] });
  await save('rested', { title: 'five' });
  await save('rested', { title: 'six' });
  await ageRecipe('rested', READY);
  await save('rested', { title: 'seven' });
  expect(
    (await versions('rested')).map(({ revision, because, name, issues, dishes }) => ({ revision, because, name, issues, dishes })),
  ).toEqual([
    { revision: 7, because: ['newest'], name: null, issues: [], dishes: [] },
    { revision: 6, because: ['day'], name: null, issues: [], dishes: [] },
    { revision: 4, because: ['base'], name: null, issues: [], dishes: ['On it'] },
    { revision: 3, because: ['overwritten'], name: null, issues: [], dishes: [] },
    { revision: 2, because: ['named'], name: 'as tested', issues: [], dishes: [] },
    { revision: 1, because: ['published'], name: null, issues: [1], dishes: [] },
  ]);
  // Its own pages still know what they rest on.
  await server.http.get('/api/recipes/on-it/upstream-changes').expect(200);
});

test('a name stays where it is kept for another reason too, and is taken off again', async () => {
  await create(made('called'));
  await save('called', { title: 'two' });
  const at = '/api/recipes/called/versions/1';
  await server.http.put(at).send({ because: 'named', name: 'first' }).expect(204);
  await server.http.put(at).send({ because: 'takenBack' }).expect(204);
  expect((await versions('called'))[1]).toMatchObject({ because: ['named'], name: 'first' });
  await server.http.put(at).send({ because: 'named', name: 'very first' }).expect(204);
  expect((await versions('called'))[1]).toMatchObject({ name: 'very first' });
  await server.http.delete(at).expect(204);
  expect((await versions('called'))[1]).toMatchObject({ because: ['draft'], name: null });
});

test('a version opens as it was, with what it takes parts of', async () => {
  await create(made('opened'));
  const taken = { recipe: 'opened', part: 'm', amount: 10, unit: 'g' };
  await create({ ...made('opener'), parts: [{ id: 'p', name: 'P', lines: [taken] }] });
  await save('opener', { title: 'two', parts: made('x').parts });
  const { body } = (await server.http.get('/api/recipes/opener/versions/1').expect(200)) as { body: Saved & { subRecipes: Recipe[] } };
  expect(body).toMatchObject({ revision: 1, document: { title: 'one' }, subRecipes: [{ id: 'opened' }] });
});

test.each([
  ['GET', '/api/recipes/nowhere/versions', undefined, 404],
  ['GET', '/api/recipes/fresh/versions/99', undefined, 404],
  ['GET', '/api/recipes/fresh/versions/99999999999', undefined, 400],
  ['GET', '/api/recipes/fresh/versions/one', undefined, 400],
  ['PUT', '/api/recipes/fresh/versions/99', { because: 'takenBack' }, 404],
  ['PUT', '/api/recipes/fresh/versions/1', { because: 'liked' }, 422],
  ['PUT', '/api/recipes/fresh/versions/1', { because: 'named' }, 422],
  ['PUT', '/api/recipes/fresh/versions/1', { because: 'named', name: '   ' }, 422],
  ['PUT', '/api/recipes/fresh/versions/1', { because: 'named', name: 'x'.repeat(81) }, 422],
  ['PUT', '/api/recipes/fresh/versions/1', { because: 'takenBack', name: 'x' }, 422],
  ['DELETE', '/api/recipes/fresh/versions/99', undefined, 404],
] as const)('%s %s with %j answers %d', async (method, path, body, status) => {
  const asked = { GET: server.http.get(path), PUT: server.http.put(path), DELETE: server.http.delete(path) }[method];
  await (body ? asked.send(body) : asked).expect(status);
  expect(await revisionsOf('fresh')).toEqual([4, 3, 2, 1]);
});

test('what a merge of foods rewrote is kept as it was', async () => {
  const food = (id: string) => ({ id, name: id, state: 'raw', nutrients: { energyKcal: 100 } });
  for (const id of ['twin-a', 'twin-b'])
    await server.http
      .post('/api/foods')
      .send({ document: food(id) })
      .expect(201);
  await create({ ...made('merging'), parts: [{ id: 'm', name: 'M', lines: [{ food: 'twin-b', amount: 5, unit: 'g' }] }] });
  await server.http.post('/api/merges').send({ kept: 'twin-a', gone: 'twin-b' }).expect(201);
  expect((await versions('merging')).map(({ because }) => because)).toEqual([['newest'], ['merged']]);
});

test('older drafts of a food are let go of too; what a recipe was agreed to rest on, or a card was published from, stays', async () => {
  const food = { id: 'broth', name: 'Broth', state: 'raw', nutrients: { energyKcal: 10 } };
  await server.http.post('/api/foods').send({ document: food }).expect(201);
  const edit = async (energyKcal: number) => {
    const { revision } = (await server.http.get('/api/foods/broth').expect(200)).body as Saved;
    await server.http
      .put('/api/foods/broth')
      .send({ revision, document: { ...food, nutrients: { energyKcal } } })
      .expect(200);
  };
  const use = (id: string) => create({ ...made(id), parts: [{ id: 'm', name: 'M', lines: [{ food: 'broth', amount: 5, unit: 'g' }] }] });
  await edit(11);
  await use('on-broth');
  await edit(12);
  await edit(13);
  await use('card-of-broth');
  await server.http.post('/api/recipes/card-of-broth/published-cards').expect(201);
  await server.http.post('/api/recipes/card-of-broth/upstream-changes').expect(204);
  await edit(14);
  await server.http.post('/api/recipes/card-of-broth/upstream-changes').expect(204);
  await edit(15);
  await age('food_revisions', 'food_id', 'broth', READY);
  await edit(16);
  const { body } = (await server.http.get('/api/foods/broth/history').expect(200)) as { body: Saved[] };
  // 2: a recipe rests on it. 4: a card was published from it. 5: a recipe rests on it. 6: its day's last. 7: the newest.
  expect(body.map(({ revision }) => revision)).toEqual([7, 6, 5, 4, 2]);
});
