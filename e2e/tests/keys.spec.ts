import { docketFigure, expect, expectAccessible, startRecipe, test, typeLine } from './desk';

const lines = (page: import('@playwright/test').Page) =>
  page.getByLabel(/^Ingredient:/).evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));

test('lines are written, moved, doubled, made optional and undone by keys alone', async ({ page }) => {
  await startRecipe(page, 'By keys');
  await typeLine(page, '300 g red lentils');
  await page.keyboard.press('Enter');
  await page.keyboard.type('2 onions, diced');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1 tbsp honey');
  expect(await lines(page)).toEqual(['300 g red lentils', '2 onions, diced', '1 tbsp honey']);

  await page.keyboard.press('Alt+ArrowUp');
  await page.keyboard.press('Alt+ArrowUp');
  expect(await lines(page)).toEqual(['1 tbsp honey', '300 g red lentils', '2 onions, diced']);
  await expect(page.getByLabel('Ingredient: 1 tbsp honey')).toBeFocused();

  await page.keyboard.press('Control+d');
  expect(await lines(page)).toEqual(['1 tbsp honey', '1 tbsp honey', '300 g red lentils', '2 onions, diced']);
  const before = await docketFigure(page, 'Energy').textContent();
  await page.keyboard.press('Alt+o');
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('.row', { hasText: 'optional' })).toHaveCount(1);
  await expect(docketFigure(page, 'Energy')).not.toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await expect(docketFigure(page, 'Energy')).toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  expect(await lines(page)).toEqual(['1 tbsp honey', '300 g red lentils', '2 onions, diced']);
  await page.keyboard.press('Control+Shift+z');
  expect(await lines(page)).toHaveLength(4);
});

test('the food of a line is changed without leaving it; the choice holds while the words do', async ({ page }) => {
  await startRecipe(page, 'Another onion');
  await typeLine(page, '2 onions');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.getByLabel('Find a food').fill('red onion');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Onion, red, raw ▾' })).toBeVisible();
  await page.getByLabel('Ingredient: 2 onions').fill('3 onions, sliced');
  await expect(page.getByRole('button', { name: 'Onion, red, raw ▾' })).toBeVisible();
});

test('words that fit no food are said to, and become one without leaving the line', async ({ page }) => {
  await startRecipe(page, 'Unknown things');
  await typeLine(page, '200 g moon dust');
  await expect(page.getByRole('complementary', { name: 'Docket' })).toContainText('1 wrong');
  await page.getByRole('button', { name: 'Choose a food ▾' }).click();
  await page.getByRole('button', { name: 'Add “moon dust” to the pantry' }).click();
  const dialog = page.getByRole('dialog', { name: 'New food' });
  await expect(dialog.getByLabel('Name of the food')).toHaveValue('moon dust');
  await expectAccessible(page, '.modal');
  await dialog.getByRole('button', { name: 'Paste the label’s text' }).click();
  await page.keyboard.type('Per 100 g: energy 400 kcal, fat 10 g, carbohydrate 60 g, protein 15 g, salt 0.5 g');
  await page.keyboard.press('Control+Enter');
  await expect(dialog.getByLabel('Protein')).toHaveValue('15');
  await dialog.getByLabel('Name of the food').press('Control+Enter');
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'moon dust ▾' })).toBeVisible();
  await expect(docketFigure(page, 'Energy')).toContainText(/^Energy200kcal/);
  await expect(page).toHaveURL(/\/build$/);

  // What is counted is asked its weight.
  await page.getByLabel('Ingredient: 200 g moon dust').press('Enter');
  await page.keyboard.type('3 star rocks');
  await page.getByRole('button', { name: 'Choose a food ▾' }).click();
  await page.getByRole('button', { name: 'Add “star rocks” to the pantry' }).click();
  await dialog.getByLabel('One piece weighs, in grams').fill('40');
  await dialog.getByRole('button', { name: 'Add and use it' }).click();
  await expect(page.locator('.row.cur').getByTitle('Working of counted')).toHaveText('120');
});

test('a unit misspelt is said to be none, counts for nothing, and is mended with one press', async ({ page }) => {
  await startRecipe(page, 'A slip');
  await typeLine(page, '2 cupp leeks');
  await expect(page.locator('.under')).toContainText('“cupp” is no unit. Did you mean cup?');
  await expect(page.getByRole('complementary', { name: 'Docket' })).toContainText('1 wrong');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'cup', exact: true })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Ingredient: 2 cup leeks')).toBeFocused();
  await expect(page.locator('.under')).not.toContainText('is no unit');
  await expect(docketFigure(page, 'Energy')).toBeVisible();
});

test('a "to taste" is assumed, shown as such, and confirmed', async ({ page }) => {
  await startRecipe(page, 'Seasoned', '5');
  await typeLine(page, 'salt, to taste');
  await page.getByLabel('New ingredient').last().focus();
  await page.getByRole('button', { name: '6.0 g assumed' }).click();
  await page.getByLabel('Grams in the batch').fill('4');
  await page.getByRole('button', { name: 'Weighed' }).click();
  await expect(page.getByRole('button', { name: '4.0 g weighed' })).toBeVisible();
  await expect(docketFigure(page, 'Salt')).toContainText('0.8');
});

