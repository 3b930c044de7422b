import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import supertest from 'supertest';
import { joined, PASSWORD, type Server } from './house.js';
import { testServer } from './testServer.js';

// What is written down by a clock that goes back afterwards lies in days that are still to come.

let server: Server;
let owner: Client;
beforeAll(async () => {
  server = await testServer({ demo: true });
  owner = new Client({ connectionString: process.env.DATABASE_URL });
  await owner.connect();
});
afterAll(async () => {
  await owner.end();
  await server.close();
});

const draw = async () => {
  const answer = await server.http
    .post('/api/recipes/beef-shin-and-barley/distributions')
    .send({ figure: 'protein', draws: 2000 })
    .expect(202);
  return (answer.body as { id: string }).id;
};
async function ended(id: string): Promise<unknown> {
  for (let i = 0; i < 200; i++) {
    const { body } = (await server.http.get(`/api/distributions/${id}`).expect(200)) as { body: { state: string } };
    if (body.state !== 'running') return body.state;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return 'still running';
}

test('a run that is held until tomorrow by somebody who went away is taken up at once', async () => {
  const id = await draw();
  expect(await ended(id)).toBe('done');
  await owner.query(`UPDATE drawings SET state = 'running', held_until = now() + interval '1 day', attempt = attempt + 1 WHERE id = $1`, [
    id,
  ]);
  expect(await ended(id)).toBe('done');
});

test('a job that is to be given out tomorrow is given out now', async () => {
  const id = await draw();
  expect(await ended(id)).toBe('done');
  // As it would lie there: waiting, so that it is given out no second time.
  await owner.query(
    `INSERT INTO jobs.job (name, data, singleton_key, state, start_after, policy)
     SELECT name, data, singleton_key, 'created', now() + interval '1 day', policy FROM jobs.job WHERE singleton_key = $1 LIMIT 1`,
    [id],
  );
  await owner.query(`UPDATE drawings SET state = 'running', held_until = '-infinity' WHERE id = $1`, [id]);
  expect(await ended(id)).toBe('done');
});

test('whoever is locked out until tomorrow is so for as long as one ever is, and not longer', async () => {
  const { email } = await joined(server, 'viewer', { name: 'Ash' });
  const tryWith = (password: string) =>
    supertest(server.address).post('/api/sign-ins').set('Content-Type', 'application/json').send({ email, password });
  for (let i = 0; i < 5; i++) await tryWith('not the one at all').expect(401);
  const locked = await tryWith(PASSWORD).expect(429);
  expect(Number(locked.headers['retry-after'])).toBeLessThanOrEqual(30);
  await owner.query(`UPDATE rate_limits SET expire = expire + 86400000 WHERE key LIKE 'locked:%'`);
  const later = await tryWith(PASSWORD).expect(429);
  expect(Number(later.headers['retry-after'])).toBeLessThanOrEqual(15 * 60);
  await owner.query(`UPDATE rate_limits SET expire = 1 WHERE key LIKE 'locked:%'`);
  await tryWith(PASSWORD).expect(200);
});

test('a backup of tomorrow keeps none of today from being made', () => {
  const home = mkdtempSync(join(tmpdir(), 'portiona-clock-'));
  try {
    mkdirSync(join(home, 'backups'));
    writeFileSync(join(home, 'backups', 'portiona-2999-01-01-000000.tar'), '');
    const { status } = spawnSync(process.execPath, [join(__dirname, '../../scripts/backups.mjs'), 'daily'], {
      env: { ...process.env, PORTIONA_HOME: home },
    });
    expect(status).toBe(0);
    expect(readdirSync(join(home, 'backups'))).toHaveLength(2);
  } finally {
    rmSync(home, { recursive: true, force: true });
  }
});
