import { Client } from 'pg';
import supertest from 'supertest';
import { joined, PASSWORD, type Server } from './house.js';
import { requestsTo, signedIn, testServer } from './testServer.js';

let server: Server;
let database: Client;
beforeAll(async () => {
  server = await testServer({ demo: false });
  database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
});
afterAll(async () => {
  await database.end();
  await server.close();
});
/** What was tried is forgotten, so that no test is refused for what another tried. */
beforeEach(() => database.query('DELETE FROM rate_limits'));

const post = (address: string, body: object) => supertest(server.address).post(address).set('Content-Type', 'application/json').send(body);
const signIn = (email: string, password: string) => post('/api/sign-ins', { email, password });
const NEXT = 'seven plums under glass';

test('whoever comes by no way is told to sign in, and a cookie that is none helps nobody', async () => {
  for (const cookie of ['', `portiona-${new URL(server.address).port}=${'x'.repeat(43)}`]) {
    const { body } = (await supertest(server.address).get(`${server.kitchen}/recipes`).set('Cookie', cookie).expect(401)) as {
      body: object;
    };
    expect(body).toMatchObject({ type: 'urn:portiona:signed-out' });
  }
});

test('the cookie is out of reach of scripts and of other sites, and of one path', async () => {
  const one = await joined(server, 'viewer');
  const answer = await signIn(one.email, PASSWORD).expect(200);
  expect(String(answer.headers['set-cookie'])).toMatch(/^portiona-\d+=[\w-]{43}; Max-Age=\d+; Path=\/; HttpOnly; SameSite=Lax$/);
  expect(JSON.stringify(answer.body)).not.toContain(/=([\w-]{43});/.exec(String(answer.headers['set-cookie']))?.[1]);
});

test('a link of the command line lets in once', async () => {
  const { enterLink } = await import('../src/database/enterLink.js');
  const link = await enterLink(process.env.DATABASE_URL ?? '');
  const [one, two] = await Promise.all([post('/api/entries', { link }), post('/api/entries', { link })]);
  expect([one.status, two.status].sort()).toEqual([200, 401]);
  await post('/api/entries', { link: 'x'.repeat(43) }).expect(401);
  await expect(enterLink(process.env.DATABASE_URL ?? '', 'nobody@harbour.example')).rejects.toThrow(/nobody has an account/);
});

test('a wrong password and an address that has no account are told the same, and take the same work', async () => {
  const { email } = await joined(server, 'viewer');
  const wrong = await signIn(email, 'not the password').expect(401);
  const none = await signIn('nobody@harbour.example', 'not the password').expect(401);
  expect(none.body).toEqual(wrong.body);
  const took = async (address: string) => {
    const times: number[] = [];
    for (let i = 0; i < 3; i++) {
      const begun = performance.now();
      await signIn(address, 'not the password');
      times.push(performance.now() - begun);
    }
    return Math.min(...times);
  };
  // Without the work of a digest, an address that nobody has would be answered many times quicker.
  const [known, unknown] = [await took(email), await took('somebody.else@harbour.example')];
  expect(unknown).toBeGreaterThan(known / 3);
});

test('address and password in whatever capitals; the session before ends when one signs in anew', async () => {
  const { email, headers } = await joined(server, 'viewer');
  const answer = await supertest(server.address)
    .post('/api/sign-ins')
    .set('Content-Type', 'application/json')
    .set('Cookie', headers.Cookie ?? '')
    .send({ email: ` ${email.toUpperCase()} `, password: PASSWORD })
    .expect(200);
  const now = signedIn(answer);
  expect(now.headers.Cookie).not.toBe(headers.Cookie);
  await supertest(server.address)
    .get('/api/me')
    .set('Cookie', headers.Cookie ?? '')
    .expect(401);
  await supertest(server.address)
    .get('/api/me')
    .set('Cookie', now.headers.Cookie ?? '')
    .expect(200);
});

test('from the fifth wrong password on an address is refused for a while, the right one too, and for longer each time', async () => {
  const { email } = await joined(server, 'viewer');
  for (let i = 0; i < 4; i++) await signIn(email, `wrong ${i}`).expect(401);
  await signIn(email, 'wrong again').expect(401);
  const refused = await signIn(email, PASSWORD).expect(429);
  expect(Number(refused.headers['retry-after'])).toBeGreaterThan(20);
  expect(refused.body).toMatchObject({ type: 'urn:portiona:too-often' });
  // Half a minute later, one more wrong one: twice as long.
  await database.query(`DELETE FROM rate_limits WHERE key LIKE 'locked:%'`);
  await signIn(email, 'wrong once more').expect(401);
  expect(Number((await signIn(email, PASSWORD).expect(429)).headers['retry-after'])).toBeGreaterThan(45);
  // Once it is over, the right one lets in, and what was wrong is forgotten.
  await database.query(`DELETE FROM rate_limits WHERE key LIKE 'locked:%'`);
  await signIn(email, PASSWORD).expect(200);
  await signIn(email, 'wrong').expect(401);
  await signIn(email, PASSWORD).expect(200);
});

