import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium, expect, test, type Browser } from '@playwright/test';
import { signedAt, type Signed } from './desk';

/**
 * A name of somebody else's that leads here, as after rebinding; and a browser that itself holds nothing back from loopback: what is
 * tried is the server.
 */
const UNGUARDED = [
  '--host-resolver-rules=MAP rebound.test 127.0.0.1',
  '--disable-features=LocalNetworkAccessChecks,LocalNetworkAccessChecksWebRTC,PrivateNetworkAccessSendPreflights',
];

/** Another page, of another origin, that wishes the kitchen ill. */
const PAGE = (api: string) => `<!doctype html><title>Foreign</title>
<form id="publish" method="post" action="${api}/recipes/smoky-lentil-and-squash-dal/published-cards"></form>
<form id="add" method="post" enctype="text/plain" action="${api}/recipes"><input name='{"document":{"id":"foreign","title":"' value='"}}'></form>
<form id="upload" method="post" enctype="multipart/form-data" action="${api}/food-tables"><input name="x" value="y"></form>`;

let foreign: Server;
let foreignAddress: string;
let browser: Browser;
let kitchen: string;
let signed: Signed;
/** Where the kitchen's addresses begin. */
let api: string;

test.beforeAll(async ({ browserName: _ }, { project }) => {
  kitchen = project.use.baseURL ?? '';
  signed = signedAt(kitchen);
  api = `${kitchen}/api/kitchens/${signed.key}`;
  foreign = createServer((_, response) => response.setHeader('content-type', 'text/html').end(PAGE(api)));
  await new Promise<void>((resolve) => foreign.listen(0, '127.0.0.1', resolve));
  foreignAddress = `http://127.0.0.1:${(foreign.address() as AddressInfo).port}`;
  const { executablePath, args } = project.use.launchOptions ?? {};
  browser = await chromium.launch({ ...(executablePath ? { executablePath } : {}), args: [...(args ?? []), ...UNGUARDED] });
});
test.afterAll(async () => {
  await browser.close();
  foreign.close();
});

/** What stands in the kitchen that a foreign page could have changed. */
async function state(page: import('@playwright/test').Page): Promise<string> {
  const of = async (path: string) => (await page.request.get(api + path, { headers: signed.headers })).text();
  return (
    (await Promise.all(['/published-cards', '/food-tables', ''].map(of))).join('\n') +
    String((await page.request.get(`${api}/recipes/foreign`)).status())
  );
}

test('a foreign page changes nothing: neither by a form nor by a script', async () => {
  const page = await browser.newPage();
  // The browser is signed in, and sends its cookie wherever it may.
  const [name = '', value = ''] = signed.headers.cookie.split('=');
  await page.context().addCookies([{ name, value, url: kitchen }]);
  const before = await state(page);
  for (const form of ['publish', 'add', 'upload']) {
    await page.goto(foreignAddress);
    const [answer] = await Promise.all([
      page.waitForResponse((one) => one.url().startsWith(kitchen)),
      page.waitForURL((url) => url.href.startsWith(kitchen)),
      page.evaluate((id) => (document.getElementById(id) as HTMLFormElement).submit(), form),
    ]);
    expect(answer.status(), form).toBe(403);
  }
  await page.goto(foreignAddress);
  const failed = await page.evaluate(async (to) => {
    const ask = (path: string, init: RequestInit) =>
      fetch(to + path, init).then(
        (answer) => answer.type,
        () => 'failed',
      );
    return Promise.all([
      ask('/recipes/smoky-lentil-and-squash-dal', { method: 'DELETE' }),
      ask('/recipes', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }),
      ask('/imports/starter-pantry', { method: 'POST', mode: 'no-cors' }),
      ask('/exports/kitchen-file', {}),
    ]);
  }, api);
  expect(failed).toEqual(['failed', 'failed', 'failed', 'failed']);
  expect(await state(page)).toBe(before);
  await page.close();
});

test('a name that was led here reads nothing and changes nothing', async () => {
  const page = await browser.newPage();
  const rebound = kitchen.replace('127.0.0.1', 'rebound.test');
  expect((await page.goto(`${rebound}/api/kitchens/${signed.key}/exports/kitchen-file`))?.status()).toBe(421);
  expect((await page.goto(`${rebound}/recipes`))?.status()).toBe(421);
  // The page that came while the name still led to its owner.
  await page.route(`${rebound}/owner`, (route) => route.fulfill({ contentType: 'text/html', body: '<title>Rebound</title>' }));
  await page.goto(`${rebound}/owner`);
  const statuses = await page.evaluate(async () => {
    const status = (path: string, init: RequestInit) => fetch(path, init).then((answer) => answer.status);
    const headers = { 'content-type': 'application/json' };
    return [
      await status('/api/recipes', {}),
      await status('/api/recipes/smoky-lentil-and-squash-dal', { method: 'DELETE' }),
      await status('/api/recipes', { method: 'POST', headers, body: '{}' }),
    ];
  });
  expect(statuses).toEqual([421, 421, 421]);
  await page.close();
});
