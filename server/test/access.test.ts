import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { Client } from 'pg';
import supertest from 'supertest';
import { joined, stranger, type Server } from './house.js';
import { testServer } from './testServer.js';

type Rule = 'anyone' | 'account' | 'keeper' | readonly string[];
const METHODS = ['get', 'post', 'put', 'patch', 'delete'] as const;
type Method = (typeof METHODS)[number];

interface Route {
  readonly method: Method;
  readonly path: string;
  readonly rule: Rule;
}

/** Every route of the interface as it is built, with its rule: a new one without a rule fails the build, and is tried here by itself. */
const ROUTES: readonly Route[] = Object.entries(
  (
    JSON.parse(readFileSync(join(__dirname, '../../openapi.json'), 'utf8')) as {
      paths: Record<string, Record<string, { 'x-needs': Rule }>>;
    }
  ).paths,
).flatMap(([path, item]) => METHODS.flatMap((method) => (item[method] ? [{ method, path, rule: item[method]['x-needs'] }] : [])));
const IN_KITCHEN = ROUTES.filter(({ path }) => path.startsWith('/api/kitchens/{kitchen}') && !path.endsWith('/taken-back'));
/** What ends being a member, or the kitchen: allowed, it would be done; that it is, others tests try. */
const ENDS = new Set(['delete /api/kitchens/{kitchen}', 'delete /api/kitchens/{kitchen}/membership']);
/** Lines that stay open are not waited for. */
const STAYS_OPEN = 'get /api/kitchens/{kitchen}/events';

/** Rights as they are meant, written down apart from the code that gives them. */
const MEANT: Readonly<Record<string, readonly string[]>> = {
  owner: ['read', 'costs', 'comment', 'cook', 'edit', 'publish', 'manage'],
  editor: ['read', 'costs', 'comment', 'cook', 'edit', 'publish'],
  'tester with costs': ['read', 'costs', 'comment', 'cook'],
  tester: ['read', 'comment', 'cook'],
  'viewer with costs': ['read', 'costs'],
  viewer: ['read'],
};

let server: Server;
let database: Client;
let people: Readonly<Record<string, { headers: Readonly<Record<string, string>> }>>;
let outside: Awaited<ReturnType<typeof stranger>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
  database = new Client({ connectionString: process.env.DATABASE_URL });
  await database.connect();
  people = {
    owner: await joined(server, 'owner', { name: 'Ann' }),
    editor: await joined(server, 'editor', { name: 'Ed' }),
    'tester with costs': await joined(server, 'tester', { name: 'Tess', costs: true }),
    tester: await joined(server, 'tester', { name: 'Tom' }),
    'viewer with costs': await joined(server, 'viewer', { name: 'Vera', costs: true }),
    viewer: await joined(server, 'viewer', { name: 'Vic' }),
  };
  outside = await stranger(server, 'Sam');
});
afterAll(async () => {
  await database.end();
  await server.close();
});
beforeEach(() => database.query('DELETE FROM rate_limits'));

const addressOf = (path: string, kitchen: string, id = 'no-such-thing') =>
  path.replace('/api/kitchens/{kitchen}', kitchen).replaceAll(/\{[^}]+\}/g, encodeURIComponent(id));

function ask(
  { method, path }: Pick<Route, 'method' | 'path'>,
  kitchen: string,
  headers: Readonly<Record<string, string>>,
  id?: string,
  body: object = {},
) {
  const agent = supertest(server.address);
  const asked = agent[method](addressOf(path, kitchen, id))
    .set('Content-Type', 'application/json')
    .set(headers);
  return method === 'get' || method === 'delete' ? asked : asked.send(body);
}

/** What an answer says of being let in. */
async function letIn(route: Route, kitchen: string, headers: Readonly<Record<string, string>>): Promise<string> {
  const { status, body } = (await ask(route, kitchen, headers)) as { status: number; body: object };
  const { type } = body as { type?: string };
  if (status === 401) return 'signed out';
  if (status === 403) return type === 'urn:portiona:other-page' ? 'other page' : 'forbidden';
  return status === 404 && /kitchen "/.test((body as { detail?: string }).detail ?? '') ? 'no kitchen' : 'in';
}

