import { readFile } from 'node:fs/promises';
import { expect, expectAccessible, said, test } from './desk.js';

interface Series {
  readonly name: string;
  readonly dishes: readonly { readonly id: string; readonly number: number | null; readonly revision: number }[];
}

test('a series is put in another order by hand and by keys, numbered anew, and put back', async ({ page }) => {
  await page.goto('/cards');
  await page.getByRole('link', { name: /^Night Watch/ }).click();
  await expect(page.getByRole('heading', { name: 'Night Watch' })).toBeVisible();
  await expect(page.getByText('They are numbered so.')).toBeVisible();
  await expectAccessible(page);
  const rows = page.locator('.series-dishes .ledger-row:not(.heads)');
  const before = await rows.locator('.dish').allTextContents();
  // By its button.
  await page.getByRole('button', { name: `${before[1]}: earlier` }).press('Enter');
  await expect(rows.locator('.dish').first()).toHaveText(before[1]!);
  // By hand: what is now first goes to the end.
  const handle = rows.first().locator('.series-handle');
  const [from, to] = [(await handle.boundingBox())!, (await rows.last().boundingBox())!];
  await page.mouse.move(from.x + 8, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y + from.height / 2 + 20, { steps: 3 });
  await page.mouse.move(from.x + 8, to.y + to.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(rows.locator('.dish').last()).toHaveText(before[1]!);
  await page.getByLabel('The first is no.').fill('20');
  await expect(page.getByRole('status').filter({ hasText: 'dishes get another number' })).toContainText(
    /5 dishes get another number; (?:one published card prints|\d published cards print) the old one until the next issue\./,
  );
  await page.getByRole('button', { name: 'Number them 20 to 24' }).click();
  await expect(said(page, 'Numbered 20 to 24.')).toBeVisible();
  await expect(page.getByText(/issue \d prints no\. 9/)).toBeVisible();
  // What is missing or doubled is told.
  const all = (await (await page.request.get('/api/series')).json()) as Series[];
  const dishes = all.find(({ name }) => name === 'Night Watch')!.dishes;
  const gap = dishes.map(({ id, revision, number }, i) => ({ id, revision, number: i === 4 ? 30 : number! }));
  await page.request.put('/api/series/numbers', { data: { dishes: gap } });
  await page.reload();
  await expect(page.getByText('▲ No. 24, no. 25, no. 26, no. 27, no. 28 and no. 29 are missing.')).toBeVisible();
  // Back to where it was.
  const now = ((await (await page.request.get('/api/series')).json()) as Series[]).find(({ name }) => name === 'Night Watch')!.dishes;
  const was = [
    'smoky-lentil-and-squash-dal',
    'beef-shin-and-barley',
    'white-bean-and-kale-soup',
    'prawn-and-courgette-orzo',
    'chickpea-and-pepper-stew',
  ];
  await page.request.put('/api/series/numbers', {
    data: { dishes: now.map(({ id, revision }) => ({ id, revision, number: 7 + was.indexOf(id) })) },
  });
});

test('what a series says stands on its title page and for readers; a booklet is bound, with what is left out told, and taken along', async ({
  page,
}) => {
  await page.goto('/cards/series/Early%20Ferry');
  await page.getByLabel('Under its name').fill('Breakfasts for the first boat');
  await page.getByLabel('What it is, in a paragraph or two').fill('Eaten standing.');
  await page.getByLabel('What it is, in a paragraph or two').blur();
  const muffins = page.getByLabel('Egg and leek muffins: in the index under');
  await expect(muffins).toHaveValue('Eggs, Leeks');
  await page.getByRole('button', { name: 'Bind a booklet' }).click();
  const file = page.locator('.bundles a').first();
  await expect(file).toBeVisible();
  await page.getByText('One dish is not in it').first().click();
  await expect(page.getByText('Yoghurt pots, plum compote: it is not published').first()).toBeVisible();
  await expectAccessible(page, '.binding');
  const coming = page.waitForEvent('download');
  await file.click();
  const booklet = await coming;
  expect(booklet.suggestedFilename()).toMatch(/^early-ferry-a5-.*\.pdf$/);
  expect((await readFile(await booklet.path())).subarray(0, 5).toString()).toBe('%PDF-');
  await page.getByRole('button', { name: 'Booklet, A5: take away' }).first().click();
  await expect(file).toBeHidden();
  // One that is under way is stopped.
  await page.goto('/cards');
  await page.getByRole('button', { name: 'Bind all' }).click();
  const panel = page.getByRole('dialog', { name: 'Every card, bound together' });
  await panel.getByRole('radio', { name: 'as they stand' }).click();
  await panel.getByRole('button', { name: 'All formats, zip' }).click();
  await expect(panel.getByRole('progressbar')).toBeVisible();
  await panel.getByRole('button', { name: 'All formats, as they stand: stop' }).click();
  await expect(panel.getByRole('progressbar')).toBeHidden();
});

test('a word of the index is a person’s to say', async ({ page }) => {
  await page.goto('/cards/series/Early%20Ferry');
  const under = page.getByLabel('Overnight oats with plum compote: in the index under');
  await expect(under).toHaveValue('Rolled oats, Plums');
  await under.fill('Oats, Jars');
  await under.press('Enter');
  await expect(page.getByText('as you said')).toBeVisible();
  await page.reload();
  await expect(under).toHaveValue('Oats, Jars');
  await under.fill('');
  await under.press('Enter');
  await expect(under).toHaveValue('Rolled oats, Plums');
});
