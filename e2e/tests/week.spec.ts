import type { Page } from '@playwright/test';
import { expect, expectAccessible, said, test } from './desk.js';

interface Week {
  readonly meals: { readonly person: string }[];
}

const WEEK = '/plan/week/2026-11-30';

// What other flows cook and box would stand on the shelves as well: the week is looked at in the kitchen that none of them works in.
test.use({ baseURL: process.env.PORTIONA_SPARE });

/** The page as on the day before the week, whatever day it is. */
async function openBefore(page: Page): Promise<void> {
  await page.route('**/api/kitchens/*/weeks?from=*', async (route) => {
    try {
      const response = await route.fetch();
      await route.fulfill({ response, json: { ...((await response.json()) as object), today: '2026-11-29' } });
    } catch {
      // Asked anew as the test came to its end.
    }
  });
  await page.goto(WEEK);
  await page.getByRole('table', { name: 'Boxes by day and person' }).waitFor();
}

/** The week as the server has it. */
async function saved(page: Page): Promise<Week> {
  const response = await page.request.get('/api/weeks?from=2026-11-30');
  return ((await response.json()) as { week: { document: Week } }).week.document;
}

const cell = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}`) });
const docket = (page: Page) => page.getByRole('complementary', { name: /^Docket of/ });

test('a planned week says what each day comes to, what thaws, and what stands on the shelves', async ({ page }) => {
  await openBefore(page);
  await expect(page.getByRole('heading', { name: '33 boxes eaten, 6 stay frozen' })).toBeVisible();
  await expectAccessible(page);
  await expect(page.getByText(/▲ Tilde, Wed 2, 0\.41 g salt over\./)).toBeVisible();
  // By the arrows, from meal to meal and to the day's sum.
  await cell(page, 'Tilde, Monday 30 November, Before').focus();
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowDown']) await page.keyboard.press(key);
  await expect(cell(page, 'Tilde, Thursday 3 December, Main')).toBeFocused();
  await expect(docket(page).getByRole('heading', { level: 2 })).toContainText('Docket of Thu 3');
  // The day's energy is its boxes' energy.
  await docket(page)
    .getByRole('button', { name: /^Energy/ })
    .click();
  await expect(docket(page).locator('.week-working li')).toHaveText([/Overnight oats.*445 kcal/, /Smoky lentil.*565 kcal/]);
  await expect(docket(page).getByRole('button', { name: /^Energy/ })).toContainText('1,010');
  await expect(page.getByRole('row', { name: /^That evening/ })).toContainText('to the fridge dal, 2 beef');
  await expect(page.getByRole('region', { name: /^Fridge, Thursday morning, 7 boxes/ })).toContainText('thawed, today');
  await page.getByRole('button', { name: '4 Overnight oats' }).click();
  await expect(page.getByRole('dialog')).toContainText(
    'In the fridge until Friday 4 December (UK guideline; the recipe says 3). It is not frozen.',
  );
  await expectAccessible(page, '[role=dialog]');
});

test('boxes are given, moved, seasoned and taken back by keys and by hand, and each is kept', async ({ page }) => {
  await openBefore(page);
  const before = await saved(page);
  const main = cell(page, 'Bram, Friday 4 December, Main');
  await main.focus();
  await page.keyboard.press('Delete');
  await expect(page.getByRole('heading', { name: /^32 boxes eaten/ })).toBeVisible();
  await expect(main).toHaveAccessibleName(/no box$/);
  await expect.poll(async () => (await saved(page)).meals.length).toBe(32);
  // Chosen again: what speaks against a box is said with it.
  await page.keyboard.press('Enter');
  const chooser = page.getByRole('dialog');
  await expect(chooser.getByRole('button', { name: /Beef shin and barley/ }).first()).toContainText('the same dish twice running');
  await chooser.getByRole('button', { name: /^Smoky lentil and squash dal freezer, into the fridge Thu 3, evening/ }).click();
  await expect(main).toHaveAccessibleName(/Smoky lentil and squash dal, brown rice, freezer, into the fridge Thu 3, evening$/);
  // A box nobody has, by hand from the shelf.
  await cell(page, 'Bram, Friday 4 December, Before').focus();
  const spare = page.locator('.week-drag[title^="nobody"]').first();
  const [from, to] = [(await spare.boundingBox())!, (await cell(page, 'Bram, Friday 4 December, Before').boundingBox())!];
  await page.mouse.move(from.x + from.width / 2, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(cell(page, 'Bram, Friday 4 December, Before')).not.toHaveAccessibleName(/no box$/);
  await expect.poll(async () => (await saved(page)).meals.length).toBe(34);
  // The same pot with another taste.
  await cell(page, 'Bram, Thursday 3 December, Main').click();
  await page.getByLabel('cheaper').check();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Chickpea and pepper stew, cheaper/ })
    .click();
  await expect(cell(page, 'Bram, Thursday 3 December, Main')).toContainText('cheaper');
  // Elsewhere that day: what was given goes back.
  await docket(page).getByLabel('eats elsewhere that day').check();
  await expect(page.getByText('Bram off')).toBeVisible();
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: '33 boxes eaten, 6 stay frozen' })).toBeVisible();
  await expect.poll(() => saved(page)).toEqual(before);
});

test('a week is proposed, taken a day and a person at a time, and what cannot be met is said', async ({ page }) => {
  await openBefore(page);
  const before = await saved(page);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Take all back from Mon 30 on' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing given yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Propose a week' }).click();
  await expect(page.getByText(/boxes proposed; /)).toBeVisible({ timeout: 30_000 });
  await expect(page.locator('.week-miss').first()).toBeVisible();
  await expectAccessible(page, '.bench');
  const ghost = cell(page, 'Tilde, Monday 30 November, Main');
  await expect(ghost).toHaveAccessibleName(/is proposed; press to take it$/);
  await ghost.click();
  await expect(page.getByRole('heading', { name: /^1 box eaten/ })).toBeVisible();
  await page.getByRole('button', { name: /proposed for Tuesday 1 December$/ }).click();
  await expect(cell(page, 'Bram, Tuesday 1 December, Main')).not.toHaveAccessibleName(/proposed|no box/);
  await page.getByRole('button', { name: /proposed for Bram$/ }).click();
  await page.getByRole('button', { name: /^Take all \d+$/ }).click();
  await expect(page.getByText('✓ all taken')).toBeVisible();
  await expect.poll(async () => (await saved(page)).meals.length).toBeGreaterThan(25);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  for (let i = 0; i < 5; i++) await page.keyboard.press('Control+z');
  await expect.poll(() => saved(page)).toEqual(before);
});

test('somebody comes to eat with targets and meals of their own, and leaves again', async ({ page }) => {
  await openBefore(page);
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Add somebody' }).click();
  const form = page.getByRole('dialog');
  await form.getByLabel('Name, as it stands on their boxes').fill('Tilde');
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(form.getByRole('alert')).toContainText("another person's name");
  await form.getByLabel('Name, as it stands on their boxes').fill('Wren');
  await form.getByLabel('Energy, at least').fill('650');
  await form.getByRole('radiogroup', { name: 'Late: when' }).getByRole('radio', { name: 'no box' }).click();
  await expectAccessible(page, '[role=dialog]');
  await form.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('rowheader', { name: 'at least 650 kcal' })).toBeVisible();
  await cell(page, 'Wren, Sunday 6 December, Main').click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Beef shin and barley/ })
    .first()
    .click();
  await expect.poll(async () => (await saved(page)).meals.filter(({ person }) => person === 'wren').length).toBe(1);
  await page.getByRole('button', { name: 'Wren', exact: true }).click();
  await page.getByRole('button', { name: 'Eats from the boxes no more' }).click();
  await expect(said(page, 'Wren eats from the boxes no more').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Wren', exact: true })).toBeHidden();
});

test('on a phone the page is as wide as the phone, and only the days are moved sideways', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openBefore(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await page.getByRole('button', { name: 'Tilde', exact: true }).click();
  await expect(page.getByRole('dialog', { name: 'Tilde' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});
