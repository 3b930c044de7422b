// Runs every check and prints the tally. Each check that is no test suite counts as one.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startDatabase, startServer } from './throwaway.mjs';

const root = new URL('..', import.meta.url).pathname;
const results = mkdtempSync(join(tmpdir(), 'portiona-results-'));
let passed = 0;
let failed = 0;

function run(title, command, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  const { status } = spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } });
  console.log(`-- ${title}: ${status === 0 ? 'ok' : `failed (${status})`}, ${((Date.now() - started) / 1000).toFixed(1)} s`);
  return status === 0;
}

/** Runs beside what follows; what it has to say is printed when it is waited for. */
function runBeside(title, command, args) {
  const started = Date.now();
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
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

const lint = runBeside('lint', 'npx', ['--no-install', 'eslint', '.']);
count(run('format', 'npx', ['--no-install', 'prettier', '--check', '--log-level', 'warn', '.']));
count(run('types', 'npm', ['run', '--silent', 'check']));

const cases = run('worked cases', 'python3', ['core/test/cases/compare.py', './portiona']);
count(cases);
count(await lint);

const database = startDatabase();
try {
  // As many as there are cores: many of the server's tests wait for something to start or to end.
  const jest = run(
    'unit and server tests',
    'npx',
    ['--no-install', 'jest', '--maxWorkers=100%', '--json', `--outputFile=${join(results, 'jest.json')}`],
    {
      TEST_DATABASE_URL: database.url,
      LOG_LEVEL: 'silent',
    },
  );
  countSuite(
    jest,
    read('jest.json', ({ numPassedTests, numFailedTests, numFailedTestSuites }) => ({
      passed: numPassedTests,
      failed: Math.max(numFailedTests, numFailedTestSuites),
    })),
  );

  // Two browsers at once, each with a server and a kitchen of its own.
  const second = startDatabase();
  const servers = [await startServer(database.url, { demo: true }), await startServer(second.url, { demo: true })];
  try {
    const e2e = run('the running product', 'npx', ['--no-install', 'playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
      PORTIONA_ADDRESSES: servers.map(({ address }) => address).join(','),
      PLAYWRIGHT_JSON_OUTPUT_NAME: join(results, 'e2e.json'),
    });
    countSuite(
      e2e,
      read('e2e.json', ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected })),
    );
  } finally {
    for (const server of servers) await server.stop();
    second.stop();
  }
} finally {
  database.stop();
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
