import { connect, type Socket } from 'node:net';
import { addressIn, testServer } from './testServer.js';

let server: Awaited<ReturnType<typeof testServer>>;
let port: number;
beforeAll(async () => {
  process.env.PORTIONA_HOSTS = 'kitchen.example:8443, other.example';
  server = await testServer({ demo: true });
  port = Number(new URL(server.address).port);
});
afterAll(async () => {
  await server.close();
  delete process.env.PORTIONA_HOSTS;
});

const JSON_TYPE = { 'content-type': 'application/json' };
const PUBLISH = '/api/recipes/smoky-lentil-and-squash-dal/published-cards';

/** A request with just these headers; a loopback Host with its port where none is given. */
async function ask(method: string, path: string, headers: Record<string, string> = {}): Promise<number> {
  return new Promise((resolve, reject) => {
    const socket = connect(port, '127.0.0.1');
    const lines = Object.entries({ Host: `127.0.0.1:${port}`, ...server.headers, ...headers }).map(([name, said]) => `${name}: ${said}`);
    socket.write(
      `${method} ${addressIn(server.kitchen, path)} HTTP/1.1\r\n${lines.join('\r\n')}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`,
    );
    let answer = '';
    socket.on('data', (chunk) => (answer += chunk.toString()));
    socket.on('error', reject);
    socket.on('close', () => resolve(Number(/^HTTP\/1\.1 (\d+)/.exec(answer)?.[1])));
  });
}

test.each<[string, string, string, Record<string, string>, number]>([
  ['loopback by its number', 'GET', '/api/kitchen', {}, 200],
  ['a name that is configured', 'GET', '/api/kitchen', { Host: 'kitchen.example:8443' }, 200],
  ['the same in other letters', 'GET', '/api/kitchen', { Host: 'Kitchen.Example:8443' }, 200],
  ['a name that only ends like one', 'GET', '/api/kitchen', { Host: 'evil-kitchen.example:8443' }, 421],
  ['a name that was led here', 'GET', '/api/exports/kitchen-file', { Host: 'rebound.test' }, 421],
  ['loopback at another port', 'GET', '/api/kitchen', { Host: '127.0.0.1:1' }, 421],
  ['the page under a foreign name', 'GET', '/recipes', { Host: 'rebound.test' }, 421],
  [
    'a picture on a foreign page',
    'GET',
    '/api/recipes/smoky-lentil-and-squash-dal/card.pdf',
    { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'no-cors' },
    403,
  ],
  ['a link on a foreign page', 'GET', '/api/kitchen', { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' }, 200],
  ['a program that is no browser', 'POST', PUBLISH, JSON_TYPE, 201],
  [
    'a form of a foreign page',
    'POST',
    PUBLISH,
    { Origin: 'http://foreign.test', 'content-type': 'application/x-www-form-urlencoded' },
    403,
  ],
  ['a script of a foreign page', 'POST', PUBLISH, { ...JSON_TYPE, Origin: 'http://foreign.test' }, 403],
  ['a page without an origin', 'POST', PUBLISH, { ...JSON_TYPE, Origin: 'null' }, 403],
  [
    'a page of loopback at another port',
    'POST',
    PUBLISH,
    { ...JSON_TYPE, Origin: 'http://127.0.0.1:1', 'Sec-Fetch-Site': 'same-site' },
    403,
  ],
  ['what says no type', 'POST', PUBLISH, {}, 415],
  ['a type that a form can send', 'POST', PUBLISH, { 'content-type': 'text/plain' }, 415],
  ['a removal from a foreign page', 'DELETE', '/api/recipes/smoky-lentil-and-squash-dal', { Origin: 'http://foreign.test' }, 403],
  ['a key said twice', 'GET', '/api/found-foods?q=a&q=b', {}, 400],
  ['NUL in an address', 'GET', '/api/recipes/a%00b', {}, 400],
  ['an address of the interface that is no text', 'GET', '/api/recipes/%c0%ae', {}, 400],
  ['an address of a file that is no text', 'GET', '/assets/%e0%a4%a', {}, 400],
  ['an address of a page that is no text', 'GET', '/recipes/%c0%ae', {}, 400],
])('%s: %s %s', async (_, method, path, headers, status) => {
  expect(await ask(method, path, headers)).toBe(status);
});

test('the application itself may', async () => {
  const own = { ...JSON_TYPE, Origin: `http://127.0.0.1:${port}`, 'Sec-Fetch-Site': 'same-origin' };
  expect(await ask('POST', PUBLISH, own)).toBe(201);
  expect(await ask('POST', PUBLISH, { ...JSON_TYPE, Host: 'kitchen.example:8443', Origin: 'https://kitchen.example:8443' })).toBe(201);
});

test('large bodies that are promised take no more room than there is, and give it back', async () => {
  const promised: Socket[] = [];
  const promise = (headers: Readonly<Record<string, string>> = server.headers) =>
    new Promise<string>((resolve) => {
      const said = Object.entries(headers).map(([name, value]) => `${name}: ${value}\r\n`);
      const socket = connect(port, '127.0.0.1');
      promised.push(socket);
      socket.on('error', () => undefined);
      socket.on('data', (chunk) => resolve(chunk.toString()));
      socket.write(
        `POST ${server.kitchen}/imports/kitchen-file HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: application/json\r\n${said.join('')}Content-Length: ${32 * 1024 * 1024}\r\n\r\n{`,
      );
      setTimeout(() => resolve(''), 1_200);
    });
  // Of whoever is not let in nothing is read, and no room is kept for it.
  for (let i = 0; i < 8; i++) expect(await promise({})).toMatch(/^HTTP\/1\.1 401/);
  const answers = [await promise(), await promise(), await promise(), await promise(), await promise(), await promise()];
  expect(answers.slice(0, 5)).toEqual(['', '', '', '', '']);
  expect(answers[5]).toMatch(/^HTTP\/1\.1 503/);
  expect(answers[5]).toMatch(/Retry-After: 2/i);
  for (const socket of promised) socket.destroy();
  await new Promise((resolve) => setTimeout(resolve, 200));
  await server.http.post('/api/imports/kitchen-file?there=keep').send({ format: 'portiona/1' }).expect(201);
});

test('a removal brings no body, and takes no room for one', async () => {
  const removals = Array.from({ length: 150 }, (_, i) => server.http.delete(`/api/packs/nothing-${i}`));
  expect(new Set((await Promise.all(removals)).map(({ status }) => status))).toEqual(new Set([404]));
});
