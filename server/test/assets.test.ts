import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { testServer } from './testServer.js';

const SCRIPT = 'export const boxes = 5;\n'.repeat(200);
let server: Awaited<ReturnType<typeof testServer>>;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'portiona-web-'));
  mkdirSync(join(folder, 'assets'));
  writeFileSync(join(folder, 'index.html'), '<script nonce="%NONCE%"></script>');
  for (const name of ['desk-1.js', 'fit.worker-1.js']) {
    writeFileSync(join(folder, 'assets', name), SCRIPT);
    writeFileSync(join(folder, 'assets', `${name}.br`), brotliCompressSync(SCRIPT));
    writeFileSync(join(folder, 'assets', `${name}.gz`), gzipSync(SCRIPT));
  }
  writeFileSync(join(folder, 'assets', 'letter-1.woff2'), 'letters');
  writeFileSync(join(folder, 'cookWorker.js'), SCRIPT);
  process.env.PORTIONA_WEB = folder;
  server = await testServer({ demo: false });
  delete process.env.PORTIONA_WEB;
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

test.each([
  ['br, gzip', 'br'],
  ['gzip', 'gzip'],
  ['br;q=0, gzip', 'gzip'],
  ['identity', undefined],
])('an asset asked for as %s comes pressed as %s, whole, and is kept for a year', async (accepted, encoding) => {
  const answer = await server.http.get('/assets/desk-1.js').set('Accept-Encoding', accepted).buffer(true).expect(200);
  expect(answer.headers['content-encoding']).toBe(encoding);
  expect(answer.headers['content-type']).toMatch(/^text\/javascript/);
  expect(answer.headers['cache-control']).toMatch(/max-age=31536000, immutable/);
  expect(answer.headers.vary).toMatch(/Accept-Encoding/i);
  if (encoding !== 'br') expect(answer.text).toBe(SCRIPT);
});

test('a worker brings its own policy, however it is pressed', async () => {
  for (const accepted of ['br', 'gzip', 'identity']) {
    const { headers } = await server.http.get('/assets/fit.worker-1.js').set('Accept-Encoding', accepted).expect(200);
    expect(headers['content-security-policy']).toContain("'wasm-unsafe-eval'");
  }
});

test('the service worker of the stove may ask this server, and is never an old one', async () => {
  const { headers } = await server.http.get('/cookWorker.js').expect(200);
  expect(headers['content-security-policy']).toBe("default-src 'none'; connect-src 'self'");
  expect(headers['cache-control']).toBe('no-cache');
});

test('what was not pressed comes as it is; what is not there is a problem, not the page', async () => {
  const { headers } = await server.http.get('/assets/letter-1.woff2').set('Accept-Encoding', 'br, gzip').expect(200);
  expect(headers['content-encoding']).toBeUndefined();
  for (const path of ['/assets/none-1.js', '/assets/', '/assets/..%2findex.html']) {
    const answer = await server.http.get(path);
    expect([403, 404]).toContain(answer.status);
    expect(answer.headers['content-type']).toMatch(/problem\+json/);
  }
});

test('any other address is the page, with a nonce of its own', async () => {
  const pages = [await server.http.get('/recipes').expect(200), await server.http.get('/recipes').expect(200)];
  const nonces = pages.map(({ text }) => /nonce="([^"%]+)"/.exec(text)?.[1]);
  expect(new Set(nonces).size).toBe(2);
  expect(pages[0]?.headers['content-security-policy']).toContain(`'nonce-${nonces[0]}'`);
});
