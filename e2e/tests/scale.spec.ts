import { docketFigure, expect, expectAccessible, said, startRecipe, test, typeLine } from './desk.js';

test('a dish is scaled by rule, to boxes, to what is there, to a weight and to a vessel', async ({ page }) => {
  await startRecipe(page, 'Scaled', '4');
  for (const line of ['600 g chicken thighs', '3 onions', '1 tbsp smoked paprika', '8 g salt']) {
    await typeLine(page, line);
    await page.keyboard.press('Enter');
  }
  await page.keyboard.press('Alt+s');
  const panel = page.getByRole('region', { name: 'Scale' });
  await panel.getByLabel('boxes', { exact: true }).fill('10');
  const row = (name: RegExp) => panel.getByRole('row', { name });
  await expect(row(/Chicken thigh/)).toContainText('1500 g');
  await expect(row(/Onion/)).toContainText('7 ½');
  await panel.getByLabel(/How Onion.* scales/).selectOption('whole');
  await expect(row(/Onion/)).toContainText('in proportion it would be');
  await expect(row(/Onion/).locator('.num').nth(1)).toHaveText('8');
  await panel.getByLabel(/How Paprika.* scales/).selectOption('damped');
  await expect(row(/Paprika/)).toContainText('2 tbsp');
  await panel.getByLabel(/How Salt.* scales/).selectOption('ratioTo');
  await expect(panel.getByLabel(/What Salt.* is a share of/)).toBeVisible();
  await expect(panel).toContainText(/By the lines’ own rules a box changes by .*; snapping changes it by/);
  await expectAccessible(page, '.panel');
  await panel.getByRole('button', { name: 'Make it 10 boxes' }).click();
  await expect(said(page, 'For 10 boxes now. Ctrl Z takes it back.')).toBeVisible();
  await expect(page.locator('.docket .boxes')).toContainText('10 boxes');
  await expect(page.getByLabel('Ingredient: 1500 g chicken thighs')).toBeVisible();

  await panel.getByRole('radio', { name: 'What I have' }).click();
  await panel.getByLabel('I have, grams as bought').fill('1000');
  await panel.getByRole('button', { name: /^\d boxes, \d+ g left over/ }).click();
  await expect(panel.getByRole('button', { name: /Make it [4-7] boxes/ })).toBeEnabled();

  await panel.getByRole('radio', { name: 'A weight' }).click();
  await panel.getByLabel('Grams in a box').fill('400');
  await panel.getByRole('button', { name: /Keep 10 boxes, and cook \d+ % of the batch/ }).click();
  await expect(page.locator('.docket .boxes')).toContainText(/(39\d|40\d) g each/);

  await panel.getByRole('radio', { name: 'A vessel' }).click();
  await panel.getByLabel('Cooked in').selectOption('slow cooker');
  await expect(panel).toContainText(/Cook in 2 batches: the slow cooker is filled to 67 % at most/);
  await panel.getByRole('button', { name: /Fill it once: \d boxes/ }).click();
  await expectAccessible(page, '.panel');
  await page.keyboard.press('Escape');
  await expect(panel).toBeHidden();
  await expect(docketFigure(page, 'Energy').first()).toBeVisible();
});

test('what drives a dish: shares by line and part, each a way to the working', async ({ page }) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  await docketFigure(page, 'Energy').first().waitFor();
  await page.keyboard.press('Alt+d');
  const panel = page.getByRole('region', { name: 'What drives it' });
  await expect(panel).toContainText(/\d of 1\d lines bring (7|8|9)\d % of its energy/);
  await expect(panel.getByRole('row').nth(1)).toContainText(/Brown rice/);
  await panel.getByRole('button', { name: 'Protein' }).click();
  await expect(panel.getByRole('row').nth(1)).toContainText(/Red lentils/);
  await panel.getByLabel('by part').check();
  await expect(panel.getByRole('row', { name: /^Dal/ })).toContainText('%');
  await expect(panel.getByRole('heading', { name: 'Weigh next' })).toBeVisible();
  await expectAccessible(page, '.panel');
  await panel
    .getByRole('row', { name: /Red lentils/ })
    .getByRole('button')
    .nth(1)
    .click();
  await expect(page.getByRole('region', { name: 'Working of Protein' })).toBeVisible();
});

