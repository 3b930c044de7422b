import { docketFigure, expect as expectSoon, expectAccessible, test, typeLine } from './desk.js';

// A server of its own, with a kitchen that nobody has begun.
test.use({ baseURL: process.env.PORTIONA_UNBEGUN ?? '' });
// It is begun but once, so there is no second try: what takes long is waited for longer.
test.describe.configure({ retries: 0, timeout: 600_000 });
const expect = expectSoon.configure({ timeout: 120_000 });

test('a new kitchen is asked three things, sees what a list becomes, and begins with a dish', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'A new kitchen' })).toBeVisible();
  const pasted = page.getByRole('region', { name: 'What a pasted list becomes' });
  await expect(pasted.getByRole('listitem').filter({ hasText: '1 cup rice' })).toContainText('it may be of several kinds');
  await expect(pasted.getByRole('listitem').filter({ hasText: 'moon dust' })).toContainText('no food yet');
  await expect(pasted.getByRole('status')).toContainText(/at least \d+ kcal/);
  await pasted.getByLabel('A list of ingredients').fill('300 g red lentils');
  await expect(pasted.getByRole('listitem')).toHaveCount(1);
  await expect(pasted.getByRole('listitem').first()).toContainText('Lentils, red');
  // Without the starter pantry the same list finds nothing, and it is said.
  await page.getByRole('checkbox', { name: /the starter pantry/ }).uncheck();
  await expect(pasted.getByRole('listitem').first()).toContainText('no food yet');
  await expect(page.getByText('With an empty pantry no line finds a food')).toBeVisible();
  await expectAccessible(page);

  // Nobody writes lines into an empty pantry unknowingly.
  await page.getByRole('checkbox', { name: /a dish to look at/ }).uncheck();
  await expect(page.getByRole('button', { name: 'Begin' })).toBeDisabled();
  await page.getByLabel('Its name').fill('Tarn kitchen');
  await page.getByLabel('Prices are in').selectOption('CHF');
  await page.getByLabel('Spoons and cups').selectOption('au');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('No recipe yet')).toBeVisible();
  await expect(page.getByText('Tarn kitchen')).toBeVisible();
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill('Into nothing');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByText('The pantry is empty: no line finds a food')).toBeVisible();
  await typeLine(page, '300 g red lentils');
  await page.getByRole('button', { name: 'Take the starter pantry' }).click();
  await expect(page.getByText('The pantry is empty')).toBeHidden();
  // The line that waited finds its food now, and takes it when it is told to.
  await page.getByRole('button', { name: /finds? a food now/ }).click();
  await page.getByRole('button', { name: /^Take/ }).first().click();
  await expect(docketFigure(page, 'Energy')).toContainText(/\d{2,}/);
  // It was begun, and is not asked again.
  await page.goto('/recipes');
  await expect(page.getByRole('link', { name: 'Into nothing' })).toBeVisible();
});
