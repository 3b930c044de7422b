import { once } from 'node:events';
import { createServer, type RequestListener, type Server } from 'node:http';
import { isForReaders } from './forReaders.js';
import { statedAddress } from './statedAddress.js';

/**
 * Listens for readers alone, where that is asked for: what anybody may read is answered there, and nothing else of the server is, so
 * that it can be let out into the world without the application.
 *
 * @param stated PORTIONA_READERS_LISTEN, "0.0.0.0:8080" or "8080" (on loopback); empty or left out: not at all
 * @throws Error that says what it must be
 */
export async function listenForReaders(app: RequestListener, stated: string | undefined): Promise<Server | undefined> {
  const where = statedAddress('PORTIONA_READERS_LISTEN', stated);
  if (!where) return undefined;
  const server = createServer((request, response) => {
    const path = (request.url ?? '').split('?', 1)[0] ?? '';
    if (isForReaders(path) && (request.method === 'GET' || request.method === 'HEAD')) return void app(request, response);
    response.writeHead(404, { 'Content-Type': 'text/plain; charset=utf-8', 'Cache-Control': 'no-store' }).end('Nothing is here.\n');
  });
  server.listen(where.port, where.host);
  await once(server, 'listening');
  return server;
}
