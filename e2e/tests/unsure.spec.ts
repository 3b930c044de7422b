import { docketFigure, expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';

test('a line whose food is not sure counts, says so everywhere, and is agreed to or chosen by keys', async ({ page }) => {
  const id = await startRecipe(page, 'Settled by asking', '2');
  await typeLine(page, '500 g diced lamb');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1 tin of tuna');
  await page.keyboard.press('Enter');
  await page.keyboard.type('2 zucchini');
  await page.keyboard.press('Enter');
  const row = (number: number) => page.locator('.row').filter({ has: page.locator(`[data-row="0/${number}/line"]`) });
  await expect(row(0)).toContainText('counted as Lamb shoulder, boneless, raw?');
  await expect(row(1)).toContainText('counted as Tuna');
  // Sure, and called otherwise: said, not asked.
  await expect(row(2)).toContainText('counted as Courgette, raw');
  await expect(row(2)).not.toContainText('▲');
  await expect(docketFigure(page, 'Energy')).toContainText(/\d{3}/);
  await expect(docketFigure(page, '▲ 2 lines unsure')).toBeVisible();
  await expectAccessible(page);
  await page.locator('[data-row="0/0/line"]').focus();
  await expect(row(0)).toContainText('Unsure: it may be of several kinds.');
  await page.keyboard.press('Alt+Enter');
  await expect(row(0)).not.toContainText('Unsure');
  await expect(docketFigure(page, '▲ one line unsure')).toBeVisible();
  // Another amount of the same words leaves what was agreed to; other words do not.
  await page.locator('[data-row="0/0/line"]').fill('600 g diced lamb');
  await expect(docketFigure(page, '▲ one line unsure')).toBeVisible();
  await expectSaved(page);

  await page.goto('/recipes');
  await page.getByPlaceholder('Filter by name or series').fill('Settled by asking');
  await expect(page.locator('main')).toContainText('Settled by asking');
  await expect(page.locator('main')).toContainText('▲ one line unsure');
  await page.goto(`/recipes/${id}/card`);
  await expect(page.getByText('One line is not settled')).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  const ask = page.getByRole('dialog', { name: 'Publish with lines in doubt?' });
  await expect(ask).toContainText('“1 tin of tuna” is counted as Tuna');
  await expectAccessible(page, '[role=dialog]');
  await ask.getByRole('link', { name: 'Mend them first' }).click();
  await page.goto(`/recipes/${id}/build`);
  await docketFigure(page, 'Energy').waitFor();
  await page.keyboard.press('Alt+m');
  const panel = page.getByRole('region', { name: 'What lines count as' });
  await expect(panel.getByRole('row').nth(1)).toContainText('1 tin of tuna');
  await expectAccessible(page, '.panel');
  await panel.getByRole('button', { name: 'It is that' }).press('Enter');
  await expect(panel).toContainText('No line is in doubt.');
  await expectSaved(page);
  await page.goto(`/recipes/${id}/card`);
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(said(page, 'Published as issue 1')).toBeVisible();
});

test('what could be meant is chosen by arrow keys, each with energy, protein and price', async ({ page }) => {
  await startRecipe(page, 'Chosen by arrows', '2');
  await typeLine(page, '1 tin of tuna');
  await page
    .getByRole('button', { name: /Tuna.*▾/ })
    .first()
    .click();
  const choices = page.getByRole('dialog', { name: 'Foods for this line' });
  await expect(choices.getByRole('button').first()).toContainText(/kcal, .* g protein in 100 g/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  const second = choices.getByRole('button').nth(1);
  await expect(second).toBeFocused();
  const name = (await second.innerText()).split('\n')[0] ?? '';
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-row="0/0/line"]')).toHaveValue(/tuna/i);
  const row = page.locator('.row').filter({ has: page.locator('[data-row="0/0/line"]') });
  await expect(row).toContainText(name);
  await expect(row).not.toContainText('Unsure');
});

test('a line that waited finds its food once it has come, and takes it only when it is told to', async ({ page }) => {
  await startRecipe(page, 'Waited for', '2');
  await typeLine(page, '200 g quillberry paste');
  await expectSaved(page);
  await page.goto('/pantry/new');
  await page.getByLabel('Name of the food').fill('Quillberry paste');
  await page.locator('[data-field="energyKcal"]').fill('250');
  await page.getByRole('button', { name: 'Add to the pantry' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Packs and prices' })).toBeVisible();
  // The list of recipes tells it, and leads to where it is taken.
  await page.goto('/recipes');
  await page.getByRole('status').filter({ hasText: 'Lines that waited find a food now' }).getByRole('link', { name: 'Waited for' }).click();
  await expect(docketFigure(page, '▲ one line finds a food now')).toBeVisible();
  const panel = page.getByRole('region', { name: 'What lines count as' });
  await expect(panel.getByRole('group', { name: 'Foods found since' })).toContainText('200 g quillberry paste▲ Quillberry paste');
  await expectAccessible(page);
  await panel.getByRole('button', { name: 'Take it: Quillberry paste for 200 g quillberry paste' }).press('Enter');
  await expect(docketFigure(page, 'Energy')).toContainText(/^Energy250kcal/);
  await expect(panel.getByRole('group', { name: 'Foods found since' })).toBeHidden();
  await expectSaved(page);
});
