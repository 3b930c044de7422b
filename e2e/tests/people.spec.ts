import { expect, expectAccessible, pageIn, signedAt, test as base, type Signed } from './desk';
import type { Browser, Page } from '@playwright/test';

/** A test on the kitchen that nobody else uses meanwhile: who is a member of it is changed here. */
const test = base;
test.use({ baseURL: process.env.PORTIONA_SPARE ?? process.env.PORTIONA_ADDRESS });

const PASSWORD = 'barley kettle north window';

/** A page of a browser in which nobody is signed in. */
async function freshPage(browser: Browser, address: string | undefined): Promise<Page> {
  const context = await browser.newContext({ baseURL: address ?? '', locale: 'en-GB', viewport: { width: 1280, height: 800 } });
  return context.newPage();
}

/** An invitation's link, made on the page of members. */
async function invitation(page: Page, role: string): Promise<string> {
  await page.goto('/kitchen/members');
  await page.locator('.members-invite').getByLabel('As').selectOption(role);
  await page.getByRole('button', { name: 'Make an invitation' }).click();
  return page.getByLabel('Link of the invitation').inputValue();
}

/** Somebody new who joins by an invitation, at the desk of the kitchen. */
async function join(browser: Browser, address: string | undefined, link: string, name: string) {
  const page = await freshPage(browser, address);
  const email = `${name.toLowerCase()}-${Date.now()}@saltmarsh.example`;
  await page.goto(link);
  await expect(page.getByRole('heading', { name: 'Join Saltmarsh Suppers' })).toBeVisible();
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('E-mail address').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByRole('heading', { name: 'Recipes' })).toBeVisible();
  return { page, email };
}

test('somebody is invited, joins, sees what a tester sees, writes a note that calls, and is taken out', async ({
  page,
  browser,
  baseURL,
  signed,
}) => {
  const link = await invitation(page, 'tester');
  await expectAccessible(page);
  const { page: theirs } = await join(browser, baseURL, link, 'Wren');
  // No costs, and no changes: both are said.
  await expect(theirs.getByRole('radio', { name: 'Cheapest' })).toHaveCount(0);
  await theirs.getByRole('link', { name: 'Beef shin and barley, thyme gravy' }).click();
  await expect(theirs.getByText('Costs of this kitchen are not shown to you.')).toBeVisible();
  await expect(theirs.getByText('You may look at this dish and cook it')).toBeVisible();
  await theirs.getByLabel('Title', { exact: true }).fill('Mine now');
  await expect(theirs.locator('.toast').filter({ hasText: 'Nothing was changed' })).toBeVisible();
  await expect(theirs.getByLabel('Title', { exact: true })).toHaveValue('Beef shin and barley, thyme gravy');
  // A note that calls.
  const me = ((await (await page.request.get('/api/me')).json()) as { name: string }).name;
  await theirs.keyboard.press('Alt+n');
  const panel = theirs.getByRole('region', { name: 'Notes' });
  await panel.getByLabel('A note').fill('Salt? ');
  await panel.getByRole('button', { name: `@${me}` }).click();
  await panel.getByRole('button', { name: 'Write it' }).click();
  await expect(panel.locator('.note-text')).toContainText('Salt?');
  await expectAccessible(theirs, '.panel');
  await page.goto('/recipes');
  await page.getByRole('button', { name: /called by 1 note/ }).click();
  await page.getByRole('link', { name: /Wren on Beef shin/ }).click();
  await page.getByRole('region', { name: 'Notes' }).getByRole('button', { name: 'Done with', exact: true }).click();
  // As it happens, without anything being pressed.
  await expect(panel.getByRole('button', { name: '1 done with' })).toBeVisible();
  await expect(theirs.getByText(`${me} is here too`)).toBeVisible();
  await page.goto('/kitchen/members');
  await page.getByRole('button', { name: 'Take out Wren', exact: true }).click();
  await page.getByRole('button', { name: 'Take Wren out' }).click();
  await expect(page.getByRole('button', { name: 'Take out Wren', exact: true })).toHaveCount(0);
  await theirs.goto(pageIn(signed, '/recipes'));
  await expect(theirs.getByRole('heading', { name: 'No kitchen of yours' })).toBeVisible();
  await theirs.context().close();
});

