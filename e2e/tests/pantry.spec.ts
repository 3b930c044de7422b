import { docketFigure, expect, expectAccessible, said, startRecipe, test, typeLine } from './desk';

test('a food is entered from its label with the energy check beside it, given a pack, and cooked with', async ({ page }) => {
  await page.goto('/pantry/new');
  await page.getByLabel('Name of the food').fill('Smoked trout spread');
  const field = (name: string) => page.locator(`[data-field="${name}"]`);
  await field('energyKcal').fill('213');
  await field('protein').fill('12');
  await field('carbohydrate').fill('3');
  await field('fat').fill('70');
  await expect(page.locator('.remark')).toContainText('477 kcal too much');
  await expect(page.locator('.remark')).toContainText('Check the fat: 70 would have to be about 17');
  await field('fat').fill('17,0');
  await expect(page.locator('.remark')).toContainText('Energy and macros agree');
  await page.getByRole('button', { name: 'Add to the pantry' }).click();

  await expect(page.getByRole('complementary', { name: 'Smoked trout spread' })).toBeVisible();
  await page.getByLabel('Net of a new pack').fill('150');
  await page.getByLabel('Price of a new pack').fill('3,00');
  await page.getByLabel('Shop of a new pack').fill('Harbour Stores');
  await page.getByLabel('Shop of a new pack').press('Enter');
  await expect(page.locator('.tag')).toContainText('counted at € 20.00 a kg, Harbour Stores');

  await startRecipe(page, 'Spread on its own', '1');
  await typeLine(page, '100 g smoked trout spread');
  await expect(docketFigure(page, 'Energy')).toContainText('213');
  await expect(docketFigure(page, 'Used')).toContainText('€ 2.00');
  await expect(docketFigure(page, 'At the till')).toContainText('€ 3.00');
});

test('an edit of a food is saved by itself and reaches the dishes', async ({ page }) => {
  await page.goto('/pantry/hazelnuts');
  const fibre = page.locator('[data-field="fibre"]');
  const before = await fibre.inputValue();
  await fibre.fill('20');
  await expect(page.locator('.tag [role="status"]')).toContainText('Saved');
  await page.goto('/recipes/night-watch-couscous-sachets/build');
  // (70 g x 5 + 25 g x 7.3 + 20 g x 20 + 1 g of spice) / 100 a sachet
  await expect(docketFigure(page, 'Fibre')).toContainText('9.4');
  await expect(page.getByText('Its basis moved.')).toBeVisible();
  await expect(page.locator('.notice')).toContainText(/Hazelnuts.* was edited on \d+ \w+: \d\.\d → 9\.4 g fibre a \w+/);
  await page.goto('/pantry/hazelnuts');
  await fibre.fill(before);
  await expect(page.locator('.tag [role="status"]')).toContainText('Saved');
  await page.goto('/recipes/night-watch-couscous-sachets/build');
  await expect(docketFigure(page, 'Fibre')).not.toContainText('9.4');
  await expect(page.getByText('Its basis moved.')).toHaveCount(0);
});

test('the pantry is found through by other names and with a slip', async ({ page }) => {
  await page.goto('/pantry');
  await page.getByLabel('Find a food').fill('zuchini');
  await expect(page.locator('.pantry-foods .ledger-row').nth(1)).toContainText('Courgette');
});

test('a pack is taken out and put back', async ({ page }) => {
  await page.goto('/pantry/honey');
  await page.getByRole('button', { name: /^Put 500 g/ }).click();
  await expect(page.locator('.tag')).toContainText('no current price');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('.tag')).toContainText('counted at € 10.40 a kg');
});

test('an offer has its end and its usual price, and sets no cost after it', async ({ page }) => {
  await page.goto('/pantry/honey');
  const tag = page.locator('.tag');
  const counted = tag.getByText(/^counted at/);
  const before = await counted.innerText();
  await tag.getByRole('button', { name: 'an offer?' }).first().click();
  await expect(tag.getByText('nobody knows until when')).toBeVisible();
  await tag.getByLabel(/^Usual price of/).fill('9.99');
  await tag.getByLabel(/^Usual price of/).press('Tab');
  await tag.getByLabel(/^Last day of the offer of/).fill('2099-12-31');
  await expect(tag.getByText('nobody knows until when')).toHaveCount(0);
  await expect(counted).toHaveText(before);
  await tag.getByLabel(/^Last day of the offer of/).fill('2020-01-01');
  await expect(counted).not.toHaveText(before);
  await expectAccessible(page, '.tag');
  await tag.getByRole('button', { name: '✓ an offer' }).click();
  await expect(counted).toHaveText(before);
});

test('a measure given in the pantry gives a line its weight', async ({ page }) => {
  await startRecipe(page, 'Slices of cheese', '1');
  await typeLine(page, '2 wedges brined sheep cheese');
  await expect(page.locator('.under')).toContainText('Nobody knows what one wedge weighs');
  await page.goto('/pantry/brined-cheese-weir-lane');
  await page.getByLabel('New measure').fill('wedge');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.locator('.tag [role="status"]')).toContainText('Saved');
  await page.goto('/recipes/slices-of-cheese/build');
  await expect(docketFigure(page, 'Energy')).toContainText('528'); // 2 x 100 g at 264
});

test('prices and compare open with something worth seeing; one food is put in another’s place, and back; the dishes it moved are said', async ({
  page,
}) => {
  await page.goto('/pantry/prices');
  await expect(page.getByText('moved most since first seen')).toBeVisible();
  await expect(page.locator('.answers .ledger-row').nth(1)).toContainText('▲');
  await page.goto('/pantry/compare');
  await page.getByRole('button', { name: 'Onion, red, raw', exact: true }).click();
  const into = page.getByRole('button', { name: /^Put it in: / }).first();
  const dish = ((await into.getAttribute('aria-label')) ?? '').replace('Put it in: ', '');
  await into.click();
  await expect(said(page, 'is made with Onion, red, raw now')).toBeVisible();
  await expect(page.getByRole('button', { name: `Put it in: ${dish}` })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: `Put it in: ${dish}` })).toBeVisible();
  await expectAccessible(page);

  await page.goto('/pantry/red-lentils-weir-lane');
  const price = page.getByLabel(/^Price of/).first();
  await price.fill('9.90');
  await price.press('Tab');
  await expect(said(page, /costs? otherwise now: .*€ \d/)).toBeVisible();
});
