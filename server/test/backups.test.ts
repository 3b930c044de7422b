import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import supertest from 'supertest';
import { enterLink } from '../src/database/enterLink.js';
import { migrate, pendingMigrations } from '../src/database/migrate.js';
import { freshDatabase } from './freshDatabase.js';
import { joined, PASSWORD, type Server } from './house.js';
import { enter, requestsTo, serverOn, testServer } from './testServer.js';

const SCRIPT = join(__dirname, '../../scripts/backups.mjs');
const work = mkdtempSync(join(tmpdir(), 'portiona-backups-'));
let server: Server;
let source: string;
beforeAll(async () => {
  server = await testServer({ demo: true });
  source = process.env.DATABASE_URL ?? '';
});
afterAll(async () => {
  await server.close();
  rmSync(work, { recursive: true, force: true });
});

/** Runs the command's part that makes and restores backups. */
function backups(args: readonly string[], database: string, home: string, more: NodeJS.ProcessEnv = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [SCRIPT, ...args], {
    env: { ...process.env, DATABASE_URL: database, PORTIONA_HOME: home, ...more },
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
}

const dish = (id: string) => ({ id, title: id, servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] });
const tables = async (url: string) => {
  const client = new Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query<{ count: string }>(
    `SELECT count(*) FROM information_schema.tables WHERE table_schema IN ('public', 'jobs')`,
  );
  await client.end();
  return Number(rows[0]?.count);
};

test('what is backed up while it is written to is one state of it, and restored into an empty place it is the same kitchen', async () => {
  const home = process.env.PORTIONA_HOME ?? '';
  const member = await joined(server, 'editor', { name: 'Ash' });
  const brought = (
    await server.http.post('/api/food-tables?name=t.csv').set('Content-Type', 'text/csv').send('name,kcal\nSorrel,20\n').expect(201)
  ).body as { id: string };
  // Somebody writes all the while.
  let writing = true;
  const writer = (async () => {
    for (let i = 0; writing; i++) await server.http.post('/api/recipes').send({ document: dish(`meanwhile-${i}`) });
  })();
  const file = join(work, 'first.tar');
  const made = await new Promise<{ status: number | null; said: string }>((resolve) =>
    setTimeout(() => resolve(backups(['make', file], source, home)), 300),
  );
  writing = false;
  await writer;
  expect(made).toMatchObject({ status: 0, said: expect.stringContaining('read back whole') as string });
  expect(backups(['make', file], source, home).said).toMatch(/is there already/);
  const empty = await freshDatabase();
  const place = join(work, 'restored');
  mkdirSync(place);
  expect(backups(['restore', file], empty, place)).toMatchObject({ status: 0 });
  expect(readdirSync(join(place, 'tables'))).toEqual([expect.stringContaining(brought.id)]);
  const restored = await serverOn(empty, place);
  try {
    const me = await enter(restored.address, await enterLink(empty));
    const http = requestsTo(restored.address, me);
    const known = (body: object) => (body as { id: string }[]).map(({ id }) => id).filter((id) => !id.startsWith('meanwhile'));
    expect(known((await http.get('/api/recipes').expect(200)).body as object)).toEqual(
      known((await server.http.get('/api/recipes').expect(200)).body as object),
    );
    const file = async (from: typeof http) => (await from.get('/api/recipes/smoky-lentil-and-squash-dal').expect(200)).body as object;
    expect(await file(http)).toEqual(await file(server.http));
    // Who had an account has it; the log is whole.
    const signIn = supertest(restored.address).post('/api/sign-ins').set('Content-Type', 'application/json');
    await signIn.send({ email: member.email, password: PASSWORD }).expect(200);
    expect((await http.get('/api/audit/check').expect(200)).body).toMatchObject({ brokenAt: null });
    await http
      .post('/api/recipes')
      .send({ document: dish('after') })
      .expect(201);
  } finally {
    await restored.close();
  }
});

test('a backup is restored into an empty place alone', () => {
  const file = join(work, 'second.tar');
  expect(backups(['make', file], source, process.env.PORTIONA_HOME ?? '').status).toBe(0);
  const refused = backups(['restore', file], source, join(work, 'elsewhere'));
  expect(refused).toMatchObject({ status: 1, said: expect.stringMatching(/holds something already/) as string });
});

test('one that is cut short, changed, added to, or no backup is refused, and nothing is left of it', async () => {
  const file = join(work, 'whole.tar');
  expect(backups(['make', file], source, process.env.PORTIONA_HOME ?? '').status).toBe(0);
  const whole = readFileSync(file);
  const spoilt = (name: string, bytes: Buffer) => {
    writeFileSync(join(work, name), bytes);
    return join(work, name);
  };
  const flipped = Buffer.from(whole);
  const middle = Math.floor(whole.length / 2);
  flipped[middle] = (flipped[middle] ?? 0) ^ 1;
  const empty = await freshDatabase();
  for (const broken of [
    spoilt('cut.tar', whole.subarray(0, middle)),
    spoilt('changed.tar', flipped),
    spoilt('words.tar', Buffer.from('no backup')),
    join(work, 'nothing.tar'),
  ]) {
    const { status, said } = backups(['restore', broken], empty, join(work, 'place'));
    expect([status, said]).toEqual([1, expect.stringMatching(/no backup|cut short|not what it was|there is no file|lacks/)]);
    expect(said).not.toMatch(/at file:|Error:/);
  }
  expect(await tables(empty)).toBe(0);
});

