import { expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';

test('a brief is set, the docket holds the dish to it as it changes, and it is kept for the next dish', async ({ page }) => {
  const id = await startRecipe(page, 'To a brief', '1');
  await typeLine(page, '100 g rolled oats');
  await page.keyboard.press('Enter');
  await page.goto(`/recipes/${id}/brief`);
  await page.getByRole('button', { name: 'Target', exact: true }).click();
  await page.getByLabel('Energy, at most').fill('400');
  const asked = page.getByRole('complementary', { name: 'Docket' }).getByRole('group', { name: 'Brief' });
  await expect(asked).toContainText('Energy at most 400');
  await expect(asked).toContainText('not sure');
  await page.getByLabel('Energy, at most').fill('900');
  await expect(asked).toContainText('holds');
  await page.getByLabel('Energy, at most').fill('300');
  await expect(asked).toContainText(/\d+ over/);
  await page.getByRole('button', { name: 'gluten', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Keep out, allergens' }).getByRole('button', { name: 'no gluten' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Keep this brief' }).click();
  await page.getByLabel('Name of the brief').fill('Small and plain');
  await page.keyboard.press('Enter');
  await expect(said(page, '“Small and plain” is kept for the next dish.')).toBeVisible();
  await expectSaved(page);
  await page.goto('/recipes');
  const row = page.locator('.ledger-row').filter({ hasText: 'To a brief' });
  await expect(row).toContainText('misses its brief');
  await page.getByLabel('What meets a brief').selectOption('Small and plain');
  await expect(row).toBeHidden();

  const other = await startRecipe(page, 'To the same brief', '1');
  await page.goto(`/recipes/${other}/brief`);
  await page.getByLabel('Take a kept brief').selectOption('Small and plain');
  await expect(page.getByLabel('Energy, at most')).toHaveValue('300');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Energy, at most')).toBeHidden();
});