test('one that is refused for one address is not for another; too many tries from one place are', async () => {
  for (let i = 0; i < 60; i++) await post('/api/entries', { link: `none-${i}` });
  await post('/api/entries', { link: 'none' }).expect(429);
});

test('a link to a new password works once, ends every session, and the old password with it', async () => {
  const { email, headers } = await joined(server, 'viewer');
  await post('/api/password-resets', { email }).expect(204);
  await post('/api/password-resets', { email: 'nobody@harbour.example' }).expect(204);
  const link = await letterTo(email);
  await post('/api/password-resets/taken', { link, password: 'short' }).expect(422);
  await post('/api/password-resets/taken', { link, password: 'password123' }).expect(422);
  await post('/api/password-resets/taken', { link, password: NEXT }).expect(200);
  await post('/api/password-resets/taken', { link, password: NEXT }).expect(401);
  await supertest(server.address)
    .get('/api/me')
    .set('Cookie', headers.Cookie ?? '')
    .expect(401);
  await signIn(email, PASSWORD).expect(401);
  await signIn(email, NEXT).expect(200);
  const { body } = (await server.http.get('/api/letters').expect(200)) as { body: object };
  expect(JSON.stringify(body)).not.toContain('nobody@harbour.example');
});

test('a link to a new password is worth nothing after an hour, and one that was asked for before another nothing at all', async () => {
  const { email } = await joined(server, 'viewer');
  await post('/api/password-resets', { email }).expect(204);
  const first = await letterTo(email);
  await post('/api/password-resets', { email }).expect(204);
  const second = await letterTo(email, first);
  await post('/api/password-resets/taken', { link: first, password: NEXT }).expect(401);
  await database.query(
    `UPDATE account_links SET expires_at = now() - interval '1 second', made_at = now() - interval '1 hour' WHERE kind = 'reset'`,
  );
  await post('/api/password-resets/taken', { link: second, password: NEXT }).expect(401);
  const { rows } = await database.query<{ hour: string }>(
    `SELECT (expires_at - made_at)::text AS hour FROM account_links WHERE kind = 'reset'`,
  );
  expect(rows.map(({ hour }) => hour)).toEqual(['00:59:59']);
});

