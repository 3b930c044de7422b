import { docketFigure, expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';

/** A dish of four boxes, and a brief that its rice and oil miss. */
async function dishWithBrief(page: import('@playwright/test').Page, title: string, energy: string): Promise<string> {
  const id = await startRecipe(page, title, '4');
  for (const line of ['500 g chicken breast', '320 g brown rice', '4 tbsp rapeseed oil', '2 eggs']) {
    await typeLine(page, line);
    await page.keyboard.press('Enter');
  }
  await page.keyboard.press('Alt+1');
  await page.getByRole('button', { name: 'Target', exact: true }).click();
  await page.getByLabel('Energy, at most').fill(energy);
  await expectSaved(page);
  await page.keyboard.press('Alt+2');
  return id;
}

test('a dish is made to fit its brief: a proposal line by line, some of it taken, taken back', async ({ page }) => {
  await dishWithBrief(page, 'Made to fit', '540');
  const energy = docketFigure(page, 'Energy').first();
  const before = await energy.textContent();
  await page.keyboard.press('Alt+f');
  const panel = page.getByRole('region', { name: 'Make it fit' });
  // The docket stays where it is, beside the panel.
  expect((await page.getByRole('complementary', { name: 'Docket' }).boundingBox())?.x).toBeGreaterThan(900);
  await expect(panel).toContainText('everything holds, bands and all. No smaller change does it: that is proven.');
  await expectAccessible(page, '.panel');
  await expect(panel.getByRole('list', { name: /What the brief asks/ })).toContainText(/Energy at most 540.*over.*holds/);
  // An amount can be locked; the next proposal leaves it alone.
  await panel.getByRole('button', { name: /How far lines may move/ }).click();
  await panel.getByLabel(/How far Brown rice.* may move/).selectOption('locked');
  await expect(panel.getByLabel(/Take Brown rice/)).toHaveCount(0);
  await expect(panel.getByLabel(/Take Rapeseed oil/)).toBeVisible();
  await expectAccessible(page, '.panel');
  await panel.getByLabel(/How far Brown rice.* may move/).selectOption('');
  await expect(panel.getByLabel(/Take /).first()).toBeVisible();
  await panel.getByLabel(/Take /).first().uncheck();
  await panel.getByLabel(/Take /).first().check();
  await panel.getByRole('button', { name: /^Take (it|all)/ }).click();
  await expect(said(page, /changed\. Ctrl Z takes it back\./)).toBeVisible();
  await expect(panel).toContainText('It fits as it is');
  await expect(energy).not.toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await expect(energy).toHaveText(before ?? '');
});

test('targets that cannot hold together are named, with what comes nearest', async ({ page }) => {
  await dishWithBrief(page, 'Cannot be', '300');
  await page.keyboard.press('Alt+1');
  await page.getByRole('button', { name: 'Target', exact: true }).click();
  await page.getByLabel('Figure of the target').last().selectOption('protein');
  await page.getByLabel('Protein, at most').or(page.getByLabel('Protein, at least')).first().fill('45');
  await page
    .getByLabel('Protein, limit')
    .or(page.locator('select').filter({ hasText: 'at least' }))
    .last()
    .selectOption('at least');
  await page.keyboard.press('Alt+2');
  await page.keyboard.press('Alt+f');
  const panel = page.getByRole('region', { name: 'Make it fit' });
  await expect(panel).toContainText('energy at most 300 kcal and protein at least 45.0 g cannot hold together');
  await expect(panel).toContainText(/With the other kept, the nearest is \d+ kcal energy/);
  await expect(panel).toContainText('What comes nearest to all of it');
  await expectAccessible(page, '.panel');
});

test('which single line to change, and how much of a food', async ({ page }) => {
  await dishWithBrief(page, 'By one line', '900');
  await page.keyboard.press('Alt+f');
  const panel = page.getByRole('region', { name: 'Make it fit' });
  await expect(panel).toContainText('It fits as it is');
  await panel.getByRole('radio', { name: 'By one line' }).click();
  const energy = Number(/\d+/.exec((await docketFigure(page, 'Energy').first().textContent()) ?? '')?.[0]);
  await panel.getByRole('button', { name: /^Change Brown rice/ }).click();
  await expect(said(page, /Brown rice.* now\. Ctrl Z takes it back\./)).toBeVisible();
  await expect
    .poll(async () => energy - Number(/\d+/.exec((await docketFigure(page, 'Energy').first().textContent()) ?? '')?.[0]))
    .toBeGreaterThan(55);
  await panel.getByLabel('Change a box by').fill('more');
  await expect(panel).toContainText('No line can do that by itself: say by how much');
  await panel.getByRole('radio', { name: 'How much of a food' }).click();
  await expect(panel.getByRole('row', { name: /Brown rice/ })).toContainText(/2\d\.\d g/);
  await panel.getByLabel('Food', { exact: true }).fill('couscous');
  await expect(panel.getByRole('row', { name: /^Couscous/ }).first()).toBeVisible();
  await expectAccessible(page, '.panel');
});

test('a worker that fails is started again by itself, and says so when that does not help', async ({ page }) => {
  let broken = 2;
  await page.route(/fit\.worker.*\.js/, (route) =>
    broken-- > 0 ? route.fulfill({ contentType: 'text/javascript', body: "throw new Error('no solver today')" }) : route.continue(),
  );
  await page.goto('/recipes/chickpea-and-pepper-stew/build?working=fit');
  const panel = page.getByRole('region', { name: 'Make it fit' });
  await expect(panel).toContainText(/lines? changed|keep to the brief|cannot/);

  broken = 9;
  await page.reload();
  await expect(panel.getByRole('alert')).toContainText('no solver today');
  broken = 0;
  await panel.getByRole('button', { name: 'Try again' }).click();
  await expect(panel.getByRole('alert')).toBeHidden();
  await expect(panel).toContainText(/lines? changed|keep to the brief|cannot/);
});
