import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { freshDatabase } from './testServer.js';

test('a server killed the moment it has answered loses no save it has acknowledged', async () => {
  const url = await freshDatabase();
  const port = await freePort();
  const document = { id: 'dish', title: 'Revision 1', servings: 1, parts: [{ id: 'm', name: 'M', lines: [] }] };
  let server = await start(url, port);
  await send(port, 'POST', '', { document });
  for (let revision = 1; revision <= 3; revision++) {
    const answer = await send(port, 'PUT', '/dish', { revision, document: { ...document, title: `Revision ${revision + 1}` } });
    expect(answer.revision).toBe(revision + 1);
    server.kill('SIGKILL');
    await once(server, 'exit');
    server = await start(url, port);
    expect(await (await fetch(`http://127.0.0.1:${port}/api/recipes/dish`)).json()).toMatchObject({
      revision: revision + 1,
      document: { title: `Revision ${revision + 1}` },
    });
  }
  server.kill('SIGTERM');
  await once(server, 'exit');
}, 60_000);

test('without its database the server says so and stops', async () => {
  const child = spawn(process.execPath, [join(__dirname, '../dist/main.js')], {
    env: { ...process.env, DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none', PORTIONA_PORT: '0', LOG_LEVEL: 'error' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const [code] = (await once(child, 'exit')) as [number];
  expect(code).not.toBe(0);
}, 30_000);

async function start(url: string, port: number): Promise<ChildProcess> {
  const child = spawn(process.execPath, [join(__dirname, '../dist/main.js')], {
    env: { ...process.env, DATABASE_URL: url, PORTIONA_PORT: String(port), LOG_LEVEL: 'silent' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 150; i++) {
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

async function send(port: number, method: string, path: string, body: object): Promise<{ revision: number }> {
  const answer = await fetch(`http://127.0.0.1:${port}/api/recipes${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return (await answer.json()) as { revision: number };
}

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}
