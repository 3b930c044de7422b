import { docketFigure, expect, expectAccessible, expectSaved, startRecipe, test } from './desk.js';

const LINES = [
  '300 g red lentils',
  '900 g butternut squash',
  '2 onions',
  '3 tbsp rapeseed oil',
  '4 cloves garlic',
  '30 g ginger',
  '1 tbsp smoked paprika',
];

test('a dish of fifteen lines in three parts needs no scrolling at 1280 by 800', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  await page.getByLabel('New ingredient').last().click();
  await page.keyboard.type('200 g spinach');
  await expect(page.getByLabel(/^Ingredient:/)).toHaveCount(15);
  await page.getByLabel(/^Ingredient: 300 g red lentils/).focus();
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800);
  await page.getByLabel('Ingredient: 200 g spinach').fill('');
  await expectSaved(page);
});

test.describe('on a tablet held upright', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

  test('a dish is written and changed by touch, the docket always in sight', async ({ page }) => {
    await startRecipe(page, 'By touch', '4');
    await page.getByLabel('New ingredient').first().tap();
    await page.keyboard.insertText(LINES[0] ?? '');
    for (const line of LINES.slice(1)) {
      await page.keyboard.press('Enter');
      await page.keyboard.insertText(line);
    }
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Select 2 onions', exact: true }).tap();
    await page.getByRole('toolbar', { name: 'Lines selected' }).getByRole('button', { name: 'Move down' }).tap();
    await expect(page.getByLabel(/^Ingredient:/).nth(3)).toHaveValue('2 onions');
    await page.getByLabel('Ingredient: 4 cloves garlic').tap();
    await page.getByRole('button', { name: /^Garlic.* ▾/ }).tap();
    await expect(page.getByLabel('Find a food')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('tab', { name: 'Method and keeping' }).tap();
    await page.getByRole('button', { name: '@ Ingredient' }).tap();
    await page.getByRole('option', { name: /red lentils/ }).tap();
    await expect(page.locator('.mention')).toHaveText('300 g red lentils');
    await page.evaluate(() => window.scrollTo(0, 2000));
    await expect(docketFigure(page, 'Energy').first()).toBeInViewport();
    await expectSaved(page);
  });
});

test('the card is fitted again when its window becomes lower', async ({ page }) => {
  await page.setViewportSize({ width: 1800, height: 1500 });
  await page.goto('/recipes/smoky-lentil-and-squash-dal/card');
  const sheet = page.locator('iframe').first();
  const height = () => sheet.evaluate((frame) => frame.getBoundingClientRect().height);
  await expect.poll(height).toBeGreaterThan(840);
  await page.setViewportSize({ width: 1800, height: 800 });
  await expect.poll(height).toBeLessThan(720);
});