test('one that a newer version has made is refused by name', async () => {
  const newer = await freshDatabase();
  await migrate(newer);
  const client = new Client({ connectionString: newer });
  await client.connect();
  await client.query(`INSERT INTO migrations (timestamp, name) VALUES (9999999999999, 'Later9999999999999')`);
  await client.end();
  const file = join(work, 'newer.tar');
  expect(backups(['make', file], newer, work).status).toBe(0);
  const refused = backups(['restore', file], await freshDatabase(), join(work, 'place'));
  expect(refused).toMatchObject({ status: 1, said: expect.stringMatching(/newer version.*Later9999999999999/) as string });
  // Nor does this version touch data that a newer one has written.
  await expect(migrate(newer)).rejects.toThrow(/newer version of Portiona.*Later9999999999999/);
  await expect(pendingMigrations(newer)).rejects.toThrow(/newer version/);
});

test('one a day is made, a week of them is kept, then one of each of four weeks; what has another name stays', () => {
  const folder = join(work, 'daily');
  mkdirSync(folder);
  const now = Date.parse('2026-11-30T12:00:00Z');
  for (let days = 0; days < 60; days++) {
    const at = new Date(now - days * 24 * 3600_000 - 60_000).toISOString();
    writeFileSync(join(folder, `portiona-${at.slice(0, 10)}-${at.slice(11, 19).replaceAll(':', '')}.tar`), '');
  }
  writeFileSync(join(folder, 'before-the-move.tar'), '');
  utimesSync(join(folder, 'before-the-move.tar'), 1, 1);
  const gone = execFileSync(process.execPath, ['-e', `import('${SCRIPT}').then(({ rotate }) => console.log(rotate(${now}).length))`], {
    env: { ...process.env, PORTIONA_BACKUPS: folder },
    encoding: 'utf8',
  });
  const left = readdirSync(folder).filter((name) => name.startsWith('portiona-'));
  expect(left.length + Number(gone)).toBe(60);
  expect(left.filter((name) => name >= 'portiona-2026-11-24')).toHaveLength(7);
  expect(left).toHaveLength(11);
  expect(existsSync(join(folder, 'before-the-move.tar'))).toBe(true);
});

test('a database that is dumped and cannot be reached leaves no file behind', () => {
  const file = join(work, 'none.tar');
  expect(backups(['make', file], 'postgres://nobody:x@127.0.0.1:1/none', work).status).toBe(1);
  expect(readdirSync(work).filter((name) => name.startsWith('none') || name.startsWith('.making'))).toEqual([]);
});

/** A database as an earlier version left it. */
async function databaseOf(fixture: string): Promise<string> {
  const database = await freshDatabase();
  const { hostname, port, username, password, pathname } = new URL(database);
  const to = ['-h', hostname, '-p', port, '-U', username, '-d', pathname.slice(1)];
  execFileSync(programPath('pg_restore'), [...to, '--no-owner', '--no-privileges', join(__dirname, 'fixtures', fixture)], {
    env: { ...process.env, PGPASSWORD: password },
  });
  return database;
}

/** What every earlier version had. */
async function expectDemo(http: ReturnType<typeof requestsTo>): Promise<void> {
  const list = (await http.get('/api/recipes').expect(200)).body as { title: string }[];
  expect(list.map(({ title }) => title)).toContain('Smoky lentil and squash dal, brown rice');
  expect((await http.get('/api/me').expect(200)).body).toMatchObject({
    keeper: true,
    kitchens: [{ name: 'Saltmarsh Suppers', role: 'owner' }],
  });
  expect(((await http.get('/api/published-cards').expect(200)).body as unknown[]).length).toBeGreaterThan(2);
  await http
    .post('/api/recipes')
    .send({ document: dish('after-upgrade') })
    .expect(201);
}

test.each([
  [
    'before-accounts.dump',
    [
      'Accounts1766600000027',
      'Deeds1766700000028',
      'Runs1766800000029',
      'ClockJumps1766900000030',
      'FoodDoors1767000000031',
      'OwnAccountEnds1767100000032',
    ],
  ],
  ['before-runs.dump', ['Runs1766800000029', 'ClockJumps1766900000030', 'FoodDoors1767000000031', 'OwnAccountEnds1767100000032']],
])(
  'data of an earlier version (%s) is brought up to this one: what was in it is there, and its owner gets in',
  async (fixture, pending) => {
    const database = await databaseOf(fixture);
    expect(await pendingMigrations(database)).toEqual(pending);
    const place = join(work, fixture);
    mkdirSync(place);
    const upgraded = await serverOn(database, place);
    try {
      const http = requestsTo(upgraded.address, await enter(upgraded.address, await enterLink(database)));
      await expectDemo(http);
      const tables = (await http.get('/api/food-tables').expect(200)).body as { state: string; message: string | null }[];
      // What was under way there is said to have broken off, and not begun by itself with what nobody wrote down.
      if (fixture === 'before-runs.dump')
        expect(tables).toEqual([
          expect.objectContaining({ state: 'interrupted', message: expect.stringContaining('Nothing was written') as string }),
        ]);
    } finally {
      await upgraded.close();
    }
  },
);

function programPath(name: string): string {
  const versions = readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a));
  return `/usr/lib/postgresql/${versions[0]}/bin/${name}`;
}
