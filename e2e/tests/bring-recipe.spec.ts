import { docketFigure, expect, expectAccessible, expectSaved, test } from './desk.js';

const DISH = `Smoky bean pots with barley
Makes 5 boxes

Ingredients
300 g pearl barley
2 onions, finely diced
2 tbsp rapeseed oil
3 cloves garlic, crushed
1 tbsp smoked paprika
2 x 400 g cans white beans, drained
1 can chopped tomatoes
2 cups vegetable stock
1/2 lb carrots, sliced
salt, to taste
For the marinade:
200 g firm tofu
3 tbsp soy sauce
1 tsp honey
For the topping:
100 g plain yoghurt
a handful of parsley, chopped
30-40 g hazelnuts

Method
1. Simmer the barley in the stock for 30 minutes.
2. Soften onions in the oil, stir in garlic, paprika, beans and tomatoes.
3. Fry the tofu in its marinade and top the boxes.
`;

test('a dish of three parts goes from pasted text to a docket', async ({ page }) => {
  await page.goto('/recipes');
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByRole('radio', { name: 'From a text or page' }).click();
  await page.getByLabel('The recipe as text, page or data').fill(DISH);
  await expect(page.getByText('5 boxes, 3 parts, 16 lines, 3 steps')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Begin with it' }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Smoky bean pots with barley');
  await expect(page.getByLabel('Part name').nth(1)).toHaveValue('Marinade');
  await expect(docketFigure(page, 'Energy')).toContainText(/\d{3}/);
  await expect(docketFigure(page, 'Protein')).toContainText(/\d{2}/);
  // A topping is added at the table without being told so.
  await expect(docketFigure(page, 'With topping')).toBeVisible();
  await expectSaved(page);
});

test('a saved page brings its recipe with where it is from; a page without one says so', async ({ page }) => {
  const data = {
    '@type': 'Recipe',
    name: 'Leek &amp; barley',
    url: 'http://127.0.0.1/leek-barley',
    recipeYield: 'Serves 4',
    totalTime: 'PT40M',
    recipeIngredient: ['3 leeks', '200 g pearl barley', '<script>alert(1)</script>1 tbsp olive oil'],
    recipeInstructions: [{ '@type': 'HowToStep', text: 'Boil.' }],
  };
  await page.goto('/recipes');
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByRole('radio', { name: 'From a text or page' }).click();
  await page.getByLabel('Recipe file').setInputFiles({ name: 'x.html', mimeType: 'text/html', buffer: Buffer.from('<h1>Nothing</h1>') });
  await expect(page.getByText('This page holds no recipe: no list of ingredients is found in it.')).toBeVisible();
  const html = `<html><head><script type="application/ld+json">${JSON.stringify(data).replace(/</g, '\\u003c')}</script></head><body></body></html>`;
  await page.getByLabel('Recipe file').setInputFiles({ name: 'leek.html', mimeType: 'text/html', buffer: Buffer.from(html) });
  await expect(page.getByText('4 boxes, 1 part, 3 lines, 1 step, 40 min')).toBeVisible();
  await expect(page.getByText('From http://127.0.0.1/leek-barley')).toBeVisible();
  await expect(page.getByText('every line has its food')).toBeVisible();
  await page.getByRole('button', { name: 'Begin with it' }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Leek & barley');
});

const TWO = `<html><body><script type="application/ld+json">[
  {"@type":"Recipe","name":"Herb oil","recipeYield":"8","recipeIngredient":["100 ml olive oil"],"recipeInstructions":["Blend."]},
  {"@type":"Recipe","name":"Passata soup","recipeYield":"4 bowls","recipeIngredient":["800 g passata","To serve:","100 g soured cream"],
   "recipeInstructions":["Warm it."],"nutrition":{"calories":"300 kcal"}}]</script></body></html>`;

test('of a page with two recipes one is chosen; what the page says of a serving stands beside what is computed', async ({ page }) => {
  await page.goto('/recipes');
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByRole('radio', { name: 'From a text or page' }).click();
  // A file in Windows letters is read like any other.
  await page.getByLabel('Recipe file').setInputFiles({ name: 'page.html', mimeType: 'text/html', buffer: Buffer.from(TWO, 'latin1') });
  await page.getByLabel('It holds 2 recipes; begin with').selectOption('Passata soup');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Passata soup');
  await expect(page.getByText('4 bowls, 2 parts, 2 lines, 1 step')).toBeVisible();
  await expect(page.getByText('Main, To serve (at the table)')).toBeVisible();
  await expect(page.getByText(/^▲ The page says 300 kcal a serving; its lines make \d+\.$/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Begin with it' }).click();
  await expect(page.getByRole('button', { name: /Its page says 300 ?kcal yours \d+ % below/ })).toBeVisible();
});

test('a page that holds no recipe says so', async ({ page }) => {
  await page.goto('/recipes');
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByRole('radio', { name: 'From a text or page' }).click();
  await page.getByLabel('The recipe as text, page or data').fill('<h1>Ten knives tried</h1><p>We cut 40 onions.</p>');
  await expect(page.getByText('This page holds no recipe: no list of ingredients is found in it.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Begin with it' })).toBeDisabled();
});
