import { expect, expectAccessible, expectSaved, said, startRecipe, test, typeLine } from './desk.js';

test('a method is written by keys alone: ingredients mentioned, times and temperatures read, steps moved, undone, printed', async ({
  page,
}) => {
  const id = await startRecipe(page, 'With a method', '4');
  await typeLine(page, '600 g red lentils, rinsed');
  await page.keyboard.press('Enter');
  await page.keyboard.type('2 onions, diced');
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  const method = page.getByRole('textbox', { name: /^Method/ });
  await method.focus();
  await page.keyboard.type('Boil @le');
  await expect(page.getByRole('option', { name: '600 g red lentils' })).toBeVisible();
  await expectAccessible(page, '.choices');
  await page.keyboard.press('Enter');
  await page.keyboard.type(', 20 min, until soft.');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Roast @on');
  await page.keyboard.press('Enter');
  await page.keyboard.type(' at 200 °C, 8-10 min.');
  await expect(method.getByText('200 °C (390 °F, gas 6)')).toBeVisible();
  await expect(method.getByText('10 min, by itself, oven 200 °C', { exact: true })).toBeVisible();
  await expect(method.getByText('no “until …” yet')).toBeVisible();
  await method.getByRole('combobox', { name: 'Part of step 2' }).selectOption({ label: 'Part 2' });
  await expectAccessible(page, '.sheet');
  await expect(page.getByText(/In no step yet/)).toBeHidden();

  // Moved, and back by undo.
  await method.getByText('Boil', { exact: false }).first().click();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(method.locator('.step-words').first()).toContainText('Roast 2 onions');
  await page.keyboard.press('Control+z');
  await expect(method.locator('.step-words').first()).toContainText('Boil 600 g red lentils');
  await expectSaved(page);

  // The card prints amounts as they stand, even after a line has moved and its amount has changed.
  await page.getByRole('tab', { name: 'Ingredients' }).click();
  await page.getByLabel('Ingredient: 2 onions, diced').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await page.getByLabel('Ingredient: 600 g red lentils, rinsed').fill('450 g red lentils, rinsed');
  await expectSaved(page);
  await page.goto(`/recipes/${id}/build`);
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await expect(method.locator('.step-words').first()).toContainText('Boil 450 g red lentils, 20 min, until soft.');
  const card = await page.request.get(`/api/recipes/${id}/card.md`);
  expect(await card.text()).toContain(
    '1. Boil **450 g red lentils**, 20 min, until soft.\n2. _Part 2:_ Roast **2 onions** at 200 °C (390 °F, gas 6), 8-10 min.',
  );

  // A line that goes leaves its words.
  await page.getByRole('tab', { name: 'Ingredients' }).click();
  await page.getByLabel('Ingredient: 2 onions, diced').fill('');
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  await expect(method.locator('.step-words').nth(1)).toContainText('Roast onions at 200 °C');
  await expect(method.locator('.mention')).toHaveCount(1);

  // A pasted method is as many steps as it has lines, without their numbers.
  await method.focus();
  await page.keyboard.press('Control+a');
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/plain', '1. Wash {main/1 the lentils}.\n\n2. Boil {x} {elsewhere/4 the leeks}.\n3) Serve.');
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(method.locator('.step-words')).toHaveText(['Wash 450 g red lentils.', 'Boil {x} the leeks.', 'Serve.']);
  await expectSaved(page);
});

test('steps are numbered 1 to n, an emptied one takes the caret, Backspace joins, headings make parts', async ({ page }) => {
  const id = await startRecipe(page, 'With headings', '4');
  await typeLine(page, '300 g couscous');
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  const method = page.getByRole('textbox', { name: /^Method/ });
  const words = method.locator('.step-words');
  await method.focus();
  for (const step of ['Pour it.', 'Wait.', 'Fork it.']) {
    await page.keyboard.type(step);
    await page.keyboard.press('Enter');
  }
  // What is not written yet is no step: it has no number.
  await expect(method.locator('.step-row')).toHaveCount(4);
  await expect(method.locator('.step-row.unwritten')).toHaveCount(1);

  await words.nth(1).click();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.keyboard.press('Delete');
  await expect(method.locator('.step-row.unwritten')).toHaveCount(2);
  await words.first().click();
  const empty = await words.nth(1).boundingBox();
  await page.mouse.click((empty?.x ?? 0) + (empty?.width ?? 0) - 20, (empty?.y ?? 0) + 6);
  await page.keyboard.type('Lid on.');
  await expect(words.nth(1)).toHaveText('Lid on.');

  await page.keyboard.press('Home');
  await page.keyboard.press('Backspace');
  await expect(words.first()).toHaveText('Pour it. Lid on.');
  await page.keyboard.press('Control+End');
  await page.keyboard.type('For the dressing:');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Whisk.');
  await expect(said(page, '“Dressing” is a part of the dish now')).toBeVisible();
  await expect(method.getByRole('combobox', { name: 'Part of step 3' })).toHaveValue(/part-2/);

  await page.keyboard.press('Enter');
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData('text/html', '<h3>Main</h3><ol><li>Boil.</li></ol><h3>Dressing</h3><p>Salt it.</p>');
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(words).toHaveText(['Pour it. Lid on.', 'Fork it.', 'Whisk.', 'Boil.', 'Salt it.']);
  await expect(method.getByRole('combobox', { name: 'Part of step 5' })).toHaveValue(/part-2/);
  await expectSaved(page);
  const saved = (await (await page.request.get(`/api/recipes/${id}`)).json()) as { document: { parts: { name: string }[] } };
  expect(saved.document.parts.map(({ name }) => name)).toContain('Dressing');
});
