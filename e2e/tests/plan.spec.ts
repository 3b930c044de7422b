import { readFile } from 'node:fs/promises';
import { expect, expectAccessible, said, test } from './desk.js';

const DAY = '/plan/prep-day-29-november';

test('a prep day is planned: the timeline and its table say the same, why a step is there, and what moves with it', async ({ page }) => {
  await page.goto('/plan');
  await page.getByRole('link', { name: /^Prep day, Sunday 29 November/ }).click();
  await expect(page.getByRole('heading', { name: '3 h 44, done at 13:44' })).toBeVisible();
  await expect(page.getByText('✓ no shorter way, proven')).toBeVisible();
  await expectAccessible(page);
  // No two bars lie on each other.
  const boxes = await page.locator('.timeline-bar').evaluateAll((bars) =>
    bars.map((bar) => {
      const { left, right, top, bottom } = bar.getBoundingClientRect();
      return { left, right, top, bottom };
    }),
  );
  expect(boxes.length).toBeGreaterThan(25);
  const meet = boxes.flatMap((a, i) =>
    boxes.slice(i + 1).filter((b) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom && b.top < a.bottom),
  );
  expect(meet).toEqual([]);
  await page.getByRole('radio', { name: 'Table' }).click();
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows).toHaveCount(18);
  await expect(rows.nth(1)).toContainText(/10:00\s*10:20\s*Salt and pepper the beef\s*Beef shin and barley\s*Tilde, 20 min/);
  await expectAccessible(page, '.plan-table');
  await page.getByRole('radio', { name: 'Timeline' }).click();
  // Why a step is there, and where it goes by the keys; what hangs on it follows.
  const muffins = page.getByRole('button', { name: /Fill the holes, Egg and leek muffins, 13:21 to 13:44/ });
  await muffins.click();
  await expect(page.getByText(/The oven is held by \d+ Stir in the barley, until/)).toBeVisible();
  await muffins.press('Shift+ArrowRight');
  await expect(page.getByRole('heading', { name: '3 h 49, done at 13:49' })).toBeVisible();
  await expect(page.getByText('You put it here.')).toBeVisible();
  await page.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.getByRole('heading', { name: '3 h 44, done at 13:44' })).toBeVisible();
  // By hand.
  const box = (await page.getByRole('button', { name: /Fill the holes, Egg and leek muffins/ }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + 10, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByText('You put it here.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: '3 h 44, done at 13:44' })).toBeVisible();
  // Another time for this day alone, kept over a reload.
  await page
    .getByRole('button', { name: /Stir in the barley/ })
    .first()
    .click();
  await page.getByLabel('minutes', { exact: true }).fill('60');
  await expect(page.getByRole('heading', { name: '3 h 54, done at 13:54' })).toBeVisible();
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/api/sessions/prep-day-29-november')).json()) as { document: { adjusted: object[] } }).document
          .adjusted,
    )
    .toContainEqual(expect.objectContaining({ dish: 1, step: 4, minutes: 60 }));
  await page.reload();
  await expect(page.getByRole('heading', { name: '3 h 54, done at 13:54' })).toBeVisible();
  await page
    .getByRole('button', { name: /Stir in the barley/ })
    .first()
    .click();
  await page.getByLabel('minutes', { exact: true }).fill('50');
  await expect(page.getByRole('heading', { name: '3 h 44, done at 13:44' })).toBeVisible();
  // Saved before the page is gone: the next test opens the same session.
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get('/api/sessions/prep-day-29-november')).json()))
    .not.toContain('"minutes":60');
});

test('running late is planned anew from now, and what moved is said; what is done is ticked off', async ({ page }) => {
  await page.goto(DAY);
  await expect(page.getByText('✓ no shorter way, proven')).toBeVisible();
  await page.getByRole('button', { name: 'Running late …' }).click();
  await page.getByLabel('By how many minutes').fill('10');
  await page.getByLabel(/Minutes since it began/).fill('40');
  await page.getByRole('button', { name: 'Plan on from now' }).click();
  // The beef went in ten minutes late: so is all that hangs on it.
  await expect(page.getByRole('heading', { name: /done at 13:5\d/ })).toBeVisible();
  await expect(page.getByText(/Planned anew, \d+ steps moved:/)).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /Salt and pepper the beef: not done/ })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('checkbox', { name: /Salt and pepper the beef: begun/ })).toHaveAttribute('aria-checked', 'false');
  await page.getByRole('button', { name: 'From the start' }).click();
  await page.getByRole('checkbox', { name: /Salt and pepper the beef/ }).click();
  await expect(page.getByRole('checkbox', { name: /Salt and pepper the beef/ })).toHaveAttribute('aria-checked', 'mixed');
  await page.getByRole('button', { name: 'Large, at the stove' }).click();
  await expect(page.getByRole('dialog').getByText('Salt and pepper the beef', { exact: false }).first()).toBeVisible();
  await expectAccessible(page, '[role=dialog]');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get('/api/sessions/prep-day-29-november')).json()))
    .not.toContain('"done"');
});

