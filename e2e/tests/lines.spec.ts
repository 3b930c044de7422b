import type { Page } from '@playwright/test';
import { expect, expectAccessible, expectSaved, startRecipe, test, typeLine } from './desk.js';

const lines = (page: Page) =>
  page.getByLabel(/^Ingredient:/).evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));

async function written(page: Page, title: string): Promise<void> {
  await startRecipe(page, title);
  await typeLine(page, '300 g red lentils');
  for (const line of ['2 onions', '1 tbsp honey', '2 leeks']) {
    await page.keyboard.press('Enter');
    await page.keyboard.type(line);
  }
}

test('several lines are selected, moved, made optional, doubled and taken out by keys', async ({ page }) => {
  await written(page, 'Several by keys');
  await page.getByLabel('Ingredient: 2 onions').focus();
  await page.keyboard.press('Shift+ArrowDown');
  const bar = page.getByRole('toolbar', { name: 'Lines selected' });
  await expect(bar).toContainText('2 lines');
  await expectAccessible(page, '.sheet');
  await page.keyboard.press('Alt+ArrowUp');
  expect(await lines(page)).toEqual(['2 onions', '1 tbsp honey', '300 g red lentils', '2 leeks']);
  await page.keyboard.press('Alt+o');
  await expect(page.locator('.row', { hasText: 'optional' })).toHaveCount(2);
  await page.keyboard.press('Control+d');
  expect(await lines(page)).toHaveLength(6);
  await page.keyboard.press('Delete');
  expect(await lines(page)).toEqual(['2 onions', '1 tbsp honey', '300 g red lentils', '2 leeks']);
  await expect(bar).toBeHidden();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z');
  expect(await lines(page)).toEqual(['300 g red lentils', '2 onions', '1 tbsp honey', '2 leeks']);
  await expect(page.locator('.row', { hasText: 'optional' })).toHaveCount(0);
});

test('lines are dragged by their handles within a part and into another; selected ones together', async ({ page }) => {
  await written(page, 'Dragged');
  await page.getByRole('button', { name: 'Part', exact: true }).click();
  const pull = async (from: string, to: ReturnType<Page['locator']>, into: 'upper' | 'lower') => {
    const grip = page.getByRole('button', { name: `Select ${from}`, exact: true });
    await grip.hover({ force: true });
    await page.mouse.down();
    const there = await to.boundingBox();
    if (!there) throw new Error('nowhere to drag to');
    const y = there.y + (into === 'upper' ? 3 : there.height - 3);
    await page.mouse.move(there.x + 120, y - 20, { steps: 4 });
    await page.mouse.move(there.x + 120, y, { steps: 4 });
    await expect(page.locator('.drop')).toHaveCount(1);
    await page.mouse.up();
    // A press within a moment of a drag's end is part of the drag.
    await page.waitForTimeout(100);
  };
  const row = (text: string) => page.locator('.row', { has: page.getByLabel(`Ingredient: ${text}`, { exact: true }) });
  await pull('2 leeks', row('300 g red lentils'), 'upper');
  expect(await lines(page)).toEqual(['2 leeks', '300 g red lentils', '2 onions', '1 tbsp honey']);
  await page.getByRole('button', { name: 'Select 300 g red lentils', exact: true }).click({ force: true });
  await page.getByRole('button', { name: 'Select 1 tbsp honey', exact: true }).click({ force: true, modifiers: ['ControlOrMeta'] });
  await expect(page.getByRole('toolbar', { name: 'Lines selected' })).toContainText('2 lines');
  await pull('300 g red lentils', page.locator('.addrow').last(), 'upper');
  await page.keyboard.press('Escape');
  expect(await lines(page)).toEqual(['2 leeks', '2 onions', '300 g red lentils', '1 tbsp honey']);
  await expect(page.locator('.row.part').nth(1).locator('.num').nth(1)).not.toHaveText('');
  await expectSaved(page);
  await page.reload();
  await expect(page.getByLabel(/^Ingredient:/)).toHaveCount(4);
  expect(await lines(page)).toEqual(['2 leeks', '2 onions', '300 g red lentils', '1 tbsp honey']);
});

test('what is bought and what is counted stand side by side; the other columns are chosen, and stay', async ({ page }) => {
  await startRecipe(page, 'Columns');
  await typeLine(page, '900 g butternut squash, peeled');
  const row = page.locator('.row.cur');
  await expect(row.getByTitle('Working of bought')).toHaveText('1,125');
  await expect(row.getByTitle('Working of counted')).toHaveText('900');
  await page.getByRole('button', { name: 'Columns ▾' }).click();
  const menu = page.getByLabel('Columns beside the lines');
  await menu.getByLabel('Fibre').check();
  await menu.getByLabel('Protein').uncheck();
  await expectAccessible(page, '.menu');
  await page.keyboard.press('Escape');
  await expect(page.locator('.row.heads')).toContainText('fibre');
  await expectSaved(page);
  await page.reload();
  await expect(page.locator('.row.heads')).toContainText('fibre');
  await expect(page.locator('.row.heads')).not.toContainText('protein');
});
