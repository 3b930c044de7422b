import { once } from 'node:events';
import { Agent, createServer, request, type Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import express from 'express';
import { keepLinesShort } from '../src/http/keepLinesShort.js';
import { moderate } from '../src/http/moderate.js';
import { Pressure } from '../src/http/pressure.js';
import { problemOf } from '../src/http/problemOf.js';
import { limitsOf } from '../src/http/routeLimits.js';
import { sendProblem } from '../src/http/sendProblem.js';
import { timely } from '../src/http/timely.js';
import { Turns } from '../src/database/turns.js';

const later = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const open: Server[] = [];
afterAll(() => open.forEach((server) => (server.closeAllConnections(), server.close())));
afterEach(() => {
  delete process.env.PORTIONA_PACE;
});

type Step = ReturnType<typeof moderate>;

/** A small server with a step before what answers. */
async function behind(step: Step, answer: express.RequestHandler = (_, response) => void response.send('done')): Promise<string> {
  const app = express();
  app.use((request, response, next) => {
    const refused = (error: unknown) => (error === undefined ? next() : sendProblem(response, problemOf(error)));
    try {
      step(request, response, refused);
    } catch (error) {
      refused(error);
    }
  });
  app.use(answer);
  const server = createServer(app);
  keepLinesShort(server);
  open.push(server.listen(0, '127.0.0.1'));
  await once(server, 'listening');
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

describe('pressure', () => {
  test('one slow moment is no overload; several in a row are, until it is over', () => {
    const reading = { delay: 1_700, wait: 0, heap: 0.4 };
    const pressure = new Pressure(() => reading);
    pressure.look();
    pressure.look();
    expect(pressure.why).toBeUndefined();
    pressure.look();
    expect(pressure.why).toMatch(/more to do/);
    reading.delay = 5;
    pressure.look();
    expect(pressure.why).toBeUndefined();
    reading.delay = 1_700;
    pressure.look();
    expect(pressure.why).toBeUndefined();
  });

  test('whoever waits long for the database keeps others from waiting longer behind them; and no longer than that', () => {
    const reading = { delay: 0, wait: 5_500, heap: 0.4 };
    const pressure = new Pressure(() => reading);
    pressure.look();
    expect(pressure.why).toMatch(/the database has more to do/);
    reading.wait = 40;
    pressure.look();
    expect(pressure.why).toBeUndefined();
  });

  test('memory that runs short is told at once', () => {
    const pressure = new Pressure(() => ({ delay: 0, wait: 0, heap: 0.95 }));
    pressure.look();
    expect(pressure.why).toMatch(/memory/);
  });

  test('under it nothing is begun, with when to come again; whether the server lives is told all the same', async () => {
    const pressure = new Pressure(() => ({ delay: 0, wait: 0, heap: 0.95 }));
    pressure.look();
    let begun = 0;
    const address = await behind(moderate(pressure), (_, response) => (begun++, void response.send('')));
    const answer = await fetch(`${address}/api/kitchens/k/recipes`);
    expect(answer.status).toBe(503);
    expect(Number(answer.headers.get('retry-after'))).toBeGreaterThan(0);
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/nothing was begun/);
    expect(begun).toBe(0);
    expect((await fetch(`${address}/api/health/live`)).status).toBe(200);
  });
});

describe('how often', () => {
  test('who asks too often is told for how long; somebody else at the same address is not held back', async () => {
    process.env.PORTIONA_PACE = '0.01';
    const address = await behind(moderate(new Pressure(() => ({ delay: 0, wait: 0, heap: 0 }))));
    const ask = (who: string, path = '/api/kitchens/k/foods') => fetch(address + path, { headers: { Cookie: who } });
    const answers = [];
    for (let i = 0; i < 61; i++) answers.push((await ask('one')).status);
    expect(answers.filter((status) => status === 200)).toHaveLength(60);
    const refused = await ask('one');
    expect(refused.status).toBe(429);
    expect(Number(refused.headers.get('retry-after'))).toBeLessThanOrEqual(60);
    expect((await ask('two')).status).toBe(200);
    // What is drawn has a pace of its own.
    const drawn = [];
    for (let i = 0; i < 10; i++) drawn.push((await ask('two', '/api/kitchens/k/cards/dal/a5.pdf')).status);
    expect(drawn.filter((status) => status === 429)).toHaveLength(1);
  });

  test('who says to be somebody new each time is held by the address', async () => {
    process.env.PORTIONA_PACE = '0.002';
    const address = await behind(moderate(new Pressure(() => ({ delay: 0, wait: 0, heap: 0 }))));
    const answers = [];
    for (let i = 0; i < 70; i++) answers.push((await fetch(`${address}/api/me`, { headers: { Cookie: `made-up-${i}` } })).status);
    expect(answers.filter((status) => status === 200)).toHaveLength(60);
  });

  test('many at once of one are more than may be; when they are answered others are let in', async () => {
    const held: express.Response[] = [];
    let holding = true;
    const address = await behind(
      moderate(new Pressure(() => ({ delay: 0, wait: 0, heap: 0 }))),
      (_, response) => void (holding ? held.push(response) : response.send('')),
    );
    const asked = Array.from({ length: 210 }, () =>
      fetch(`${address}/api/me`, { headers: { Cookie: 'one' } }).then(({ status }) => status),
    );
    while (held.length < 200) await later(10);
    expect((await fetch(`${address}/api/me`, { headers: { Cookie: 'one' } })).status).toBe(503);
    expect(held).toHaveLength(200);
    holding = false;
    for (const response of held) response.send('');
    expect(new Set(await Promise.all(asked))).toEqual(new Set([200, 503]));
    expect((await fetch(`${address}/api/me`, { headers: { Cookie: 'one' } })).status).toBe(200);
  });

  test.each([
    ['/api/kitchens/k/imports/kitchen-file', 'brought', 32],
    ['/api/kitchens/k/recipes/dal', 'usual', 2],
    ['/api/kitchens/k/exports/foods.csv', 'drawn', 0.125],
    ['/api/kitchens/k/cards/dal/a5.pdf', 'drawn', 0.125],
    ['/read/saltmarsh/cards/dal', 'read', 0.125],
    ['/api/sign-ins', 'usual', 0.125],
  ])('%s is asked at the pace "%s" and brings %d MB at most', (path, pace, megabytes) => {
    expect(limitsOf(path)).toMatchObject({ pace, bytes: megabytes * 1024 * 1024 });
  });
});

describe('how long', () => {
  const short = { bytes: 1_000_000, arrive: 400, answer: 300, pace: 'usual' as const };
  const step = timely({ lookEvery: 100, limits: () => short });
  const read: express.RequestHandler = (request, response) => {
    request.resume();
    request.once('end', () => response.send('whole'));
  };

  /** What is answered on a line on which something is said, piece by piece, until it is closed. */
  async function said(address: string, pieces: readonly string[], pause: number): Promise<{ text: string; ms: number }> {
    const socket = connect(Number(new URL(address).port), '127.0.0.1');
    const begun = performance.now();
    let text = '';
    socket.on('data', (piece: Buffer) => (text += piece.toString()));
    socket.on('error', () => undefined);
    const closed = new Promise<void>((resolve) => socket.once('close', () => resolve()));
    for (const piece of pieces) {
      if (socket.destroyed) break;
      socket.write(piece);
      await later(pause);
    }
    await Promise.race([closed, later(3_000)]);
    socket.destroy();
    return { text, ms: performance.now() - begun };
  }
  const head = (length: number) => `POST /x HTTP/1.1\r\nHost: x\r\nContent-Length: ${length}\r\n\r\n`;

  test('a body that stops coming is refused, and its line closed', async () => {
    const { text, ms } = await said(await behind(step, read), [`${head(5_000)}abc`], 0);
    expect(text).toMatch(/^HTTP\/1\.1 408 /);
    expect(text).toMatch(/Send it again/);
    expect(ms).toBeLessThan(1_500);
  });

  test('one that drips in byte by byte is no better; one that comes in time is taken', async () => {
    const address = await behind(step, read);
    expect((await said(address, [head(5_000), ...Array.from({ length: 20 }, () => 'x')], 40)).text).toMatch(/^HTTP\/1\.1 408 /);
    const answer = await fetch(address, { method: 'POST', body: 'x'.repeat(200_000) });
    expect(await answer.text()).toBe('whole');
  });

  test('one that comes well but for too long is refused too', async () => {
    const { text, ms } = await said(await behind(step, read), [head(500_000), ...Array.from({ length: 40 }, () => 'y'.repeat(2_000))], 30);
    expect(text).toMatch(/^HTTP\/1\.1 408 /);
    expect(ms).toBeLessThan(2_500);
  });

  test('what finds no answer in time is told so, and that it may have been done', async () => {
    const answer = await fetch(await behind(step, () => undefined));
    expect(answer.status).toBe(503);
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/look whether it was done/);
  });

  test('a line that stays open stays open', async () => {
    const address = await behind(step, (_, response) => void setTimeout(() => response.send('later'), 700));
    expect(await (await fetch(`${address}/api/kitchens/k/events`)).text()).toBe('later');
  });
});

