import { expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';

test('a version is kept by name, compared line by line with its figures, and taken back; what it was stays', async ({ page }) => {
  await startRecipe(page, 'Versioned pot');
  await typeLine(page, '400 g leek\n');
  await typeLine(page, '300 g red lentils, Weir Lane\n');
  await expectSaved(page);
  await page.getByRole('link', { name: /^Saved/ }).click();
  const panel = page.getByRole('region', { name: 'Versions' });
  await panel.getByLabel('Keep it as it is now, as').fill('as tested');
  await panel.getByRole('button', { name: 'Keep' }).click();
  await expect(panel.getByText('“as tested”')).toBeVisible();
  await page.keyboard.press('Escape');

  await page
    .getByRole('textbox', { name: /400 g leek/ })
    .first()
    .focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('700 g leek');
  await page.getByLabel('Title', { exact: true }).fill('Another pot');
  await expectSaved(page);
  await page.getByRole('link', { name: /^Saved/ }).click();
  await panel.getByRole('button', { name: /as tested/ }).click();
  const changes = panel.getByRole('list', { name: 'What changed since' });
  await expect(changes.getByRole('listitem')).toHaveText([/title\s*Versioned pot\s+Another pot/, /line\s*400 g leek\s+700 g leek/]);
  const energy = panel.getByRole('row', { name: /^Energy/ });
  const [then, now] = [await energy.getByRole('cell').nth(1).innerText(), await energy.getByRole('cell').nth(2).innerText()];
  const first = (text: string) => Number(/[\d,.]+/.exec(text)?.[0].replace(',', ''));
  expect(first(now)).toBeGreaterThan(first(then));
  await expectAccessible(page, '.panel');

  await panel.getByRole('button', { name: 'Take it back' }).click();
  await expect(said(page, 'It is taken back')).toBeVisible();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Versioned pot');
  await expect(page.getByRole('textbox', { name: /400 g leek/ })).toHaveCount(1);
  await expectSaved(page);
  await expect(panel.getByRole('button', { name: /before an older one was taken back/ })).toBeVisible();
  await expect(panel.getByText('It says what the recipe says now.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Another pot');
});

test('undo survives a reload and a visit to another screen', async ({ page }) => {
  await startRecipe(page, 'Undone pot');
  await typeLine(page, '400 g leek\n');
  await typeLine(page, '2 onions\n');
  await expectSaved(page);
  await page.waitForTimeout(400); // until the steps are written down
  await page.reload();
  await expect(page.locator('.row .shown').filter({ hasText: 'onions' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.row .shown').filter({ hasText: 'onions' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Pantry' }).click();
  await expect(page.getByRole('heading', { name: 'Pantry' })).toBeVisible();
  await page.goBack();
  await expect(page.locator('.row .shown').filter({ hasText: 'leek' })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('.row .shown').filter({ hasText: 'onions' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.locator('.row .shown').filter({ hasText: 'leek' })).toHaveCount(0);
  await expectSaved(page);
  await page.reload();
  await expect(page.locator('.row .shown')).toHaveCount(0);
});
