// How long a key press takes to reach the docket, in a recipe of 40 lines, in the running product.
import { chromium } from '@playwright/test';
import { asOwner, signPageIn } from '../../scripts/asOwner.mjs';

const [address] = process.argv.slice(2);
const me = await asOwner(address);
const LINES = 40;
const WORDS = [
  'red lentils',
  'pearl barley',
  'leeks',
  'butternut squash',
  'plain yoghurt',
  'rapeseed oil',
  'chopped tomatoes',
  'brown rice',
  'carrots',
  'kale',
];

const document = {
  id: 'forty-lines',
  title: 'Forty lines',
  servings: 5,
  servingName: 'box',
  parts: [{ id: 'main', name: 'Main', lines: [] }],
};
await fetch(`${address}/api/recipes`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ document }),
});

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await signPageIn(page, address, me);
await page.goto(`${address}/k/${me.key}/recipes/forty-lines/build`);
await page.getByLabel('New ingredient').first().waitFor();
await page.evaluate(
  (text) => {
    const field = globalThis.document.querySelector('[aria-label="New ingredient"]');
    field.focus();
    const data = new DataTransfer();
    data.setData('text', text);
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  },
  Array.from({ length: LINES }, (_, i) => `${100 + i} g ${WORDS[i % WORDS.length]}`).join('\n'),
);
const field = page.getByLabel(/^Ingredient: 120 g/);
await field.waitFor();
await field.focus();
await field.evaluate((input) => input.setSelectionRange(0, 3));

// From the key's own event to the first frame after the docket's energy has changed.
await page.evaluate(() => {
  globalThis.taken = [];
  let pressed = 0;
  addEventListener('keydown', () => (pressed = performance.now()), { capture: true });
  const docket = globalThis.document.querySelector('.docket');
  new MutationObserver(() => {
    if (pressed === 0) return;
    const from = pressed;
    pressed = 0;
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => globalThis.taken.push(performance.now() - from);
      channel.port2.postMessage(undefined);
    });
  }).observe(docket, { subtree: true, characterData: true, childList: true });
});
const keys = '123456789'.repeat(7).split('');
for (const [i, key] of keys.entries()) {
  await page.keyboard.press(i % 2 === 1 ? 'Backspace' : key);
  await page.waitForTimeout(60);
}
const taken = (await page.evaluate(() => globalThis.taken)).sort((a, b) => a - b);
const at = (share) => taken[Math.min(taken.length - 1, Math.floor(share * taken.length))];
console.log(
  `key press to changed docket, ${LINES} lines: median ${at(0.5).toFixed(1)} ms, 95 % ${at(0.95).toFixed(1)} ms, most ${taken.at(-1).toFixed(1)} ms (${taken.length} presses)`,
);
await browser.close();