test('what is under way has a clock, beside the list and at the stove; stopped, the step is over', async ({ page }) => {
  await page.clock.setFixedTime(new Date('2026-11-29T10:05:00'));
  await page.goto(DAY);
  await expect(page.getByText('✓ no shorter way, proven')).toBeVisible();
  await page.getByRole('checkbox', { name: /Salt and pepper the beef: begun/ }).click();
  const clocks = page.getByRole('group', { name: 'Timers' }).first();
  await expect(clocks).toContainText('1 Salt and pepper the beef');
  await expect(clocks.getByRole('timer')).toHaveText('20:00');
  await page.clock.setFixedTime(new Date('2026-11-29T10:12:30'));
  await expect(clocks.getByRole('timer')).toHaveText('12:30');
  await page.getByRole('button', { name: 'Large, at the stove' }).click();
  const stove = page.getByRole('dialog');
  await expect(stove.getByRole('timer')).toHaveText('12:30');
  await expectAccessible(page, '[role=dialog]');
  await stove.getByRole('button', { name: 'Stop the timer: 1 Salt and pepper the beef' }).click();
  await expect(stove.getByRole('timer')).toBeHidden();
  await expect(stove.getByRole('checkbox', { name: /Salt and pepper the beef: not done/ })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('Escape');
  for (let i = 0; i < 2; i++) await page.keyboard.press('Control+z');
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get('/api/sessions/prep-day-29-november')).json()))
    .not.toContain('"done"');
});

test('a new session: a dish is added, an oven that is not there is told, and it is put away', async ({ page }) => {
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Plan a session', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Nothing is cooked yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a dish' }).first().click();
  await page.getByLabel('Find a dish').fill('muffin');
  await page.getByRole('button', { name: /^Egg and leek muffins/ }).click();
  await expect(page.getByRole('heading', { name: /, done at / })).toBeVisible();
  await page.getByRole('button', { name: 'Equipment' }).click();
  await page.getByLabel('How many of oven').fill('0');
  await expect(page.getByText(/holds "oven", and this session has none/).first()).toBeVisible();
  await page.getByLabel('How many of oven').fill('1');
  await expect(page.getByText(/holds "oven", and this session has none/)).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(said(page, 'The session is put away.')).toBeVisible();
});

test('shopping: ticked off without a connection, another pack for what is not there, prices noted, the basket into stock', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/plan/shopping?sessions=prep-day-29-november');
  await page.getByRole('tab', { name: /^Weir Lane Market/ }).click();
  await expect(page.getByRole('tab', { name: /^Weir Lane Market/ })).toContainText('0 of 12');
  await expectAccessible(page);
  await context.setOffline(true);
  await page.getByRole('checkbox', { name: 'Dill, in the basket' }).click();
  await expect(page.getByRole('tab', { name: /^Weir Lane Market/ })).toContainText('1 of 12');
  await expect(page.getByText(/1 to send/)).toBeVisible();
  // The eggs are not there: thirty of Depot Nine, and the sum follows, still without a connection.
  await page.getByRole('button', { name: /^Egg, 10 pieces/ }).click();
  await expect(page.getByText(/30 pieces at Depot Nine: \+€ \d/)).toBeVisible();
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('tab', { name: /^Depot Nine/ })).toContainText('0 of 2');
  // Nor the white onions: red ones stand in for them, by weight, and that is said.
  await page.getByRole('button', { name: /^Onion, 1 kg/ }).click();
  await expect(page.locator('.stand-ins')).toContainText('of the kind by its name; 42 kcal in 100 g where it has 40');
  await page.getByRole('button', { name: /^In its place ?, Onion, red/ }).click();
  await context.setOffline(false);
  await expect(page.getByText('✓ kept')).toBeVisible();
  await page.reload();
  await page.getByRole('tab', { name: /^Weir Lane Market/ }).click();
  await expect(page.getByRole('tab', { name: /^Weir Lane Market/ })).toContainText('2 of 11');
  await page.locator('.in-basket summary').click();
  await expect(page.getByText('in place of Onion, white or brown, raw')).toBeVisible();
  await page.getByLabel('One of Dill cost, at the till').fill('1,15');
  await page.getByLabel('One of Dill cost, at the till').press('Tab');
  await page.getByRole('button', { name: 'Note what one cost' }).click();
  await expect(said(page, /One price noted/)).toBeVisible();
  await page.getByRole('button', { name: 'Basket into stock' }).click();
  await expect(said(page, '2 things are in stock now.')).toBeVisible();
  const sheet = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'CSV' }).click()]);
  expect(await readFile(await sheet[0].path(), 'utf8')).toContain('Weir Lane Market');
  // The page of the list itself opens where nobody answers.
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole('tab', { name: /^Weir Lane Market/ })).toBeVisible();
  await context.setOffline(false);
});

test('stock: noted, counted by hand, what is to be used first, and taken out', async ({ page }) => {
  await page.goto('/plan/stock');
  await expect(page.getByRole('heading', { name: 'In stock' })).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('What is there').fill('kale');
  await page.getByRole('option').first().getByRole('button').click();
  await page.getByLabel('How much', { exact: true }).fill('250');
  await page.getByLabel('Best before', { exact: true }).fill('2026-01-02');
  await page.getByRole('button', { name: 'Note it' }).click();
  const first = page.getByRole('region', { name: 'Use first' });
  await expect(first.getByText(/^Kale/)).toBeVisible();
  await expect(first.getByText('✕ past its day')).toBeVisible();
  const amount = first.getByLabel(/How much Kale/);
  await amount.fill('200');
  await amount.press('Enter');
  await expect.poll(async () => JSON.stringify(await (await page.request.get('/api/stock')).json())).toContain('"amount":200');
  await first.getByRole('button', { name: /^Kale.* is gone/ }).click();
  await expect(said(page, /taken out of stock/)).toBeVisible();
  await expect(first.getByText(/^Kale/)).toHaveCount(0);
});
