import { expect, expectAccessible, said, test } from './desk.js';

const STEW = '/api/recipes/chickpea-and-pepper-stew';

test('a card that drifted is published with what it puts right; issues are compared, taken back and put out again', async ({ page }) => {
  await page.goto('/recipes/chickpea-and-pepper-stew/card');
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(said(page, /Published as issue 1/)).toBeVisible();
  const { revision, document } = (await (await page.request.get('/api/foods/chickpeas-nine')).json()) as {
    revision: number;
    document: { nutrients: { protein: number } };
  };
  const nutrients = { ...document.nutrients, protein: document.nutrients.protein + 1.5 };
  await page.request.put('/api/foods/chickpeas-nine', { data: { revision, document: { ...document, nutrients } } });
  await page.reload();
  await expect(page.getByRole('button', { name: /published card drifted/ })).toBeVisible();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  const asked = page.getByRole('dialog', { name: 'For readers who hold issue 1' });
  const correction = asked.getByLabel('Correction, as it is printed');
  await expect(correction).toHaveValue(/rotein was \d+ g, is \d+ g.*: the label of Chickpeas.* changed\.$/);
  await expectAccessible(page, '[role=dialog]');
  await asked.getByRole('button', { name: 'Publish with it' }).click();
  await expect(said(page, /Published as issue 2/)).toBeVisible();

  await page.getByRole('button', { name: /published card holds/ }).click();
  const issues = page.getByRole('dialog', { name: 'The published card' });
  const second = issues.getByRole('listitem').first();
  await expect(second).toContainText('Correction to issue 1:');
  await second.getByRole('button', { name: /changed since issue 1/ }).click();
  await expect(second.getByRole('rowheader', { name: 'Protein', exact: true })).toBeVisible();
  await second.getByRole('button', { name: 'Look at it' }).click();
  await expect(page.frameLocator('iframe').getByText('Correction to issue 1').first()).toBeVisible();
  await second.getByRole('button', { name: 'Take it back …' }).click();
  await second.getByLabel('Why issue 2 is not to be followed').fill('The label was read wrong.');
  await second.getByRole('button', { name: 'Take it back', exact: true }).click();
  await expect(second).toContainText('Taken back: The label was read wrong.');
  await page.goto('/cards');
  await expect(page.getByText('taken back: The label was read wrong.')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Protein against cost of \d+ cards/ })).toBeVisible();
  await expectAccessible(page);
  await page.request.delete(`${STEW}/published-cards/2/taken-back`);
  await page.reload();
  await expect(page.getByText('taken back: The label was read wrong.')).toBeHidden();
});

test('the watch says what moved under a card, why, and how to put it right; what is tolerated still holds', async ({ page }) => {
  await page.goto('/cards');
  const soup = page.locator('.ledger-row', { has: page.getByRole('link', { name: 'White bean and kale soup' }) });
  const watch = soup.locator('.drift-watch');
  await expect(watch).toContainText('245 kcal → 252 kcal');
  await expect(watch).toContainText('+2.9 %');
  await expect(watch.getByRole('link', { name: /The label of White beans in water, Harbour Stores changed/ })).toHaveAttribute(
    'href',
    /\/pantry\/white-beans-harbour$/,
  );
  await expectAccessible(page);
  await page.getByRole('button', { name: /^What may move/ }).click();
  const tolerance = page.getByLabel('Energy: may move by percent');
  await tolerance.fill('3');
  await tolerance.press('Enter');
  await page.keyboard.press('Escape');
  await expect(soup.getByRole('button', { name: '3 things differ' })).toBeVisible();
  await expect(watch).toContainText('No further than you tolerate');
  await page.getByRole('button', { name: 'What may move, 1 set' }).click();
  await tolerance.fill('');
  await tolerance.press('Enter');
  await page.keyboard.press('Escape');
  await expect(soup.getByRole('button', { name: '4 things differ' })).toBeVisible();
  await watch.getByRole('link', { name: 'Correct it …' }).click();
  const asked = page.getByRole('dialog', { name: 'For readers who hold issue 1' });
  await expect(asked.getByLabel('Correction, as it is printed')).toHaveValue(
    /^Energy was 245 kcal, is 252 kcal; .*: the label of White beans.* changed\. Step 3 changed; read the new card\.$/,
  );
  // What opened it is not in the address any more: looked at again, it does not open again.
  await page.keyboard.press('Escape');
  await expect(asked).toBeHidden();
  await expect(page).toHaveURL(/\/card$/);
});