test('turns go round among those who ask: who asks for much keeps nobody from theirs', async () => {
  const turns = new Turns({ places: 2, waiting: 100, longest: 5_000, ofOne: 20 });
  const done: string[] = [];
  const work = (name: string) => async () => {
    await later(5);
    done.push(name);
  };
  const much = Array.from({ length: 20 }, () => turns.take('', work('much'), 'much'));
  const little = turns.take('', work('little'), 'little');
  await little;
  expect(done.length).toBeLessThan(6);
  await Promise.all(much);
  // Of one, only so many wait.
  const more = Array.from({ length: 23 }, () => turns.take('', work('more'), 'more'));
  const refused = (await Promise.allSettled(more)).filter(({ status }) => status === 'rejected');
  expect(refused).toHaveLength(1);
});

test.each([
  ['left in the middle', (sent: express.Request) => void sent, true],
  ['ended in the middle', (sent: express.Request) => void sent.destroy(), false],
])('a body that is %s keeps nobody waiting who asks next', async (_, leave, staysOpen) => {
  const address = await behind(timely({ lookEvery: 50 }), (sent, response) => {
    sent.once('data', () => {
      sent.pause();
      leave(sent);
      response.send('enough');
    });
    if (sent.method === 'GET') response.send('next');
  });
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const send = (method: string, body?: Buffer) =>
    new Promise<unknown>((resolve, reject) => {
      const asked = request(address, { agent, method }, (answer) => {
        const line = answer.socket;
        answer.resume().once('end', () => resolve(line));
      });
      asked.once('error', reject);
      asked.end(body);
    });
  try {
    // Whoever ends it may end the line with it.
    const line = await send('POST', Buffer.alloc(3_000_000)).catch(() => undefined);
    // Looks at the body are still being taken by then.
    await later(150);
    expect((await send('GET')) === line).toBe(staysOpen);
  } finally {
    agent.destroy();
  }
});