test('every route says who may ask it, and there are routes for each rule', () => {
  expect(ROUTES.filter(({ rule }) => rule === undefined)).toEqual([]);
  expect(ROUTES.length).toBeGreaterThan(150);
  for (const right of MEANT.owner ?? []) expect(IN_KITCHEN.some(({ rule }) => rule.includes(right))).toBe(true);
  // What changes a kitchen is open to more than looking.
  const open = IN_KITCHEN.filter(({ method, rule }) => method !== 'get' && String(rule) === 'read').map(
    ({ method, path }) => `${method} ${path}`,
  );
  expect(open.map((one) => one.replace('/api/kitchens/{kitchen}', '')).sort()).toEqual([
    'delete /distributions/{id}',
    'delete /membership',
    'delete /tokens/{id}',
    'post /present',
    'post /recipes/{id}/distributions',
    'post /recipes/{id}/notes/seen',
    'post /tokens',
  ]);
});

describe.each(Object.keys(MEANT))('a member who is %s', (role) => {
  test('is let do in the kitchen what the role is meant to, and nothing else', async () => {
    const wrong: string[] = [];
    for (const route of IN_KITCHEN) {
      const name = `${route.method} ${route.path}`;
      const allowed = (route.rule as readonly string[]).every((right) => MEANT[role]?.includes(right));
      if (name === STAYS_OPEN || (allowed && ENDS.has(name))) continue;
      const is = await letIn(route, server.kitchen, people[role]!.headers);
      if (is !== (allowed ? 'in' : 'forbidden')) wrong.push(`${name}: ${is}`);
    }
    expect(wrong).toEqual([]);
  });

  test('finds another’s kitchen by no route', async () => {
    const wrong: string[] = [];
    for (const route of IN_KITCHEN) {
      const is = await letIn(route, outside.kitchen, people[role]!.headers);
      if (is !== 'no kitchen') wrong.push(`${route.method} ${route.path}: ${is}`);
    }
    expect(wrong).toEqual([]);
  });
});

test('who is signed out is let do nothing but come in', async () => {
  const wrong: string[] = [];
  for (const route of ROUTES.filter(({ rule }) => rule !== 'anyone')) {
    const is = await letIn(route, server.kitchen, {});
    if (is !== 'signed out') wrong.push(`${route.method} ${route.path}: ${is}`);
  }
  expect(wrong).toEqual([]);
  expect(ROUTES.filter(({ rule }) => rule === 'anyone').map(({ method, path }) => `${method} ${path}`)).toEqual([
    'get /api/health',
    'get /api/health/live',
    'get /api/health/ready',
    'post /api/entries',
    'post /api/sign-ins',
    'post /api/sign-ins/passkey/options',
    'post /api/sign-ins/passkey',
    'post /api/password-resets',
    'post /api/password-resets/taken',
    'post /api/invitations/look',
    'post /api/invitations/taken',
    ...ROUTES.filter(({ path }) => /^\/(?:read|robots)/.test(path)).map(({ method, path }) => `${method} ${path}`),
  ]);
});

test('a change without the page’s own word is refused on every route', async () => {
  const wrong: string[] = [];
  const { Cookie = '' } = people.owner!.headers;
  for (const route of ROUTES.filter(({ method, rule }) => method !== 'get' && rule !== 'anyone')) {
    const is = await letIn(route, server.kitchen, { Cookie });
    if (is !== 'other page') wrong.push(`${route.method} ${route.path}: ${is}`);
  }
  expect(wrong).toEqual([]);
});

test('what is the keeper’s is no owner’s', async () => {
  for (const route of ROUTES.filter(({ rule }) => rule === 'keeper')) {
    expect(await letIn(route, server.kitchen, people.owner!.headers)).toBe('forbidden');
    expect(await letIn(route, server.kitchen, server.headers)).toBe('in');
  }
});

