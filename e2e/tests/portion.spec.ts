import type { Locator, Page } from '@playwright/test';
import { expect, expectAccessible, said, test } from './desk.js';

/** A dish of its own, so that no other sees what is done with it. */
async function dish(request: import('@playwright/test').APIRequestContext, id: string): Promise<void> {
  const document = {
    id,
    title: 'Weighed pot',
    servings: 4,
    servingName: 'box',
    storage: { freezerMonths: 2 },
    parts: [
      {
        id: 'pot',
        name: 'Pot',
        lines: [
          { id: 'la', food: 'red-lentils-weir-lane', amount: 300, unit: 'g', text: '300 g red lentils' },
          { id: 'lb', food: 'leek', amount: 400, unit: 'g', text: '400 g leek' },
        ],
      },
    ],
    steps: [
      { text: 'Soften {pot/lb leek}, 8 min, until slumped.', part: 'pot' },
      { text: 'Add {pot/la lentils}, 20 min.', part: 'pot' },
    ],
  };
  expect((await request.post('/api/recipes', { data: { document } })).status()).toBe(201);
}

const press = (button: Locator, touch: boolean) => (touch ? button.tap() : button.press('Enter'));

/** The simulated scale's panel is open, and the scale shows nothing, whoever used it before. */
async function zero(page: Page, touch = false): Promise<void> {
  const open = await page.locator('.simulator').evaluate((one) => (one as HTMLDetailsElement).open);
  if (!open) await press(page.locator('.simulator summary'), touch);
  const face = page.locator('.scale-face');
  await press(page.getByRole('button', { name: 'everything off' }), touch);
  await expect(face.getByRole('status')).toContainText('moving');
  await expect(face.getByRole('status')).toContainText('steady');
  await press(page.getByRole('button', { name: /^Tare/ }), touch);
  await expect(face).toContainText('nothing lies on it');
}

/** Puts grams on the simulated scale and nothing else, and waits until it stands still. */
async function put(page: Page, grams: number, touch = false): Promise<void> {
  await press(page.getByRole('button', { name: 'everything off' }), touch);
  await page.getByLabel('Grams for the simulated scale').fill(String(grams));
  await press(page.getByRole('button', { name: 'put on' }), touch);
  const face = page.locator('.scale-face');
  await expect(face).toContainText(new RegExp(`${grams.toLocaleString('en-GB')}\\s*g`));
  await expect(face.getByRole('status')).toContainText('steady');
}

/** The focus is nowhere: keys are the stove's. */
const letGo = (page: Page) => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());

