import { docketFigure, expect, expectAccessible, expectSaved, signIn, startRecipe, test, typeLine } from './desk';

test('two pages on one recipe: the second is told, sees what changed, and loses nothing', async ({ page, context, signed, baseURL }) => {
  // Without what is told as it happens, or that would be seen before it is written over.
  await context.route('**/events', (route) => route.abort());
  const id = await startRecipe(page, 'Two at once');
  await typeLine(page, '300 g red lentils');
  await expectSaved(page);
  const other = await context.newPage();
  await signIn(other, signed, baseURL ?? '');
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
  await page.route('**/api/kitchens/*/recipes/server-gone', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await typeLine(page, '300 g red lentils');
  await expect(page.locator('.saved a')).toHaveText('Kept here, not saved yet');
  await page.unroute('**/api/kitchens/*/recipes/server-gone');
  await expectSaved(page);

  await page.route('**/api/kitchens/*/recipes/server-gone', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await typeLine(page, '3 leeks');
  await expect(page.locator('.saved a')).toHaveText('Kept here, not saved yet');
  await page.reload(); // the page is lost, the work is not
  await expect(page.getByLabel('Ingredient: 3 leeks')).toBeVisible();
  await page.unroute('**/api/kitchens/*/recipes/server-gone');
  await expectSaved(page);
  const { document } = (await (await page.request.get(`/api/recipes/${id}`)).json()) as {
    document: { parts: { lines: { text: string }[] }[] };
  };
  expect(document.parts[0]?.lines.map(({ text }) => text)).toContain('3 leeks');
});

test('a dish that is being added up says so, and is shown as it is once that is done', async ({ page }) => {
  await startRecipe(page, 'Being added up');
  await typeLine(page, '300 g red lentils');
  await expectSaved(page);
  type Rows = {
    computing: number;
    recipes: { title: string; computing: boolean; weight: number | null; energyKcal: { amount: number | null } }[];
  };
  // What a server would answer that has much to compute: with nothing yet, or with what was before.
  let known: number | null | undefined = null;
  await page.route('**/recipe-pages?**', async (route) => {
    const answer = await route.fetch();
    const rows = (await answer.json()) as Rows;
    const one = rows.recipes.find(({ title }) => title === 'Being added up');
    if (one && known !== undefined) [rows.computing, one.computing, one.weight, one.energyKcal.amount] = [1, true, known, 1_002];
    await route.fulfill({ response: answer, json: rows });
  });
  await page.goto('/recipes');
  const row = page.locator('.ledger-row', { hasText: 'Being added up' });
  await expect(row).toContainText('… being added up');
  await expect(row).not.toContainText(/unknown|no price|1,002/);
  await expect(page.getByRole('status').filter({ hasText: 'one dish is being added up' })).toBeVisible();
  known = 1_001;
  await expect(row).toContainText('figures as they were before');
  await expect(row).toContainText('1,002');
  known = undefined;
  await expect(row).not.toContainText('added up anew');
  await expect(row).not.toContainText('1,002');
  await expectAccessible(page);
  await page.unroute('**/recipe-pages?**');
});

test('markup in a title stays text everywhere', async ({ page }) => {
  page.on('dialog', () => expect('a script ran').toBe('no script runs'));
  await startRecipe(page, '<script>alert(1)</script><img src=x onerror=alert(2)>');
  await typeLine(page, '<b>bold</b> 3 leeks');
  await expectSaved(page);
  await page.getByRole('link', { name: 'Card', exact: true }).click();
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

test('a server that breaks, or whose disk is full, is told as such; work is kept, and saved when it is over', async ({ page }) => {
  await startRecipe(page, 'Disk full');
  let status = 500;
  const detail = () =>
    status === 507 ? 'the disk is full: this was not saved, and nothing that was saved before is lost' : 'the server could not do this';
  await page.route('**/api/kitchens/*/recipes/disk-full', (route) =>
    route.request().method() === 'PUT' && status !== 0
      ? route.fulfill({ status, contentType: 'application/problem+json', body: JSON.stringify({ status, title: 'x', detail: detail() }) })
      : route.continue(),
  );
  await typeLine(page, '300 g red lentils');
  await expect(page.locator('.saved a')).toHaveText('Kept here, not saved yet');
  await expect(page.getByRole('alert')).toContainText('Not saved yet. The server could not do this.');
  status = 507;
  await expect(page.getByRole('alert')).toContainText('The disk is full: this was not saved, and nothing that was saved before is lost.');
  status = 0;
  await expectSaved(page);
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('what is at fault is one press away: the line, with the caret in it', async ({ page }) => {
  await startRecipe(page, 'Where it is');
  await typeLine(page, '2 onions');
  await page.keyboard.press('Enter');
  await page.keyboard.type('1 pint milk');
  await expect(page.getByRole('alert')).toContainText('there is no "pint" in metric measures');
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await page.getByRole('button', { name: 'Show me where' }).click();
  await expect(page.getByLabel('Ingredient: 1 pint milk')).toBeFocused();
  await expect(page.getByRole('tab', { name: 'Ingredients' })).toHaveAttribute('aria-selected', 'true');
});

test('a letter that cannot be kept is told before it is sent, by its place', async ({ page }) => {
  const id = await startRecipe(page, 'Nul');
  await typeLine(page, '2 onions');
  await expectSaved(page);
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await page.getByRole('textbox', { name: /^Method/ }).focus();
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', 'Boil\u0000 it.');
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  const notice = page.getByRole('alert');
  await expect(notice).toContainText('holds a NUL letter');
  await page.getByRole('tab', { name: 'Ingredients' }).click();
  await notice.getByRole('button', { name: 'Show me where' }).click();
  await expect(page.getByRole('textbox', { name: /^Method/ })).toBeFocused();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Boil it.');
  await expectSaved(page);
  const saved = (await (await page.request.get(`/api/recipes/${id}`)).json()) as { document: { steps: { text: string }[] } };
  expect(saved.document.steps.map(({ text }) => text)).toEqual(['Boil it.']);
});

test('a creation whose answer is lost is sent again, and made once', async ({ page }) => {
  let lost = 0;
  await page.route('**/api/kitchens/*/recipes', async (route) => {
    if (route.request().method() !== 'POST' || lost > 0) return route.continue();
    lost++;
    await route.fetch(); // the server has made it
    await route.abort(); // and nobody hears of it
  });
  const id = await startRecipe(page, 'Made once');
  expect(id).toBe('made-once');
  expect(lost).toBe(1);
  const list = (await (await page.request.get('/api/recipes')).json()) as { title: string }[];
  expect(list.filter(({ title }) => title === 'Made once')).toHaveLength(1);
});

test('a recipe that cannot be computed stands in the list with its reason, and can be opened', async ({ page }) => {
  const reason = 'the kitchen holds no part "rice" of a recipe "base"; add it or choose another';
  await page.route('**/api/kitchens/*/recipe-pages*', async (route) => {
    const answer = await route.fetch();
    const { total, recipes } = (await answer.json()) as { total: number; recipes: Record<string, unknown>[] };
    const [first, ...others] = recipes;
    const unknown = { amount: null, atLeast: true };
    await route.fulfill({
      response: answer,
      json: {
        total,
        recipes: [
          {
            ...first,
            uncomputed: reason,
            weight: null,
            energyKcal: { ...unknown, band: null },
            protein: { ...unknown, band: null },
            carbohydrate: unknown,
            fat: unknown,
            usedCost: unknown,
            tillCost: unknown,
            energyShares: [],
            withTopping: null,
            brief: null,
            wrong: 1,
          },
          ...others,
        ],
      },
    });
  });
  await page.goto('/recipes');
  await expect(page.getByText(`No figures: ${reason}.`)).toBeVisible();
  await expect(page.getByText('at least unknown')).toHaveCount(0);
  await expectAccessible(page, '.ledger');
});

test('what comes later and cannot be had is told where it was wanted, takes nothing with it, and is asked for again', async ({
  browser,
  signed,
  baseURL,
}) => {
  // A page of its own: the browser itself tells of each file that it could not get.
  const page = await browser.newPage();
  await signIn(page, signed, baseURL ?? '');
  await page.addInitScript(() => (window.requestIdleCallback = () => 0));
  await page.route(/\/assets\/(overlays|beside)-.*\.js$/, (route) => route.abort());
  await page.goto('/recipes/smoky-lentil-and-squash-dal/build');
  const told = page.getByRole('alert').filter({ hasText: 'This part could not be had' });
  await page.getByRole('button', { name: 'Columns' }).click();
  await expect(told).toBeVisible();
  await page.getByRole('button', { name: 'Make it fit' }).click();
  await expect(told).toHaveCount(2);
  await expect(page.getByLabel('Ingredient: 300 g red lentils, rinsed')).toBeVisible();
  await page.unrouteAll();
  await told.first().getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('dialog', { name: 'Columns beside the lines' })).toBeVisible();
  await page.keyboard.press('Escape');
  await told.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('region', { name: 'Make it fit' })).toBeVisible();
  await page.close();
});
