import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Page } from '@playwright/test';
import { expect, expectAccessible, test } from './desk.js';

const BEEF = '/api/recipes/beef-shin-and-barley/card.html';

test.use({ viewport: { width: 390, height: 844 } });

const amount = (page: Page, food: RegExp) => page.getByRole('listitem').filter({ hasText: food }).locator('b').first();

test('a reader cooks more, in other measures, by what there is; lines and steps are ticked off and stay so', async ({ page }) => {
  await page.goto(BEEF);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Beef shin and barley, thyme gravy');
  const barley = amount(page, /pearl barley/);
  const before = (await barley.textContent()) ?? '';
  await expect(page.locator('output')).toHaveText('6 boxes');
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'One box more' }).click();
  await expect(page.locator('output')).toHaveText('12 boxes');
  await expect(page.locator('#said')).toContainText('Twice the card’s 6.');
  await expect(barley).toHaveText(`${2 * Number(before.replace(/\D/g, ''))} g`);
  await expect(page.getByText('Times are those of 6 boxes')).toBeVisible();
  await page.getByRole('button', { name: 'oz, cup' }).click();
  await expect(barley).toHaveText(/ oz$| lb$/);
  await page.getByRole('button', { name: 'as written' }).click();

  await page.getByText('By what I have').click();
  await page.getByLabel('Grams that I have').fill('100');
  await page.getByLabel('What I have').selectOption({ label: 'pearl barley' });
  await page.getByRole('button', { name: 'Make it fit' }).click();
  await expect(page.locator('#pack-said')).toHaveText(/^Enough for \d+ box(?:es)?: they take \d+ g, \d+ g are left\.$/);
  await expect(page.locator('output')).not.toHaveText('12 boxes');

  await page.getByRole('checkbox', { name: /pearl barley: have it/ }).check();
  await page.getByRole('checkbox', { name: 'Step 1 is done' }).check();
  const fits = (await page.locator('output').textContent()) ?? '';
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /pearl barley: have it/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Step 1 is done' })).toBeChecked();
  await expect(page.locator('output')).toHaveText(fits);
  await page.getByRole('button', { name: 'Untick all' }).click();
  await expect(page.getByRole('checkbox', { name: 'Step 1 is done' })).not.toBeChecked();
  await expectAccessible(page);
});

test('an amount that stands in plain words does not follow, and says so; a pot that is too small is told', async ({ page }) => {
  await page.goto('/api/recipes/smoky-lentil-and-squash-dal/card.html');
  const plain = page.getByText('Amounts in the words of this step are for 5 boxes.');
  await expect(plain).toBeHidden();
  await page.getByRole('button', { name: 'One box more' }).click();
  await expect(plain).toBeVisible();
  for (let i = 0; i < 9; i++) await page.getByRole('button', { name: 'One box more' }).click();
  await expect(page.locator('#notes')).toContainText('Dal: cook in 3 batches');
  // The docket is of the card as it is printed, and says so while something else is cooked.
  await page.getByRole('button', { name: /^Energy/ }).click();
  const own = page.getByText('Of the card’s own 5 boxes, as it is printed.');
  await expect(own).toBeVisible();
  await page.keyboard.press('Escape');
  for (let i = 0; i < 10; i++) await page.getByRole('button', { name: 'One box fewer' }).click();
  await page.getByRole('button', { name: /^Energy/ }).click();
  await expect(own).toBeHidden();
});

test('the docket opens from the foot; a time starts its timer, which rings and is put out', async ({ page }) => {
  await page.clock.install();
  await page.goto(BEEF);
  await page.getByRole('button', { name: /^Energy/ }).click();
  const docket = page.getByRole('dialog', { name: 'Docket' });
  await expect(docket).toContainText('of which saturates');
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(docket).toBeHidden();
  const time = page.getByRole('button', { name: /start a timer/ }).first();
  await time.click();
  const timer = page.getByRole('region', { name: 'Timers' }).getByRole('button');
  await expect(timer).toHaveAccessibleName(/left; press to put it out/);
  await page.clock.fastForward('03:00:00');
  await expect(timer).toHaveAccessibleName(/over since/);
  await expect(page).toHaveTitle(/^▲ /);
  await timer.click();
  await expect(timer).toBeHidden();
});

test('it works as a saved file with no net, and prints the card’s own sheet', async ({ page, context }, { outputDir }) => {
  const saved = join(outputDir, '..', `reader-${Date.now()}.html`);
  writeFileSync(saved, await (await page.request.get(`${BEEF}?download=1`)).text());
  await context.setOffline(true);
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  page.on('pageerror', (error) => expect(error.message).toBe('none'));
  await page.goto(pathToFileURL(saved).href);
  await page.getByRole('button', { name: 'One box more' }).click();
  await expect(page.locator('output')).toHaveText('7 boxes');
  expect(asked.filter((url) => !/^(?:file|data):/.test(url))).toEqual([]);
  // Of another size the page itself is printed; of the card's own, its sheet.
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.printed')).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('button', { name: 'One box fewer' }).click();
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.printed svg').first()).toBeVisible();
  await expect(page.locator('main')).toBeHidden();
  await context.setOffline(false);
});
