import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { Database } from '../src/database/database.js';
import { KitchensService } from '../src/kitchens/kitchens.service.js';
import { Readiness } from '../src/health/readiness.service.js';
import { role } from '../src/jobs/role.js';
import { concernsOf } from '../src/watch/concerns.js';
import { RecentLatencies } from '../src/watch/latencies.js';
import { listenForMetrics } from '../src/watch/listenForMetrics.js';
import { MetricsService } from '../src/watch/metrics.service.js';
import { slowStatements } from '../src/watch/slowStatements.js';
import type { ServerDto, StatusDto } from '../src/watch/status.dto.js';
import { joined } from './house.js';
import { innerServer } from './innerServer.js';

describe('how quick it was lately', () => {
  test('half, 95 and 99 in a hundred, of the last minutes and no longer', () => {
    let now = 0;
    const latencies = new RecentLatencies(() => now);
    expect(latencies.lately()).toBeUndefined();
    for (let i = 1; i <= 100; i++) latencies.note(i, i > 98 ? 'failed' : 'answered');
    const { requests, failed, p50, p95, p99 } = latencies.lately()!;
    expect({ requests, failed }).toEqual({ requests: 100, failed: 2 });
    expect(p50).toBeCloseTo(50, 0);
    expect(p95).toBeCloseTo(95, 0);
    expect(p99).toBeCloseTo(99, 0);
    latencies.note(0.1, 'refused');
    expect(latencies.lately()).toMatchObject({ requests: 101, refused: 1, p50: expect.closeTo(50, 0) as number });
    now += 200_000;
    latencies.note(7, 'answered');
    expect(latencies.lately()?.requests).toBe(102);
    now += 200_000;
    expect(latencies.lately()?.requests).toBe(1);
    now += 400_000;
    expect(latencies.lately()).toBeUndefined();
  });
});