test('a figure of money is in nothing that is sent to whom costs are not shown', async () => {
  await outsideOfCosts(people.tester!.headers, 'none');
  // The same walk finds them for who may see them: it looks where they are.
  await outsideOfCosts(people['tester with costs']!.headers, 'some');
});

/** Walks over everything that can be read, and looks for money. */
async function outsideOfCosts(headers: Readonly<Record<string, string>>, expected: 'none' | 'some'): Promise<void> {
  const found: string[] = [];
  for (const route of IN_KITCHEN.filter(
    ({ method, path }) => method === 'get' && `get ${path}` !== STAYS_OPEN && !/\.(?:pdf|png)$/.test(path),
  )) {
    for (const id of await idsFor(route.path)) {
      const query = /food-swaps/.test(route.path)
        ? '?from=chickpeas-nine&to=kidney-beans'
        : /weeks/.test(route.path)
          ? '?from=2026-11-30'
          : /found-foods/.test(route.path)
            ? '?q=leek'
            : /recipe-pages/.test(route.path)
              ? '?order=usedCost&from=0&count=50'
              : '';
      const answer = await ask({ ...route, path: route.path + query }, server.kitchen, headers, id);
      const { status, body, text } = answer as { status: number; body: object; text?: string };
      if (status !== 200) continue;
      const money = moneyIn(body).concat(/(?:€|EUR)\s?\d/.exec(typeof text === 'string' ? text : '')?.[0] ?? []);
      if (money.length > 0) found.push(`${route.path} ${id}: ${money.slice(0, 3).join(', ')}`);
    }
  }
  if (expected === 'none') expect(found).toEqual([]);
  else expect(found.length).toBeGreaterThan(8);
}

/** Keys that say money and hold a figure, anywhere in an answer. */
function moneyIn(found: unknown, at = ''): string[] {
  if (Array.isArray(found)) return found.flatMap((one, i) => moneyIn(one, `${at}[${i}]`));
  if (typeof found !== 'object' || found === null) return [];
  return Object.entries(found).flatMap(([key, value]) => {
    const here = `${at}.${key}`;
    // A brief that somebody wrote says what a dish may cost, not what it does; a card that is out says it to everybody.
    if (/^(?:brief|briefs|maximum|minimum|card|printed|content)$/.test(key)) return [];
    return /cost|price|paid|money|^used$|till|worth/i.test(key) ? figuresIn(value, here) : moneyIn(value, here);
  });
}

/** Every figure in what stands under a key of money. */
function figuresIn(found: unknown, at: string): string[] {
  if (typeof found === 'number' || (typeof found === 'string' && /^\d+(?:\.\d+)?$/.test(found))) return [`${at}=${found}`];
  return typeof found === 'object' && found !== null ? Object.entries(found).flatMap(([key, one]) => figuresIn(one, `${at}.${key}`)) : [];
}

/** Ids of what is in the kitchen, for a route that asks for one. */
async function idsFor(path: string): Promise<readonly string[]> {
  if (!path.includes('{id}')) return [''];
  const of = /\/kitchens\/\{kitchen\}\/([a-z-]+)/.exec(path)?.[1] ?? '';
  const table = /\/recipes\/\{id\}/.test(path) ? 'recipes' : of;
  if (!['recipes', 'foods', 'batches', 'sessions', 'weeks', 'packs'].includes(table)) return [];
  const { rows } = await database.query<{ id: string }>(
    `SELECT id FROM ${table} WHERE kitchen_id = (SELECT id FROM kitchens WHERE key = $1) ORDER BY id LIMIT 2`,
    [server.kitchen.split('/')[3]],
  );
  return rows.map(({ id }) => id);
}

