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

type Server = NonNullable<Parameters<typeof supertest.agent>[0]>;

/** Somebody signed in, as their page is: a cookie, what the page says beside it, and the kitchen at hand. */
export interface SignedIn {
  readonly headers: Readonly<Record<string, string>>;
  /** Where the kitchen's addresses begin: "/api/kitchens/KEY". */
  readonly kitchen: string;
}

/** Signs in by a link of the command line. */
export async function enter(server: Server, link: string): Promise<SignedIn> {
  const answer = await supertest(server).post('/api/entries').set('Content-Type', 'application/json').send({ link }).expect(200);
  return signedIn(answer);
}

/** What an answer that signs somebody in has given them. */
export function signedIn({ headers, body }: Pick<supertest.Response, 'headers' | 'body'>): SignedIn {
  const [cookie = ''] = String(headers['set-cookie']).split(';');
  const { pageToken, kitchens } = body as { pageToken: string; kitchens: { key: string }[] };
  return { headers: { Cookie: cookie, 'X-Portiona-Page': pageToken }, kitchen: `/api/kitchens/${kitchens[0]?.key}` };
}

/** Addresses of the server that belong to no kitchen. */
const OUTSIDE =
  /^\/(?!api\/)|^\/api\/(?:kitchens|me|entries|health|sign-ins|password-resets|invitations|letters|installation|passkeys|status)(?=[/?]|$)/;

/** An address as tests say it: of the kitchen at hand, unless it is of none. */
export function addressIn(kitchen: string, address: string): string {
  if (OUTSIDE.test(address)) return address;
  return /^\/api\/kitchen(?=[/?]|$)/.test(address) ? address.replace('/api/kitchen', kitchen) : address.replace('/api', kitchen);
}

const METHODS: ReadonlySet<unknown> = new Set(['get', 'post', 'put', 'patch', 'delete', 'head']);

/**
 * Requests as the application makes them: signed in, in the kitchen at hand, and one that changes something says what it sends, also where
 * that is nothing.
 */
export function requestsTo(server: Server, { headers, kitchen }: SignedIn) {
  const agent = supertest.agent(server).set('Content-Type', 'application/json').set(headers);
  return new Proxy(agent, {
    get(target, name) {
      const method = Reflect.get(target, name) as unknown;
      if (typeof method !== 'function') return method;
      if (!METHODS.has(name)) return method.bind(target) as unknown;
      return (address: string) => (method as (address: string) => unknown).call(target, addressIn(kitchen, address));
    },
  });
}

export async function loadDemo(http: ReturnType<typeof requestsTo>): Promise<void> {
  await http.post('/api/imports/kitchen-file?name=Saltmarsh%20Suppers').send(DEMO).expect(201);
}

/** A server as it is built, on a database and in a data folder that are there already. */
export async function serverOn(database: string, home: string) {
  const environment = { ...ownEnvironment(), DATABASE_URL: database, PORTIONA_HOME: home };
  const { id, address } = await asked<{ id: string; address: string }>('POST', '', { environment });
  return { address, close: () => asked('DELETE', id) };
}

function ownEnvironment(): Record<string, string | undefined> {
  return Object.fromEntries(Object.entries(process.env).filter(([name]) => /^(PORTIONA_|DATABASE_URL$)/.test(name)));
}

/** A server as it is built, on a database of its own, listening on a port of its own, in a process that serves many tests. */
export async function testServer({ demo }: { readonly demo: boolean }) {
  const home = await freshHome();
  const environment = ownEnvironment();
  const { id, address, link } = await asked<{ id: string; address: string; link: string }>('POST', '', { environment });
  const me = await enter(address, link);
  const http = requestsTo(address, me);
  if (demo) await loadDemo(http);
  const close = async () => {
    await asked('DELETE', id);
    rmSync(home, { recursive: true, force: true });
  };
  return { http, address, ...me, kitchenAddress: address + me.kitchen, close };
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
