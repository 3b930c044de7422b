import { docketFigure, expect, expectSaved, startRecipe, test, typeLine } from './desk';

test('two pages on one recipe: the second is told, sees what changed, and loses nothing', async ({ page, context }) => {
  const id = await startRecipe(page, 'Two at once');
  await typeLine(page, '300 g red lentils');
  await expectSaved(page);
  const other = await context.newPage();
  await other.goto(`/recipes/${id}/build`);
  await expect(other.getByLabel('Ingredient: 300 g red lentils')).toBeVisible();

  await typeLine(page, '2 onions');
  await expectSaved(page);
  await other.getByLabel('New ingredient').first().focus();
  await other.keyboard.type('3 leeks');
  const notice = other.getByRole('alert');
  await expect(notice).toContainText('Saved elsewhere at');
  await expect(notice).toContainText('“2 onions”');
  await expect(other.getByLabel('Ingredient: 3 leeks')).toBeVisible();

  await notice.getByRole('button', { name: 'Take what is there' }).click();
  await expect(other.getByLabel('Ingredient: 2 onions')).toBeVisible();
  await expect(other.getByLabel('Ingredient: 3 leeks')).toHaveCount(0);
  await other.keyboard.press('Control+z');
  await expect(other.getByLabel('Ingredient: 3 leeks')).toBeVisible();
  await expectSaved(other);
});

test('with the server gone, work is kept, said to be kept, and saved when it is back', async ({ page }) => {
  const id = await startRecipe(page, 'Server gone');
  await page.route('**/api/recipes/server-gone', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await typeLine(page, '300 g red lentils');
  await expect(page.locator('.saved')).toHaveText('Kept here, not saved yet');
  await page.unroute('**/api/recipes/server-gone');
  await expectSaved(page);

  await page.route('**/api/recipes/server-gone', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await typeLine(page, '3 leeks');
  await expect(page.locator('.saved')).toHaveText('Kept here, not saved yet');
  await page.reload(); // the page is lost, the work is not
  await expect(page.getByLabel('Ingredient: 3 leeks')).toBeVisible();
  await page.unroute('**/api/recipes/server-gone');
  await expectSaved(page);
  const { document } = (await (await page.request.get(`/api/recipes/${id}`)).json()) as {
    document: { parts: { lines: { text: string }[] }[] };
  };
  expect(document.parts[0]?.lines.map(({ text }) => text)).toContain('3 leeks');
});

test('markup in a title stays text everywhere', async ({ page }) => {
  page.on('dialog', () => expect('a script ran').toBe('no script runs'));
  await startRecipe(page, '<script>alert(1)</script><img src=x onerror=alert(2)>');
  await typeLine(page, '<b>bold</b> 3 leeks');
  await expectSaved(page);
  await page.getByRole('link', { name: 'Card' }).click();
  await expect(page.frameLocator('iframe').getByRole('heading', { level: 1 })).toHaveText(
    '<script>alert(1)</script><img src=x onerror=alert(2)>',
  );
});

test('a paste of ten megabytes, and of forty lines, leaves the desk standing', async ({ page }) => {
  await startRecipe(page, 'Much pasted');
  const paste = (text: string) =>
    page.evaluate((pasted) => {
      const field = [...document.querySelectorAll<HTMLInputElement>('[aria-label="New ingredient"]')].at(-1);
      field?.focus();
      const data = new DataTransfer();
      data.setData('text', pasted);
      field?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, text);
  await paste('x'.repeat(10_000_000));
  await expect(page.locator('.toast')).toContainText('One line was not taken: a line has at most 500 characters');
  await expect(page.getByLabel(/^Ingredient:/)).toHaveCount(0);
  await paste(Array.from({ length: 40 }, (_, i) => `${i + 1} g red lentils`).join('\n'));
  await expect(page.getByLabel(/^Ingredient:/)).toHaveCount(40);
  await expect(docketFigure(page, 'Energy')).toContainText('699'); // 820 g x 3.41 / 4
  await expectSaved(page);
  // The method takes no more than a method has.
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await page.getByRole('textbox', { name: /^Method/ }).focus();
  await page.keyboard.type('Boil.');
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'stir '.repeat(2_000_000));
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(page.locator('.toast').filter({ hasText: 'more text than a method has' })).toBeVisible();
  await expect(page.locator('.step-words')).toHaveText(['Boil.']);
  await expectSaved(page);
});

test('what cannot be saved says where and why, and is saved once mended', async ({ page }) => {
  await startRecipe(page, 'A pint of it');
  await typeLine(page, '1 pint milk');
  const notice = page.getByRole('alert');
  await expect(notice).toContainText('there is no "pint" in metric measures');
  await page.getByLabel('Cups and spoons').selectOption('imperial');
  await expectSaved(page);
  await expect(notice).toHaveCount(0);
});

test('no boxes, no name: a new recipe says what is missing', async ({ page }) => {
  await page.goto('/recipes');
  await page.getByRole('button', { name: 'Start a recipe' }).first().click();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText('Give it a name first.');
  await page.getByLabel('Name', { exact: true }).fill('Something');
  await page.getByLabel('Boxes', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText('Boxes must be 1 or more.');
});

test('an address with nothing behind it says so', async ({ page }) => {
  await page.goto('/recipes/no-such-dish/build');
  await expect(page.getByRole('alert')).toContainText('There is no recipe "no-such-dish"');
  await page.goto('/nothing');
  await expect(page.getByRole('heading', { name: 'Nothing here' })).toBeVisible();
});
