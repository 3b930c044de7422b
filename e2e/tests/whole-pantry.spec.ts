import { docketFigure, expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';
import { islandTable } from './islandTable.js';

// These change the whole pantry, its prices above all: by their file's name they run after the others.

const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

test('a food table is brought, mapped, tried and taken in; a line is cooked with one of its foods', async ({ page }) => {
  await page.goto('/pantry/bring');
  await page.getByLabel('A food table, file').setInputFiles(islandTable(400));
  const ticket = page.getByRole('complementary', { name: 'Taking it in' });
  await expect(ticket.getByText('Energy and macronutrients of the foods agree')).toBeVisible();
  await expect(page.getByLabel('Letters')).toHaveValue('windows-1252');
  await expect(page.getByLabel('What Sodium g holds')).toHaveValue('sodium');
  await expect(page.getByLabel('Unit of Sodium g')).toHaveValue('g');
  await expect(ticket).toContainText('begins like a formula');
  await expectAccessible(page);
  // Taken for the wrong thing, it shows at once.
  await page.getByLabel('Unit of Protein g').selectOption('mg');
  await expect(ticket.getByText(/energy and macronutrients disagree/i)).toBeVisible();
  await page.getByLabel('Unit of Protein g').selectOption('g');
  await page.getByRole('button', { name: /Show the \d columns that are not taken/ }).click();
  await expect(page.getByLabel('What Water g holds')).toHaveValue('');
  await ticket.getByLabel('Name of the table').fill('Island');
  await expect(ticket.getByText('Energy and macronutrients of the foods agree')).toBeVisible();
  await ticket.getByRole('button', { name: 'Take in 398 foods' }).click();
  await expect(ticket.getByText('They are found wherever you search a food')).toBeVisible();

  // A food of the table is not at hand until it is cooked with; one can be made like it all the same.
  await page.goto('/pantry');
  await page.getByLabel('Find a food').fill('sea beet creme');
  await page.getByRole('link', { name: /Crème of sea beet/ }).click();
  await page.getByRole('button', { name: 'Another like it' }).click();
  await expect(page.getByLabel('Name of the food')).toHaveValue(/Crème of sea beet.*, another/);
  await page.goto('/pantry/new?like=no-such-food');
  await expect(page.getByText('The food that this one was to be like cannot be had')).toBeVisible();

  await startRecipe(page, 'With sea beet', '1');
  await typeLine(page, '200 g xyzzy');
  await page
    .getByRole('button', { name: /Choose a food/ })
    .first()
    .click();
  await page.getByLabel('Find a food').fill('sea beet creme');
  await page.getByRole('button', { name: /Crème of sea beet/ }).click();
  await expect(docketFigure(page, 'Energy')).toContainText('112');
  await expect(docketFigure(page, 'Salt')).toContainText('0.1');
  await expectSaved(page);
  await page.reload();
  await expect(docketFigure(page, 'Energy')).toContainText('112');
});

test('its next edition finds its kept mapping, and changes nothing that is the same', async ({ page }) => {
  await page.goto('/pantry/bring');
  await page.getByLabel('A food table, file').setInputFiles(islandTable(400));
  await page.getByLabel('As a table before').selectOption('Island');
  const ticket = page.getByRole('complementary', { name: 'Taking it in' });
  await expect(ticket.getByText('as they are')).toBeVisible();
  await expect(ticket.getByRole('button', { name: 'Nothing new' })).toBeVisible();
});

test('units that a table does not say are read from its figures or asked, and rows that cannot be right wait for a word', async ({
  page,
}) => {
  const table = [
    'Ref;Food;Energy;Protein;Fat;Carbohydrate;Saturates;Sodium (g);Vitamin D',
    'K1;Milk, whole;268;3.4;3.6;4.6;2.3;43;0.1',
    'K2;Egg, whole, raw;582;12.6;9.5;0.7;3.1;140;',
    'K3;Butter, unsalted;3117;0.6;82.2;0.6;52.1;9;0.5',
    'K4;Dune pea;1299;22;2;50;0.3;9;0.5',
    'K5;Sea holly, root;310;1;0;17;0;9;0.5',
    'K6;Oil of dune thistle;0;0;99.9;0;9;0;0.5',
  ].join('\n');
  await page.goto('/pantry/bring');
  await page.getByLabel('A food table, file').setInputFiles(csv('tarn.csv', table));
  const ticket = page.getByRole('complementary', { name: 'Taking it in' });
  await expect(page.getByLabel('Unit of Energy')).toHaveValue('kJ');
  await expect(page.getByText('kJ by its figures, not by its heading: in 5 of 5 foods it is four times')).toBeVisible();
  await expect(page.getByLabel('Unit of Vitamin D')).toHaveValue('');
  await expect(ticket).toContainText('Not taken, since nobody has said in what unit it is: Vitamin D');
  await expect(ticket).toContainText('speak against the unit they are taken in: Sodium (g)');
  await page.getByRole('button', { name: 'Take mg' }).click();
  await expect(page.getByLabel('Unit of Sodium (g)')).toHaveValue('mg');
  await expect(ticket).not.toContainText('speak against');
  const take = ticket.getByRole('button', { name: /^Take in/ });
  await expect(ticket.getByRole('region', { name: /^Rows with energy missing/ })).toContainText('1 row');
  await expect(take).toBeDisabled();
  await expectAccessible(page);
  // On a phone the columns stand over what comes of them, and can be said there too.
  await page.setViewportSize({ width: 390, height: 844 });
  await expect.poll(async () => (await page.getByLabel('Unit of Vitamin D').boundingBox())?.width ?? 0).toBeGreaterThan(40);
  await page.getByLabel('Unit of Vitamin D').selectOption('ug');
  await page.getByLabel('Unit of Vitamin D').scrollIntoViewIfNeeded();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(ticket).not.toContainText('nobody has said in what unit');
  await ticket.getByRole('radio', { name: 'energy from macronutrients' }).click();
  await expect(take).toHaveText('Take in 6 foods');
  await take.click();
  await expect(ticket.getByText('They are found wherever you search a food')).toBeVisible();
  await page.goto('/pantry');
  await page.getByLabel('Find a food').fill('dune thistle');
  await page.getByRole('link', { name: /Oil of dune thistle/ }).click();
  await expect(page.getByText('these 899 kcal are what its macronutrients make')).toBeVisible();
});

test('a table with a row for each figure is gathered, and its columns can be said', async ({ page }) => {
  const rows = ['Energy;kcal;61', 'Protein;g;1.5', 'Fat;g;0.3', 'Carbohydrate, available;g;12.4', 'Fibre;g;1.8', 'Sodium;mg;20'];
  const table = ['Food;Nutrient;Unit;Amount', ...['Mole leek', 'Mole chard'].flatMap((food) => rows.map((row) => `${food};${row}`))];
  await page.goto('/pantry/bring');
  await page.getByLabel('A food table, file').setInputFiles(csv('figures.csv', table.join('\n')));
  const ticket = page.getByRole('complementary', { name: 'Taking it in' });
  await expect(page.getByRole('radio', { name: 'one figure of a food' })).toBeChecked();
  await expect(page.getByLabel('What Sodium (mg) holds')).toHaveValue('sodium');
  await expect(ticket.getByRole('button', { name: 'Take in 2 foods' })).toBeVisible();
  await expect(ticket.getByText('Energy and macronutrients of the foods agree')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'a food', exact: true }).click();
  await page.getByRole('button', { name: /Show the \d columns that are not taken/ }).click();
  await expect(page.getByLabel('What Nutrient holds')).toHaveValue('');
  await page.getByRole('radio', { name: 'one figure of a food' }).click();
  await page.getByLabel('Same food by').selectOption('Unit');
  await expect(ticket.getByRole('alert')).toBeVisible();
});

