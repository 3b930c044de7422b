import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import { statedAddress } from '../http/statedAddress.js';

/** What is asked of a server by whoever looks after it. */
export interface Watched {
  /** Whether it can be given work. */
  readonly ready: () => Promise<boolean>;
  readonly metrics: () => Promise<{ readonly text: string; readonly type: string }>;
}

const PLAIN = 'text/plain; charset=utf-8';

/**
 * Listens for programs that watch: /live, /ready and /metrics, on a port of its own that nobody else reaches, and nowhere else.
 *
 * @param stated PORTIONA_WATCH_LISTEN, "9464" (on loopback) or "10.0.0.5:9464"; empty or left out: not at all
 * @throws Error that says what it must be
 */
export async function listenForMetrics(watched: Watched, stated: string | undefined): Promise<Server | undefined> {
  const where = statedAddress('PORTIONA_WATCH_LISTEN', stated);
  if (!where) return undefined;
  const answers: Readonly<Record<string, () => Promise<readonly [status: number, text: string, type: string]>>> = {
    '/live': () => Promise.resolve([200, 'alive\n', PLAIN]),
    '/ready': async () => ((await watched.ready()) ? [200, 'ready\n', PLAIN] : [503, 'not ready\n', PLAIN]),
    '/metrics': async () => {
      const { text, type } = await watched.metrics();
      return [200, text, type];
    },
  };
  const server = createServer((request, response) => {
    const found = answers[(request.url ?? '').split('?', 1)[0] ?? ''];
    const answer = found ? found() : Promise.resolve([404, '/live, /ready and /metrics are here\n', PLAIN] as const);
    answer.then(
      ([status, text, type]) => response.writeHead(status, { 'Content-Type': type, 'Cache-Control': 'no-store' }).end(text),
      () => response.writeHead(500, { 'Content-Type': PLAIN }).end('it cannot be told\n'),
    );
  });
  server.listen(where.port, where.host);
  await once(server, 'listening');
  return server;
}
