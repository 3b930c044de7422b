import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import express from 'express';
import compression from 'compression';
import supertest from 'supertest';
import { FreshPages } from '../src/reading/freshPages.js';

let now = 0;
let made = 0;
const app = express();
const pages = new FreshPages(() => now);
app.use(pages.step);
app.use(compression({ threshold: 0 }));
app.get(
  '/read/saltmarsh/gone',
  (_, response) => void response.status(410).set('Cache-Control', 'public, max-age=300').send(`gone ${++made}`),
);
app.get('/read/saltmarsh/own', (_, response) => void response.set('Cache-Control', 'no-store').send(`own ${++made}`));
app.get('/read/:name/cards/:id', (request, response) => {
  response.set('Cache-Control', 'public, max-age=300').set('ETag', `W/"${++made}"`).set('X-Request-Id', `of-${made}`).type('html');
  response.send(`<p>${request.params.name} ${request.params.id} ${made}</p>`.repeat(50));
});
app.get('/api/kitchens/k', (_, response) => void response.set('Cache-Control', 'public').send(`kitchen ${++made}`));
// One server: whoever asks by another name is answered for that name.
const server = app.listen(0, '127.0.0.1');
afterAll(() => void server.close());
let address = '';
beforeAll(async () => {
  if (!server.listening) await once(server, 'listening');
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
const ask = (path: string) => supertest(address).get(path);
beforeEach(() => {
  now += 10_000;
  made = 0;
});

test('in the same moment it is given as it went out, packed the same way; after that it is made anew', async () => {
  const first = await ask('/read/saltmarsh/cards/dal');
  expect(first.headers['content-encoding']).toMatch(/br|gzip/);
  const again = await ask('/read/saltmarsh/cards/dal');
  expect(again.text).toBe(first.text);
  expect(again.headers).toMatchObject({
    etag: first.headers.etag,
    'content-type': first.headers['content-type'],
    'content-encoding': first.headers['content-encoding'],
    'cache-control': 'public, max-age=300',
    vary: first.headers.vary,
  });
  // Which request it was is of the request.
  expect(again.headers['x-request-id']).toBeUndefined();
  expect(made).toBe(1);
  now += 1_001;
  expect((await ask('/read/saltmarsh/cards/dal')).text).not.toBe(first.text);
});

test('who has it is told so, and gets nothing', async () => {
  const { headers } = await ask('/read/saltmarsh/cards/dal');
  await ask('/read/saltmarsh/cards/dal')
    .set('If-None-Match', headers.etag ?? '')
    .expect(304, '');
  await ask('/read/saltmarsh/cards/dal').set('If-None-Match', 'W/"another"').expect(200);
  expect(made).toBe(1);
});

test('another address, another name it is asked under, another way to pack it: each is its own', async () => {
  const first = await ask('/read/saltmarsh/cards/dal');
  expect((await ask('/read/saltmarsh/cards/stew')).text).not.toBe(first.text);
  expect((await ask('/read/saltmarsh/cards/dal?by=energy')).text).not.toBe(first.text);
  expect((await ask('/read/saltmarsh/cards/dal').set('Host', 'other.example')).text).not.toBe(first.text);
  const plain = await ask('/read/saltmarsh/cards/dal').set('Accept-Encoding', 'identity');
  expect(plain.headers['content-encoding']).toBeUndefined();
  expect(made).toBe(5);
});

test('what is gone, what nobody may keep, and what is no reader’s is made each time', async () => {
  for (const path of ['/read/saltmarsh/gone', '/read/saltmarsh/own', '/api/kitchens/k']) {
    const first = await ask(path);
    expect((await ask(path)).text).not.toBe(first.text);
  }
  await supertest(address).post('/read/saltmarsh/cards/dal').expect(404);
  const before = made;
  await ask('/read/saltmarsh/cards/dal');
  await ask('/read/saltmarsh/cards/dal').set('Range', 'bytes=0-3');
  expect(made).toBe(before + 2);
});

test('what is changed here is seen at once, also by what was begun before it; what moves no reader’s page leaves them', async () => {
  app.put('/api/kitchens/k/recipes/dal', (_, response) => void response.send('saved'));
  app.post('/api/kitchens/k/recipes/dal/published-cards', (_, response) => void response.send('out'));
  app.delete('/api/kitchens/k/recipes/dal', (_, response) => void response.send('away'));
  let go = (): void => undefined;
  app.get('/read/slow', (_, response) => {
    go = () => void response.set('Cache-Control', 'public').send(`slow ${++made}`);
  });
  const first = await ask('/read/saltmarsh/cards/dal');
  await supertest(address).put('/api/kitchens/k/recipes/dal').expect(200);
  expect((await ask('/read/saltmarsh/cards/dal')).text).toBe(first.text);
  const slow = ask('/read/slow').then(({ text }) => text);
  await new Promise((resolve) => setTimeout(resolve, 100));
  await supertest(address).post('/api/kitchens/k/recipes/dal/published-cards').expect(200);
  const second = await ask('/read/saltmarsh/cards/dal');
  expect(second.text).not.toBe(first.text);
  go();
  await slow;
  const anew = ask('/read/slow').then(({ text }) => text);
  await new Promise((resolve) => setTimeout(resolve, 100));
  go();
  expect(await anew).not.toBe(await slow);
  await supertest(address).delete('/api/kitchens/k/recipes/dal').expect(200);
  expect((await ask('/read/saltmarsh/cards/dal')).text).not.toBe(second.text);
  // And what is told of another server.
  const third = await ask('/read/saltmarsh/cards/dal');
  pages.hear('saveRecipe');
  expect((await ask('/read/saltmarsh/cards/dal')).text).toBe(third.text);
  pages.hear('takeCardBack');
  expect((await ask('/read/saltmarsh/cards/dal')).text).not.toBe(third.text);
});
