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

test('the rule set of the kitchen decides what the card prints, unless the dish has its own; both are kept', async ({ page }) => {
  await page.goto(`${BEEF}/card`);
  const card = page.frameLocator('iframe');
  const kitchens = async (rules: string) => {
    await page.getByRole('button', { name: 'Kitchen settings' }).click();
    await page.getByLabel('Rounding and claims on cards').selectOption(rules);
    await page.keyboard.press('Escape');
  };
  await expect(card.getByText('419', { exact: true })).toBeVisible();
  await kitchens('us');
  await expect(card.getByText('420', { exact: true }).first()).toBeVisible();
  await expect(card.getByText('of a day', { exact: true })).toBeVisible();
  await docketFigure(page, 'Fibre').click();
  await expect(page.getByRole('region', { name: 'Working of Fibre' })).toContainText('32 % of the daily value');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /What is printed/ }).click();
  const choices = page.getByRole('dialog', { name: 'What is printed' });
  await choices.getByRole('radio', { name: 'Plain', exact: true }).click();
  await expect(choices.getByText('of this dish alone').first()).toBeVisible();
  await expect(card.getByText('419', { exact: true })).toBeVisible();
  await page.reload();
  await expect(card.getByText('419', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /What is printed/ }).click();
  await choices.getByRole('button', { name: 'As the kitchen’s cards' }).click();
  await expect(card.getByText('420', { exact: true }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await kitchens('plain');
  await expect(card.getByText('419', { exact: true })).toBeVisible();
});

test('a card is set in each design; what is printed is chosen, made the kitchen’s, and signed', async ({ page }) => {
  await page.goto(`${BEEF}/card`);
  const card = page.frameLocator('iframe');
  const sheets = card.locator('section.sheet');
  for (const [design, count] of [
    ['Page', 1],
    ['Index', 2],
    ['Picture', 1],
    ['Docket', 1],
  ] as const) {
    await page.getByRole('radio', { name: design, exact: true }).click();
    await expect(sheets).toHaveCount(count);
    await expect(card.getByRole('heading', { level: 1 })).toHaveText(
      /Beef shin\s+and barley,\s+thyme gravy|Beef shin and barley,\s+thyme gravy|Beef shin and\s+barley, thyme gravy/,
    );
  }
  await page.getByRole('button', { name: /What is printed/ }).click();
  const choices = page.getByRole('dialog', { name: 'What is printed' });
  await choices.getByRole('radio', { name: 'US', exact: true }).first().click();
  await expect(card.getByText(/^\d.* (?:oz|lb)$/).first()).toBeVisible();
  await choices.getByRole('button', { name: 'Claims that hold' }).click();
  await choices.getByRole('radio', { name: 'None', exact: true }).click();
  await expect(card.getByText('Cost', { exact: true })).toBeHidden();
  await expectAccessible(page);
  await choices.getByRole('button', { name: 'Make it so on every card' }).click();
  await expect(choices).toContainText('As every card of the kitchen');
  await choices.getByLabel('Publication').fill('Suppers of the Marsh');
  await choices.getByLabel('Publication').press('Enter');
  await expect(card.getByText('Suppers of the Marsh')).toBeVisible();
  await page.goto('/recipes/chickpea-and-pepper-stew/card');
  await expect(card.getByText('Suppers of the Marsh')).toBeVisible();
  await expect(card.getByText('Cost', { exact: true })).toBeHidden();
  await page.request.patch('/api/kitchen/settings', {
    data: { card: { publication: 'Saltmarsh Suppers', choices: null } },
  });
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
