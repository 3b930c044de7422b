import { docketFigure, expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';

test('a variant is written as changes, stands beside the dish, and is made the dish; the old one stays', async ({ page }) => {
  await startRecipe(page, 'With variants', '4');
  for (const line of ['600 g beef mince', '400 g chopped tomatoes', '2 onions']) {
    await typeLine(page, line);
    await page.keyboard.press('Enter');
  }
  const energy = docketFigure(page, 'Energy').first();
  const before = (await energy.textContent()) ?? '';
  await page.keyboard.press('Alt+v');
  const panel = page.getByRole('region', { name: 'Variants' });
  await panel.getByRole('button', { name: 'Begin a variant' }).click();
  await panel.getByLabel('Variant', { exact: true }).fill('vegetarian');
  await panel.getByRole('combobox', { name: /^In place of/ }).selectOption({ label: '600 g beef mince' });
  await panel.getByLabel('Write').fill('400 g red lentils');
  await expect(panel.getByRole('status')).toContainText('Counted as Red lentils');
  await panel.getByLabel('Write').press('Enter');
  await expect(panel.getByRole('list', { name: 'What it changes' })).toContainText('400 g red lentils in place of 600 g beef mince');
  await panel.getByRole('combobox', { name: /^In place of/ }).selectOption({ label: '2 onions' });
  await panel.getByRole('button', { name: 'Leave it out' }).click();
  await expect(panel.getByRole('row', { name: /^Energy/ }).locator('.differs')).toHaveCount(1);
  await panel.getByRole('combobox', { name: /^In place of/ }).selectOption({ label: 'the cooked weight of Main' });
  await panel.getByLabel('Grams, cooked').fill('1200');
  await panel.getByLabel('Grams, cooked').press('Enter');
  await expect(panel.getByRole('list', { name: 'What it changes' })).toContainText('Main weighs 1200 g cooked');
  await expect(panel.getByRole('row', { name: /^Weight/ }).locator('.differs')).toContainText('300');
  await expectAccessible(page, '.panel');
  await expect(energy).toHaveText(before);
  // Each figure of a variant leads to where it comes from, and back.
  await panel
    .getByRole('row', { name: /^Energy/ })
    .locator('.differs button')
    .click();
  const working = page.getByRole('region', { name: 'Working of energy' });
  await expect(working).toContainText('Of the variant “vegetarian”');
  await expect(working.getByRole('row', { name: /Red lentils/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(panel.getByRole('list', { name: 'What it changes' })).toBeVisible();
  await expectSaved(page);
  // A line moved in the sheet takes the variant's change with it.
  await page.keyboard.press('Escape');
  await page.getByLabel('Ingredient: 2 onions').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await page.keyboard.press('Alt+v');
  await expect(panel.getByRole('list', { name: 'What it changes' })).toContainText('without 2 onions');
  await panel.getByRole('button', { name: 'Make it the dish' }).click();
  await expect(said(page, /“vegetarian” is the dish now/)).toBeVisible();
  await expect(page.getByLabel('Ingredient: 400 g red lentils')).toBeVisible();
  await expect(page.getByLabel('Ingredient: 2 onions')).toBeHidden();
  await expect(panel.getByLabel('Variant', { exact: true })).toHaveValue('as it was');
  await expect(energy).not.toHaveText(before);
  await expectSaved(page);
  await page.reload();
  await expect(page.getByLabel('Ingredient: 400 g red lentils')).toBeVisible();
});

test('another food in a line’s place says what it changes in the whole dish, and is called by its own name', async ({ page }) => {
  await startRecipe(page, 'Swapped', '4');
  await typeLine(page, '400 g red lentils');
  await page.getByRole('button', { name: /^Red lentils.* ▾/ }).click();
  await page.getByLabel('Find a food').fill('brown rice');
  const choice = page.getByRole('button', { name: /^Brown rice/ }).first();
  await expect(choice).toContainText(/[+−].?\d+\skcal, −.?\d+\.\d\sg\sprotein/);
  await expectAccessible(page, '.menu');
  await choice.click();
  await expect(page.getByLabel(/^Ingredient: 400 g brown rice/)).toBeVisible();
});
