// A database and a server of their own for tests and measurements, on free ports, gone afterwards.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { signIn } from './signedIn.mjs';

const root = new URL('..', import.meta.url).pathname;

/**
 * A private database in a new temporary folder; `stop` takes both away.
 *
 * @param durable whether it keeps what it said it has when it is killed, as one that people use does; others are quicker
 */
export function startDatabase({ durable = false } = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'portiona-test-'));
  const run = (command) =>
    execFileSync(join(root, 'scripts/database.sh'), [command, folder, ...(durable ? [] : ['--throwaway'])], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'inherit'],
    }).trim();
  const url = run('start');
  return {
    url,
    folder,
    /** Kills it as it stands. */
    async kill() {
      const [pid] = readFileSync(join(folder, 'data/postmaster.pid'), 'utf8').split('\n').map(Number);
      process.kill(pid, 'SIGKILL');
      while (isAlive(pid)) await new Promise((resolve) => setTimeout(resolve, 20));
    },
    /** Starts it again where it was. */
    again: () => void run('start'),
    stop() {
      run('stop');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

function isAlive(pid) {
  try {
    return !readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/.*\) /, '').startsWith('Z');
  } catch {
    return false;
  }
}

/** A port nobody listens on. */
export function freePort() {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

/** The simulated shops answer quicker than real ones would: tests wait for all of them. */
const QUICK_SHOPS = { PORTIONA_SHOP_DELAY: '30', PORTIONA_SHOP_PAUSE: '50' };

/** A server on a database, ready to answer, with the demo kitchen if asked for. */
export async function startServer(url, { demo }) {
  const port = await freePort();
  const home = mkdtempSync(join(tmpdir(), 'portiona-test-home-'));
  const child = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
    env: {
      ...QUICK_SHOPS,
      MALLOC_ARENA_MAX: '2', // as the command starts it
      ...process.env,
      DATABASE_URL: url,
      PORTIONA_HOME: home,
      PORTIONA_PORT: String(port),
      LOG_LEVEL: 'error',
    },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; ; i++) {
    const answered = await fetch(`${address}/api/health`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (answered) break;
    if (i > 900 || child.exitCode !== null) throw new Error('the server did not start');
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const me = await signIn(address, url);
  if (demo)
    execFileSync(process.execPath, [join(root, 'scripts/loadDemo.mjs'), address], {
      stdio: ['ignore', 'inherit', 'ignore'],
      env: { ...process.env, DATABASE_URL: url },
    });
  return {
    ...me,
    address,
    port,
    pid: child.pid,
    async stop() {
      await new Promise((resolve) => (child.exitCode === null ? (child.once('exit', resolve), child.kill('SIGTERM')) : resolve()));
      rmSync(home, { recursive: true, force: true });
    },
  };
}

/** Who is signed in at some servers, by their addresses: for browsers that test them. */
export function signedOf(servers) {
  return Object.fromEntries(servers.map(({ address, headers, key }) => [address, { headers, key }]));
}