test('a file that is no table is refused on the page', async ({ page }) => {
  await page.goto('/pantry/bring');
  await page
    .getByLabel('A food table, file')
    .setInputFiles({ name: 'book.csv', mimeType: 'text/csv', buffer: Buffer.from([0x50, 0x4b, 3, 4, 9, 9, 9]) });
  await expect(page.getByRole('alert')).toContainText('save the sheet as CSV');
  await page.getByLabel('A kitchen file, file').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{') });
  await expect(page.getByRole('alert').last()).toContainText('is not JSON');
  await expectAccessible(page);
});

test('a receipt’s lines find their foods, doubtful ones are held back, and choices are remembered', async ({ page }) => {
  const till = csv(
    'till.csv',
    'Article;Qty;Amount\nLeeks loose;0,800;2,40\nButter 250 g;1;29,50\nKichererbsen 400g;2;1,70\nTOTAL;;33,60\n',
  );
  const bring = async () => {
    await page.goto('/pantry/bring');
    await page.getByLabel('A receipt or price list, file').setInputFiles(till);
    await page.getByLabel('Shop', { exact: true }).fill('Depot Nine');
  };
  await bring();
  await expect(page.getByLabel('Add the price of Leeks loose')).toBeChecked();
  await expect(page.getByLabel('Add the price of Butter 250 g')).not.toBeChecked();
  await page.getByRole('button', { name: /how Butter 250 g against now came about/ }).press('Enter');
  const steps = page.getByRole('dialog');
  await expect(steps).toContainText('This receipt: € 118.00 a kg');
  await expect(steps.getByRole('link', { name: /All prices of/ })).toHaveAttribute('href', /\/pantry\/.*show=usedCost/);
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /how Leeks loose a kg came about/ }).click();
  await expect(page.getByRole('dialog')).toContainText('2.40 ÷ 800.0 g × 1000 = € 3.00 a kg');
  await page.keyboard.press('Escape');
  await page.getByLabel('Choose a food for Kichererbsen 400g').click();
  await page.getByLabel('Find a food').fill('chickpeas canned');
  await page.keyboard.press('Enter');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Add 2 prices' }).click();
  await expect(said(page, '2 prices added.')).toBeVisible();
  await bring();
  await expect(page.getByLabel(/Food of Kichererbsen 400g: Chickpeas/)).toBeVisible();
  await expect(page.getByText('as before').first()).toBeVisible();
});