test('whoever only looks is told before they type, and is shown no costs as if there were none', async ({
  page,
  browser,
  baseURL,
  signed,
}) => {
  const { page: theirs } = await join(browser, baseURL, await invitation(page, 'viewer'), 'Linnet');
  await theirs.goto(pageIn(signed, '/pantry/red-lentils-weir-lane'));
  await expect(theirs.getByText('You may look at this food; editors and owners of the kitchen change it.')).toBeVisible();
  await expect(theirs.getByRole('button', { name: 'Add a food' })).toHaveCount(0);
  await expect(theirs.getByRole('link', { name: 'Prices' })).toHaveCount(0);
  await expect(theirs.getByText('no price')).toHaveCount(0);
  const protein = theirs.getByLabel('Protein').first();
  const before = await protein.inputValue();
  await protein.fill('99');
  await expect(theirs.locator('.toast').filter({ hasText: 'Nothing was changed' })).toBeVisible();
  await protein.blur();
  await expect(protein).toHaveValue(before);
  await expectAccessible(theirs);
  for (const [address, says] of [
    ['/plan/week', 'You may look at this week'],
    ['/plan/shopping', 'Costs are not shown to you here'],
    ['/pantry/prices', 'Costs are not shown to you here'],
  ] as const) {
    await theirs.goto(pageIn(signed, address));
    await expect(theirs.getByText(says).first()).toBeVisible();
  }
  // What the server would refuse is not there to be pressed.
  for (const [address, there, gone] of [
    ['/recipes', 'Beef shin and barley, thyme gravy', ['Start a recipe', /^Copy /, /^Put .* away$/]],
    ['/plan', 'Calendar file', [/^Plan a session/]],
    ['/plan/stock', 'You may look at this list', ['Note it', /is gone$/]],
    ['/pantry/bring', 'In and out', ['Choose a table', 'Choose a receipt']],
    ['/recipes/beef-shin-and-barley/card', 'You may look at this dish', ['Publish', 'Take it back …']],
    ['/batches/smoky-lentil-and-squash-dal', 'This dish, 6', ['Log a batch', 'It counts after all', 'Put this batch away']],
  ] as const) {
    await theirs.goto(pageIn(signed, address));
    await expect(theirs.getByText(there).first()).toBeVisible();
    for (const name of gone) await expect(theirs.getByRole('button', { name })).toHaveCount(0);
  }
  await theirs.getByRole('button', { name: /^Find or do anything/ }).click();
  await expect(theirs.getByRole('option', { name: /Shopping list/ })).toBeVisible();
  await expect(theirs.getByRole('option', { name: /^(?:Start a recipe|Add a food|Put in a receipt)/ })).toHaveCount(0);
  await theirs.keyboard.press('Escape');
  await expect(theirs.getByText('not shown').first()).toBeVisible();
  await expect(theirs.getByText(/€\s?\d/)).toHaveCount(0);
  await expectAccessible(theirs);
  await theirs.context().close();
});

test('two at one dish: what one saves the other sees at once, and undo leads back', async ({ page, browser, baseURL, signed }) => {
  const link = await invitation(page, 'editor');
  const { page: theirs } = await join(browser, baseURL, link, 'Ash');
  await page.goto('/recipes/night-watch-couscous-sachets/build');
  await theirs.goto(pageIn(signed, '/recipes/night-watch-couscous-sachets/build'));
  await expect(theirs.getByLabel('Title', { exact: true })).toHaveValue(/Couscous/);
  await page.getByLabel('Title', { exact: true }).fill('Couscous sachets, as changed');
  await expect(theirs.locator('.toast').filter({ hasText: 'changed this dish' })).toBeVisible();
  await expect(theirs.getByLabel('Title', { exact: true })).toHaveValue('Couscous sachets, as changed');
  await theirs.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByLabel('Title', { exact: true })).toHaveValue(/apricot/);
  await theirs.context().close();
});