test('a batch goes from “Cook this” to printed labels by the scale and by keys alone', async ({ page, request }) => {
  await dish(request, 'weighed-pot');
  await page.goto('/recipes/weighed-pot/cook');
  await page.getByRole('button', { name: 'Begin the batch' }).press('Enter');
  await expect(page.getByRole('region', { name: 'Out and weighed' })).toBeVisible();
  await page.getByRole('radio', { name: 'simulated' }).press('Enter');

  // The first line is on the scale by itself; taken with Space, the next one is; what lies there is not taken twice.
  await zero(page);
  await put(page, 1000);
  await letGo(page);
  await page.keyboard.press('t');
  await expect(page.locator('.scale-face')).toContainText('nothing lies on it');
  await zero(page);
  await put(page, 304);
  await letGo(page);
  await page.keyboard.press('Space');
  await expect(page.getByText('304 g', { exact: true }).first()).toBeVisible();
  await expect(page.locator('.scale-face')).toContainText('taken: put the next on, or tare');
  await page.keyboard.press('Space');
  await expect(page.getByText('▲ 304 g')).toHaveCount(0);

  // Leek: before trimming, and after.
  await put(page, 520);
  await page.getByRole('button', { name: 'That is before trimming' }).press('Enter');
  await put(page, 400);
  await expect(page.locator('.scale-face')).toContainText('Was 520 g: 23.1 % trimmed');
  await letGo(page);
  await page.keyboard.press('Space');
  await expect(page.getByText('400 g', { exact: true }).first()).toBeVisible();
  await expectAccessible(page);

  // Trembling, overloaded, unplugged: nothing is taken, and it is said why.
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: /^400 g leek/ }).press('Enter');
  await page.getByLabel('trembles').selectOption('8');
  await expect(page.locator('.scale-take')).toBeDisabled();
  await page.getByLabel('trembles').selectOption('0');
  await page.getByRole('button', { name: 'overload' }).press('Enter');
  await expect(page.locator('.scale-face')).toContainText('More than it can weigh');
  await page.getByRole('button', { name: 'everything off' }).press('Enter');
  await page.getByRole('button', { name: 'battery low' }).press('Enter');
  await expect(page.locator('.scale-face')).toContainText('Its battery is low');
  await page.getByRole('button', { name: 'battery low' }).press('Enter');
  await page.getByLabel('Degrees for the simulated probe').fill('81');
  await page.getByRole('button', { name: 'probe in' }).press('Enter');
  await expect(page.locator('.scale-face')).toContainText('81.0 °C');
  await page.getByRole('button', { name: 'Note it at this step' }).press('Enter');
  await expect(page.locator('.scale-face')).toContainText('Noted: 81.0 °C');
  await page.getByRole('button', { name: 'unplug' }).press('Enter');
  await expect(page.locator('.scale-face')).toContainText('not there: looked for');
  await expect(page.locator('.scale-face').getByRole('status')).toContainText('steady');

  // What came out, with its pot.
  await letGo(page);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('region', { name: 'What came out' })).toBeVisible();
  await put(page, 2158);
  await letGo(page);
  await page.keyboard.press('Space');
  await page.getByLabel('Pot that Pot was weighed in').selectOption('Wide pot, 5 l, 1,158 g');
  await expect(page.getByText('= 1,000 g')).toBeVisible();
  await page.getByRole('button', { name: 'It is cooked' }).press('Enter');

  // Into four boxes alike, then one that is larger, one to the freezer.
  await expect(page.getByText('1,000 g pot')).toBeVisible();
  await page.getByRole('button', { name: 'Fill 4 alike' }).press('Enter');
  await expect(page.getByText('4 boxes of')).toBeVisible();
  const divider = page.getByRole('slider', { name: 'Pot, grams in each box of A' });
  await expect(divider).toHaveAttribute('aria-valuenow', '250');
  await divider.press('Shift+ArrowLeft');
  await divider.press('ArrowLeft');
  await expect(divider).toHaveAttribute('aria-valuenow', '239');
  await expect(page.getByText('44 g left')).toBeVisible();
  await page.getByLabel('What is left of Pot goes').selectOption('tonight');
  const box = page.getByRole('button', { name: /^Box 4, A ?, Fridge/ });
  await box.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^Box 4, A ?, Freezer/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Freezer' })).toContainText('2 months');
  await expectAccessible(page);

  // Longer than the guideline asks why, and the label says it.
  await page.getByRole('button', { name: /^Box 1, A ?, Fridge/ }).press('Enter');
  const day = page.getByLabel('Use by');
  await day.fill('2099-01-01');
  await expect(page.getByText('It stands on the label without a reason')).toBeVisible();
  const why = page.getByLabel(/^Later than the UK guideline/);
  await why.fill('a test');
  await why.press('Enter');
  await expect(page.getByRole('region', { name: 'Label' })).toContainText('Longer than the UK guideline');
  await page.getByRole('button', { name: 'by the guideline again' }).press('Enter');
  await expect(page.getByRole('region', { name: 'Label' })).not.toContainText('Longer than');

  // Labels: a sheet as PDF, and the label printer.
  await page.getByRole('button', { name: 'Print 4' }).press('Enter');
  await page.getByRole('button', { name: 'Begin at cell 3' }).press('Enter');
  const href = await page.getByRole('link', { name: 'Print 4 as PDF' }).getAttribute('href');
  const pdf = await request.get(href ?? '');
  expect([pdf.status(), pdf.headers()['content-type'], (await pdf.body()).subarray(0, 5).toString()]).toEqual([
    200,
    'application/pdf',
    '%PDF-',
  ]);
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'label printer' }).press('Enter');
  await page.getByRole('button', { name: 'take its labels out' }).press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Print 4' }).press('Enter');
  await expect(page.getByText('it has run out of labels').first()).toBeVisible();
  await page.getByRole('button', { name: 'put labels in' }).press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Print 4' }).press('Enter');
  await expect(page.getByRole('img', { name: /^Printed label/ })).toHaveCount(4);
  // What came out is dots of this label, not white paper.
  const black = await page
    .getByRole('img', { name: /^Printed label/ })
    .first()
    .evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height) ?? { data: [] };
      return [...data].filter((part, i) => i % 4 === 0 && part < 128).length / (canvas.width * canvas.height);
    });
  expect(black).toBeGreaterThan(0.02);
  expect(black).toBeLessThan(0.4);
});