const TILL = `CORNER MARKET
28.11.2026 17:12
LEEKS
 0,852 kg x 2,30 EUR/kg   1,96 A
BUTTER 250G        2,95 A
  2 x 1,19
MILK 1L            2,38 A
Rabatt 10%        -0,24
LEERGUT           -3,00 A
SUMME              4,05`;

test('what a till printed is pasted: weights, counts, discounts and what is no price are what they are', async ({ page }) => {
  await page.goto('/pantry/bring');
  await page.getByRole('button', { name: 'Paste its text' }).press('Enter');
  await page.getByLabel('A receipt or price list, as text').fill(TILL);
  await expectAccessible(page);
  await page.keyboard.press('Control+Enter');
  await page.getByLabel('Shop', { exact: true }).fill('Corner Market');
  await expect(page.getByLabel('Day', { exact: true })).toHaveValue('2026-11-28');
  await expect(page.getByLabel('What one LEEKS holds')).toHaveValue('0.852');
  await expect(page.getByText('2 for 2.38, Rabatt 10% -0.24')).toBeVisible();
  await expect(page.getByText(/Passed over: .*LEERGUT is a deposit; SUMME sums up\./)).toBeVisible();
  // A food is chosen by arrows; each says what tells it apart.
  await page.getByLabel(/Food of BUTTER 250G/).press('Enter');
  await expect(page.getByRole('dialog', { name: 'Foods for this line' })).toContainText(/kcal, [\d.]+ g protein in 100 g/);
  await page.getByLabel('Find a food').press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel(/Food of BUTTER 250G/)).toBeVisible();
  await expectAccessible(page);
});

test('the shops are asked for today’s prices', async ({ page }) => {
  await page.goto('/pantry/prices');
  await page.getByRole('button', { name: 'Refresh prices' }).click();
  await expect(page.getByLabel('Packs answered')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Refresh prices' })).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('heading', { name: /Another price today, \d+/ })).toBeVisible();
  await expectAccessible(page);
  await page
    .getByRole('button', { name: /how the change of/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText(/€ \d+\.\d\d ÷ € \d+\.\d\d − 1 = [+−]\d+\.\d %/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('link', { name: /Leek, raw before, € \d/ }).first()).toHaveAttribute('href', /show=usedCost/);
  await page.getByRole('link', { name: 'Leek, raw', exact: true }).first().click();
  await expect(page.getByText(/^today, \d+ earlier prices/).first()).toBeVisible();
});

test('two entries of one food are merged, with what it changes shown first', async ({ page }) => {
  await page.goto('/pantry/new');
  await page.getByLabel('Name of the food').fill('Sorrel, kitchen garden');
  await page.getByRole('button', { name: 'Add to the pantry' }).click();
  await expect(page.getByRole('heading', { name: 'Packs and prices' })).toBeVisible();
  await page.goto('/pantry/leek');
  await page.getByRole('button', { name: 'Merge', exact: true }).click();
  await page.getByLabel('The same food under another name').fill('sorrel kitchen garden');
  await page.getByRole('button', { name: /Sorrel, kitchen garden/ }).click();
  await expect(page.getByText('No recipe holds the one that goes')).toBeVisible();
  await expectAccessible(page);
  await page.getByLabel('Sorrel, kitchen garden stays').check();
  await expect(page.getByText(/recipes? changes?,/)).toBeVisible();
  await page.getByLabel('Leek, raw stays').check();
  await page.getByRole('button', { name: 'Merge them' }).click();
  await expect(said(page, 'Sorrel, kitchen garden is Leek, raw now.')).toBeVisible();
  await page.getByLabel('Find a food').fill('sorrel kitchen garden');
  await expect(page.getByRole('link', { name: 'Leek, raw' })).toBeVisible();
});

test('sheets and the kitchen file go out', async ({ page }) => {
  await page.goto('/pantry/bring');
  for (const name of ['Kitchen file', 'Foods as CSV', 'Prices as CSV', 'Recipes as CSV']) {
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name }).click();
    expect(await (await coming).failure()).toBeNull();
  }
});
