import { expect, expectAccessible, said, test } from './desk';

const LABEL = `Nutrition per 100 g per portion (40 g)
Energy 1562 kJ / 373 kcal 625 kJ / 149 kcal
Fat 7,1 g 2,8 g
of which saturates 1,3 g 0,5 g
Carbohydrate 58 g 23 g
of which sugars <0,5 g <0,5 g
Fibre 9,2 g
Protein 13,5 g
Salt 0,02 g`;

const DOUBTFUL = `Net weight 400 g, drained weight 240 g. Contains MUSTARD. May contain celery.
Energy 256 kJ / 61 kcal
Fat 20 g
of which saturates 1.3 g
Carbohydrate 6.1 g
Protein 4.6 g
Salt 0.15 g`;

test('what a label’s text leaves in doubt is asked, and nothing of it is taken unasked', async ({ page }) => {
  await page.goto('/pantry/new');
  await page.getByLabel('Name of the food').fill('Quark, Harbour Stores');
  await page.getByRole('button', { name: 'Paste the label’s text' }).press('Enter');
  await page.getByLabel('Text of the label').fill(DOUBTFUL);
  // It does not say for how much: nothing is used before that is chosen.
  const use = page.getByRole('button', { name: /^Use \d of 7 figures$/ });
  await expect(use).toBeDisabled();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByLabel('Text of the label')).toBeVisible();
  await page.getByRole('group', { name: 'What the figures are for' }).getByRole('button', { name: '100 g' }).press('Enter');
  await expect(page.locator('.paste')).toContainText('Fat 20 does not fit the rest; read as 2 g, with its decimal point.');
  await expect(page.locator('.paste')).toContainText('Taken along: contains mustard; may contain celery; drained 240 g of 400 g.');
  await expectAccessible(page);
  await expect(page.getByRole('button', { name: 'Use 6 of 7 figures' })).toBeEnabled();
  await page.getByRole('group', { name: 'Figures in doubt' }).getByRole('button', { name: 'Fat 2 g' }).press('Enter');
  await page.getByRole('button', { name: 'Use 7 of 7 figures' }).press('Enter');
  await expect(page.locator('[data-field="fat"]')).toHaveValue('2');
  await page.getByRole('button', { name: 'Add to the pantry' }).press('Enter');
  await expect(page.getByRole('group', { name: 'Allergens' }).getByRole('button', { name: '✓ mustard' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'May contain: celery' })).toBeVisible();
});

test('a label’s text is pasted, looked over and used, by keys alone; the next is made like it', async ({ page }) => {
  await page.goto('/pantry/new');
  await page.getByLabel('Name of the food').fill('Rolled rye, Harbour Stores');
  await page.getByRole('button', { name: 'Paste the label’s text' }).press('Enter');
  await page.getByLabel('Text of the label').fill(LABEL);
  await expect(page.locator('.paste')).toContainText('For 100 g');
  await expect(page.locator('.paste')).toContainText('Sugars “<0,5 g” is taken as 0.25 g');
  await expectAccessible(page);
  await page.keyboard.press('Control+Enter');
  await expect(page.locator('[data-field="protein"]')).toHaveValue('13.5');
  await expect(page.locator('.remark').first()).toContainText('Energy and macros agree');
  await page.locator('[data-field="sugars"]').fill('60');
  await expect(page.locator('.tag')).toContainText('Sugars (60 g) cannot be more than the carbohydrate (58 g) they are part of.');
  await page.locator('[data-field="sugars"]').fill('0.3');
  await page.getByRole('button', { name: 'Add to the pantry' }).press('Enter');
  await expect(page.getByRole('complementary', { name: 'Rolled rye, Harbour Stores' })).toBeVisible();
  await page.getByRole('button', { name: 'Another like it' }).press('Enter');
  await expect(page.getByLabel('Name of the food')).toHaveValue('Rolled rye, Harbour Stores, another');
  await expect(page.locator('[data-field="protein"]')).toHaveValue('13.5');
});

/** Keys a person presses to enter a label, one by one, with what each field must hold by then. */
const TYPED: readonly (readonly [text: string, then: readonly string[]])[] = [
  ['Rye flakes, Weir Lane', ['Enter']],
  ['1432', ['Tab', 'Tab']],
  ['2.1', ['Tab']],
  ['0.3', ['Tab']],
  ['63', ['Tab']],
  ['1', ['Tab']],
  ['13.4', ['Tab']],
  ['9.3', ['Tab']],
  ['0.01', ['Control+Enter']],
];
/** A key every 0.3 s, looking from packet to screen and back, is a slow hand. */
const SECONDS_A_KEY = 0.3;

test('a label of eight figures is typed by keys alone, in less than a minute of a slow hand', async ({ page }) => {
  await page.goto('/pantry');
  // Keys are listened to once the page is there.
  await expect(page.getByText('Find or do anything')).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('add a food');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the food')).toBeFocused();
  let keys = 12;
  for (const [text, then] of TYPED) {
    await page.keyboard.type(text);
    for (const key of then) await page.keyboard.press(key);
    keys += text.length + then.length;
  }
  await expect(page).toHaveURL(/\/pantry\/rye-flakes-weir-lane/);
  await expect(page.locator('[data-field="energyKj"]')).toHaveValue('1432');
  await expect(page.locator('[data-field="salt"]')).toHaveValue('0.01');
  await expect(page.locator('.remark').first()).toContainText('Energy and macros agree');
  expect(keys * SECONDS_A_KEY).toBeLessThan(60);
  console.log(`A label of eight figures: ${keys} keys`);
});

