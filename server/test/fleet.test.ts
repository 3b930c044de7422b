import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import S3rver from 's3rver';
import { enterLink } from '../src/database/enterLink.js';
import { fleet } from './fleet.js';
import { freshDatabase } from './freshDatabase.js';
import { madeUpTable } from './madeUpTable.js';
import { DEMO } from './testServer.js';
import { PASSWORD } from './house.js';

jest.setTimeout(900_000);

let database: string;
let store: S3rver;
let files: string;
let all: Awaited<ReturnType<typeof fleet>>;
let headers: Record<string, string>;
let kitchen: string;
const later = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

beforeAll(async () => {
  database = await freshDatabase();
  files = mkdtempSync(join(tmpdir(), 'portiona-test-bucket-'));
  store = new S3rver({
    port: 0,
    address: '127.0.0.1',
    silent: true,
    directory: files,
    configureBuckets: [{ name: 'kitchens', configs: [] }],
  });
  const { port } = await store.run();
  all = await fleet(
    database,
    { serving: 3, working: 2 },
    {
      PORTIONA_S3_ENDPOINT: `http://127.0.0.1:${port}`,
      PORTIONA_S3_BUCKET: 'kitchens',
      PORTIONA_S3_KEY: 'S3RVER',
      PORTIONA_S3_SECRET: 'S3RVER',
      PORTIONA_SHOP_DELAY: '30',
    },
  );
  const entered = await fetch(`${all.address}/api/entries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ link: await enterLink(database) }),
  });
  const me = (await entered.json()) as { pageToken: string; kitchens: { key: string }[] };
  headers = { Cookie: String(entered.headers.get('set-cookie')).split(';')[0] ?? '', 'X-Portiona-Page': me.pageToken };
  kitchen = `/api/kitchens/${me.kitchens[0]?.key}`;
  await asked('/api/me', 'PATCH', { name: 'Wren', email: 'wren@harbour.example' }, 200);
  await asked('/api/me/password', 'PUT', { password: PASSWORD });
  await asked(`${kitchen}/imports/kitchen-file`, 'POST', DEMO, 201);
});
afterAll(async () => {
  await all?.close();
  await store?.close();
  rmSync(files, { recursive: true, force: true });
});

interface Answer {
  readonly status: number;
  readonly body: unknown;
  readonly by: string | null;
  readonly text: string;
}

/** Asks the whole; `undefined` where nobody knows what became of it. */
async function tried(path: string, method = 'GET', body?: object | string, more: object = {}): Promise<Answer | undefined> {
  try {
    const answer = await fetch(all.address + path, {
      method,
      headers: { 'Content-Type': typeof body === 'string' ? 'text/csv' : 'application/json', ...headers, ...more },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await answer.text();
    if (answer.status === 502) return undefined;
    const parsed: unknown = /json/.test(answer.headers.get('content-type') ?? '') && text !== '' ? JSON.parse(text) : undefined;
    return { status: answer.status, body: parsed, by: answer.headers.get('x-served-by'), text };
  } catch {
    return undefined;
  }
}

async function asked<Body = { id: string }>(
  path: string,
  method: string,
  body: object | string | undefined,
  status?: number,
): Promise<Body> {
  const answer = await tried(path, method, body);
  if (!answer || (status !== undefined && answer.status !== status) || answer.status >= 400)
    throw new Error(`${method} ${path}: ${answer?.status} ${answer?.text}`);
  return answer.body as Body;
}

const dish = (id: string, title: string) => ({ id, title, servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] });

test('whoever is signed in is so on every server, and signed out on all at once', async () => {
  const by = new Set<string | null>();
  for (let i = 0; i < 9; i++) by.add((await tried('/api/me'))?.by ?? null);
  expect(by.size).toBe(3);
  const signIn = async () =>
    fetch(`${all.address}/api/sign-ins`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ email: 'wren@harbour.example', password: PASSWORD }),
    });
  const other = await signIn();
  const cookie = String(other.headers.get('set-cookie')).split(';')[0] ?? '';
  expect(cookie).toMatch(/^__Host-portiona=/);
  const { pageToken } = (await other.json()) as { pageToken: string };
  const own = { Cookie: cookie, 'X-Portiona-Page': pageToken };
  const { status } = await fetch(`${all.address}/api/me/sessions`, {
    method: 'DELETE',
    headers: { ...own, 'Content-Type': 'application/json' },
  });
  expect(status).toBeLessThan(300);
  for (let i = 0; i < 6; i++) expect((await tried('/api/me', 'GET', undefined, own))?.status).toBe(401);
  // Ending all took ours along: sign in anew.
  const again = await signIn();
  headers = {
    Cookie: String(again.headers.get('set-cookie')).split(';')[0] ?? '',
    'X-Portiona-Page': ((await again.json()) as { pageToken: string }).pageToken,
  };
});

test('a change that is made on one server is told by each', async () => {
  await asked(`${kitchen}/recipes`, 'POST', { document: dish('told-to-all', 'Told to all') }, 201);
  const heard: string[] = [];
  const over = new AbortController();
  const listen = async () => {
    const answer = await fetch(`${all.address}${kitchen}/events`, { headers, signal: over.signal });
    const by = answer.headers.get('x-served-by') ?? '';
    for await (const piece of answer.body as unknown as AsyncIterable<Uint8Array>)
      if (new TextDecoder().decode(piece).includes('recipes/told-to-all')) heard.push(by);
  };
  const listening = all.servers.map(() => listen().catch(() => undefined));
  await later(800);
  await asked(`${kitchen}/recipes/told-to-all`, 'PUT', { revision: 1, document: dish('told-to-all', 'Told to each') }, 200);
  for (let i = 0; i < 50 && heard.length < 3; i++) await later(100);
  over.abort();
  await Promise.all(listening);
  expect(new Set(heard).size).toBe(3);
});

test('saves while servers are killed: each that was answered is there, none is there twice, nothing else is', async () => {
  const writers = 6;
  const saves = 60;
  let killing = true;
  let killed = 0;
  const kills = (async () => {
    for (let i = 0; killing; i++) {
      await later(300);
      const one = all.servers[i % all.servers.length];
      await one?.kill();
      killed++;
      await one?.start();
    }
  })();
  const write = async (writer: number) => {
    const id = `written-${writer}`;
    const key = randomUUID();
    // A new dish that is asked for again and again until it is answered is made once.
    for (;;) {
      const made = await tried(`${kitchen}/recipes`, 'POST', { document: dish(id, `Dish ${writer}, 1`) }, { 'Idempotency-Key': key });
      if (made?.status === 201) break;
      await later(50);
    }
    let revision = 1;
    // On a slow machine a kill takes long: it is no test until there were some.
    let i = 2;
    while (i <= saves || killed < 2) {
      const saved = await tried(`${kitchen}/recipes/${id}`, 'PUT', { revision, document: dish(id, `Dish ${writer}, ${i}`) });
      if (saved?.status === 200) {
        revision = (saved.body as { revision: number }).revision;
        i++;
        continue;
      }
      await later(50);
      // Written or not: what stands there says it.
      const there = await tried(`${kitchen}/recipes/${id}`);
      if (there?.status !== 200) continue;
      const { revision: found, document } = there.body as { revision: number; document: { title: string } };
      if (document.title === `Dish ${writer}, ${i}`) i++;
      revision = found;
    }
    return { id, revision, last: i - 1 };
  };
  const written = await Promise.all(Array.from({ length: writers }, (_, i) => write(i)));
  killing = false;
  await kills;
  expect(killed).toBeGreaterThan(1);
  const client = new Client({ connectionString: database });
  await client.connect();
  try {
    for (const [writer, { id, revision, last }] of written.entries()) {
      const { rows } = await client.query<{ revision: number; title: string }>(
        `SELECT revision, document ->> 'title' AS title FROM recipe_revisions WHERE recipe_id = $1 ORDER BY revision`,
        [id],
      );
      expect(rows.at(-1)).toEqual({ revision, title: `Dish ${writer}, ${last}` });
      // Each title was written once: no save was done twice.
      const titles = rows.map(({ title }) => title);
      expect(new Set(titles).size).toBe(titles.length);
    }
    const { rows: made } = await client.query(`SELECT id FROM recipes WHERE id LIKE 'written-%'`);
    expect(made).toHaveLength(writers);
  } finally {
    await client.end();
  }
  expect(await asked(`${kitchen}/audit/check`, 'GET', undefined, 200)).toMatchObject({ brokenAt: null });
});

test('jobs whose worker is killed are gone on with by another: whole, once, and found on every server', async () => {
  const table = await asked(`${kitchen}/food-tables?fileName=island.csv`, 'POST', madeUpTable(15_000), 201);
  // Brought to one server, looked at on each.
  let mapping: object = {};
  for (let i = 0; i < 3; i++)
    ({ mapping } = await asked<{ mapping: object }>(`${kitchen}/food-tables/${table.id}/look`, 'GET', undefined, 200));
  const bundle = await asked(`${kitchen}/bundles`, 'POST', { kind: 'booklet', format: 'a5', of: 'drafts' });
  const refresh = await asked(`${kitchen}/price-refreshes`, 'POST', {});
  const drawing = await asked(`${kitchen}/recipes/beef-shin-and-barley/distributions`, 'POST', { figure: 'energyKcal', draws: 300_000 });
  await asked(`${kitchen}/food-tables/${table.id}/start`, 'POST', { name: 'Island', mapping });
  const state = async (path: string) => {
    const answer = await tried(`${kitchen}/${path}`);
    return answer?.body as { state: string; result?: object; message?: string } | undefined;
  };
  const runs = [`food-tables/${table.id}`, `bundles/${bundle.id}`, `price-refreshes/${refresh.id}`, `distributions/${drawing.id}`];
  for (const worker of all.workers) {
    await later(1_500);
    await worker.kill();
    await later(500);
    await worker.start();
  }
  for (const path of runs) {
    let found = await state(path);
    for (let i = 0; i < 900 && found?.state === 'running'; i++) {
      await later(100);
      found = await state(path);
    }
    expect({ path, state: found?.state, message: found?.message ?? null }).toEqual({ path, state: 'done', message: null });
  }
  expect((await state(`food-tables/${table.id}`))?.result).toMatchObject({ added: 15_000 });
  for (let i = 0; i < 3; i++) {
    const file = await tried(`${kitchen}/bundles/${bundle.id}/file`);
    expect(file?.status).toBe(200);
    expect(file?.text.startsWith('%PDF')).toBe(true);
  }
  const client = new Client({ connectionString: database });
  await client.connect();
  try {
    const { rows: foods } = await client.query<{ count: string }>(`SELECT count(*) FROM foods WHERE from_table = 'Island'`);
    expect(foods[0]?.count).toBe('15000');
    // No pack was asked for twice: each shop's price of the day is there once.
    const { rows: twice } = await client.query(
      `SELECT document ->> 'food', document ->> 'shop', document ->> 'net' FROM packs
       WHERE document ->> 'seen' = (SELECT day::text FROM price_refreshes WHERE id = $1) GROUP BY 1, 2, 3 HAVING count(*) > 1`,
      [refresh.id],
    );
    expect(twice).toEqual([]);
    const { rows: attempts } = await client.query<{ most: number }>(
      `SELECT max(attempt) AS most FROM (SELECT attempt FROM bundles UNION ALL SELECT attempt FROM table_imports UNION ALL SELECT attempt FROM price_refreshes) runs`,
    );
    // Somebody was killed at it: else this shows nothing.
    expect(attempts[0]?.most).toBeGreaterThan(1);
  } finally {
    await client.end();
  }
});

test('who looks after it sees every server, and which one is gone', async () => {
  const seen = async () => (await asked<{ servers: { role: string; alive: boolean }[] }>('/api/status', 'GET', undefined, 200)).servers;
  const alive = (await seen()).filter((one) => one.alive);
  expect(alive.filter(({ role }) => role === 'serve').length).toBeGreaterThanOrEqual(3);
  expect(alive.filter(({ role }) => role === 'work').length).toBeGreaterThanOrEqual(2);
  // One that ends in order takes its name off at once.
  await all.workers[0]?.kill('SIGTERM');
  const left = (await seen()).filter((one) => one.alive && one.role === 'work');
  expect(left.length).toBeLessThan(alive.filter(({ role }) => role === 'work').length);
});
