import { once } from 'node:events';
import { createServer, type AddressInfo } from 'node:net';
import { DataSource, QueryFailedError } from 'typeorm';
import { Database } from '../src/database/database.js';
import { dataSourceOptions } from '../src/database/dataSource.js';
import { KitchensService } from '../src/kitchens/kitchens.service.js';
import type { Scope } from '../src/scope/scope.js';
import { problemOf } from '../src/http/problemOf.js';
import { UncertainSaveError } from '../src/http/problems.js';
import { RecipesService } from '../src/recipes/recipes.service.js';
import { innerServer } from './innerServer.js';

let server: Awaited<ReturnType<typeof innerServer>>;
let database: Database;
let scope: Scope;
let kitchenId: string;
beforeAll(async () => {
  server = await innerServer({ demo: true });
  database = server.app.get(Database);
  [scope] = (await server.app.get(KitchensService).scopes()) as [Scope];
  ({ kitchenId } = scope);
});
afterAll(() => server.close());

/** Work in the kitchen, as a request in it does. */
const inside = <Done>(work: () => Promise<Done>) => database.within(kitchenId, work);
const backend = async () => (await database.manager.query<[{ pid: number }]>('SELECT pg_backend_pid() AS pid'))[0].pid;

test('a piece of work has one connection, however deep it goes', async () => {
  const pids = await database.read(async () => [
    await backend(),
    await database.write(backend),
    await database.writeAlone(kitchenId, () => database.read(() => database.writeAlone(kitchenId, backend))),
  ]);
  expect(new Set(pids).size).toBe(1);
});

test('more pieces of work than connections, each opening others inside, all end', async () => {
  const work = () => database.read(() => database.write(() => database.read(backend)));
  expect(await Promise.all(Array.from({ length: 60 }, work))).toHaveLength(60);
  const alone = () => database.writeAlone(kitchenId, () => database.read(backend));
  expect(await Promise.all(Array.from({ length: 60 }, alone))).toHaveLength(60);
});

test('what fails inside takes all of it back', () =>
  inside(async () => {
    const rename = (name: string) => database.manager.query('UPDATE kitchens SET name = $1', [name]);
    const name = async () => (await database.manager.query<[{ name: string }]>('SELECT name FROM kitchens'))[0].name;
    const before = await name();
    await expect(
      database.write(async () => {
        await rename('Half');
        await database.writeAlone(kitchenId, () => Promise.reject(new Error('no')));
      }),
    ).rejects.toThrow('no');
    expect(await name()).toBe(before);
  }));

test('in a kitchen one writes at a time; others read meanwhile', async () => {
  const order: string[] = [];
  const write = (name: string) =>
    database.writeAlone(kitchenId, async () => {
      order.push(`${name} begins`);
      await new Promise((resolve) => setTimeout(resolve, 30));
      order.push(`${name} ends`);
    });
  const reading = database.read(backend).then(() => order.push('read'));
  await Promise.all([write('a'), write('b'), reading]);
  expect(order.filter((one) => one !== 'read')).toEqual(['a begins', 'a ends', 'b begins', 'b ends']);
  expect(order.indexOf('read')).toBeLessThan(order.length - 1);
});

test('work that goes on when its transaction has ended is told, instead of writing elsewhere', async () => {
  let goOn: () => void = () => undefined;
  const ended = new Promise<void>((resolve) => (goOn = resolve));
  let begun: Promise<number> | undefined;
  await database.write(() => {
    // Begun inside, and not waited for.
    begun = ended.then(backend);
    begun.catch(() => undefined);
    return Promise.resolve();
  });
  goOn();
  await expect(begun).rejects.toThrow(/transaction that has ended/);
});