test('a passkey is made, and lets in where a password would', async ({ browser, baseURL }) => {
  // A passkey is made for a name; the address under test is a number.
  const named = (baseURL ?? '').replace('127.0.0.1', 'localhost');
  const page = await freshPage(browser, named);
  const signed = await signedByLink(page, baseURL);
  const client = await page.context().newCDPSession(page);
  await client.send('WebAuthn.enable');
  await client.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await page.goto('/account');
  await page.getByLabel('A new one, called').fill('virtual key');
  await page.getByRole('button', { name: 'Make a passkey' }).click();
  await expect(page.getByText('virtual key')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Sign out everywhere, here too' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).click();
  await expect(page.getByRole('heading', { name: 'Recipes' })).toBeVisible();
  expect(page.url()).toContain(signed.key);
  await page.context().close();
});

/** Somebody new, signed in under the name of the machine instead of its number. */
async function signedByLink(page: Page, address: string | undefined): Promise<Signed> {
  const signed = signedAt(address);
  const { link } = (await (
    await page.request.post(`${address}/api/kitchens/${signed.key}/invitations`, {
      data: { role: 'viewer', costs: false },
      headers: signed.headers,
    })
  ).json()) as { link: string };
  await page.goto(`/join#${link.split('#')[1]}`);
  await page.getByLabel('Your name').fill('Kay');
  await page.getByLabel('E-mail address').fill(`kay-${Date.now()}@saltmarsh.example`);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Join' }).click();
  await expect(page.getByRole('heading', { name: 'Recipes' })).toBeVisible();
  return signed;
}

test('a forgotten password: the letter, a new one, and every other place is signed out', async ({ page, browser, baseURL }) => {
  const { page: theirs, email } = await join(browser, baseURL, await invitation(page, 'viewer'), 'Elm');
  const elsewhere = await freshPage(browser, baseURL);
  await elsewhere.goto('/enter');
  await expectAccessible(elsewhere);
  await elsewhere.getByLabel('E-mail address').fill(email);
  await elsewhere.getByLabel('Password').fill('not this one');
  await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(elsewhere.getByText('No account has this address with this password')).toBeVisible();
  await elsewhere.getByRole('link', { name: 'A new password' }).click();
  await elsewhere.getByLabel('The address you sign in with').fill(email);
  await elsewhere.getByRole('button', { name: 'Send me a link' }).click();
  await expect(elsewhere.getByText('a letter is on its way')).toBeVisible();
  await page.goto('/account/letters');
  const letter = page.getByRole('listitem').filter({ hasText: email }).first();
  const href = await letter.getByRole('link').getAttribute('href');
  await elsewhere.goto(href ?? '');
  // The secret does not stay in the address.
  await expect.poll(() => elsewhere.url()).not.toContain('#');
  await elsewhere.getByRole('textbox', { name: 'New password' }).fill('password12');
  await elsewhere.getByRole('button', { name: 'Take it and sign in' }).click();
  await expect(elsewhere.getByText('guessed too easily')).toBeVisible();
  await elsewhere.getByRole('textbox', { name: 'New password' }).fill('seven plums under glass');
  await elsewhere.getByRole('button', { name: 'Take it and sign in' }).click();
  await expect(elsewhere.getByRole('heading', { name: 'Recipes' })).toBeVisible();
  // The place that was signed in before is told so, on the page it has open.
  await theirs.getByRole('link', { name: 'Pantry' }).click();
  await expect(theirs.getByRole('dialog', { name: 'You are signed out' })).toBeVisible();
  await theirs.context().close();
  // And the account itself ends, by its name and password, where its kitchens keep an owner.
  await elsewhere.goto('/account');
  const ending = elsewhere.getByRole('region', { name: 'Delete your account' });
  await ending.getByLabel('Write “Elm” to delete it').fill('Elm');
  await ending.getByLabel('Your password, to delete it').fill('not this one');
  await ending.getByRole('button', { name: 'Delete my account' }).click();
  await expect(ending.getByText('is not the one that holds')).toBeVisible();
  await expectAccessible(elsewhere);
  await ending.getByLabel('Your password, to delete it').fill('seven plums under glass');
  await ending.getByRole('button', { name: 'Delete my account' }).click();
  await elsewhere.waitForURL('**/enter');
  await elsewhere.getByLabel('E-mail address').fill(email);
  await elsewhere.getByLabel('Password').fill('seven plums under glass');
  await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(elsewhere.getByText('No account has this address with this password')).toBeVisible();
  await elsewhere.context().close();
});

test('what was done is listed, the chain holds, and tokens and the kitchen as a whole are there by keys', async ({ page }) => {
  await page.goto('/kitchen/log');
  await expect(page.getByText(/Whole\. Each of \d+ entries/)).toBeVisible();
  await expectAccessible(page);
  await page.goto('/kitchen/tokens');
  await page.getByLabel('Called').fill('the shop’s printer');
  await page.getByRole('button', { name: 'Make it' }).click();
  const token = await page.getByLabel('The new token').inputValue();
  expect(token).toMatch(/^portiona_[\w-]{43}$/);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'End it: the shop’s printer' }).click();
  await expect(page.getByRole('button', { name: 'End it: the shop’s printer' })).toHaveCount(0);
  await page.goto('/kitchen/whole');
  await expectAccessible(page);
  await expect(page.getByRole('button', { name: /^Delete Saltmarsh/ })).toBeDisabled();
  await page.getByLabel('The copy is called').fill('Second table');
  await page.getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByText('Second table').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Beef shin and barley, thyme gravy' })).toBeVisible();
});