describe('what needs somebody', () => {
  const now = Date.parse('2026-11-30T12:00:00Z');
  const server: ServerDto = {
    id: 'a',
    role: 'both',
    host: 'north',
    version: '1 x',
    startedAt: '2026-11-29T12:00:00Z',
    seenAt: '2026-11-30T12:00:00Z',
    here: true,
    alive: true,
    memory: 300,
    delay: 3,
    lately: { requests: 900, failed: 0, refused: 0, p50: 4, p95: 40, p99: 90 },
    slow: [],
  };
  const backup = { madeAt: '2026-11-30T03:00:00Z', name: 'portiona-2026-11-30-030000.tar', bytes: 1e6, took: 900, trouble: null };
  const well: Omit<StatusDto, 'concerns'> = {
    version: '1',
    engine: 'x',
    node: 'v20',
    postgres: '15',
    schema: 'OwnAccountEnds1767100000032',
    kitchens: 1,
    accounts: 1,
    servers: [server],
    jobs: [{ queue: 'draw', waiting: 0, active: 0 }],
    database: 1e7,
    tables: [],
    fileStore: 'a folder',
    files: [],
    room: { free: 5e10, whole: 1e11 },
    backsUp: true,
    backups: [backup],
    lettersLeave: true,
  };
  const words = (status: Partial<typeof well>) => concernsOf({ ...well, ...status }, now).map((one) => `${one.bad ? '!' : ''}${one.words}`);

  test('nothing, where all is well', () => expect(words({})).toEqual([]));

  test.each<[string, Partial<typeof well>, RegExp]>([
    ['none yet', { backups: [] }, /^No backup has been made yet/],
    ['none by itself', { backsUp: false }, /^No backup is made by itself here\.$/],
    ['none at all', { backsUp: false, backups: [] }, /by itself here, and none has been made/],
    ['two days old', { backups: [{ ...backup, madeAt: '2026-11-28T12:00:00Z' }] }, /^The last backup that is whole is 2 days old/],
    ['ten days old', { backups: [{ ...backup, madeAt: '2026-11-20T12:00:00Z' }] }, /^!The last backup that is whole is 10 days old/],
    ['failed', { backups: [{ ...backup, trouble: 'no room' }, backup] }, /^!The last backup failed: no room/],
    ['a server gone', { servers: [server, { ...server, id: 'b', host: 'south', alive: false }] }, /south gave no sign/],
    ['two versions', { servers: [server, { ...server, id: 'b', version: '2 y' }] }, /of 2 versions run/],
    ['failing', { servers: [{ ...server, lately: { ...server.lately!, failed: 30 } }] }, /^!north failed at 30 of 900/],
    ['refusing', { servers: [{ ...server, lately: { ...server.lately!, refused: 20 } }] }, /^north told 20 of 900/],
    ['refusing much', { servers: [{ ...server, lately: { ...server.lately!, refused: 300 } }] }, /^!north told 300 of 900/],
    ['slow', { servers: [{ ...server, lately: { ...server.lately!, p95: 800 } }] }, /north is slow/],
    ['busy', { servers: [{ ...server, delay: 400 }] }, /waits 400 ms/],
    [
      'nobody works',
      { servers: [{ ...server, role: 'serve' }], jobs: [{ queue: 'draw', waiting: 2, active: 0 }] },
      /^!2 jobs wait, and no server does jobs/,
    ],
    ['much waits', { jobs: [{ queue: 'draw', waiting: 40, active: 2 }] }, /^40 jobs wait/],
    ['a full disk', { room: { free: 5e9, whole: 1e11 } }, /^The disk of the data folder is 95 % full/],
    ['a very full disk', { room: { free: 1e9, whole: 1e11 } }, /^!The disk .* 99 % full/],
  ])('%s', (_, status, said) => {
    const found = words(status);
    expect(found).toHaveLength(1);
    expect(found[0]).toMatch(said);
  });

  test('few requests say nothing of how quick it is; what is worst comes first', () => {
    expect(words({ servers: [{ ...server, lately: { requests: 30, failed: 30, refused: 0, p50: 4, p95: 4_000, p99: 9_000 } }] })).toEqual(
      [],
    );
    expect(words({ room: { free: 5e9, whole: 1e11 }, backups: [{ ...backup, trouble: 'x' }] })[0]).toMatch(/^!/);
  });
});

test.each([
  [undefined, 'both'],
  ['serve', 'serve'],
  [' work ', 'work'],
])('PORTIONA_ROLE %s', (said, is) => expect(role(said === undefined ? {} : { PORTIONA_ROLE: said })).toBe(is));
test('a role that is none is told', () => expect(() => role({ PORTIONA_ROLE: 'all' })).toThrow(/must be both, serve or work/));

