import { expect, expectAccessible, test } from './desk.js';

interface Violation {
  readonly violatedDirective: string;
}

test('a kitchen lets readers in; they find what is published, in the dark of a phone and without the application, and no policy is broken', async ({
  page,
}) => {
  await page.goto('/cards');
  await page.getByRole('button', { name: 'For readers' }).click();
  const panel = page.getByRole('dialog', { name: 'Address for readers' });
  await expect(panel).toContainText('Off: nobody but you reads anything.');
  await panel.getByLabel('Its name in the address').fill('Salt & Marsh');
  await panel.getByRole('button', { name: 'Switch it on' }).click();
  await expect(panel.getByRole('alert')).toContainText('small letters');
  await panel.getByLabel('Its name in the address').fill('salt-marsh');
  await panel.getByRole('button', { name: 'Switch it on' }).click();
  await expect(panel).toContainText('Anybody who can reach this server may read what is published.');
  await expectAccessible(page, '[role=dialog]');
  const address = new URL((await panel.getByRole('link', { name: /\/read\/salt-marsh$/ }).getAttribute('href'))!).pathname;

  await page.setViewportSize({ width: 390, height: 844 });
  await page.addInitScript(() => {
    const seen: string[] = [];
    Object.assign(globalThis, { seen });
    document.addEventListener('securitypolicyviolation', ({ violatedDirective }: Violation) => seen.push(violatedDirective));
  });
  const violations = () => page.evaluate(() => (globalThis as unknown as { seen: string[] }).seen);
  await page.goto(address);
  await expect(page.getByRole('heading', { level: 1, name: 'Saltmarsh Suppers' })).toBeVisible();
  await expect(page.getByRole('link', { name: /Egg and leek muffins/ })).toContainText('292 kcal');
  await expectAccessible(page);
  expect(await violations()).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  // The pictures are there.
  for (const picture of await page.locator('img.dish').all()) {
    await picture.scrollIntoViewIfNeeded();
    await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(0);
  }
  await page.getByRole('link', { name: 'least energy' }).click();
  await expect(page.getByText('least energy', { exact: true })).toHaveAttribute('aria-current', 'true');
  const titles = await page.locator('.ticket h3').allTextContents();
  expect(titles.indexOf('White bean and kale soup')).toBeLessThan(titles.indexOf('Overnight oats with plum compote'));
  await page.getByRole('link', { name: /White bean and kale soup/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'White bean and kale soup' })).toBeVisible();
  await page.getByRole('button', { name: 'One bowl more' }).click();
  await expect(page.locator('output')).toHaveText('7 bowls');
  await expect(page.getByRole('heading', { level: 1 })).toHaveCSS('font-family', /Literata/);
  expect(await violations()).toEqual([]);
  const paper = await page.request.get(new URL((await page.getByRole('link', { name: 'A5, PDF' }).getAttribute('href'))!, page.url()).href);
  expect([paper.status(), paper.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await page.getByRole('link', { name: 'Saltmarsh Suppers' }).click();
  await expect(page.getByRole('link', { name: 'by series' }).or(page.getByText('by series'))).toBeVisible();

  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/cards');
  await page.getByRole('button', { name: /Readers may read/ }).click();
  await panel.getByRole('button', { name: 'Switch it off' }).click();
  await expect(panel).toContainText('Off: nobody but you reads anything.');
  expect((await page.request.get(address)).status()).toBe(404);
});