test('signed out at the stove, one goes on: what is measured waits, and reaches the kitchen after signing in', async ({
  page,
  browser,
  baseURL,
  signed,
}) => {
  const { page: theirs, email } = await join(browser, baseURL, await invitation(page, 'tester'), 'Oak');
  const lines = [{ food: 'red-lentils-weir-lane', amount: 300, unit: 'g', text: '300 g red lentils' }];
  const dish = { id: 'oak-pot', title: 'Oak pot', servings: 4, parts: [{ id: 'pot', name: 'Pot', lines }], steps: ['Simmer.'] };
  const batch = { id: 'oak-batch', recipe: 'oak-pot', date: '2026-11-29', cooking: { begun: new Date().toISOString(), step: 0 } };
  expect((await page.request.post('/api/recipes', { data: { document: dish } })).status()).toBe(201);
  expect((await page.request.post('/api/batches', { data: { document: batch } })).status()).toBe(201);
  await theirs.setViewportSize({ width: 390, height: 844 });
  await theirs.goto(pageIn(signed, '/cook/oak-batch'));
  await expect(theirs.getByRole('status').first()).toContainText('Kept');
  await theirs.context().clearCookies();
  await theirs.getByRole('button', { name: /^300 g red lentils/ }).click();
  await theirs.getByLabel('Weighed, g').fill('302');
  await theirs.getByRole('button', { name: 'Take 302 g' }).click();
  const told = theirs.getByRole('alert').filter({ hasText: 'You are signed out' });
  await expect(told).toBeVisible();
  await expectAccessible(theirs);
  await told.getByRole('link', { name: 'sign in again' }).click();
  await theirs.getByLabel('E-mail address').fill(email);
  await theirs.getByLabel('Password').fill(PASSWORD);
  await theirs.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(theirs.getByRole('button', { name: /^300 g red lentils/ })).toBeVisible();
  await expect.poll(async () => JSON.stringify(await (await page.request.get('/api/batches/oak-batch')).json())).toContain('302');
  // Taken out of the kitchen, nothing that was measured is let go either.
  const { id } = ((await (await page.request.get('/api/members')).json()) as { id: string; name: string }[]).find(
    ({ name }) => name === 'Oak',
  )!;
  await page.request.delete(`/api/members/${id}`);
  await theirs.getByRole('button', { name: /^300 g red lentils/ }).click();
  await theirs.getByLabel('Weighed, g').fill('303');
  await theirs.getByRole('button', { name: 'Take 303 g' }).click();
  const kept = () =>
    theirs.evaluate(
      (name) =>
        new Promise<number>((resolve) => {
          const asked = indexedDB.open(name);
          asked.onsuccess = () => {
            const counting = asked.result.transaction('edits').objectStore('edits').count();
            counting.onsuccess = () => resolve(counting.result);
          };
        }),
      `portiona:${signed.key}:cook`,
    );
  await expect.poll(kept).toBeGreaterThan(0);
  await theirs.waitForTimeout(3_000);
  expect(await kept()).toBeGreaterThan(0);
  await theirs.context().close();
});

