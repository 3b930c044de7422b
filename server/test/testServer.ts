import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import supertest from 'supertest';
import { freshDatabase } from './freshDatabase.js';

/** The demo kitchen as a file. */
export const DEMO = JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')) as object;

/** What a server under test keeps its data in, and is told by its environment. */
export async function freshHome(): Promise<string> {
  process.env.DATABASE_URL = await freshDatabase();
  const home = mkdtempSync(join(tmpdir(), 'portiona-test-home-'));
  process.env.PORTIONA_HOME = home;
  return home;
}

/** Requests as the application makes them: one that changes something says what it sends, also where that is nothing. */
export const requestsTo = (server: Parameters<typeof supertest.agent>[0]) =>
  supertest.agent(server).set('Content-Type', 'application/json');

export async function loadDemo(http: ReturnType<typeof requestsTo>): Promise<void> {
  await http.post('/api/imports/kitchen-file?name=Saltmarsh%20Suppers').send(DEMO).expect(201);
}

/** A server as it is built, on a database of its own, listening on a port of its own, in a process that serves many tests. */
export async function testServer({ demo }: { readonly demo: boolean }) {
  const home = await freshHome();
  const environment = Object.fromEntries(Object.entries(process.env).filter(([name]) => /^(PORTIONA_|DATABASE_URL$)/.test(name)));
  const { id, address } = await asked<{ id: string; address: string }>('POST', '', { environment });
  const http = requestsTo(address);
  if (demo) await loadDemo(http);
  const close = async () => {
    await asked('DELETE', id);
    rmSync(home, { recursive: true, force: true });
  };
  return { http, address, close };
}

/** Asks the process that holds this worker's servers. */
async function asked<Answer>(method: string, path: string, body?: object): Promise<Answer> {
  const ports = (process.env.TEST_APP_HOSTS ?? '').split(',');
  const port = ports[(Number(process.env.JEST_WORKER_ID ?? 1) - 1) % ports.length];
  const answer = await fetch(`http://127.0.0.1:${port}/${path}`, { method, ...(body ? { body: JSON.stringify(body) } : {}) });
  const said = (await answer.json()) as Answer & { message?: string };
  if (!answer.ok) throw new Error(said.message);
  return said;
}