test('parts are served at the table, shared by pieces, named and taken out', async ({ page }) => {
  await startRecipe(page, 'In parts', '2');
  await typeLine(page, '200 g rolled oats');
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByLabel('Part name').nth(1).fill('Topping');
  await page.getByLabel('New ingredient').last().focus();
  await page.keyboard.type('100 g plain yoghurt');
  await page.keyboard.press('Alt+t');
  await expect(page.getByRole('button', { name: /^at the table/ })).toBeVisible();
  await expect(docketFigure(page, 'With topping')).toContainText('403'); // (744 + 61) / 2 = 402.5
  await page.getByRole('button', { name: /^in the box/ }).click();
  await page.getByRole('radio', { name: 'pieces', exact: true }).click();
  await page.getByLabel('Pieces made').fill('8');
  await page.getByLabel('Pieces made').press('Enter');
  await expect(docketFigure(page, 'Energy')).toContainText('186'); // 744 x 2 / 8
});

test('find or do anything, keys, stations, theme', async ({ page }) => {
  await page.goto('/recipes');
  await page.locator('.dish').first().waitFor();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('duck');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(/Duck leg/);
  await page.keyboard.press('Alt+6');
  await expect(page).toHaveURL(/\/card$/);
  await page.keyboard.press('Alt+2');
  await expect(page).toHaveURL(/\/build$/);
  await page.getByRole('button', { name: 'Dark theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('the kitchen has a figure of its own, reckoned by its formula and told beside the others', async ({ page }) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  const settings = async () => {
    await page.getByRole('button', { name: 'Kitchen settings' }).click();
    return page.getByRole('dialog');
  };
  const dialog = await settings();
  await dialog.getByLabel('What it is called').fill('Crew points');
  await dialog.getByLabel('How it is reckoned').fill('energy / 50');
  await expect(dialog.getByText(/There is no figure "energy"|there is no figure "energy"/)).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Reckon it' })).toBeDisabled();
  await dialog.getByLabel('How it is reckoned').fill('energyKcal / 50');
  await dialog.getByLabel('Rounded to multiples of').fill('1');
  await dialog.getByRole('button', { name: 'Reckon it' }).click();
  await expect(dialog.getByRole('button', { name: 'Do without it' })).toBeVisible();
  await expectAccessible(page, '[role=dialog]');
  await page.keyboard.press('Escape');
  const docket = page.getByRole('complementary', { name: 'Docket' });
  // 672 kcal / 50 = 13.4
  await expect(docket.getByText('Crew points').locator('..')).toContainText('13');
  // Its working, the list of recipes and the card tell it too.
  await docket.getByRole('button', { name: /Crew points/ }).click();
  const working = page.getByRole('region', { name: 'Working of Crew points' });
  await expect(working).toContainText('energyKcal / 50');
  await expect(working.getByRole('row', { name: /Energy/ })).toContainText('kcal');
  await expectAccessible(page, '.panel');
  await working.getByRole('link', { name: 'Energy' }).click();
  await expect(page.getByRole('region', { name: 'Working of Energy' })).toBeVisible();
  await page.goto('/recipes');
  await expect(page.getByText('Crew points')).toBeVisible();
  await expect(
    page.locator('.ledger-row').filter({ hasText: 'Smoky lentil' }).getByRole('link', { name: '13', exact: true }),
  ).toBeVisible();
  expect(await (await page.request.get('/api/recipes/smoky-lentil-and-squash-dal/card.md')).text()).toContain('| Crew points | 13 |');
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  await (await settings()).getByRole('button', { name: 'Do without it' }).click();
  await page.keyboard.press('Escape');
  await expect(docket.getByText('Crew points')).toHaveCount(0);
});

test('a panel that drops from a button closes by it, by Escape and by a press beside; the focus goes where it belongs', async ({
  page,
}) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  const button = page.getByRole('button', { name: 'Columns' });
  const panel = page.getByRole('dialog', { name: 'Columns beside the lines' });
  await button.click();
  await expect(panel).toBeVisible();
  await expect(button).toHaveAttribute('aria-expanded', 'true');
  await button.click();
  await expect(panel).toHaveCount(0);
  // Nor does it come again by the same press.
  await expect(button).toHaveAttribute('aria-expanded', 'false');
  await button.press('Enter');
  await expect(panel.getByRole('checkbox').first()).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(panel).toHaveCount(0);
  await expect(button).toBeFocused();
  await button.click();
  await expect(panel).toBeVisible();
  await page.getByLabel('Title', { exact: true }).click();
  await expect(panel).toHaveCount(0);
  await expect(page.getByLabel('Title', { exact: true })).toBeFocused();
});

test('a hint is said of what is pointed at or reached by Tab, and goes by Escape', async ({ page }) => {
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  const hint = page.getByRole('tooltip');
  await page.getByRole('button', { name: 'Scale', exact: true }).hover();
  await expect(hint).toHaveText('Scale (Alt S)');
  await page.keyboard.press('Escape');
  await expect(hint).toHaveCount(0);
  await page.getByRole('button', { name: 'Kitchen settings' }).focus();
  await page.keyboard.press('Tab');
  await expect(hint).toHaveText('Keys (?)');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: /account and kitchens/ })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(hint).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Scale', exact: true })).toHaveAccessibleDescription('Scale (Alt S)');
});
