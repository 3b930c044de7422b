import { Client } from 'pg';
import supertest from 'supertest';
import { joined, PASSWORD, type Server } from './house.js';
import { requestsTo, testServer } from './testServer.js';

let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

type Person = Awaited<ReturnType<typeof joined>>;
const end = (person: Person, name: string, password?: string) =>
  person.http.delete('/api/me').send({ name, ...(password === undefined ? {} : { password }) });
const names = async () => ((await server.http.get('/api/members').expect(200)).body as { name: string }[]).map(({ name }) => name);

test('who ends their account is out everywhere at once, and what they did stays in the kitchen', async () => {
  const one = await joined(server, 'editor', { name: 'Alder' });
  const { token } = (
    await one.http
      .post('/api/tokens')
      .send({ name: 't', rights: ['read'], days: 7 })
      .expect(201)
  ).body as { token: string };
  const document = { id: 'by-alder', title: 'By Alder', servings: 1, parts: [{ id: 'p', name: 'P', lines: [] }] };
  await one.http.post('/api/recipes').send({ document }).expect(201);

  // Neither a wrong name nor a wrong password ends anything; nor does leaving one out.
  await end(one, 'Ash', PASSWORD).expect(422);
  await end(one, 'Alder', 'not the password').expect(422);
  await end(one, 'Alder').expect(422);
  await end(one, '', PASSWORD).expect(422);
  expect(await names()).toContain('Alder');

  const { headers } = await end(one, 'Alder', PASSWORD).expect(204);
  expect(String(headers['set-cookie'])).toMatch(/=; Max-Age=0/);
  await one.http.get('/api/me').expect(401);
  await one.http.get('/api/recipes').expect(401);
  await supertest(server.address).get(`${server.kitchen}/recipes`).set('Authorization', `Bearer ${token}`).expect(401);
  await supertest(server.address)
    .post('/api/sign-ins')
    .set('Content-Type', 'application/json')
    .send({ email: one.email, password: PASSWORD })
    .expect(401);
  expect(await names()).not.toContain('Alder');

  const { body: kept } = (await server.http.get('/api/recipes/by-alder/versions').expect(200)) as { body: { savedBy: string }[] };
  expect(kept.map(({ savedBy }) => savedBy)).toEqual(['somebody who left']);
  const { body: log } = (await server.http.get('/api/audit').expect(200)) as {
    body: { entries: { does: string; by: { name: string } }[] };
  };
  expect(log.entries.find(({ does }) => does === 'leaveKitchen')?.by.name).toBe('Alder');
  expect(log.entries.find(({ does }) => does === 'createRecipe')?.by.name).toBe('Alder');
  expect((await server.http.get('/api/audit/check').expect(200)).body).toMatchObject({ brokenAt: null });
  const { letters } = (await server.http.get('/api/letters').expect(200)).body as { letters: { to: string; subject: string }[] };
  expect(letters.find(({ to }) => to === one.email)?.subject).toMatch(/was deleted/);
  // The address is free again.
  expect((await joined(server, 'viewer', { name: 'Alder' })).email).toBeDefined();
});

test('a kitchen keeps an owner: the only one is told where, and of two who end at once one stays', async () => {
  const one = await joined(server, 'editor', { name: 'Rowan' });
  await one.http.post('/api/kitchens').send({ name: 'Rowan’s own' }).expect(201);
  const refused = await end(one, 'Rowan', PASSWORD).expect(409);
  expect((refused.body as { detail: string }).detail).toMatch(/only owner of “Rowan’s own”/);
  // Nothing was left meanwhile.
  expect(await names()).toContain('Rowan');
  await one.http.get('/api/recipes').expect(200);

  const { kitchens } = (await one.http.get('/api/me').expect(200)).body as { kitchens: { key: string; name: string }[] };
  const key = kitchens.find(({ name }) => name === 'Rowan’s own')?.key ?? '';
  const own = { headers: one.headers, kitchen: `/api/kitchens/${key}` };
  const other = await joined({ ...server, ...own, http: requestsTo(server.address, own) }, 'owner', { name: 'Hazel' });
  // Both are under way before either is done: the log of the kitchen, in which each is noted, is held meanwhile.
  const database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
  await database.query('BEGIN');
  await database.query('SELECT FROM audit_heads WHERE chain = (SELECT id::text FROM kitchens WHERE key = $1) FOR UPDATE', [key]);
  const ending = Promise.all([end(one, 'Rowan', PASSWORD), end(other, 'Hazel', PASSWORD)]);
  void ending.catch(() => undefined);
  const held = async () => {
    await database.query('SELECT pg_stat_clear_snapshot()');
    const { rowCount } = await database.query(`SELECT FROM pg_stat_activity WHERE wait_event_type = 'Lock' AND query LIKE '%end_account%'`);
    return rowCount ?? 0;
  };
  for (let i = 0; i < 200 && (await held()) < 2; i++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(await held()).toBe(2);
  await database.query('COMMIT');
  await database.end();
  const ended = await ending;
  expect(ended.map(({ status }) => status).sort()).toEqual([204, 409]);
  const stays = ended[0].status === 409 ? one : other;
  const { body: members } = (await stays.http.get(`/api/kitchens/${key}/members`).expect(200)) as { body: { role: string }[] };
  expect(members.map(({ role }) => role)).toEqual(['owner']);
});

test('who looks after the installation stays; nobody else is ended by a stranger', async () => {
  const { name } = (await server.http.get('/api/me').expect(200)).body as { name: string };
  await server.http.delete('/api/me').send({ name }).expect(409);
  await supertest(server.address).delete('/api/me').send({ name }).expect(401);
  await server.http.get('/api/recipes').expect(200);
});
