// A server at everyday work for as long as is asked, and the memory it takes meanwhile, minute by minute.
// node server/bench/soak.mjs [MINUTES]
import { freePort, startDatabase } from '../../scripts/throwaway.mjs';
import { everyday } from './everyday.mjs';
import { ownServer } from './ownServer.mjs';
import { megabytes, memoryOf, pause } from './watch.mjs';

const minutes = Number(process.argv[2] ?? 60);
/** What a process takes before it has done everything once, and threads have come and gone, is no measure. */
const WARM = Math.min(10, minutes / 4);

const middle = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

/** What people read, draw and bring, over and over; each waits between one and the next. */
const READS = [
  ['/api/recipes', 700],
  ['/api/found-foods?q=lentil', 900],
  ['/api/recipe-pages?order=protein&from=0&count=50', 1_100],
  ['/api/recipes/beef-shin-and-barley', 500],
  ['/api/findings', 2_900],
  ['/api/shopping', 3_700],
  ['/api/weeks?from=2026-11-30', 3_100],
  ['/api/recipes/beef-shin-and-barley/card.pdf', 9_000],
  ['/api/recipes/beef-shin-and-barley/card.png?format=square', 8_000],
  ['/api/recipes/no-such-dish', 1_900],
  ['/api/audit', 5_300],
  ['/api/exports/kitchen-file', 21_000],
  ['/', 1_300],
];

const database = startDatabase();
const watch = await freePort();
const server = await ownServer(database.url, { PORTIONA_WATCH_LISTEN: String(watch) });
/** What the main thread's memory holds, and that of its threads by pool, bytes. */
async function heaps() {
  const text = await (await fetch(`http://127.0.0.1:${watch}/metrics`)).text();
  const of = (name) =>
    [...text.matchAll(new RegExp(`^${name}(?:\\{pool="(\\w+)"\\})? ([\\d.e+]+)$`, 'gm'))].map(([, pool, bytes]) => [pool, Number(bytes)]);
  return { main: of('nodejs_heap_size_used_bytes')[0]?.[1] ?? NaN, pools: of('portiona_thread_heap_bytes') };
}
try {
  // Work that saves is slowed down to what people do.
  const people = await everyday({ ...server, url: database.url, own: ['account', 'batch', 'publishing', 'photo', 'job'], rest: 2_000 });
  const { me } = people;
  let going = true;
  let asked = 0;
  let lines = 0;
  const loop = async (rest, work) => {
    while (going) {
      await work().catch(() => undefined);
      asked++;
      await pause(rest * (0.5 + Math.random()));
    }
  };
  const loops = [
    ...READS.map(([path, rest]) => loop(rest, async () => void (await (await me.ask(path)).arrayBuffer()))),
    // Pages that listen, and go away again.
    ...Array.from({ length: 6 }, () =>
      loop(500, async () => {
        const leaving = new AbortController();
        const listening = await me.ask('/api/events', { signal: leaving.signal });
        lines++;
        await pause(4_000);
        leaving.abort();
        await listening.body?.cancel().catch(() => undefined);
      }),
    ),
    // A table that is brought, looked at, and taken away.
    loop(15_000, async () => {
      const text = `name;kcal;protein\n${Array.from({ length: 20_000 }, (_, i) => `Food ${i};${i % 900};${i % 30}`).join('\n')}`;
      const brought = await me.ask('/api/food-tables?name=soak.csv', {
        method: 'POST',
        body: text,
        headers: { 'content-type': 'text/csv' },
      });
      const { id } = await brought.json();
      await (await me.ask(`/api/food-tables/${id}/look`)).arrayBuffer();
      await me.ask(`/api/food-tables/${id}`, { method: 'DELETE' });
    }),
    // Somebody who is not let in.
    loop(2_300, async () => void (await fetch(`${server.address}/api/kitchens/abc/recipes`)).arrayBuffer()),
  ];
  const [taken, mains, threads] = [[], [], []];
  for (let minute = 1; minute <= minutes; minute++) {
    await pause(60_000);
    if (!server.runs()) throw new Error(`the server ended by itself after ${minute} minutes`);
    const { now, most } = memoryOf(server.pid());
    const { main, pools } = await heaps();
    taken.push(now);
    mains.push(main);
    threads.push(pools.reduce((sum, [, bytes]) => sum + bytes, 0));
    console.log(
      `${String(minute).padStart(3)} min  ${megabytes(now).padStart(7)} now, ${megabytes(most)} at most; heaps: main ${megabytes(main)}${pools.map(([pool, bytes]) => `, ${pool} ${megabytes(bytes)}`).join('')}; ${asked + people.count()} requests, ${lines} lines listened on`,
    );
  }
  going = false;
  await Promise.all(loops);
  await people.end();
  for (const [what, seen] of [
    ['all of it', taken],
    ['the main thread’s heap', mains],
    ['its threads’ heaps', threads],
  ]) {
    const steady = seen.slice(Math.ceil(WARM));
    const third = Math.max(1, Math.floor(steady.length / 3));
    console.log(
      `${what}, after the first ${WARM} minutes: ${megabytes(middle(steady.slice(0, third)))} in the first third (in the middle of what was seen), ${megabytes(middle(steady.slice(-third)))} in the last, ${megabytes(Math.max(...steady))} at most`,
    );
  }
} finally {
  await server.forget();
  database.stop();
}
