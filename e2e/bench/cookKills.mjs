// Kills the server, the browser and the network in the middle of a cook, over and over: every weight that the page said it had has to
// be in the kitchen afterwards, once. It judges.
import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { asOwner, signPageIn } from '../../scripts/asOwner.mjs';
import { freePort, startDatabase, startServer } from '../../scripts/throwaway.mjs';

const ROUNDS = Number(process.argv[2] ?? 50);
const root = new URL('../..', import.meta.url).pathname;
const LINES = 12;
const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

const database = startDatabase();
const home = mkdtempSync(join(tmpdir(), 'portiona-cook-home-'));
const profile = mkdtempSync(join(tmpdir(), 'portiona-cook-browser-'));
const port = await freePort();
const address = `http://127.0.0.1:${port}`;
const counts = { server: 0, browser: 0, network: 0, typed: 0, lost: 0, twice: 0 };
let child;
let context;
let page;
let me;

async function up() {
  child = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
    env: { ...process.env, DATABASE_URL: database.url, PORTIONA_HOME: home, PORTIONA_PORT: String(port), LOG_LEVEL: 'silent' },
    stdio: 'ignore',
  });
  for (let i = 0; i < 300; i++) {
    if (
      await fetch(`${address}/api/health`).then(
        ({ ok }) => ok,
        () => false,
      )
    )
      return;
    await pause(100);
  }
  throw new Error('the server did not start');
}

async function open() {
  context = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu'],
    viewport: { width: 390, height: 844 },
  });
  page = context.pages()[0] ?? (await context.newPage());
  await signPageIn(page, address, me);
  await page.goto(`${address}/k/${me.key}/cook/killed`, { waitUntil: 'domcontentloaded' });
  await page.getByRole('status').first().waitFor();
}

const KILLS = {
  async server() {
    child.kill('SIGKILL');
    await once(child, 'exit');
    await pause(Math.random() * 800);
    await up();
  },
  async browser() {
    const pids = execFileSync('pgrep', ['-f', profile], { encoding: 'utf8' }).trim().split('\n').map(Number);
    for (const pid of pids) {
      try {
        process.kill(pid, 'SIGKILL');
      } catch {
        // It went with its parent.
      }
    }
    await context.close().catch(() => undefined);
    await open();
  },
  async network() {
    await context.setOffline(true);
    await pause(Math.random() * 1500);
    await context.setOffline(false);
  },
};

try {
  const first = await startServer(database.url, { demo: true });
  await first.stop();
  await up();
  me = await asOwner(address, database.url);
  const send = (path, document) =>
    fetch(`${address}/api/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ document }),
    });
  const lines = Array.from({ length: LINES }, (_, i) => ({ food: 'leek', amount: 100 + i, unit: 'g', text: `${100 + i} g leek` }));
  await send('recipes', { id: 'killed-dish', title: 'Killed', servings: 4, parts: [{ id: 'p', name: 'P', lines }] });
  const begun = new Date().toISOString();
  await send('batches', { id: 'killed', recipe: 'killed-dish', date: begun.slice(0, 10), cooking: { begun, step: 0 } });
  await open();
  const wanted = new Map();
  for (let round = 0; round < ROUNDS * 3; round++) {
    const kind = Object.keys(KILLS)[round % 3];
    const line = Math.floor(Math.random() * LINES);
    const grams = 1000 + round;
    await page.getByRole('button', { name: new RegExp(`^${100 + line} g leek`) }).click();
    await page.getByLabel('Weighed, g').fill(String(grams));
    await page.keyboard.press('Enter');
    // The page says that it has it; from here on it may not be lost.
    await page
      .getByText(new RegExp(`${grams.toLocaleString('en-GB')} g$`))
      .first()
      .waitFor();
    wanted.set(`p/${line + 1}`, grams);
    counts.typed++;
    await pause(Math.random() * 60);
    await KILLS[kind]();
    counts[kind]++;
  }
  await page
    .getByText(/^Kept(?! here)/)
    .first()
    .waitFor({ timeout: 120_000 });
  const { document } = await (await fetch(`${address}/api/batches/killed`)).json();
  for (const [at, grams] of wanted) {
    const own = (document.lines ?? []).filter((one) => one.at === at);
    if (own.length !== 1 || own[0].grams !== grams) counts.lost++;
  }
  const client = new pg.Client({ connectionString: database.url });
  await client.connect();
  const { rows } = await client.query(
    `SELECT count(*)::int AS all, count(DISTINCT edit)::int AS different FROM batch_edits WHERE batch_id = 'killed' AND edit ->> 'do' = 'line'`,
  );
  await client.end();
  counts.twice = rows[0].all - rows[0].different;
  counts.lost += counts.typed - rows[0].different;
} finally {
  await context?.close().catch(() => undefined);
  child?.kill('SIGTERM');
  database.stop();
  for (const folder of [home, profile]) rmSync(folder, { recursive: true, force: true });
}
console.log(
  `${counts.typed} weights typed; killed: server ${counts.server}, browser ${counts.browser}, network ${counts.network}; lost ${counts.lost}, twice ${counts.twice}`,
);
process.exitCode = counts.lost === 0 && counts.twice === 0 ? 0 : 1;
