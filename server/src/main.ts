import { makeApp } from './http/makeApp.js';
import { listening } from './http/listening.js';
import { listenForReaders } from './http/listenForReaders.js';
import { Threads } from './threads/threads.js';

/** Milliseconds that requests under way have to end when the server is to; an upload nobody ends is not waited for. */
const LAST_REQUESTS = 5_000;

const port = Number(process.env.PORTIONA_PORT ?? 4180);
const app = await makeApp();
const server = app.getHttpServer();
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => setTimeout(() => server.closeAllConnections(), LAST_REQUESTS).unref());
await app.listen(port, listening().host);
const readers = await listenForReaders(app.getHttpAdapter().getInstance(), process.env.PORTIONA_READERS_LISTEN);
if (readers) for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => readers.close());
await app.get(Threads).warm();
