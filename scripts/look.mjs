// A picture of a page of a running Portiona: node scripts/look.mjs ADDRESS/PATH FILE.png [WIDTHxHEIGHT] [dark]
// LINK is one that ./portiona link has printed: it signs in first; a path without a kitchen is opened in the one at hand.
import { chromium } from 'playwright-core';

const [address, file, size = '1280x800', theme = 'light'] = process.argv.slice(2);
const [width, height] = size.split('x').map(Number);
if (!address || !file || !width || !height) {
  console.error('Say what to look at and where to keep it: node scripts/look.mjs http://127.0.0.1:4180/recipes recipes.png 390x844');
  process.exit(2);
}
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium-headless-shell',
  args: ['--no-sandbox', '--disable-gpu', '--font-render-hinting=none'],
});
try {
  const page = await browser.newPage({
    viewport: { width, height },
    colorScheme: theme === 'dark' ? 'dark' : 'light',
    hasTouch: width < 600,
  });
  if (process.env.LINK) {
    await page.goto(process.env.LINK);
    await page.waitForURL(/\/k\//);
  }
  await page.goto(address);
  await page.waitForLoadState('load');
  // A page that listens is never idle.
  await page.waitForTimeout(4000);
  await page.screenshot({ path: file });
} finally {
  await browser.close();
}
