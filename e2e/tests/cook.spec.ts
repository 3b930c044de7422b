import { expect, expectAccessible, signIn, test } from './desk.js';

/** A dish of its own, so that no other sees what is done with it. */
async function dish(request: import('@playwright/test').APIRequestContext, id: string, title: string): Promise<void> {
  const document = {
    id,
    title,
    servings: 4,
    servingName: 'box',
    parts: [
      {
        id: 'pot',
        name: 'Pot',
        lines: [
          { id: 'la', food: 'red-lentils-weir-lane', amount: 300, unit: 'g', text: '300 g red lentils' },
          { id: 'lb', food: 'leek', amount: 400, unit: 'g', text: '400 g leek' },
        ],
      },
    ],
    steps: [
      {
        text: 'Soften {pot/lb leek}, 8 min, until slumped.',
        part: 'pot',
        or: [{ name: 'microwave', text: 'Microwave {pot/lb leek} for 5 min.' }],
      },
      { text: 'Add {pot/la lentils} and steam with the lid on, 20 min.', part: 'pot' },
    ],
  };
  expect((await request.post('/api/recipes', { data: { document } })).status()).toBe(201);
}

test('a batch is cooked by keys: weighed, stepped, timed, weighed out, and is in the log', async ({ page, request }) => {
  await dish(request, 'cooked-pot', 'Cooked pot');
  await page.goto('/recipes/cooked-pot/cook');
  await page.getByLabel('Boxes').fill('8');
  await page.getByRole('button', { name: 'Begin the batch' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Cooked pot, 8 boxes' })).toBeVisible();

  // Everything out and weighed, at the batch's size: a sum, and one that is in as planned.
  await page.getByRole('button', { name: /^600 g red lentils/ }).press('Enter');
  await page.getByLabel('Weighed, g').fill('400+212');
  await page.keyboard.press('Enter');
  await expect(page.getByText('612 g', { exact: true }).first()).toBeVisible();
  await page.getByRole('checkbox', { name: /^In: 800 g leek/ }).press('Space');
  await expect(page.getByRole('checkbox', { name: /^In: 800 g leek/ })).toBeChecked();
  await expectAccessible(page);

  await page.keyboard.press('ArrowRight');
  const step = page.getByRole('region', { name: 'Step 1' });
  await expect(step).toContainText('until slumped');
  await step.getByRole('radio', { name: 'microwave' }).press('Enter');
  await expect(step).toContainText('Microwave');
  await step.getByRole('button', { name: /^Start a timer: Microwave leek/ }).press('Enter');
  await expect(page.getByRole('timer')).toContainText(/^(?:5:00|4:5\d)$/);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Step 2' })).toContainText('▲ Steam burns');
  await expectAccessible(page);

  // The browser is gone and comes back: timer, step and weights are as they were.
  await page.reload();
  await expect(page.getByRole('region', { name: 'Step 2' })).toBeVisible();
  await expect(page.getByRole('timer')).toContainText(/^4:/);
  await expect(page.getByText('612 g', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Stop the timer/ }).press('Enter');
  await expect(page.getByRole('timer')).toHaveCount(0);

  await page.keyboard.press('ArrowRight');
  const weight = page.getByLabel(/^Pot, g, with its pot/);
  await weight.fill('3468-1158');
  await weight.press('Enter');
  await expect(page.getByText('= 2,310 g')).toBeVisible();
  await page.getByRole('button', { name: 'It is cooked' }).press('Enter');
  await expect(page.getByText('2,310 g pot')).toBeVisible();
  await page.getByRole('link', { name: 'Its log' }).press('Enter');
  await expect(page.getByRole('link', { name: 'This dish, 1' })).toBeVisible();
  await expect(page.getByRole('complementary', { name: /^Docket of/ }).getByRole('row', { name: /^Weight/ })).toContainText('289 g');
});

test('on a phone, without the server, nothing that was measured is lost, and another device sees it', async ({
  page,
  context,
  request,
  browser,
  baseURL,
  signed,
}) => {
  await dish(request, 'lost-pot', 'Lost pot');
  const batch = {
    id: 'lost-batch',
    recipe: 'lost-pot',
    date: '2026-11-29',
    cooking: { begun: new Date().toISOString(), step: 0 },
  };
  expect((await request.post('/api/batches', { data: { document: batch } })).status()).toBe(201);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/cook/lost-batch');
  await expect(page.getByRole('status').first()).toContainText('Kept');
  const other = await browser.newContext({ ...(baseURL ? { baseURL } : {}), viewport: { width: 844, height: 390 } });
  const tablet = await other.newPage();
  await signIn(tablet, signed, baseURL ?? '');
  await tablet.goto('/cook/lost-batch');
  await expect(tablet.getByRole('heading', { name: 'Lost pot, 4 boxes' })).toBeVisible();

  await context.setOffline(true);
  await page.getByRole('button', { name: /^300 g red lentils/ }).click();
  await page.getByLabel('Weighed, g').fill('302');
  await page.getByRole('button', { name: 'Take 302 g' }).click();
  await expect(page.getByRole('status').first()).toContainText('Kept here, 2 to send');
  await expect(page.getByText('302 g', { exact: true })).toBeVisible();
  // Meanwhile the other weighs something else.
  await tablet.getByRole('button', { name: /^400 g leek/ }).click();
  await tablet.getByLabel('Weighed, g').fill('388');
  await tablet.getByRole('button', { name: 'Take 388 g' }).click();
  await context.setOffline(false);
  await expect(page.getByRole('status').first()).toContainText(/^Kept(?! here)/);
  await expect(page.getByText('388 g', { exact: true })).toBeVisible();
  await expect(tablet.getByText('302 g', { exact: true })).toBeVisible();
  const saved = (await (await request.get('/api/batches/lost-batch')).json()) as { document: { lines: object[] } };
  expect(saved.document.lines).toHaveLength(2);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await expectAccessible(page);
  await other.close();
});

test('with the server gone the stove is opened again, goes on, and what was measured reaches it once it is back', async ({
  page,
  context,
  request,
}) => {
  await dish(request, 'gone-pot', 'Gone pot');
  const document = { id: 'gone-batch', recipe: 'gone-pot', date: '2026-11-29', cooking: { begun: new Date().toISOString(), step: 0 } };
  expect((await request.post('/api/batches', { data: { document } })).status()).toBe(201);
  await page.goto('/cook/gone-batch');
  await expect(page.getByRole('status').first()).toContainText('works without the server');
  await context.setOffline(true);
  await page.getByRole('button', { name: /^300 g red lentils/ }).click();
  await page.getByLabel('Weighed, g').fill('305');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').first()).toContainText('Kept here, 2 to send');
  await page.reload();
  await expect(page.getByText('305 g', { exact: true })).toBeVisible();
  await expect(page.getByRole('status').first()).toContainText('Kept here, 2 to send');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Step 1' })).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByRole('status').first()).toContainText(/^Kept(?! here)/);
  const saved = (await (await request.get('/api/batches/gone-batch')).json()) as {
    document: { lines: object[]; cooking: { step: number } };
  };
  expect(saved.document).toMatchObject({ lines: [{ at: 'pot/1', grams: 305 }], cooking: { step: 1, ready: ['pot/1'] } });
});