test.describe('at the stove', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a batch goes from “Cook this” to its labels by the scale on a phone', async ({ page, request }) => {
    await dish(request, 'touched-pot');
    await page.goto('/recipes/touched-pot/cook');
    await page.getByRole('button', { name: 'Begin the batch' }).tap();
    await page.getByRole('radio', { name: 'simulated' }).tap();
    await zero(page, true);
    for (const [grams, name] of [
      [298, '298 g'],
      [415, '415 g'],
    ] as const) {
      await put(page, grams, true);
      await page.getByRole('button', { name: 'Take the weight' }).tap();
      await expect(page.getByText(name, { exact: true })).toBeVisible();
    }
    const on = page.locator('.cook-peek');
    for (let i = 0; i < 3; i++) await on.tap();
    await put(page, 1200, true);
    await page.getByRole('button', { name: 'Take the weight' }).tap();
    await expect(page.getByRole('button', { name: /^Pot 1,200 g/ })).toBeVisible();
    await page.getByRole('button', { name: 'It is cooked' }).tap();
    await page.getByRole('radio', { name: 'one by one' }).tap();
    for (const [whose, grams] of [
      ['Tilde', 500],
      ['Bram', 640],
    ] as const) {
      await page.getByLabel('Whose', { exact: true }).fill(whose);
      await zero(page, true);
      await put(page, grams, true);
      await page.getByRole('button', { name: 'Into this part' }).tap();
      await page.getByRole('button', { name: 'Next box' }).tap();
    }
    await expect(page.getByText('2 boxes so far')).toBeVisible();
    await expect(page.getByText('60 g pot left')).toBeVisible();
    const edge = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(edge).toBeLessThanOrEqual(0);
    await page.getByRole('button', { name: 'Print 2' }).tap();
    await page.getByRole('radio', { name: 'label printer' }).tap();
    await page.getByRole('dialog').getByRole('button', { name: 'Print 2' }).tap();
    await expect(said(page, '2 labels printed.')).toBeVisible();
  });
});

test('two sizes: what each is to have is tried, and boxes are dragged to another shelf', async ({ page }) => {
  await page.goto('/portion/dal-2026-11-12');
  const bram = page.getByRole('region', { name: 'Boxes of Bram' });
  await expect(bram).toContainText('803');
  await expect(bram).toContainText('✓ at least 800, 3 over');
  await expect(page.getByRole('complementary', { name: 'Docket of the boxes' })).toContainText('3 × 565 + 2 × 803 + 83 left');
  // A figure leads to how it comes about: of each part its whole, times its share in the box.
  await page.getByTitle('Working of Energy, kcal, Bram').press('Enter');
  const working = page.getByRole('region', { name: 'Working: Energy, kcal, a box of Bram' });
  await expect(working).toContainText(/Dal: [\d,]+ × 530 g \/ 2,310 g/);
  await expect(working).toContainText(/Brown rice: [\d,]+ × 240 g \/ 958 g/);
  await expect(working).toContainText('= 803');
  await expectAccessible(page);
  // More than there is for is told, with the grams that are missing.
  await bram.getByLabel('kcal').fill('850');
  await bram.getByLabel('kcal').press('Enter');
  await expect(bram).toContainText('▲ at least 850: 47 kcal short');
  await expect(bram.getByRole('button', { name: /g more brown rice/ })).toContainText('g are not there');
  await bram.getByRole('button', { name: /g more dal/ }).press('Enter');
  await expect(bram).toContainText('✓ at least 850');
  await expect(page.getByText(/more in the boxes than there was/)).toBeVisible();
  await bram.getByLabel('Dal, g').fill('530');
  await bram.getByLabel('Dal, g').press('Enter');
  await bram.getByLabel('kcal').fill('800');
  await bram.getByLabel('kcal').press('Enter');
  await expect(bram).toContainText('✓ at least 800, 3 over');

  const box = page.getByRole('button', { name: /Tilde ?, Freezer/ });
  await box.scrollIntoViewIfNeeded();
  const from = await box.boundingBox();
  const to = await page.getByRole('region', { name: 'Fridge' }).locator('.shelf').boundingBox();
  if (!from || !to) throw new Error('no shelf');
  await page.mouse.move(from.x + from.width / 2, from.y + 40);
  await page.mouse.down();
  await page.mouse.move(from.x - 60, from.y + 30, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('region', { name: 'Fridge' }).getByRole('button', { name: /Tilde ?, Fridge/ })).toHaveCount(2);
  await page
    .getByRole('button', { name: /Tilde ?, Fridge/ })
    .last()
    .press('ArrowRight');
  await expect(page.getByRole('region', { name: 'Freezer' }).getByRole('button', { name: /Tilde ?, Freezer/ })).toHaveCount(1);
});
