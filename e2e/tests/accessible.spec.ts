import type { Page } from '@playwright/test';
import { docketFigure, expect, expectAccessible, test } from './desk';

const DAL = '/recipes/smoky-lentil-and-squash-dal';

// A theme changes colours alone: in the second one, contrast is what is left to look at.
for (const [theme, rules] of [
  ['light', undefined],
  ['dark', ['color-contrast']],
] as const)
  test.describe(`axe finds nothing, ${theme}`, () => {
    const look = (page: Page) => expectAccessible(page, undefined, rules && [...rules]);
    test.use({ colorScheme: theme });

    test('recipes', async ({ page }) => {
      await page.goto('/recipes');
      await page.locator('.dish').first().waitFor();
      await look(page);
    });

    test('build, with a line being typed and a working open', async ({ page }) => {
      await page.goto(`${DAL}/build`);
      await page.getByLabel('Ingredient: 300 g red lentils, rinsed').focus();
      await look(page);
      await docketFigure(page, 'Fibre').click();
      await page.getByRole('region', { name: 'Working of Fibre' }).waitFor();
      await look(page);
    });

    test('method', async ({ page }) => {
      await page.goto(`${DAL}/build`);
      await page.getByRole('tab', { name: 'Method and keeping' }).click();
      await look(page);
    });

    test('card', async ({ page }) => {
      await page.goto(`${DAL}/card`);
      await page.frameLocator('iframe').getByRole('heading', { level: 1 }).waitFor();
      await look(page);
    });

    test('pantry', async ({ page }) => {
      await page.goto('/pantry/red-lentils-weir-lane');
      await page.locator('.tag .remark').waitFor();
      await look(page);
    });

    test('dialogs', async ({ page }) => {
      await page.goto('/recipes');
      await page.locator('.dish').first().waitFor();
      await page.keyboard.press('Control+k');
      await page.getByRole('dialog').waitFor();
      await look(page);
    });
  });

test('nothing is cut off at the width of a telephone', async ({ page }) => {
  await page.setViewportSize({ width: 420, height: 800 });
  for (const path of ['/recipes', '/pantry', '/pantry/leek', '/pantry/compare?foods=leek,onion-white']) {
    await page.goto(path);
    await expect(page.locator('.ledger a, .tag input').first()).toBeVisible();
    const [wide, shown] = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
    expect(wide, path).toBeLessThanOrEqual(shown ?? 0);
    const cut = await page.locator('.tag .field, .ledger a').evaluateAll(
      (all) =>
        all.filter((one) => {
          const { right, width } = one.getBoundingClientRect();
          return width > 0 && right > window.innerWidth + 1;
        }).length,
    );
    expect(cut, path).toBe(0);
  }
});

test('fifteen lines and the docket fit a screen of 1280 by 800 without scrolling', async ({ page }) => {
  await page.goto(`${DAL}/build`);
  await expect(page.getByLabel('Ingredient: 200 g plain yoghurt')).toBeInViewport({ ratio: 1 });
  await expect(page.getByRole('complementary', { name: 'Docket' })).toBeInViewport({ ratio: 1 });
});
