// A server on a port and in a data folder that it keeps, which can be killed and started again; one that ends by itself is noted.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../../scripts/throwaway.mjs';
import { pause } from './watch.mjs';

const MAIN = new URL('../dist/main.js', import.meta.url).pathname;

/**
 * Starts one.
 *
 * @param url of its database
 * @param more of its environment
 */
export async function ownServer(url, more = {}) {
  const home = mkdtempSync(join(tmpdir(), 'portiona-own-'));
  const port = await freePort();
  const log = join(home, 'server.log');
  const own = { home, port, log, address: `http://127.0.0.1:${port}`, endedByItself: 0 };
  let child;
  let killed = false;
  own.start = async () => {
    killed = false;
    const to = openSync(log, 'a');
    child = spawn(process.execPath, [MAIN], {
      env: {
        ...process.env,
        LOG_LEVEL: 'error',
        ...more,
        DATABASE_URL: url,
        PORTIONA_HOME: home,
        PORTIONA_PORT: String(port),
        // Nobody who asks here is somebody of whom there are many.
        PORTIONA_PACE: '0',
      },
      stdio: ['ignore', to, to],
    });
    const here = child;
    here.once('exit', () => {
      if (!killed && here === child) own.endedByItself++;
    });
    for (let i = 0; i < 1800; i++) {
      if (
        await fetch(`${own.address}/api/health`).then(
          ({ ok }) => ok,
          () => false,
        )
      )
        return;
      if (here.exitCode !== null || here.signalCode !== null) return;
      await pause(50);
    }
    throw new Error('the server did not start');
  };
  /** Whether it runs. */
  own.runs = () => child.exitCode === null && child.signalCode === null;
  own.pid = () => child.pid;
  own.end = async (signal = 'SIGKILL') => {
    killed = true;
    if (!own.runs()) return;
    const ended = once(child, 'exit');
    child.kill(signal);
    await ended;
  };
  own.forget = async () => {
    await own.end('SIGTERM');
    rmSync(home, { recursive: true, force: true });
  };
  await own.start();
  return own;
}

/** What a server's log says of requests that were answered 500. */
export function unplainIn(log) {
  const lines = readFileSync(log, 'utf8').split('\n');
  const requests = lines.flatMap((line) => (/"status":500/.test(line) ? [/"request":"([^"]+)"/.exec(line)?.[1]] : []));
  return lines
    .filter((line) => requests.some((id) => line.includes(id)))
    .map((line) => `  ${line.slice(0, 1500)}`)
    .join('\n');
}
