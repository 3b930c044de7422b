import { readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { nearlyRight, thingsThere } from '../bench/hostileBodies.mjs';
import { hostileRequests, isBroken, type HostileRequest } from '../bench/hostileRequests.mjs';
import type { Server } from './house.js';
import { testServer } from './testServer.js';

// A machine that is busy elsewhere is slow, not wrong.
jest.setTimeout(900_000);

/** The interface as it was built. */
const OPEN_API = JSON.parse(readFileSync(join(__dirname, '../../openapi.json'), 'utf8')) as {
  readonly paths: Parameters<typeof hostileRequests>[0];
  readonly components: object;
};
/** Asked at once. */
const AT_ONCE = 8;

test.each([
  ['hostile requests', 1000, (server: Server) => Promise.resolve(hostileRequests(OPEN_API.paths, server.kitchen))],
  ['nearly right requests', 1000, async (server: Server) => nearlyRight(OPEN_API, server.kitchen, await thingsThere(askOf(server)))],
])(
  '%s break nothing, and the server answers beside them',
  async (_, least, made) => {
    const server = await testServer({ demo: true });
    try {
      const { address } = server;
      const requests = await made(server);
      expect(requests.length).toBeGreaterThan(least);
      const watch = watchHealth(`${address}/api/health`);
      const broken: string[] = [];
      const waiting = [...requests];
      const ask = async () => {
        for (let next = waiting.pop(); next; next = waiting.pop()) {
          const said = await answerOf(address, server.headers, next);
          if (said !== undefined) broken.push(said);
        }
      };
      await Promise.all(Array.from({ length: AT_ONCE }, ask));
      expect(broken).toEqual([]);
      // How long a wait may be is judged by `bench faults`; here it is that it answers while they are being answered.
      const { answered, beside } = await watch.stop();
      // That it has too much to do just now is an answer too; that it broke is none.
      expect(answered.filter((status) => status !== 200 && status !== 503)).toEqual([]);
      expect(answered.slice(0, beside).filter((status) => status === 200).length).toBeGreaterThan(10);
      await server.http.get('/api/recipes').expect(200);
    } finally {
      await server.close();
    }
  },
  400_000,
);

test('what is asked next on a line goes through, whatever was refused in the middle before it', async () => {
  const server = await testServer({ demo: false });
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const { port } = new URL(server.address);
  const send = (method: string, path: string, body?: Buffer) =>
    new Promise<{ status: number | undefined; line: unknown }>((resolve, reject) => {
      const headers = { ...server.headers, 'content-type': 'text/csv' };
      const asked = request({ agent, host: '127.0.0.1', port, method, path, headers }, (answer) => {
        const line = answer.socket;
        answer.resume().once('end', () => resolve({ status: answer.statusCode, line }));
      });
      asked.once('error', reject);
      asked.end(body);
    });
  try {
    // The first piece of it shows that it is no table; most of it is still to come.
    for (const size of [300_000, 7_000_000]) {
      const refused = await send('POST', `${server.kitchen}/food-tables?name=zeros.csv`, Buffer.alloc(size));
      expect(refused.status).toBe(422);
      const next = await send('GET', '/api/me');
      expect(next.status).toBe(200);
      expect(next.line).toBe(refused.line);
    }
  } finally {
    agent.destroy();
    await server.close();
  }
});

const askOf =
  ({ http }: Server) =>
  async (path: string, sent?: object): Promise<unknown> =>
    (await (sent ? http.post(path).send(sent) : http.get(path))).body;

/** What is wrong with the answer to a request; undefined where nothing is. */
async function answerOf(
  address: string,
  headers: Readonly<Record<string, string>>,
  { method, url, body, type, name }: HostileRequest,
): Promise<string | undefined> {
  const what = `${method} ${url.slice(0, 80)} ${name ?? ''} ${String(body).slice(0, 60)}`;
  try {
    const answer = await fetch(address + url, {
      method,
      signal: AbortSignal.timeout(30_000),
      headers: { ...headers, ...(type === undefined ? {} : { 'content-type': type }) },
      ...(body === undefined ? {} : { body }),
    });
    await answer.arrayBuffer();
    return isBroken(answer.status, answer.headers.get('content-type')) ? `${what}: ${answer.status}` : undefined;
  } catch (error) {
    return `${what}: ${String(error)}`;
  }
}

/** Asks for health again and again; what it answered, and how often before it was told to stop. */
function watchHealth(url: string) {
  const answered: number[] = [];
  let watching = true;
  const watch = (async () => {
    while (watching) {
      const answer = await fetch(url, { signal: AbortSignal.timeout(30_000) });
      await answer.arrayBuffer();
      answered.push(answer.status);
      await new Promise((resolve) => setTimeout(resolve, 25));
    }
  })();
  return {
    stop: async () => {
      watching = false;
      const beside = answered.length;
      await watch;
      return { answered, beside };
    },
  };
}