test('who looks after the installation sees how it stands, at the desk and on a phone; nobody else does', async ({
  page,
  browser,
  baseURL,
}) => {
  const link = await invitation(page, 'owner');
  await page.goto('/account');
  await page.getByRole('link', { name: 'Upkeep' }).click();
  await expect(page.getByRole('heading', { name: 'What runs' })).toBeVisible();
  const row = page.getByRole('row', { name: /answers, and does jobs; tells you this/ });
  await expect(row).toContainText('MB');
  await expect(page.getByText('No backup is made by itself here')).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Versions and what is kept' })).toContainText('PostgreSQL');
  await expect(page.getByRole('list', { name: 'The last 14 days' }).getByRole('listitem')).toHaveCount(14);
  await expectAccessible(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await expectAccessible(page);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  // An owner of a kitchen looks after that kitchen alone.
  const { page: theirs } = await join(browser, baseURL, link, 'Bram');
  await theirs.goto('/account');
  await expect(theirs.getByRole('heading', { name: 'Your account', exact: true })).toBeVisible();
  await expect(theirs.getByRole('link', { name: 'Upkeep' })).toHaveCount(0);
  await theirs.goto('/account/upkeep');
  await expect(theirs.getByText('only who looks after this installation may do this')).toBeVisible();
  await theirs.context().close();
});

test('a note on a step stands at the step, and leads to it', async ({ page }) => {
  const document = {
    id: 'noted-pot',
    title: 'Noted pot',
    servings: 4,
    parts: [{ id: 'pot', name: 'Pot', lines: [] }],
    steps: ['Soften the onions.', 'Simmer for 20 min, until thick.'],
  };
  expect((await page.request.post('/api/recipes', { data: { document } })).status()).toBe(201);
  const { document: kept } = (await (await page.request.get('/api/recipes/noted-pot')).json()) as { document: { steps: { id: string }[] } };
  const note = { place: `step/${kept.steps[1]?.id}`, about: '2. Simmer', text: 'Lid on or off?', mentions: [] };
  expect((await page.request.post('/api/recipes/noted-pot/notes', { data: note })).status()).toBe(201);
  await page.goto('/recipes/noted-pot/build');
  await page.getByRole('tab', { name: 'Method and keeping' }).click();
  const mark = page.getByRole('link', { name: '1 note waits on step 2' });
  await expect(mark).toHaveCount(1);
  await expect(page.getByRole('link', { name: '1 note waits on step 1' })).toHaveCount(0);
  await expectAccessible(page);
  await mark.click();
  await expect(page.getByRole('region', { name: 'Notes' }).locator('.note-text')).toHaveText('Lid on or off?');
});