test('a food says where it is used; unused it is taken out, used it is put away and kept by its recipes', async ({ page }) => {
  await page.goto('/pantry/agave-syrup');
  await expect(page.locator('.tag')).toContainText('No recipe uses it.');
  await page.getByRole('button', { name: 'Take out', exact: true }).click();
  await expect(said(page, 'Agave syrup is taken out of the pantry.')).toBeVisible();
  await page.goto('/pantry/prawns');
  await page.getByRole('link', { name: 'Prawn and courgette orzo, lemon dressing' }).waitFor();
  await page.getByRole('button', { name: 'Put away' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.goto('/pantry/prawns');
  await expect(page.getByLabel('Name of the food')).toBeVisible();
});

test('products stand side by side, with what a swap changes in the recipes', async ({ page }) => {
  await page.goto('/pantry/red-lentils-weir-lane');
  await page.getByRole('button', { name: 'Compare' }).click();
  await page.getByLabel('Add a food to compare').fill('white beans');
  await page.keyboard.press('Enter');
  const table = page.locator('.compare');
  await expect(table).toContainText('For 30 g of protein');
  await expect(table.locator('.ledger-row', { hasText: 'Takes' })).toContainText('125 g ✓');
  const swaps = page.getByRole('region', { name: 'In the recipes' });
  await expect(swaps).toContainText(/Smoky lentil and squash dal, brown rice−\d+ kcal, −\d+\.\d g protein, [−+]€ \d\.\d\d a box/);
  await expectAccessible(page);
});

test('another price on another day is added; the one before stays, and the chart shows both', async ({ page }) => {
  await page.goto('/pantry/red-lentils-weir-lane');
  await expect(page.getByRole('img', { name: /Prices a kilogram over time/ })).toBeVisible();
  const price = page.getByLabel('Price of 2.5 kg at Depot Nine');
  await price.fill('6,10');
  await price.press('Tab');
  await expect(said(page, /Added as the price of .*; the one of 12 Oct stays\./)).toBeVisible();
  await expect(page.locator('.tag')).toContainText('today, 5 earlier prices');
  await expect(page.locator('.tag')).toContainText('counted at € 2.44 a kg, Depot Nine');
});

test('what is typed of a food is never lost: another’s save is told and decided, a closed or reloaded page takes it up again', async ({
  page,
}) => {
  // As it is in the demo, whatever a try before this one has left.
  const { revision: left, document: food } = (await (await page.request.get('/api/foods/leek')).json()) as {
    revision: number;
    document: { nutrients: object };
  };
  const asItWas = { ...food, nutrients: { ...food.nutrients, protein: 1.5, fibre: 1.8 } };
  expect((await page.request.put('/api/foods/leek', { data: { revision: left, document: asItWas } })).status()).toBe(200);
  await page.goto('/pantry/leek');
  const fibre = page.getByLabel(/^Fibre/).first();
  const head = page.getByRole('complementary', { name: /^Leek/ });
  const theirs = async () => {
    const { revision, document } = (await (await page.request.get('/api/foods/leek')).json()) as {
      revision: number;
      document: { nutrients: object };
    };
    const nutrients = { ...document.nutrients, protein: 1.9 };
    expect((await page.request.put('/api/foods/leek', { data: { revision, document: { ...document, nutrients } } })).status()).toBe(200);
  };
  const saved = async () =>
    (await (await page.request.get('/api/foods/leek')).json()) as { document: { nutrients: { [key: string]: number } } };

  // Somebody else saves it first: nothing is written over theirs until it is said so.
  await expect(fibre).toBeVisible();
  await theirs();
  await fibre.fill('2.6');
  await expect(head.getByRole('alert')).toContainText(/Saved elsewhere at .* they differ in (?:fibre, protein|protein, fibre)/);
  await expectAccessible(page);
  expect((await saved()).document.nutrients).toMatchObject({ protein: 1.9 });
  await page.reload();
  await expect(head.getByRole('alert')).toContainText('Saved elsewhere');
  await expect(fibre).toHaveValue('2.6');
  await head.getByRole('button', { name: 'Save mine over it' }).click();
  await expect.poll(async () => (await saved()).document.nutrients.fibre).toBe(2.6);
  await expect(head.getByRole('alert')).toBeHidden();

  // Theirs is taken as well, and mine is not offered again.
  await theirs();
  await fibre.fill('2.7');
  await head.getByRole('button', { name: 'Take what is there' }).click();
  await expect(fibre).toHaveValue('2.6');
  await page.reload();
  await expect(fibre).toHaveValue('2.6');
  await expect(head.getByRole('alert')).toHaveCount(0);

  // The server is away when the page is left.
  await page.route('**/api/kitchens/*/foods/leek', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await fibre.fill('2.8');
  await expect(head.getByRole('alert')).toContainText('kept here');
  await page.goto('/pantry');
  await page.unroute('**/api/kitchens/*/foods/leek');
  await page.goto('/pantry/leek');
  await expect(fibre).toHaveValue('2.8');
  await expect.poll(async () => (await saved()).document.nutrients.fibre).toBe(2.8);

  // One that is not in the pantry yet.
  await page.goto('/pantry/new');
  await page.getByLabel('Name of the food').fill('Samphire, Weir Lane');
  await page
    .getByLabel(/^Protein/)
    .first()
    .fill('3.1');
  await page.goto('/recipes');
  await page.goto('/pantry/new');
  await expect(page.getByLabel('Name of the food')).toHaveValue('Samphire, Weir Lane');
  await expect(page.getByText('What you typed before is here again')).toBeVisible();
  await page.getByRole('button', { name: 'Start afresh' }).click();
  await expect(page.getByLabel('Name of the food')).toHaveValue('');
});
