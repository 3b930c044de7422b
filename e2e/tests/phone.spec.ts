import { expect, expectAccessible, expectSaved, startRecipe, test } from './desk.js';

const DISH = '/recipes/smoky-lentil-and-squash-dal';
const SCREENS = [
  '/recipes',
  '/pantry',
  '/pantry/red-lentils-weir-lane',
  '/pantry/prices',
  '/pantry/compare',
  '/put-away',
  '/batches',
  '/portion/dal-2026-11-12',
  '/batches/smoky-lentil-and-squash-dal?edit=dal-2026-11-26',
  `${DISH}/brief`,
  `${DISH}/build`,
  `${DISH}/build?side=method`,
  `${DISH}/build?working=energyKcal`,
  `${DISH}/build?working=scale`,
  `${DISH}/build?working=drives`,
  `${DISH}/build?working=variants`,
  `${DISH}/build?working=versions`,
  '/recipes/chickpea-and-pepper-stew/build?working=fit',
  `${DISH}/cook`,
  `${DISH}/card`,
];

test.describe('on a phone 360 and 420 wide', () => {
  test.use({ viewport: { width: 420, height: 780 }, hasTouch: true });

  test('nothing reaches over the edge of any screen', async ({ page }) => {
    for (const screen of SCREENS) {
      await page.setViewportSize({ width: 420, height: 780 });
      await page.goto(screen);
      await page.locator('main').first().waitFor();
      // A line that stays open is never idle: what is still being loaded says so.
      await page.waitForLoadState('load');
      await expect(page.locator('main[aria-busy="true"]')).toHaveCount(0);
      for (const width of [420, 360]) {
        await page.setViewportSize({ width, height: 780 });
        // What is turned is laid out anew a moment later.
        await expect
          .poll(() => page.evaluate(() => document.documentElement.scrollWidth), { message: `${screen} at ${width}` })
          .toBeLessThanOrEqual(width);
        // A panel that scrolls by itself hides what reaches over its own edge.
        const over = page.locator('.panel, .ledger').evaluateAll((panels) => panels.map((panel) => panel.scrollWidth - panel.clientWidth));
        for (const pixels of await over) expect(pixels, `${screen} at ${width}`).toBeLessThanOrEqual(0);
      }
    }
  });
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a line is its words over what it comes to, and the docket is one bar that is pulled up', async ({ page }) => {
    await page.goto(`${DISH}/build`);
    const words = page.locator('.row .shown').first();
    const amount = page.locator('.row:not(.part) > .num').filter({ hasText: '300' }).first();
    await expect(words).toBeVisible();
    const [above, below] = [await words.boundingBox(), await amount.boundingBox()];
    expect(above?.width).toBeGreaterThan(300);
    expect(above?.height).toBeLessThan(60);
    expect(below?.y).toBeGreaterThanOrEqual((above?.y ?? 0) + (above?.height ?? 0) - 4);
    // The title is read whole.
    const title = page.getByLabel('Title', { exact: true });
    expect(await title.evaluate((field) => field.scrollHeight - field.clientHeight)).toBeLessThanOrEqual(1);
    const docket = page.getByRole('complementary', { name: 'Docket' });
    await expect(docket).toBeHidden();
    await page.getByRole('button', { name: /Show the whole docket/ }).tap();
    await expect(docket).toBeVisible();
    await docket.getByRole('button', { name: /^Protein/ }).tap();
    await expect(page.getByRole('region', { name: 'Working of Protein' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /Put the docket down/ }).tap();
    await expect(docket).toBeHidden();
    await expectAccessible(page);
  });

  test('a dish is written by touch', async ({ page }) => {
    await startRecipe(page, 'By thumb', '4');
    await page.getByLabel('New ingredient').first().tap();
    await page.keyboard.insertText('300 g red lentils');
    await page.keyboard.press('Enter');
    await page.keyboard.insertText('2 onions');
    await expect(page.locator('.docket-bar')).toContainText('kcal');
    await expect(page.locator('.docket-bar b').first()).not.toHaveText('0');
    await page.getByLabel('Ingredient: 300 g red lentils').tap();
    await expect(page.locator('.row.cur .under')).toBeVisible();
    await expectSaved(page);
    await page.getByLabel('Title', { exact: true }).fill('By thumb, twice');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('Title', { exact: true })).toHaveValue('By thumb, twice');
    await expectSaved(page);
  });
});
