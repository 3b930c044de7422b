import { docketFigure, expect, expectAccessible, test } from './desk';

const BEEF = '/recipes/beef-shin-and-barley';

test('a figure is cooked many times on paper, and a promise is held against it', async ({ page }) => {
  await page.goto(`${BEEF}/build`);
  await docketFigure(page, 'Energy').click();
  const working = page.getByRole('region', { name: 'Working of Energy' });
  await expect(working).toContainText('Ranges from least to most, “to taste” from none to twice what is assumed: 418 to 419');
  await working.getByRole('button', { name: 'Cook it 50,000 times on paper' }).click();
  await expect(working.getByRole('img', { name: /95 % of 50000 draws lie between/ })).toBeVisible();
  await expect(working).toContainText(/95 % of them between 36\d and 47\d kcal/);
  await working.getByLabel('At most, kcal').fill('480');
  await expect(working.getByRole('status')).toContainText(/✓ holds for 9\d\.\d % of boxes/);
  await working.getByLabel('At most, kcal').fill('400');
  await expect(working.getByRole('status')).toContainText(/▲ holds for [12]\d\.\d % of boxes/);
  await expectAccessible(page);
});

test('what the dish may claim is worked out, each with its reason', async ({ page }) => {
  await page.goto(`${BEEF}/build`);
  await page.getByRole('button', { name: /^May claim/ }).click();
  const claims = page.getByRole('region', { name: 'Claims' });
  await expect(claims.getByRole('row', { name: /high protein yes/ }).first()).toContainText(
    'energy from protein 45 %, at least 20 % asked',
  );
  await expect(claims).not.toContainText(/gluten free yes/);
  await expectAccessible(page);
});

test('the rule set of the kitchen decides what the card prints; a settings choice is kept', async ({ page }) => {
  await page.goto(`${BEEF}/card`);
  const card = page.frameLocator('iframe');
  await expect(card.getByText('419', { exact: true })).toBeVisible();
  await page.getByRole('radio', { name: 'US', exact: true }).click();
  await expect(card.getByText('420', { exact: true })).toBeVisible();
  await docketFigure(page, 'Fibre').click();
  await expect(page.getByRole('region', { name: 'Working of Fibre' })).toContainText('32 % of the daily value');
  await page.reload();
  await expect(card.getByText('420', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Kitchen settings' }).click();
  await page.getByLabel('Rounding and claims on cards').selectOption('plain');
  await page.keyboard.press('Escape');
  await expect(card.getByText('419', { exact: true })).toBeVisible();
});

test('the card prints what can be measured, and says what that changes', async ({ page }) => {
  await page.goto(`${BEEF}/card`);
  await page.getByRole('button', { name: /One amount made measurable: ±0 kcal a box/ }).click();
  await expect(page.getByRole('dialog', { name: 'Amounts made measurable' })).toContainText('1.8 g → 2 g');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Build/ }).click();
  await expect(page.getByLabel('Ingredient: black pepper, to taste')).toBeVisible();
  await expect(page.locator('.row', { hasText: 'black pepper' })).toContainText('1.8 g assumed');
});

test('a spread whose worker breaks off says so, and is drawn when it is tried again', async ({ page }) => {
  let broken = true;
  await page.route(/spread\.worker.*\.js/, (route) =>
    broken ? route.fulfill({ contentType: 'text/javascript', body: "throw new Error('no dice')" }) : route.continue(),
  );
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build?working=energyKcal');
  const spread = page.getByRole('region', { name: 'Spread' });
  await spread.getByRole('button', { name: /times on paper/ }).click();
  await expect(spread.getByRole('alert')).toContainText('no dice');
  broken = false;
  await spread.getByRole('button', { name: 'Try again' }).click();
  await expect(spread).toContainText('95 % of them between');
});
