import { readFileSync } from 'node:fs';
import { expect, expectAccessible, expectSaved, test } from './desk.js';

test('a photo is brought to a dish, said in words, cut by keys for one shape, and stands on its card', async ({ page }) => {
  const demo = JSON.parse(readFileSync(new URL('../../demo/saltmarsh-suppers.json', import.meta.url), 'utf8')) as {
    photos: { jpeg: string }[];
  };
  const buffer = Buffer.from(demo.photos[0]?.jpeg ?? '', 'base64');
  await page.goto('/recipes/egg-and-leek-muffins/card');
  const card = page.frameLocator('iframe');
  await expect(card.locator('image')).toHaveCount(0);
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Photo of the dish' });
  await dialog.getByLabel('Photo file').setInputFiles({ name: 'muffins.jpg', mimeType: 'image/jpeg', buffer });
  await expect(dialog.getByText('Not said yet')).toBeVisible();
  await dialog.getByLabel('What can be seen on it').fill('Muffins in a box');
  await dialog.getByRole('radio', { name: 'Upright' }).click();
  // Drawn with the pointer, then moved by a key.
  const picture = dialog.getByRole('img', { name: 'What is cut' });
  await picture.scrollIntoViewIfNeeded();
  const box = await picture.boundingBox();
  if (!box) throw new Error('the picture is not there');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.7, box.y + box.height * 0.8, { steps: 5 });
  await page.mouse.up();
  await dialog.getByRole('group', { name: /arrow keys to move/ }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(dialog.getByRole('button', { name: 'all of it' })).toBeVisible();
  await expectAccessible(page, '[role=dialog]');
  await page.keyboard.press('Escape');
  await expectSaved(page);
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  await expect(card.locator('image')).toHaveCount(1);
  await expect(card.getByRole('img', { name: 'Muffins in a box' })).toBeVisible();
  const { document } = (await (await page.request.get('/api/recipes/egg-and-leek-muffins')).json()) as {
    document: { photo: { crops: { upright: { x: number; width: number } } } };
  };
  expect(document.photo.crops.upright.x).toBeGreaterThan(0.15);
  expect(document.photo.crops.upright.width).toBeCloseTo(0.5, 1);
});
