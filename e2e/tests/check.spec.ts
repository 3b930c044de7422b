import type { Page } from '@playwright/test';
import { expect, expectAccessible, expectSaved, said, test } from './desk.js';

const dish = (id: string) => ({
  id,
  title: `Leek pot ${id}`,
  servings: 4,
  servingName: 'box',
  lead: 'Five boxes, under 40 kcal each.',
  storage: { fridgeDays: 6, freezes: false },
  parts: [
    {
      id: 'pot',
      name: 'Pot',
      lines: [
        { food: 'leek', amount: 800, unit: 'g', text: '800 g leeks' },
        { food: 'bay-leaf', amount: 2, unit: 'piece', text: '2 bay leaves' },
      ],
    },
  ],
  steps: ['Stew the leeks for 20 minutes.', 'Leave on the worktop overnight. Share into 4 boxes.'],
});
async function made(page: Page, id: string): Promise<string> {
  const answer = await page.request.post('/api/recipes', { data: { document: dish(id) } });
  expect(answer.ok()).toBe(true);
  return `/recipes/${id}`;
}
const row = (page: Page, text: string) => page.getByRole('article', { name: text });
const sum = (page: Page, text: string | RegExp) => page.getByRole('heading', { level: 2, name: text });

test('what is found is mended with one press, left with a reason, and comes back when its words change', async ({ page }) => {
  const desk = await made(page, 'check-mend');
  await page.goto(`${desk}/check`);
  await expect(sum(page, '4 wrong, 2 to look at')).toBeVisible();
  await expect(
    page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /4 wrong, 2 to look at: Check/ }),
  ).toBeVisible();
  await expectAccessible(page);
  await expect(row(page, '6 days in the fridge').locator('del')).toHaveText('6 days');
  await row(page, '6 days in the fridge').getByRole('button', { name: 'State 4 days' }).click();
  await expect(sum(page, '3 wrong, 2 to look at')).toBeVisible();
  // Both are of the lead.
  await page.getByRole('button', { name: 'Mend 2' }).click();
  await expect(said(page, '2 things mended. Ctrl Z takes it back.')).toBeVisible();
  await expect(sum(page, '1 wrong, 2 to look at')).toBeVisible();
  await row(page, '“overnight”').getByRole('button', { name: 'leave it, because …' }).click();
  await page.getByLabel('Leave it, because').fill('the worktop is in the cold store');
  await expectAccessible(page, '.check');
  await page.keyboard.press('Enter');
  await expect(sum(page, '2 to look at')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Left with a reason' })).toContainText('the worktop is in the cold store');
  await expectSaved(page);

  await page.reload();
  await expect(page.getByRole('region', { name: 'Left with a reason' })).toContainText('the worktop is in the cold store');
  await row(page, '“20 minutes”').getByRole('button', { name: 'Add these words' }).click();
  await row(page, 'Bay leaf').getByRole('button', { name: 'Add it to step 2' }).click();
  // The step that was left has other words now.
  await expect(sum(page, '1 wrong')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Left with a reason' })).toContainText('holds nothing back any more');
  await page.keyboard.press('Control+z');
  await expect(sum(page, '1 to look at')).toBeVisible();
});

test('a mark stands where something is found, and leads to it', async ({ page }) => {
  const desk = await made(page, 'check-marks');
  await page.goto(`${desk}/build`);
  const mark = page
    .locator('.row')
    .filter({ hasText: 'bay leaves' })
    .getByRole('link', { name: /Check found something/ });
  await mark.click();
  await expect(row(page, 'Bay leaf')).toBeInViewport();
  await page
    .getByRole('navigation', { name: 'Looked at' })
    .getByRole('button', { name: /Step 2/ })
    .click();
  await expect(row(page, '“overnight”').getByRole('link', { name: 'Go there' })).toBeInViewport();
  await page.goto(`${desk}/build?side=method`);
  await expect(page.getByRole('link', { name: /Check found something in step 1/ })).toBeVisible();
});

test('publishing asks for a reason for each thing that is wrong, and the list of the kitchen tells of it', async ({ page }) => {
  const desk = await made(page, 'check-publish');
  await page.goto('/findings');
  const found = page.locator('.found-dish').filter({ hasText: 'Leek pot check-publish' });
  await expect(found).toContainText('6 days in the fridge');
  await expectAccessible(page);
  await page.goto(`${desk}/card`);
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  const asking = page.getByRole('dialog', { name: 'Something is wrong' });
  const reasons = asking.getByLabel('Published all the same, because');
  await expect(reasons).toHaveCount(4);
  const go = asking.getByRole('button', { name: 'Publish with these reasons' });
  await expect(go).toBeDisabled();
  for (const one of await reasons.all()) await one.fill('a test of the kitchen');
  await go.click();
  await expect(said(page, /Published as issue 1/)).toBeVisible();
  await expect(page.getByRole('button', { name: /published card holds/ })).toBeVisible();
  await page.goto(`${desk}/check`);
  await expect(page.getByRole('region', { name: 'Left with a reason' }).locator('q')).toHaveCount(4);

  const { revision, document } = (await (await page.request.get(`/api${desk}`)).json()) as { revision: number; document: object };
  await page.request.put(`/api${desk}`, {
    data: { revision, document: { ...document, lead: 'Five boxes, under 40 kcal each, for the week.' } },
  });
  await page.goto('/cards');
  const card = page.locator('.ledger-row').filter({ hasText: 'Leek pot check-publish' });
  const differs = card.getByRole('button', { name: 'one thing differs' });
  // Of a few it is open already.
  if ((await differs.getAttribute('aria-expanded')) === 'false') await differs.click();
  await expect(card.locator('ins')).toHaveText(', for the week');
  await expectAccessible(page);
});

test('Check in the dark, and on a telephone', async ({ page }) => {
  const desk = await made(page, 'check-phone');
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${desk}/check`);
  await expect(sum(page, '4 wrong, 2 to look at')).toBeVisible();
  await expect(page.getByRole('link', { name: /: Check/ })).toBeInViewport();
  await expectAccessible(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
