import { rmSync } from 'node:fs';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { enterLink } from '../src/database/enterLink.js';
import { makeApp } from '../src/http/makeApp.js';
import { enter, freshHome, loadDemo, requestsTo } from './testServer.js';

/** A server from source, in the test's own process: for tests that reach into it. Others are quicker with `testServer`. */
export async function innerServer({ demo }: { readonly demo: boolean }) {
  const home = await freshHome();
  const app: NestExpressApplication = await makeApp();
  await app.listen(0, '127.0.0.1');
  const me = await enter(app.getHttpServer(), await enterLink(process.env.DATABASE_URL ?? ''));
  const http = requestsTo(app.getHttpServer(), me);
  if (demo) await loadDemo(http);
  const close = async () => {
    await app.close();
    rmSync(home, { recursive: true, force: true });
  };
  return { app, http, ...me, close };
}
