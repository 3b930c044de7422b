import { makeApp, makeWorker } from './http/makeApp.js';
import { listening } from './http/listening.js';
import { listenForReaders } from './http/listenForReaders.js';
import { drainFor, Readiness } from './health/readiness.service.js';
import { role } from './jobs/role.js';
import { Threads } from './threads/threads.js';
import { listenForMetrics } from './watch/listenForMetrics.js';
import { MetricsService } from './watch/metrics.service.js';

/** Milliseconds that requests under way have to end when the server is to; an upload nobody ends is not waited for. */
const LAST_REQUESTS = 5_000;

const serves = role() !== 'work';
const app = serves ? await makeApp() : undefined;
const context = app ?? (await makeWorker());
const [readiness, metrics] = [context.get(Readiness), context.get(MetricsService, { strict: false })];
const watched = await listenForMetrics(
  { ready: () => readiness.ready(), metrics: async () => ({ text: await metrics.text(), type: metrics.contentType }) },
  process.env.PORTIONA_WATCH_LISTEN,
);
// It tells that this server ends until it has.
watched?.unref();
const onSignal = (end: () => void) => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, end);
};
if (app) {
  const server = app.getHttpServer();
  onSignal(() => setTimeout(() => server.closeAllConnections(), drainFor() + LAST_REQUESTS).unref());
  await app.listen(Number(process.env.PORTIONA_PORT ?? 4180), listening().host);
  const readers = await listenForReaders(app.getHttpAdapter().getInstance(), process.env.PORTIONA_READERS_LISTEN);
  if (readers) onSignal(() => readers.close());
}
await context.get(Threads, { strict: false }).warm();
