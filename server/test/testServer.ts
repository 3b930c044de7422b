import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { Client } from 'pg';
import supertest from 'supertest';
import { makeApp } from '../src/http/makeApp.js';

/** The demo kitchen as a file. */
export const DEMO = JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')) as object;

/** A new, empty database on the server that the test command has started. */
export async function freshDatabase(): Promise<string> {
  const url = process.env.TEST_DATABASE_URL;
  if (url === undefined) throw new Error('TEST_DATABASE_URL is not set: run the tests with ./portiona test, which starts a database');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  return url.replace(/\/[^/]+$/, `/${name}`);
}

/** A server on a database of its own, listening on a port of its own. */
export async function testServer({ demo }: { readonly demo: boolean }) {
  process.env.DATABASE_URL = await freshDatabase();
  const home = mkdtempSync(join(tmpdir(), 'portiona-test-home-'));
  process.env.PORTIONA_HOME = home;
  const app: NestExpressApplication = await makeApp();
  await app.listen(0, '127.0.0.1');
  // As the application does: a request that changes something says what it sends, also where that is nothing.
  const http = supertest.agent(app.getHttpServer()).set('Content-Type', 'application/json');
  if (demo) await http.post('/api/imports/kitchen-file?name=Saltmarsh%20Suppers').send(DEMO).expect(201);
  const close = async () => {
    await app.close();
    rmSync(home, { recursive: true, force: true });
  };
  return { app, http, close };
}
