import { docketFigure, expect, expectSaved, startRecipe, test, typeLine } from './desk';

test('the book says what a box of each dish delivers and costs; a press opens the working', async ({ page }) => {
  await page.goto('/');
  const row = page.locator('.ledger-row', { hasText: 'Chickpea and pepper stew' });
  await expect(row).toContainText('558kcal');
  await expect(row).toContainText('€ 1.58');
  await row.getByRole('link', { name: '558kcal' }).click();
  await expect(page.getByRole('region', { name: 'Working of Energy' })).toContainText('Energy, 558 kcal a box');
});

test('the book says how sure a figure is, what a topping adds and what the till charges', async ({ page }) => {
  await page.goto('/recipes');
  const row = page.locator('.ledger-row').filter({ hasText: 'Smoky lentil' });
  await expect(row).toContainText('615 to 728');
  await expect(row).toContainText('with topping 696 kcal, 25.5 g protein');
  await row.getByRole('link', { name: '€ 23.80' }).click();
  await expect(page.getByRole('heading', { name: /At the till, € 23.80 for the batch/ })).toBeVisible();
});

test('a typed line is matched, the docket follows at once, and it is there after a reload', async ({ page }) => {
  await startRecipe(page, 'Leek and barley pot');
  for (const [text, food] of [
    ['2 tbsp rapeseed oil', 'Rapeseed oil, Harbour Stores'],
    ['350 g pearl barley', 'Pearl barley, Depot Nine'],
    ['3 leeks, trimmed', 'Leek, raw'],
  ] as const) {
    await typeLine(page, text);
    await expect(page.getByRole('button', { name: `${food} ▾` })).toBeVisible();
    await page.keyboard.press('Enter');
  }
  // 4 boxes: (27.6 g x 8.99 + 350 g x 3.46 + 420 g x 0.61) / 4 = (248.124 + 1211 + 256.2) / 4 = 428.8
  await expect(docketFigure(page, 'Energy')).toContainText('429');
  await expectSaved(page);
  await page.reload();
  await expect(docketFigure(page, 'Energy')).toContainText('429');
  await expect(page.getByLabel('Ingredient: 3 leeks, trimmed')).toBeVisible();
});

test('any figure walks down to label and price', async ({ page }) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  await docketFigure(page, 'Protein').click();
  const working = page.getByRole('region', { name: 'Working of Protein' });
  const lentils = working.getByRole('row', { name: /Red lentils, Weir Lane/ });
  await expect(lentils).toContainText('300 g');
  await expect(lentils).toContainText('24.0');
  await expect(lentils).toContainText('label');
  await expect(lentils).toContainText('72.0');
  await expect(working).toContainText('2 onions: 250 g, less 10 % not eaten');
  await docketFigure(page, 'Used').click();
  const cost = page.getByRole('region', { name: 'Working of Cost, used' });
  await expect(cost.getByRole('row', { name: /Butternut squash/ })).toContainText('buy 1,125 g for 900 g');
  await expect(cost.getByRole('row', { name: /Butternut squash/ })).toContainText('Weir Lane Market, 17 Nov');
  await docketFigure(page, 'At the till').click();
  await expect(page.getByRole('region', { name: 'Working of Cost at the till' })).toContainText('2 × 1 kg at € 2.00');
  await docketFigure(page, 'Fibre').click();
  await page
    .getByRole('region', { name: 'Working of Fibre' })
    .locator('.hint')
    .getByRole('link', { name: 'Chopped tomatoes, Harbour Stores' })
    .click();
  await expect(page.locator('[data-field="fibre"]')).toBeFocused();
  await page.goBack();
  await page.getByRole('region', { name: 'Working of Fibre' }).waitFor();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: /^Working/ })).toHaveCount(0);
});

test('fewer boxes share the same batch, or the amounts follow', async ({ page }) => {
  await startRecipe(page, 'Boxes to share', '4');
  await typeLine(page, '400 g pearl barley');
  await expect(docketFigure(page, 'Energy')).toContainText('346');
  await page.getByRole('button', { name: 'One box fewer' }).click();
  await page.getByRole('button', { name: 'One box fewer' }).click();
  await expect(docketFigure(page, 'Energy')).toContainText('692');
  await page.getByRole('button', { name: 'Scale the amounts instead' }).click();
  await expect(docketFigure(page, 'Energy')).toContainText('346');
  await expect(page.getByLabel('Ingredient: 200 g pearl barley')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(docketFigure(page, 'Energy')).toContainText('692');
});

test('from nothing to a card: page, print and PDF say the same', async ({ page }) => {
  const id = await startRecipe(page, 'Barley with leeks', '3');
  await page.getByLabel('New ingredient').first().focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text', '240 g pearl barley, rinsed\n2 leeks, trimmed\n\n1 tbsp rapeseed oil\nsalt, to taste');
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.getByLabel(/^Ingredient:/)).toHaveCount(4);
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await page.getByRole('textbox', { name: /^Method/ }).focus();
  await page.keyboard.type('Boil the barley, 30 min, until soft.\nSoften the leeks in the oil.');
  await page.getByLabel('Minutes in all').fill('45');
  await page.getByLabel('Minutes in all').press('Enter');
  await expectSaved(page);
  await page.getByRole('link', { name: 'Card', exact: true }).click();
  const card = page.frameLocator('iframe');
  await expect(card.getByRole('heading', { level: 1 })).toHaveText('Barley with leeks');
  const lists = card.getByRole('list');
  await expect(lists.first().getByRole('listitem').first()).toHaveText(/240 g\s+pearl barley, rinsed \(barley\) 8\s½\soz/);
  await expect(lists.last().getByRole('listitem')).toHaveCount(2);
  await card.locator('[data-figure="energyKcal"]').click();
  await expect(page.getByRole('region', { name: 'Working of Energy' })).toBeVisible();
  const energy = (await card.locator('[data-figure="energyKcal"] text').first().textContent()) ?? '';

  const html = await (await page.request.get(`/api/recipes/${id}/card.html`)).text();
  const data = JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/s.exec(html)?.[1] ?? '{}') as {
    nutrition?: { calories?: string };
    totalTime?: string;
    recipeInstructions?: unknown[];
  };
  expect(data).toMatchObject({ '@type': 'Recipe', totalTime: 'PT45M', nutrition: { calories: `${energy} kcal` } });
  expect(data.recipeInstructions).toHaveLength(2);

  await page.keyboard.press('Escape');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'PDF' }).click();
  expect((await download).suggestedFilename()).toBe('barley-with-leeks.pdf');
  await page.reload();
  await expect(card.getByRole('heading', { level: 1 })).toHaveText('Barley with leeks');
});

test('a dish is copied, put away and taken out again', async ({ page }) => {
  await startRecipe(page, 'To be copied');
  await page.goto('/recipes');
  // Of a long list only what is on the screen is there.
  await page.getByLabel('Filter recipes').fill('to be copied');
  await page.getByRole('button', { name: 'Copy To be copied' }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('To be copied, copy');
  await page.goto('/recipes');
  await page.getByLabel('Filter recipes').fill('copy');
  await page.getByRole('button', { name: 'Put To be copied, copy away' }).click();
  await expect(page.getByRole('link', { name: 'To be copied, copy' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: 'To be copied, copy' })).toBeVisible();
});
