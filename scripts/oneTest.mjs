// Runs some tests by themselves: node scripts/oneTest.mjs core|server|web|e2e [names or options ...]
import { spawnSync } from 'node:child_process';
import { signedOf, startDatabase, startServer } from './throwaway.mjs';

const root = new URL('..', import.meta.url).pathname;
const [kind, ...rest] = process.argv.slice(2);
const run = (args, env = {}) =>
  spawnSync('npx', ['--no-install', ...args], { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1;

if (kind === 'core' || kind === 'web') process.exitCode = run(['jest', '--selectProjects', kind, '--', ...rest]);
else if (kind === 'server' || kind === 'e2e') {
  const database = startDatabase();
  try {
    if (kind === 'server') {
      const env = { TEST_DATABASE_URL: database.url, LOG_LEVEL: 'silent' };
      process.exitCode = run(['jest', '--selectProjects', 'server', '--forceExit', '--', ...rest], env);
    } else {
      const server = await startServer(database.url, { demo: true });
      const unbegun = startDatabase();
      const fresh = await startServer(unbegun.url, { demo: false });
      const env = {
        PORTIONA_ADDRESS: server.address,
        PORTIONA_UNBEGUN: fresh.address,
        PORTIONA_SIGNED: JSON.stringify(signedOf([server, fresh])),
      };
      process.exitCode = run(['playwright', 'test', '--config', 'e2e/playwright.config.ts', ...rest], env);
      await server.stop();
      await fresh.stop();
      unbegun.stop();
    }
  } finally {
    database.stop();
  }
} else {
  console.error('Say which: core, server, web or e2e, then what the files are called.');
  process.exitCode = 2;
}
