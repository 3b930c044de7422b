import type { Server } from 'node:http';
import { makeApp, makeWorker } from './http/makeApp.js';
import { listening } from './http/listening.js';
import { listenForReaders } from './http/listenForReaders.js';
import { Readiness } from './health/readiness.service.js';
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
let readers: Server | undefined;
let ending = false;
/** Ends as it was asked to: it says so first, answers what it has begun, and leaves jobs to whoever comes next. */
async function end(signal: NodeJS.Signals): Promise<void> {
  // Ctrl+C asks a whole group, and whoever started it asks once more: it ends once.
  if (ending) return;
  ending = true;
  await readiness.drain();
  readers?.close();
  const server = app?.getHttpServer();
  setTimeout(() => server?.closeAllConnections(), LAST_REQUESTS).unref();
  await context.close().catch(() => undefined);
  process.removeAllListeners(signal);
  process.kill(process.pid, signal);
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void end(signal));

const watched = await listenForMetrics(
  { ready: () => readiness.ready(), metrics: async () => ({ text: await metrics.text(), type: metrics.contentType }) },
  process.env.PORTIONA_WATCH_LISTEN,
);
// It tells that this server ends until it has.
watched?.unref();
if (app) await app.listen(Number(process.env.PORTIONA_PORT ?? 4180), listening().host);
if (app) readers = await listenForReaders(app.getHttpAdapter().getInstance(), process.env.PORTIONA_READERS_LISTEN);

await context.get(Threads, { strict: false }).warm();