test('a connection that is gone at the commit is no answer: it says that nobody knows', async () => {
  const lost = database.write(async () => {
    const pid = await backend();
    await database.manager.query(`UPDATE accounts SET name = name`);
    // Ended by another connection, after the last statement and before the commit.
    const { Client } = await import('pg');
    const other = new Client({ connectionString: process.env.DATABASE_URL });
    await other.connect();
    await other.query('SELECT pg_terminate_backend($1)', [pid]);
    await other.end();
    await new Promise((resolve) => setTimeout(resolve, 50));
  });
  await expect(lost).rejects.toThrow(UncertainSaveError);
  expect(await lost.catch((error: unknown) => problemOf(error))).toMatchObject({
    status: 503,
    detail: expect.stringMatching(/which is not known/) as string,
  });
  expect(await backend()).toBeGreaterThan(0);
});

test.each([
  ['53100', 507, /disk is full.*nothing that was saved before is lost/],
  ['ENOSPC', 507, /disk is full/],
  ['40P01', 503, /nothing of this was written. Try again/],
  ['57014', 503, /took long/],
  ['57P01', 503, /went away/],
  ['08006', 503, /went away/],
  ['ECONNREFUSED', 503, /went away/],
  ['22021', 422, /letters that cannot be kept/],
  ['54000', 422, /longer than can be kept/],
  ['22003', 400, /none that could be there/],
])('what the database says by %s is answered %i', (code, status, detail) => {
  const cause = Object.assign(new Error('x'), { code });
  for (const error of [cause, new QueryFailedError('', [], cause), new Error('wrapped', { cause })])
    expect(problemOf(error)).toMatchObject({ status, detail: expect.stringMatching(detail) as string });
});

test('no connection in time is told as busy, and when to come again', () => {
  expect(problemOf(new Error('timeout exceeded when trying to connect'))).toMatchObject({ status: 503, retryAfter: 2 });
  expect(problemOf(new Error('anything else'))).toMatchObject({ status: 500 });
});

test('recipes put away cost nothing: they are not even read, unless others take their parts', async () => {
  const recipes = server.app.get(RecipesService);
  const dish = (id: string, line: object) => ({ document: { id, title: id, servings: 1, parts: [{ id: 'p', name: 'P', lines: [line] }] } });
  await server.http
    .post('/api/recipes')
    .send(dish('away', { text: 'x' }))
    .expect(201);
  await server.http
    .post('/api/recipes')
    .send(dish('away-base', { text: 'x' }))
    .expect(201);
  await server.http
    .post('/api/recipes')
    .send(dish('takes-it', { recipe: 'away-base', part: 'p', amount: 1, unit: 'g' }))
    .expect(201);
  for (const id of ['away', 'away-base']) await server.http.delete(`/api/recipes/${id}`).expect(204);
  const ids = (await inside(() => recipes.atHand(scope))).recipes.map(({ id }) => id);
  expect(ids).toContain('away-base');
  expect(ids).not.toContain('away');
  const listed = ((await server.http.get('/api/recipes').expect(200)).body as { id: string }[]).map(({ id }) => id);
  expect(listed).toContain('takes-it');
  expect(listed).not.toContain('away-base');
});

test('a connection that ends in the very moment in which it is handed over ends nothing else', async () => {
  const message = (type: string, rest: Buffer) => {
    const length = Buffer.alloc(4);
    length.writeInt32BE(rest.length + 4);
    return Buffer.concat([Buffer.from(type), length, rest]);
  };
  const said = 'SFATAL\0VFATAL\0C57P01\0Mterminating connection due to administrator command\0\0';
  // Let in, ready, and ended, in one piece: nobody comes to ask anything in between.
  const answer = Buffer.concat([message('R', Buffer.alloc(4)), message('Z', Buffer.from('I')), message('E', Buffer.from(said))]);
  const database = createServer((line) => line.once('data', () => line.end(answer)).on('error', () => undefined)).listen(0, '127.0.0.1');
  await once(database, 'listening');
  const unheard: unknown[] = [];
  const hear = (error: unknown) => unheard.push(error);
  process.on('uncaughtException', hear);
  try {
    const { port } = database.address() as AddressInfo;
    await expect(new DataSource(dataSourceOptions(`postgres://a:b@127.0.0.1:${port}/c`, 1)).initialize()).rejects.toThrow(
      /terminat|connection/i,
    );
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(unheard).toEqual([]);
  } finally {
    process.off('uncaughtException', hear);
    database.close();
  }
});
