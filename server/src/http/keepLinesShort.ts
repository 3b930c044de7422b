import type { Server } from 'node:http';
import type { Socket } from 'node:net';

/** Milliseconds: for a request's first lines, for a request as a whole, for the next one on a line, and for a line on which nothing moves. */
const LONGEST = { headers: 15_000, request: 960_000, next: 10_000, still: 180_000 };
/** Lines that are open at once. */
const MOST = 8_000;

/** Ends lines on which nothing comes, so that nobody holds many by saying nothing. */
export function keepLinesShort(server: Server): void {
  server.headersTimeout = LONGEST.headers;
  server.requestTimeout = LONGEST.request;
  server.keepAliveTimeout = LONGEST.next;
  server.maxConnections = MOST;
  server.setTimeout(LONGEST.still);
  // What has become another kind of line sees to itself.
  server.on('upgrade', (_, socket: Socket) => socket.setTimeout(0));
}