test('by default eggs stay whole and seasoning is damped, both said and one press back; words and vessels are held against the size', async ({
  page,
}) => {
  await page.goto('/recipes/egg-and-leek-muffins/build?side=method');
  await page.getByLabel('Under the title').fill('Seven boxes, two muffins each.');
  await page.getByRole('tab', { name: 'Ingredients' }).click();
  await page.keyboard.press('Alt+s');
  const panel = page.getByRole('region', { name: 'Scale' });
  await panel.getByRole('radio', { name: 'A vessel' }).click();
  await panel.getByLabel('Cooked in').selectOption('oven dish');
  await panel.getByLabel('Millilitres to the brim').fill('2000');
  await panel.getByLabel('Of them').fill('2');
  await panel.getByRole('radio', { name: 'So many' }).click();
  await panel.getByLabel('boxes', { exact: true }).fill('10');
  const row = (name: RegExp) => panel.getByRole('row', { name });
  await expect(row(/^Egg/).locator('.num').nth(1)).toHaveText('17');
  await expect(row(/^Egg/)).toContainText('eggs are used whole');
  await expect(panel).toContainText(/Share it between 2 oven dishes: each is filled to 85 % at most/);
  await expect(panel.getByText('The lead says “Seven boxes”')).toBeVisible();
  await expect(panel.getByLabel('Make it say 10 boxes')).toBeChecked();
  await expectAccessible(page, '.panel');

  await row(/^Egg/).getByRole('button', { name: 'in proportion instead' }).click();
  await expect(row(/^Egg/).locator('.num').nth(1)).toContainText('17');
  await expect(row(/^Egg/)).not.toContainText('eggs are used whole');
  await page.keyboard.press('Control+z');
  await expect(row(/^Egg/)).toContainText('eggs are used whole');

  await panel.getByRole('button', { name: 'Make it 10 boxes' }).click();
  await page.getByRole('tab', { name: 'Ingredients' }).click();
  await expect(page.getByLabel('Ingredient: 17 eggs')).toBeVisible();
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await expect(page.getByLabel('Under the title')).toHaveValue('Ten boxes, two muffins each.');
});

test('the docket’s own way to scale goes by the same rules, and says so', async ({ page }) => {
  await startRecipe(page, 'Stepped', '4');
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await page.getByLabel('Under the title').fill('Four boxes of eggs.');
  await page.getByRole('tab', { name: 'Ingredients' }).click();
  await typeLine(page, '4 eggs');
  await page.keyboard.press('Enter');
  await typeLine(page, '3 tbsp olive oil');
  await page.getByRole('button', { name: 'One box more' }).click();
  await page.getByRole('button', { name: 'One box more' }).click();
  await page.getByRole('button', { name: 'One box more' }).click();
  await page.getByRole('button', { name: 'Scale the amounts instead' }).click();
  await expect(said(page, 'cans, packs and eggs whole')).toBeVisible();
  await expect(page.getByLabel('Ingredient: 7 eggs')).toBeVisible();
  await expect(page.getByLabel('Ingredient: 80 ml olive oil')).toBeVisible();
  // The words still say the old number: pointed at, and changed with one press.
  await expect(page.getByText('The lead says “Four boxes”')).toBeVisible();
  await page.getByRole('button', { name: 'Change the words' }).click();
  await expect(page.getByText('The lead says “Four boxes”')).toBeHidden();
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await expect(page.getByLabel('Under the title')).toHaveValue('Seven boxes of eggs.');
});