test('whatever a stranger asks, with whatever ids, nothing of the kitchen is told or changed', async () => {
  const ids = ['recipes', 'foods', 'batches', 'sessions', 'packs', 'photos'];
  const known: string[] = [];
  for (const table of ids) {
    const { rows } = await database.query<{ id: string }>(`SELECT id FROM ${table} LIMIT 12`);
    known.push(...rows.map(({ id }) => id));
  }
  const secret = (await database.query<{ title: string }>('SELECT title FROM recipes LIMIT 50')).rows.map(({ title }) => title);
  // What is still being computed anew, of what was asked before, is none of a stranger's doing: that a card moved is written down by it.
  await server.http.get('/api/recipes').expect(200);
  const before = await digestOfKitchen();
  const asking = fc.record({
    route: fc.constantFrom(
      ...IN_KITCHEN.filter((route) => `${route.method} ${route.path}` !== STAYS_OPEN && !ENDS.has(`${route.method} ${route.path}`)),
    ),
    id: fc.constantFrom(...known, 'nothing'),
    // In the kitchen itself, or in one's own with the other's ids.
    own: fc.boolean(),
    body: fc.constantFrom<object>(
      {},
      {
        document: {
          id: known[0],
          title: 'Taken over',
          servings: 1,
          parts: [{ id: 'm', name: 'M', lines: [{ recipe: known[0], part: 'm', amount: 1, unit: 'g' }] }],
        },
        revision: 1,
      },
      { from: known[20], to: known[21], kitchen_id: server.kitchen, kitchenId: server.kitchen },
      { kind: 'booklet', format: 'a5' },
    ),
  });
  await fc.assert(
    fc.asyncProperty(asking, async ({ route, id, own, body }) => {
      const { status, text } = await ask(route, own ? outside.kitchen : server.kitchen, outside.headers, id, body);
      if (!own && status !== 404) throw new Error(`${route.method} ${route.path} answered ${status}`);
      if (status >= 500 && status !== 503) throw new Error(`${route.method} ${route.path} ${id} broke: ${status} ${text}`);
      const told = secret.find((title) => typeof text === 'string' && text.includes(title));
      if (told !== undefined) throw new Error(`${route.method} ${route.path} told of ${told}`);
    }),
    { numRuns: 400, seed: 20261130 },
  );
  expect(await digestOfKitchen()).toBe(before);
});

/** A digest of every row that belongs to the kitchen. */
async function digestOfKitchen(): Promise<string> {
  const hash = createHash('sha256');
  const { rows: tables } = await database.query<{ name: string }>(
    `SELECT table_name AS name FROM information_schema.columns WHERE column_name = 'kitchen_id' AND table_schema = 'public'
       AND table_name NOT IN ('recipe_changes', 'recipe_summaries') ORDER BY 1`,
  );
  for (const { name } of tables) {
    const { rows } = await database.query<{ said: string | null }>(
      `SELECT string_agg(own::text, E'\\n' ORDER BY own::text) AS said FROM ${name} own WHERE kitchen_id = (SELECT id FROM kitchens WHERE key = $1)`,
      [server.kitchen.split('/')[3]],
    );
    hash.update(`${name}\n${rows[0]?.said}\n`);
  }
  return hash.digest('hex');
}

test('work beside requests is found and ended from no other kitchen, whoever knows its id', async () => {
  const begun = async (path: string, body: object | string) => {
    const asked = server.http.post(path);
    if (typeof body === 'string') asked.set('Content-Type', 'text/csv');
    const { status, body: made } = (await asked.send(body)) as { status: number; body: { id: string } };
    expect([201, 202]).toContain(status);
    return made.id;
  };
  const [recipe = ''] = await idsFor('/api/kitchens/{kitchen}/recipes/{id}');
  const runs = [
    ['distributions', await begun(`/api/recipes/${recipe}/distributions`, { figure: 'protein', draws: 400_000 })],
    ['food-tables', await begun('/api/food-tables', 'code;name;Energy (kcal)\na;Sorrel;22\n')],
    ['bundles', await begun('/api/bundles', { kind: 'booklet', format: 'a5', of: 'drafts' })],
    ['price-refreshes', await begun('/api/price-refreshes', {})],
  ] as const;
  for (const [kind, id] of runs) {
    await server.http.get(`/api/${kind}/${id}`).expect(200);
    await outside.http.get(`/api/${kind}/${id}`).expect(404);
    await outside.http.delete(`/api/${kind}/${id}`).expect(404);
    await server.http.get(`/api/${kind}/${id}`).expect(200);
  }
});

