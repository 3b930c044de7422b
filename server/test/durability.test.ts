import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { enterLink } from '../src/database/enterLink.js';
import { freePort } from './freePort.js';
import { madeUpTable } from './madeUpTable.js';
import { freshDatabase } from './freshDatabase.js';
import { addressIn, DEMO, enter, type SignedIn } from './testServer.js';

test('a server killed the moment it has answered loses no save it has acknowledged', async () => {
  const url = await freshDatabase();
  const port = await freePort();
  const document = { id: 'dish', title: 'Revision 1', servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] };
  const ask = asking(port, url);
  let server = await start(url, port);
  await ask('/recipes', 'POST', { document });
  for (let revision = 1; revision <= 3; revision++) {
    const answer = await ask('/recipes/dish', 'PUT', { revision, document: { ...document, title: `Revision ${revision + 1}` } });
    expect(await answer.json()).toMatchObject({ revision: revision + 1 });
    server.kill('SIGKILL');
    await once(server, 'exit');
    server = await start(url, port);
    expect(await (await ask('/recipes/dish')).json()).toMatchObject({
      revision: revision + 1,
      document: { title: `Revision ${revision + 1}` },
    });
  }
  server.kill('SIGTERM');
  await once(server, 'exit');
});

test('a table that was being taken in when the server was killed leaves the pantry as it was, and is begun anew by itself', async () => {
  const url = await freshDatabase();
  const port = await freePort();
  const ask = asking(port, url);
  const state = async (id: string) =>
    (await (await ask(`/food-tables/${id}`)).json()) as { state: string; progress: { rows: number } | null; message: string };
  const found = async () => ((await (await ask('/found-foods?q=sorrel')).json()) as unknown[]).length;
  let server = await start(url, port);
  const brought = await ask('/food-tables', 'POST', madeUpTable(20_000));
  const { id } = (await brought.json()) as { id: string };
  const { mapping } = (await (await ask(`/food-tables/${id}/look`)).json()) as { mapping: object };
  await ask(`/food-tables/${id}/start`, 'POST', { name: 'Island', mapping });
  while (((await state(id)).progress?.rows ?? 0) < 3_000) await new Promise((resolve) => setTimeout(resolve, 20));
  server.kill('SIGKILL');
  await once(server, 'exit');
  server = await start(url, port);
  expect(await state(id)).toMatchObject({ state: 'running' });
  expect(await found()).toBe(0);
  while ((await state(id)).state === 'running') await new Promise((resolve) => setTimeout(resolve, 50));
  expect(await state(id)).toMatchObject({ state: 'done', result: { added: 20_000 } });
  expect(await found()).toBeGreaterThan(0);
  server.kill('SIGTERM');
  await once(server, 'exit');
});

test('prices that were being asked when the server was killed are asked on, each pack once', async () => {
  const url = await freshDatabase();
  const port = await freePort();
  const ask = asking(port, url);
  const state = async (id: string) =>
    (await (await ask(`/price-refreshes/${id}`)).json()) as { state: string; answered: number; asked: number; day: string };
  process.env.PORTIONA_SHOP_DELAY = '25';
  let server = await start(url, port);
  await ask('/imports/kitchen-file', 'POST', DEMO);
  const { id } = (await (await ask('/price-refreshes', 'POST', {})).json()) as { id: string };
  while ((await state(id)).answered < 8) await new Promise((resolve) => setTimeout(resolve, 20));
  server.kill('SIGKILL');
  await once(server, 'exit');
  server = await start(url, port);
  while ((await state(id)).state === 'running') await new Promise((resolve) => setTimeout(resolve, 50));
  const { answered, asked, day } = await state(id);
  expect(answered).toBe(asked);
  const packs = (await (await ask('/packs')).json()) as {
    document: { food: string; shop: string; net: number; seen: string; price: string };
  }[];
  const today = packs
    .filter(({ document }) => document.seen === day)
    .map(({ document: { id: _, ...rest } }: { document: Record<string, unknown> }) => JSON.stringify(rest));
  expect(new Set(today).size).toBe(today.length);
  delete process.env.PORTIONA_SHOP_DELAY;
  server.kill('SIGTERM');
  await once(server, 'exit');
});

test('without its database the server says so and stops', async () => {
  const child = spawn(process.execPath, [join(__dirname, '../dist/main.js')], {
    env: { ...process.env, DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none', PORTIONA_PORT: '0', LOG_LEVEL: 'error' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const [code] = (await once(child, 'exit')) as [number];
  expect(code).not.toBe(0);
});

async function start(url: string, port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, [join(__dirname, '../dist/main.js')], {
    env: { ...process.env, DATABASE_URL: url, PORTIONA_PORT: String(port), LOG_LEVEL: 'silent' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 600; i++) {
    if (
      await fetch(`http://127.0.0.1:${port}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the server did not start');
}

/** Asks in the kitchen of a server, signed in there; whoever is signed in stays so when it is started again. */
function asking(port: number, database: string) {
  const address = `http://127.0.0.1:${port}`;
  let me: Promise<SignedIn> | undefined;
  return async (path: string, method = 'GET', body?: object | string) => {
    me ??= enterLink(database).then((link) => enter(address, link));
    const { headers, kitchen } = await me;
    return fetch(`${address}${addressIn(kitchen, `/api${path}`)}`, {
      method,
      headers: { 'content-type': typeof body === 'string' ? 'text/csv' : 'application/json', ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
  };
}
