import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type APIRequestContext, type Page } from '@playwright/test';

/** Who is signed in at a server: its cookie, what its page says beside it, and the kitchen at hand. */
export interface Signed {
  readonly headers: { readonly cookie: string; readonly 'x-portiona-page': string };
  readonly key: string;
}

/** Who looks after a server under test; each has one, signed in when it was started. */
export function signedAt(address: string | undefined): Signed {
  const all = JSON.parse(process.env.PORTIONA_SIGNED ?? '{}') as Readonly<Record<string, Signed>>;
  const found = all[address ?? ''];
  if (!found) throw new Error(`nobody is signed in at ${address}: PORTIONA_SIGNED says who`);
  return found;
}

/** Pages that belong to no kitchen. */
const OUTSIDE = /^\/(?:enter|join|reset|account|k\/|read\/|robots)/;
/** What is asked of the server outside of any kitchen. */
const ASKED_OUTSIDE = /^\/(?!api\/)|^\/api\/(?:kitchens|me|entries|health|sign-ins|password-resets|invitations|letters|status)(?=[/?]|$)/;

/** A page's address as tests say it, in the kitchen at hand. */
export function pageIn({ key }: Signed, path: string): string {
  return !path.startsWith('/') || OUTSIDE.test(path) || path.startsWith('/api/') ? askedIn({ key }, path) : `/k/${key}${path}`;
}

/** An address of the interface as tests say it, in the kitchen at hand. */
export function askedIn({ key }: Pick<Signed, 'key'>, path: string): string {
  if (ASKED_OUTSIDE.test(path) || !path.startsWith('/')) return path;
  return /^\/api\/kitchen(?=[/?]|$)/.test(path)
    ? path.replace('/api/kitchen', `/api/kitchens/${key}`)
    : path.replace('/api', `/api/kitchens/${key}`);
}

const ASKS: ReadonlySet<unknown> = new Set(['get', 'post', 'put', 'patch', 'delete', 'fetch', 'head']);

/** Requests beside the page, as the page makes them. */
function asking(request: APIRequestContext, signed: Signed): APIRequestContext {
  return new Proxy(request, {
    get(target, name) {
      const method = Reflect.get(target, name) as unknown;
      if (typeof method !== 'function') return method;
      if (!ASKS.has(name)) return method.bind(target) as unknown;
      return (url: string, options: { readonly headers?: Readonly<Record<string, string>> } = {}) =>
        (method as (url: string, options: object) => unknown).call(target, askedIn(signed, url), {
          ...options,
          headers: { ...signed.headers, ...options.headers },
        });
    },
  });
}

/** Has a page be signed in, and go where tests say in the kitchen at hand. */
export async function signIn(page: Page, signed: Signed, address: string): Promise<void> {
  const [name = '', value = ''] = signed.headers.cookie.split('=');
  await page.context().addCookies([{ name, value, url: address }]);
  const goto = page.goto.bind(page);
  page.goto = (url, options) => goto(pageIn(signed, url), options);
  const { request } = page;
  Object.defineProperty(page, 'request', { configurable: true, value: asking(request, signed) });
}

/** A page on which nothing may go wrong unsaid: no error on the console, no request to anywhere but the server. */
export const test = base.extend<{ quiet: void; signed: Signed }>({
  signed: async ({ baseURL }, use) => {
    await use(signedAt(baseURL));
  },
  page: async ({ page, signed, baseURL }, use) => {
    await signIn(page, signed, baseURL ?? '');
    await use(page);
  },
  request: async ({ request, signed }, use) => {
    await use(asking(request, signed));
  },
  // Tried again, a test finds nothing of what it left the first time: a kitchen that no other try was made in.
  baseURL: async ({ baseURL }, use, { retry }) => {
    await use(retry > 0 ? (process.env.PORTIONA_SPARE ?? baseURL) : baseURL);
  },
  quiet: [
    async ({ page }, use) => {
      const troubles: string[] = [];
      page.on('pageerror', (error) => troubles.push(`page: ${error.message}`));
      page.on('console', (message) => {
        // A refused, stale or failed save is told on the page; the browser notes its status as well.
        if (message.type() === 'error' && !/status of (401|403|404|409|422|413|500|503|507)|ERR_FAILED|ERR_INTERNET/.test(message.text()))
          troubles.push(`console: ${message.text()}`);
      });
      page.on('request', (request) => {
        const { hostname, protocol } = new URL(request.url());
        if (protocol.startsWith('http') && hostname !== '127.0.0.1') troubles.push(`request: ${request.url()}`);
      });
      await use();
      expect(troubles).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** A figure of the docket, by its name. */
export function docketFigure(page: Page, name: string) {
  return page.getByRole('complementary', { name: 'Docket' }).getByRole('button', { name: new RegExp(`^${name}`) });
}

/** Waits until everything written is on the server. */
export async function expectSaved(page: Page): Promise<void> {
  await expect(page.locator('.saved a')).toContainText(/^Saved \d/);
}

/** A recipe of one's own, through the interface. Returns its id. */
export async function startRecipe(page: Page, title: string, boxes = '4'): Promise<string> {
  await page.goto('/recipes');
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill(title);
  await page.getByLabel('Boxes', { exact: true }).fill(boxes);
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(title);
  return new URL(page.url()).pathname.split('/')[4] ?? '';
}

/** Types a line into the empty row at the end of the first part. */
export async function typeLine(page: Page, text: string): Promise<void> {
  await page.getByLabel('New ingredient').first().focus();
  await page.keyboard.type(text);
}

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * What axe finds wrong with the page as it stands, or with a part of it, which is quicker where the rest was looked at before.
 *
 * @param within selector of the part; left out: all of it
 * @param rules only these; left out: all
 */
export async function expectAccessible(page: Page, within?: string, rules?: string[]): Promise<void> {
  // Only what is wrong is handed over, and put together where it was found: a blank page to do that on costs four times as much.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  if (within !== undefined) axe.include(within);
  const { violations } = await (rules ? axe.withRules(rules) : axe.withTags(TAGS)).analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`)).toEqual([]);
}

/** What the page has just said in passing; it says the same to screen readers a second time. */
export function said(page: Page, text: string | RegExp) {
  return page.locator('.toast').filter({ hasText: text });
}
