import { Client } from 'pg';
import supertest from 'supertest';
import { inKitchenOf, joined, PASSWORD, stranger, type Server } from './house.js';
import { requestsTo, testServer } from './testServer.js';

let server: Server;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const post = (address: string, body: object) => supertest(server.address).post(address).set('Content-Type', 'application/json').send(body);
const rolesOf = async () =>
  ((await server.http.get('/api/members').expect(200)).body as { name: string; role: string }[]).map(({ name, role }) => `${name} ${role}`);

test('an invitation says what it is, is taken once, and makes an account that is a member', async () => {
  const { body } = (await server.http.post(`${server.kitchen}/invitations`).send({ role: 'tester', costs: false }).expect(201)) as {
    body: object;
  };
  const link = (body as { link: string }).link;
  expect(link).toMatch(new RegExp(`^${server.address}/join#[\\w-]{43}$`));
  const secret = link.split('#')[1]!;
  const look = await post('/api/invitations/look', { link: secret }).expect(200);
  expect(look.body).toMatchObject({ kitchen: 'Saltmarsh Suppers', role: 'tester', costs: false, by: 'Owner', signedIn: false });
  await post('/api/invitations/taken', { link: secret }).expect(422);
  await post('/api/invitations/taken', { link: secret, name: 'Wren', email: 'no address', password: PASSWORD }).expect(422);
  const account = { link: secret, name: 'Wren', email: 'wren@harbour.example', password: PASSWORD };
  const both = await Promise.all([
    post('/api/invitations/taken', account),
    post('/api/invitations/taken', { ...account, email: 'other@harbour.example' }),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual([200, 401]);
  await post('/api/invitations/look', { link: secret }).expect(401);
  expect(await rolesOf()).toContain('Wren tester');
});

test('who has an account joins with it, and is made no less by an invitation to less', async () => {
  const editor = await joined(server, 'editor', { name: 'Ash' });
  const { body } = (await server.http.post(`${server.kitchen}/invitations`).send({ role: 'viewer', costs: false }).expect(201)) as {
    body: object;
  };
  const link = (body as { link: string }).link.split('#')[1];
  await post('/api/invitations/taken', { link, name: 'Ash', email: editor.email, password: PASSWORD }).expect(422);
  await editor.http.post('/api/invitations/taken').send({ link }).expect(200);
  expect(await rolesOf()).toContain('Ash editor');
});

test('one that is withdrawn lets nobody in; only owners invite, and see addresses', async () => {
  const editor = await joined(server, 'editor', { name: 'Elm' });
  await editor.http.post(`${server.kitchen}/invitations`).send({ role: 'owner', costs: true }).expect(403);
  const { body } = (await server.http
    .post(`${server.kitchen}/invitations`)
    .send({ role: 'owner', costs: true, email: 'later@harbour.example' })
    .expect(201)) as { body: object };
  const { id, link, sent } = body as { id: string; link: string; sent: boolean };
  expect(sent).toBe(true);
  const letters = (await server.http.get('/api/letters').expect(200)).body as { letters: { to: string; text: string }[] };
  expect(letters.letters[0]).toMatchObject({ to: 'later@harbour.example', text: expect.stringContaining(link) as string });
  await server.http.delete(`${server.kitchen}/invitations/${id}`).expect(204);
  await post('/api/invitations/look', { link: link.split('#')[1] }).expect(401);
  const seen = (await editor.http.get('/api/members').expect(200)).body as { email?: string }[];
  expect(seen.every(({ email }) => email === undefined)).toBe(true);
});

test('there is always an owner: the last cannot leave, be taken out or become less, also when two try at once', async () => {
  const other = await joined(server, 'owner', { name: 'Second' });
  const me = ((await server.http.get('/api/members').expect(200)).body as { id: string; you: boolean }[]).find(({ you }) => you)!;
  const answers = await Promise.all([server.http.delete(`/api/members/${other.id}`), other.http.delete(`/api/members/${me.id}`)]);
  expect(answers.map(({ status }) => status).filter((status) => status === 204)).toHaveLength(1);
  const [left, out] = answers[0].status === 204 ? [server, other] : [other, server];
  await out.http.get('/api/recipes').expect(404);
  await left.http.delete('/api/membership').expect(409);
  const own = ((await left.http.get('/api/members').expect(200)).body as { id: string; you: boolean }[]).find(({ you }) => you)!;
  await left.http.patch(`/api/members/${own.id}`).send({ role: 'viewer', costs: false }).expect(409);
  // As it was, for what comes after.
  if (left !== server) {
    const { body } = (await other.http.post(`${server.kitchen}/invitations`).send({ role: 'owner', costs: true }).expect(201)) as {
      body: object;
    };
    await server.http
      .post('/api/invitations/taken')
      .send({ link: (body as { link: string }).link.split('#')[1] })
      .expect(200);
  }
});

test('who is taken out is out at once, with their tokens', async () => {
  const one = await joined(server, 'editor', { name: 'Gone' });
  const { token } = (
    await one.http
      .post('/api/tokens')
      .send({ name: 't', rights: ['read', 'edit'], days: 7 })
      .expect(201)
  ).body as { token: string };
  const byToken = () => supertest(server.address).get(`${server.kitchen}/recipes`).set('Authorization', `Bearer ${token}`);
  await byToken().expect(200);
  await server.http.delete(`/api/members/${one.id}`).expect(204);
  await one.http.get('/api/recipes').expect(404);
  await byToken().expect(401);
  await one.http.get('/api/me').expect(200);
});

test('a token does what it was given of what its member may, until its day, in its kitchen alone', async () => {
  const editor = await joined(server, 'editor', { name: 'Tok' });
  await editor.http
    .post('/api/tokens')
    .send({ name: 'too much', rights: ['manage'], days: 7 })
    .expect(422);
  const viewer = await joined(server, 'viewer', { name: 'Vok' });
  await viewer.http
    .post('/api/tokens')
    .send({ name: 'more than me', rights: ['edit'], days: 7 })
    .expect(403);
  const { token, id } = (
    await editor.http
      .post('/api/tokens')
      .send({ name: 'reader', rights: ['read'], days: 7 })
      .expect(201)
  ).body as {
    token: string;
    id: string;
  };
  const by = (method: 'get' | 'post' | 'delete', address: string) =>
    supertest(server.address)[method](address).set('Content-Type', 'application/json').set('Authorization', `Bearer ${token}`);
  await by('get', `${server.kitchen}/recipes`).expect(200);
  await by('get', `${server.kitchen}/price-moves`).expect(403);
  await by('post', `${server.kitchen}/recipes`).send({}).expect(403);
  await by('post', `${server.kitchen}/tokens`)
    .send({ name: 'another', rights: ['read'], days: 7 })
    .expect(403);
  await by('delete', `${server.kitchen}/membership`).expect(403);
  await by('get', '/api/me').expect(403);
  const other = await stranger(server, 'Tokless');
  await by('get', `${other.kitchen}/recipes`).expect(404);
  // What its member may no longer, it may no longer.
  await server.http.patch(`/api/members/${editor.id}`).send({ role: 'viewer', costs: false }).expect(200);
  await by('get', `${server.kitchen}/recipes`).expect(200);
  await editor.http.delete(`/api/tokens/${id}`).expect(204);
  await by('get', `${server.kitchen}/recipes`).expect(401);
});

test('a kitchen that is copied is another: what is changed in one is not in the other', async () => {
  const copy = (await server.http.post(`${server.kitchen}/copies`).send({ name: 'Second table' }).expect(201)).body as { key: string };
  const there = requestsTo(server.address, { ...server, kitchen: `/api/kitchens/${copy.key}` });
  const list = async (http: typeof there) =>
    ((await http.get('/api/recipes').expect(200)).body as { id: string }[]).map(({ id }) => id).sort();
  expect(await list(there)).toEqual(await list(server.http));
  expect((await there.get('/api/kitchen').expect(200)).body).toMatchObject({ name: 'Second table' });
  await there.delete('/api/recipes/beef-shin-and-barley').expect(204);
  expect(await list(server.http)).toContain('beef-shin-and-barley');
});

test('a kitchen that is deleted is closed to everybody, taken back by its owner, and gone for good after thirty days', async () => {
  const one = await stranger(server, 'Keeps');
  await one.http.post('/api/imports/starter-pantry').expect(201);
  await one.http.put('/api/readers-address').send({ on: true, name: 'keeps' }).expect(200);
  await one.http.delete(`/api/kitchens/${one.kitchen.split('/')[3]}`).expect(204);
  await one.http.get('/api/foods').expect(404);
  await supertest(server.address).get('/read/keeps').expect(404);
  const mine = (await one.http.get('/api/kitchens').expect(200)).body as { key: string; goneAt?: string }[];
  expect(Date.parse(mine[0]?.goneAt ?? '') - Date.now()).toBeGreaterThan(29 * 24 * 3600_000);
  await server.http.post(`/api/kitchens/${mine[0]?.key}/taken-back`).expect(404);
  await one.http.post(`/api/kitchens/${mine[0]?.key}/taken-back`).expect(200);
  expect(((await one.http.get('/api/foods').expect(200)).body as unknown[]).length).toBeGreaterThan(0);
});

test('after thirty days nothing is left of a kitchen that was deleted, and another stays as it is', async () => {
  const one = await stranger(server, 'Goes');
  const document = {
    id: 'soup',
    title: 'Soup',
    servings: 1,
    parts: [{ id: 'm', name: 'M', lines: [{ food: 'leek', amount: 1, unit: 'piece' }] }],
  };
  await one.http.post('/api/imports/starter-pantry').expect(201);
  await one.http
    .post('/api/recipes')
    .send({ document: { ...document, parts: [{ id: 'm', name: 'M', lines: [] }] } })
    .expect(201);
  await one.http
    .post('/api/batches')
    .send({ document: { id: 'pot', recipe: 'soup', date: '2026-11-30' } })
    .expect(201);
  await one.http.post('/api/recipes/soup/notes').send({ place: 'recipe', about: '', text: 'x', mentions: [] }).expect(201);
  await one.http.delete(one.kitchen).expect(204);
  const client = new Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  try {
    const key = one.kitchen.split('/')[3];
    const { rows } = await client.query<{ id: string }>(
      `UPDATE kitchens SET deleted_at = now() - interval '29 days' WHERE key = $1 RETURNING id`,
      [key],
    );
    const forget = async () => (await client.query<{ gone: number }>('SELECT forget_deleted_kitchens(30) AS gone')).rows[0]?.gone;
    expect(await forget()).toBe(0);
    await client.query(`UPDATE kitchens SET deleted_at = now() - interval '31 days' WHERE key = $1`, [key]);
    const before = ((await server.http.get('/api/recipes').expect(200)).body as unknown[]).length;
    expect(await forget()).toBe(1);
    const { rows: tables } = await client.query<{ name: string }>(
      `SELECT table_name AS name FROM information_schema.columns WHERE column_name = 'kitchen_id' AND table_schema = 'public'`,
    );
    for (const { name } of tables) {
      const left = await client.query(`SELECT 1 FROM ${name} WHERE kitchen_id = $1`, [rows[0]?.id]);
      expect([name, left.rows.length]).toEqual([name, 0]);
    }
    expect(((await server.http.get('/api/recipes').expect(200)).body as unknown[]).length).toBe(before);
  } finally {
    await client.end();
  }
  expect(((await one.http.get('/api/kitchens').expect(200)).body as unknown[]).length).toBe(0);
});

test('a new account’s first page is of its own kitchen; an address of another answers as one that is not there', async () => {
  const one = await stranger(server, 'Outside');
  const real = await one.http.get(inKitchenOf(server, '/api/recipes'));
  const none = await one.http.get('/api/kitchens/0123456789/recipes');
  expect([real.status, none.status]).toEqual([404, 404]);
  expect((real.body as { detail: string }).detail.replace(server.kitchen.split('/')[3]!, 'K')).toBe(
    (none.body as { detail: string }).detail.replace('0123456789', 'K'),
  );
});

test('a tester to whom costs are not shown saves a batch, and what was paid for it stays', async () => {
  const tester = await joined(server, 'tester', { name: 'Tess' });
  const paidOf = async (http: typeof server.http) =>
    (await http.get('/api/batches/dal-2026-08-20').expect(200)).body as { revision: number; document: { paid?: object[]; notes?: string } };
  const before = await paidOf(server.http);
  expect(before.document.paid?.length).toBeGreaterThan(0);
  const seen = await paidOf(tester.http);
  expect(seen.document.paid).toEqual([]);
  const { paid: _, ...document } = seen.document;
  await tester.http.put('/api/batches/dal-2026-08-20').send({ revision: seen.revision, document }).expect(200);
  expect((await paidOf(server.http)).document.paid).toEqual(before.document.paid);
});
