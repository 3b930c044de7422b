import { docketFigure, expect, expectAccessible, expectSaved, startRecipe, test, typeLine } from './desk.js';

test('a part of another recipe is taken as a line, counts as it does there, and moves with it', async ({ page }) => {
  const base = await startRecipe(page, 'Pepper base', '4');
  await typeLine(page, '800 g chopped tomatoes');
  await page.keyboard.press('Enter');
  await page.keyboard.type('3 onions');
  await expectSaved(page);
  const dish = await startRecipe(page, 'Bowls on the base', '2');
  await typeLine(page, '2 servings pepper base');
  // Nothing is counted until the person says so.
  await expect(docketFigure(page, 'Energy').first()).toContainText('unknown');
  await page.getByRole('button', { name: /Pepper base, from that recipe/ }).click();
  await expect(page.getByText('2.0 of its 4 boxes')).toBeVisible();
  await expect(docketFigure(page, 'Energy').first()).toContainText(/^Energy\d+kcal/);
  await expectAccessible(page, '.sheet');
  await expectSaved(page);
  const energy = (await docketFigure(page, 'Energy').first().textContent()) ?? '';

  // Its working goes down into the other recipe, to the labels there.
  await docketFigure(page, 'Energy').first().click();
  const working = page.getByRole('region', { name: 'Working of Energy' });
  await expect(working.getByRole('row', { name: /^Pepper base/ })).toContainText('its recipe');
  await expect(working.getByRole('row', { name: /^Chopped tomatoes/ })).toContainText('label');
  await expect(working.getByRole('row', { name: /^Chopped tomatoes/ })).toContainText('400 g');
  await expectAccessible(page, '.panel');
  await page.keyboard.press('Escape');

  // The other way there: from the list of parts, with as many servings as the dish has.
  await page.getByRole('button', { name: 'From another recipe' }).click();
  await page.getByLabel('Find a part of another recipe').fill('pepper base');
  await expectAccessible(page, '.menu');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(/^Ingredient: \d+ g pepper base/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(docketFigure(page, 'Energy').first()).toHaveText(energy);
  await expectSaved(page);

  await page.getByLabel('Ingredient: 2 servings pepper base').focus();
  await page.getByRole('link', { name: /Open.* Pepper base/ }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Pepper base');
  await page.getByLabel('Ingredient: 3 onions').fill('9 onions');
  await expectSaved(page);
  await page.getByRole('button', { name: 'in 1 dish' }).click();
  await expect(page.getByLabel('Dishes that take it')).toContainText(/moved: was [\d.]+ kcal/);
  await expectAccessible(page, '.menu');
  await page.getByRole('link', { name: 'Bowls on the base' }).click();
  await expect(page).toHaveURL(new RegExp(`/recipes/${dish}/build`));
  await expect(page.getByRole('status').filter({ hasText: 'Its basis moved.' })).toContainText('Pepper base was edited');
  await expect(docketFigure(page, 'Energy').first()).not.toHaveText(energy);
  await page.getByRole('button', { name: 'Take it as it is now' }).click();
  await expect(page.getByText('Its basis moved.')).toBeHidden();

  // The base cannot lose what the dish takes.
  await page.goto(`/recipes/${base}/build`);
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await expectSaved(page);
  await page.getByRole('button', { name: /^in the box, equal/ }).click();
  await page.getByRole('button', { name: 'Take this part out' }).click();
  await expect(page.getByText(/“Bowls on the base” takes|"Bowls on the base" takes/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expectSaved(page);
});