test('the second wall: the application’s own role sees no row of a kitchen but the one it works in, and cannot get past that', async () => {
  const { applicationRole } = await import('../src/database/applicationRole.js');
  const client = new Client({ connectionString: applicationRole(process.env.DATABASE_URL ?? '').url });
  await client.connect();
  try {
    const { rows: tables } = await client.query<{ name: string; walled: boolean }>(
      `SELECT c.relname AS name, c.relrowsecurity AND EXISTS (SELECT 1 FROM pg_policy p WHERE p.polrelid = c.oid) AS walled
       FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attname = 'kitchen_id'
       WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace`,
    );
    expect(tables.length).toBeGreaterThan(30);
    // Each table of a kitchen has its wall: a new one without it fails here.
    expect(tables.filter(({ walled }) => !walled).map(({ name }) => name)).toEqual([]);
    const count = async (table: string) => Number((await client.query<{ count: string }>(`SELECT count(*) FROM ${table}`)).rows[0]?.count);
    for (const { name } of tables) expect([name, await count(name)]).toEqual([name, 0]);
    expect(await count('kitchens')).toBe(0);
    // Doors that look for words look in the kitchen at hand, and in none where none is.
    const doors = [`words_near('lentl', 9)`, `foods_saying('lentils:*', 99)`, `table_foods_saying('lentils:*', 99)`];
    for (const door of doors) expect([door, await count(door)]).toEqual([door, 0]);
    await client.query(`SELECT set_config('portiona.kitchen', (SELECT id::text FROM every_kitchen() LIMIT 1), false)`);
    expect(await count('kitchens')).toBe(1);
    expect(await count('recipes')).toBeGreaterThan(3);
    expect(await count(doors[0] ?? '')).toBeGreaterThan(0);
    const { rows: said } = await client.query<{ own: boolean }>(
      `SELECT EXISTS (SELECT FROM foods WHERE foods.id = said.id) AS own FROM foods_saying('lentils:* | leek:*', 99) said`,
    );
    expect(said.length).toBeGreaterThan(0);
    expect(said.every(({ own }) => own)).toBe(true);
    // It owns nothing and may become nobody else.
    for (const past of [
      'ALTER TABLE recipes DISABLE ROW LEVEL SECURITY',
      'DROP POLICY of_the_kitchen ON recipes',
      'SET ROLE portiona',
      'SET row_security = off; SELECT * FROM recipes',
      'SELECT * FROM audit_heads',
      `UPDATE audit_entries SET entry = '{}'`,
      'DELETE FROM audit_entries',
      `INSERT INTO recipes (kitchen_id, id, title, revision) VALUES (gen_random_uuid(), 'x', 'x', 1)`,
    ])
      await expect(client.query(past)).rejects.toThrow(/permission denied|must be owner|row-level security|would be affected/);
    // Nor does anybody else who has an account at the database get through its doors.
    const { rows: open } = await client.query<{ door: string }>(
      `SELECT proname AS door FROM pg_proc WHERE prosecdef AND pronamespace = 'public'::regnamespace AND has_function_privilege('public', oid, 'EXECUTE')`,
    );
    expect(open).toEqual([]);
    const { rows } = await client.query<{ bypasses: boolean; owns: boolean }>(
      `SELECT rolbypassrls OR rolsuper OR rolcreaterole AS bypasses, EXISTS (SELECT 1 FROM pg_class WHERE relowner = oid) AS owns
       FROM pg_roles WHERE rolname = current_user`,
    );
    expect(rows).toEqual([{ bypasses: false, owns: false }]);
  } finally {
    await client.end();
  }
});
