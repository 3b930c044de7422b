import { expect, expectAccessible, startRecipe, test, typeLine } from './desk.js';

const find = async (page: import('@playwright/test').Page, words: string) => {
  await page.keyboard.press('Control+k');
  const dialog = page.getByRole('dialog', { name: 'Find or do anything' });
  await dialog.getByRole('combobox').fill(words);
  return dialog;
};

test('actions are found by their words and by others, with their key beside them', async ({ page }) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  await page.getByRole('complementary', { name: 'Docket' }).waitFor();
  // By another word than its own.
  const dialog = await find(page, 'history');
  await expect(dialog.getByRole('option', { name: /^Versions/ })).toBeVisible();
  await dialog.getByRole('combobox').fill('vegetarian');
  await expect(dialog.getByRole('option', { name: /^Variants.*Alt V/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Variants' })).toBeVisible();
  await find(page, 'working protein');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Working of Protein' })).toBeVisible();
  await find(page, 'instructions');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tab', { name: 'Method and keeping' })).toHaveAttribute('aria-selected', 'true');
});

test('every button and field that the page shows is found, pressed, or gone to', async ({ page }) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/card');
  await page.getByRole('button', { name: /Publish/ }).waitFor();
  const dialog = await find(page, 'A4');
  await expect(dialog.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto('/pantry');
  await page.getByRole('searchbox').waitFor();
  await find(page, 'find a food');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('searchbox')).toBeFocused();
});

test('settings are found by what they are about; what was looked at last stands first', async ({ page }) => {
  await page.goto('/pantry/red-lentils-weir-lane');
  await page.getByRole('complementary', { name: 'Red lentils, Weir Lane' }).waitFor();
  await page.goto('/recipes');
  await page.getByRole('heading', { name: 'Recipes' }).waitFor();
  const dialog = await find(page, '');
  await expect(dialog.getByRole('option').first()).toHaveText('Red lentils, Weir Lane');
  await expectAccessible(page, '.modal');
  await dialog.getByRole('combobox').fill('tablespoon');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: /Spoons and cups/ })).toBeVisible();
});

test('a new recipe has the caret in its first line; one that is put away is found, and taken out again', async ({ page }) => {
  const id = await startRecipe(page, 'Put away soon');
  await expect(page.getByLabel('New ingredient').first()).toBeFocused();
  await typeLine(page, '100 g leek');
  await page.goto('/recipes');
  await page.getByLabel('Filter recipes').fill('Put away soon');
  // The page that lists it is open before it is put away.
  await page.route('**/recipes/*', async (route) => {
    if (route.request().method() === 'DELETE') await new Promise((resolve) => setTimeout(resolve, 2_000));
    await route.continue();
  });
  await page.getByRole('button', { name: 'Put Put away soon away' }).click();
  await find(page, 'archive');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Put away' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take out Put away soon' }).click();
  await expect(page.getByRole('button', { name: 'Take out Put away soon' })).toHaveCount(0);
  await page.goto(`/recipes/${id}/build`);
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Put away soon');
});
