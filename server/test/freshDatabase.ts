import { randomUUID } from 'node:crypto';
import { Client } from 'pg';

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
