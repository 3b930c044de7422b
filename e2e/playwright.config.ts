import { defineConfig } from '@playwright/test';

/** Servers with the demo kitchen, one for each browser at work: what one spec does in its kitchen, no other sees meanwhile. */
const addresses = (process.env.PORTIONA_ADDRESSES ?? process.env.PORTIONA_ADDRESS ?? 'http://127.0.0.1:4180').split(',');
const address = addresses[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % addresses.length];

/** Drives the running whole at those addresses, in Debian's Chromium. */
export default defineConfig({
  testDir: './tests',
  outputDir: './results',
  workers: addresses.length,
  // Once more after a failure, and the report says so: a machine that stands still for half a minute breaks nothing here.
  retries: 1,
  // Generous: a machine that is busy elsewhere is slow, not wrong.
  timeout: 400_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ?? './results/e2e.json' }]],
  use: {
    baseURL: address,
    // What cannot be pressed for so long never can: the second try begins then.
    actionTimeout: 120_000,
    // One page for all tests of a worker, emptied between them: what is compiled once is not compiled a hundred times.
    reuseContext: true,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
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
    },
  },
});
