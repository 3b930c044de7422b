import { rmSync } from 'node:fs';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { makeApp } from '../src/http/makeApp.js';
import { freshHome, loadDemo, requestsTo } from './testServer.js';

/** A server from source, in the test's own process: for tests that reach into it. Others are quicker with `testServer`. */
export async function innerServer({ demo }: { readonly demo: boolean }) {
  const home = await freshHome();
  const app: NestExpressApplication = await makeApp();
  await app.listen(0, '127.0.0.1');
  const http = requestsTo(app.getHttpServer());
  if (demo) await loadDemo(http);
  const close = async () => {
    await app.close();
    rmSync(home, { recursive: true, force: true });
  };
  return { app, http, close };
}
