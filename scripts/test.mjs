// Runs every check and prints the tally. Each check that is no test suite counts as one.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signedOf, startDatabase, startServer } from './throwaway.mjs';

const root = new URL('..', import.meta.url).pathname;
const results = mkdtempSync(join(tmpdir(), 'portiona-results-'));
let passed = 0;
let failed = 0;

/** Runs beside what follows; what it has to say is printed when it is waited for. */
function runBeside(title, command, args, env = {}) {
  const started = Date.now();
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
  return new Promise((resolve) => {
    const end = (status) => {
      console.log(
        `\n== ${title}\n${said}-- ${title}: ${status === 0 ? 'ok' : `failed (${status})`}, ${((Date.now() - started) / 1000).toFixed(1)} s`,
      );
      resolve(status === 0);
    };
    child.on('error', ({ message }) => {
      said += `${message}\n`;
      end(-1);
    });
    child.on('close', end);
  });
}

function count(ok) {
  if (ok) passed++;
  else failed++;
}

/** Adds a suite's own counts; a suite that died before it could count is one failure. */
function countSuite(ok, counts) {
  if (!counts) return count(false);
  passed += counts.passed;
  failed += counts.failed;
  if (!ok && counts.failed === 0) failed++;
}

function read(file, pick) {
  try {
    return pick(JSON.parse(readFileSync(join(results, file), 'utf8')));
  } catch {
    return undefined;
  }
}

/** The browsers' tests. */
async function checkProduct(servers, spare, fresh) {
  const e2e = await runBeside(
    'the running product',
    'npx',
    ['--no-install', 'playwright', 'test', '--config', 'e2e/playwright.config.ts'],
    {
      PORTIONA_ADDRESSES: servers.map(({ address }) => address).join(','),
      PORTIONA_SPARE: spare.address,
      PORTIONA_UNBEGUN: fresh.address,
      PORTIONA_SIGNED: JSON.stringify(signedOf([...servers, spare, fresh])),
      PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'e2e.json'),
    },
  );
  countSuite(
    e2e,
    read('e2e.json', ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected })),
  );
}

/** Types, lint, format, unit and server tests, and the worked cases at the command line: what is quickest first. */
async function checkCode() {
  count(await runBeside('format', 'npx', ['--no-install', 'oxfmt', '--check']));
  count(await runBeside('types and lint', 'npx', ['--no-install', 'oxlint']));
  count(await runBeside('rules of the house', 'npx', ['--no-install', 'eslint', '.']));
  const jest = await runBeside(
    'unit and server tests',
    'npx',
    ['--no-install', 'jest', '--maxWorkers=2', '--json', `--outputFile=${join(results, 'jest.json')}`],
    { TEST_DATABASE_URL: database.url, LOG_LEVEL: 'silent' },
  );
  countSuite(
    jest,
    read('jest.json', ({ numPassedTests, numFailedTests, numFailedTestSuites }) => ({
      passed: numPassedTests,
      failed: Math.max(numFailedTests, numFailedTestSuites),
    })),
  );
  count(await runBeside('worked cases', 'python3', ['core/test/cases/compare.py', './portiona']));
  count(await runBeside('worked cases of batches and shopping', 'python3', ['core/test/cases/batches/compare_batches.py', './portiona']));
  count(await runBeside('worked cases of sessions', 'python3', ['core/test/cases/plan/compare_plans.py', './portiona']));
}

// The browsers' tests, and everything else beside them: each waits often enough for the other to go on.
const database = startDatabase();
const browsers = [startDatabase(), startDatabase(), startDatabase()];
const unbegun = startDatabase();
try {
  // Two browsers, each with a server and a kitchen of its own, and one for what is tried again.
  const servers = [];
  for (const { url } of browsers) servers.push(await startServer(url, { demo: true }));
  // And one whose kitchen nobody has begun.
  const fresh = await startServer(unbegun.url, { demo: false });
  try {
    // Two cores, two rows of checks: each goes on as soon as what stands before it in its row is done.
    await Promise.all([checkProduct(servers.slice(0, -1), servers.at(-1), fresh), checkCode()]);
  } finally {
    for (const server of [...servers, fresh]) await server.stop();
  }
} finally {
  for (const one of [database, unbegun, ...browsers]) one.stop();
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