describe('a server that runs', () => {
  let server: Awaited<ReturnType<typeof innerServer>>;
  beforeAll(async () => {
    process.env.PORTIONA_SLOW_QUERY_MS = '150';
    server = await innerServer({ demo: true });
  });
  afterAll(async () => {
    await server.close();
    delete process.env.PORTIONA_SLOW_QUERY_MS;
  });

  test('lives and is ready, apart; one that ends is not ready, and lives', async () => {
    await server.http.get('/api/health/live').expect(200);
    await server.http.get('/api/health/ready').expect(200);
    const readiness = new Readiness({ beats: () => Promise.resolve(true) } as never);
    expect(await readiness.ready()).toBe(true);
    await readiness.drain();
    expect(await readiness.ready()).toBe(false);
    expect(await new Readiness({ beats: () => Promise.resolve(false) } as never).ready()).toBe(false);
  });

  test('tells programs that watch on a port of its own what it counts: routes as patterns, never what people wrote', async () => {
    await server.http.get('/api/recipes/beef-shin-and-barley').expect(200);
    await server.http.get('/api/found-foods?q=sorrel-of-mine').expect(200);
    // In a thread, which says what its memory holds.
    await server.http.get('/api/found-again').expect(200);
    const metrics = server.app.get(MetricsService, { strict: false });
    let ready = true;
    const watched = await listenForMetrics(
      { ready: () => Promise.resolve(ready), metrics: async () => ({ text: await metrics.text(), type: metrics.contentType }) },
      '0',
    );
    const address = `http://127.0.0.1:${(watched!.address() as AddressInfo).port}`;
    const answer = await fetch(`${address}/metrics`);
    expect(answer.headers.get('content-type')).toMatch(/^text\/plain; version=0\.0\.4/);
    const text = await answer.text();
    expect(text).toMatch(
      /portiona_http_request_seconds_count\{method="GET",route="\/api\/kitchens\/:kitchen\/recipes\/:id",status="200"\} [1-9]/,
    );
    for (const name of [
      'portiona_http_requests_under_way',
      'portiona_database_connections{state="open"}',
      'portiona_jobs{queue="take-tables",state="waiting"} 0',
      'portiona_slow_queries_total',
      'process_resident_memory_bytes',
      'nodejs_eventloop_lag_seconds',
    ])
      expect(text).toContain(name);
    expect(Number(/portiona_thread_heap_bytes\{pool="computing"\} (\d+)/.exec(text)?.[1])).toBeGreaterThan(10_000_000);
    expect(text).not.toMatch(/beef-shin|sorrel-of-mine/);
    expect((await fetch(`${address}/live`)).status).toBe(200);
    expect((await fetch(`${address}/ready`)).status).toBe(200);
    ready = false;
    expect((await fetch(`${address}/ready`)).status).toBe(503);
    expect((await fetch(`${address}/live`)).status).toBe(200);
    expect((await fetch(`${address}/api/me`)).status).toBe(404);
    watched!.close();
    await once(watched!, 'close');
    expect(await listenForMetrics({ ready: () => Promise.resolve(true), metrics: () => Promise.reject(new Error()) }, ' ')).toBeUndefined();
    await expect(listenForMetrics({} as never, 'here')).rejects.toThrow(/PORTIONA_WATCH_LISTEN is "here"/);
  });

  test('a statement that takes long is remembered, without what it was given', async () => {
    const database = server.app.get(Database);
    const [scope] = await server.app.get(KitchensService, { strict: false }).scopes();
    await database.within(scope!.kitchenId, () => database.manager.query(`SELECT pg_sleep(0.3), $1::text`, ['what somebody wrote']));
    const [last] = slowStatements();
    expect(last?.text).toBe('SELECT pg_sleep(0.3), $1::text');
    expect(last?.milliseconds).toBeGreaterThan(250);
    expect(JSON.stringify(slowStatements())).not.toContain('what somebody wrote');
  });

  test('its keeper is told how it stands; nobody else is', async () => {
    const { body } = (await server.http.get('/api/status').expect(200)) as { body: StatusDto };
    expect(body).toMatchObject({ version: '0.1.0', kitchens: 1, accounts: 1, schema: 'OwnAccountEnds1767100000032', backsUp: false });
    expect(body.servers).toHaveLength(1);
    expect(body.servers[0]).toMatchObject({ here: true, alive: true, role: 'both' });
    expect(body.servers[0]?.slow.map(({ text }) => text)).toContain('SELECT pg_sleep(0.3), $1::text');
    expect(body.database).toBeGreaterThan(5e6);
    expect(body.tables.length).toBe(8);
    expect(body.jobs.map(({ queue }) => queue)).toEqual(['bind-cards', 'refresh-prices', 'take-tables', 'draw']);
    expect(body.room?.free).toBeGreaterThan(0);
    const editor = await joined({ ...server, address: addressOf(server) } as never, 'editor');
    await editor.http.get('/api/status').expect(403);
  });
});

function addressOf({ app }: Awaited<ReturnType<typeof innerServer>>): string {
  return `http://127.0.0.1:${(app.getHttpServer().address() as AddressInfo).port}`;
}