/** The secret in the newest letter to somebody. */
async function letterTo(email: string, but?: string): Promise<string> {
  for (let i = 0; i < 200; i++) {
    const { body } = (await server.http.get('/api/letters').expect(200)) as { body: object };
    const letter = (body as { letters: { to: string; text: string }[] }).letters.find(({ to }) => to === email);
    const secret = /\/reset#(\S+)/.exec(letter?.text ?? '')?.[1];
    if (secret !== undefined && secret !== but) return secret;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('no letter came');
}

test('another address and another password are told by letter: at the address that was given up, and where they are used', async () => {
  const one = await joined(server, 'viewer', { name: 'Moved' });
  const http = one.http;
  await http
    .patch('/api/me')
    .send({ name: 'Moved', email: `new-${one.email}`, password: PASSWORD })
    .expect(200);
  await http.put('/api/me/password').send({ before: PASSWORD, password: NEXT }).expect(200);
  // A name is nobody's way in.
  await http.patch('/api/me').send({ name: 'Moved again' }).expect(200);
  const told = async () => {
    const { body } = (await server.http.get('/api/letters').expect(200)) as { body: object };
    return (body as { letters: { to: string; subject: string; text: string }[] }).letters
      .filter(({ to }) => to.endsWith(one.email))
      .map(({ to, subject, text }) => [to === one.email ? 'old' : 'new', subject, text.includes('If it was not you')])
      .sort();
  };
  for (let i = 0; i < 100 && (await told()).length < 2; i++) await new Promise((resolve) => setTimeout(resolve, 50));
  expect(await told()).toEqual([
    ['new', 'Your password at Portiona was changed', true],
    ['old', 'Your address at Portiona was changed', true],
  ]);
});

test('a cookie that was stolen dies with “sign out everywhere”, and with another password', async () => {
  const one = await joined(server, 'viewer');
  const { body } = (await one.http.get('/api/me/sessions').expect(200)) as { body: object };
  expect(body).toMatchObject([{ here: true, way: 'invitation' }]);
  const stolen = () => requestsTo(server.address, one).get('/api/recipes');
  await stolen().expect(200);
  await one.http.delete('/api/me/sessions').expect(204);
  await stolen().expect(401);
  const [here, elsewhere] = [await signIn(one.email, PASSWORD).expect(200), await signIn(one.email, PASSWORD).expect(200)].map(signedIn);
  await requestsTo(server.address, here!).put('/api/me/password').send({ before: 'wrong', password: NEXT }).expect(422);
  await requestsTo(server.address, here!).put('/api/me/password').send({ before: PASSWORD, password: NEXT }).expect(200);
  await requestsTo(server.address, elsewhere!).get('/api/me').expect(401);
  await requestsTo(server.address, here!).get('/api/me').expect(200);
});

test('one place is signed out by itself, and nobody ends another’s', async () => {
  const one = await joined(server, 'viewer');
  const other = signedIn(await signIn(one.email, PASSWORD).expect(200));
  const rows = (await one.http.get('/api/me/sessions').expect(200)).body as { id: string; here: boolean }[];
  const away = rows.find(({ here }) => !here)!;
  await server.http.delete(`/api/me/sessions/${away.id}`).expect(404);
  await one.http.delete(`/api/me/sessions/${away.id}`).expect(204);
  await requestsTo(server.address, other).get('/api/me').expect(401);
});

test('a change that the page does not say its word with is refused, whatever cookie comes along', async () => {
  const { headers } = await joined(server, 'editor');
  const document = { id: 'forged', title: 'Forged', servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] };
  for (const said of ['', 'x', (await joined(server, 'editor')).headers['X-Portiona-Page'] ?? '']) {
    const { body } = (await supertest(server.address)
      .post(`${server.kitchen}/recipes`)
      .set('Content-Type', 'application/json')
      .set({ Cookie: headers.Cookie ?? '', 'X-Portiona-Page': said })
      .send({ document })
      .expect(403)) as { body: object };
    expect(body).toMatchObject({ type: 'urn:portiona:other-page' });
  }
  await server.http.get('/api/recipes/forged').expect(404);
});

test('passwords are kept as argon2id, secrets as digests; nothing of them stands anywhere else', async () => {
  const { email, headers } = await joined(server, 'viewer');
  await signIn(email, 'not the right one').expect(401);
  const { rows } = await database.query<{ password: string }>('SELECT password FROM accounts WHERE email = $1', [email]);
  expect(rows[0]?.password).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  const secret = headers.Cookie?.split('=')[1] ?? '';
  const everything = await database.query<{ said: string }>(
    `SELECT string_agg(said, ' ') AS said FROM (
       SELECT entry AS said FROM audit_entries UNION ALL SELECT account_sessions::text FROM account_sessions
       UNION ALL SELECT accounts::text FROM accounts UNION ALL SELECT rate_limits::text FROM rate_limits) every`,
  );
  for (const hidden of [secret, PASSWORD, 'not the right one']) expect(everything.rows[0]?.said).not.toContain(hidden);
});

test('an address that another account has is refused, and a change of it needs the password', async () => {
  const [one, two] = [await joined(server, 'viewer', { name: 'One' }), await joined(server, 'viewer', { name: 'Two' })];
  await two.http.patch('/api/me').send({ name: 'Two', email: 'new@harbour.example' }).expect(422);
  await two.http.patch('/api/me').send({ name: 'Two', email: one.email, password: PASSWORD }).expect(422);
  await two.http.patch('/api/me').send({ name: 'Deux\nBcc: x', email: two.email }).expect(422);
  const { body } = (await two.http
    .patch('/api/me')
    .send({ name: 'Deux', email: 'NEW@harbour.example', password: PASSWORD })
    .expect(200)) as { body: object };
  expect(body).toMatchObject({ name: 'Deux', email: 'new@harbour.example' });
  await two.http.patch('/api/me').send({ name: 'Deux', keeper: true }).expect(422);
  expect((await two.http.get('/api/me').expect(200)).body).toMatchObject({ keeper: false });
});

test('what happened to an account is told to it alone', async () => {
  const one = await joined(server, 'viewer');
  await signIn(one.email, 'wrong').expect(401);
  const deeds = ((await one.http.get('/api/me/deeds').expect(200)).body as { does: string }[]).map(({ does }) => does);
  expect(deeds).toEqual(['wrongPassword', 'signIn']);
  const other = await joined(server, 'viewer');
  expect(((await other.http.get('/api/me/deeds').expect(200)).body as unknown[]).length).toBe(1);
});
