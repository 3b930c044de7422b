// Kills the parts of a running Portiona while it is written to, over and over: what was acknowledged has to be there afterwards,
// whole; it has to start each time; and nothing may be left running after `stop`.
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asOwnerOf } from '../../scripts/asOwner.mjs';
import { freePort } from '../../scripts/throwaway.mjs';
import { pause } from './watch.mjs';

const PORTIONA = new URL('../../portiona', import.meta.url).pathname;
/** What is killed in turns. */
export const KINDS = ['server', 'database', 'connection', 'script'];
const WRITERS = 4;

/** A document that shows at a look whether it is whole: its number stands in every line. */
const documentOf = (id, n) => ({
  id,
  title: `Writing ${n}`,
  servings: 1,
  parts: [{ id: 'p', name: 'P', lines: Array.from({ length: 30 }, (_, i) => ({ text: `line ${i} of ${n}` })) }],
});
const isWhole = ({ title, parts }) => {
  const n = title.replace('Writing ', '');
  return parts[0].lines.length === 30 && parts[0].lines.every(({ text }, i) => text === `line ${i} of ${n}`);
};

/** @param {number} kills @returns what was lost, and so on, as counts */
export async function killSweep(kills) {
  const home = mkdtempSync(join(tmpdir(), 'portiona-kills-'));
  chmodSync(home, 0o755);
  const port = await freePort();
  const inherited = { ...process.env };
  delete inherited.DATABASE_URL;
  const env = { ...inherited, PORTIONA_HOME: home, PORTIONA_PORT: String(port), LOG_LEVEL: 'silent', PORTIONA_PATIENCE: '10' };
  const api = `http://127.0.0.1:${port}/api/recipes`;
  const counts = { kills: 0, saves: 0, lost: 0, half: 0, unstarted: 0, ...Object.fromEntries(KINDS.map((kind) => [kind, 0])) };
  const acknowledged = new Map();
  let writing = true;

  const send = (method, path, body) =>
    fetch(api + path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(15_000),
    });

  /** Starts, and waits until it runs, whoever runs it. */
  async function start() {
    const child = spawn(PORTIONA, ['start'], { env, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
    for (let i = 0; i < 1200; i++) {
      if (/is ready:/.test(said)) return true;
      if (child.exitCode !== null) {
        if (child.exitCode === 0) return true;
        console.log(said);
        return false;
      }
      await pause(50);
    }
    return false;
  }

  /** Saves one recipe again and again, as a page does: on the revision it knows, taking up what is there after a failure. */
  async function writer(id) {
    let [revision, n] = [0, 0];
    while (writing) {
      try {
        if (revision === 0) {
          const there = await fetch(`${api}/${id}`, { signal: AbortSignal.timeout(15_000) });
          if (there.ok) revision = (await there.json()).revision;
          else if (there.status === 404) {
            const made = await send('POST', '', { document: documentOf(id, n) });
            if (made.status === 201) revision = 1;
            continue;
          } else throw new Error(String(there.status));
        }
        const answer = await send('PUT', `/${id}`, { revision, document: documentOf(id, ++n) });
        if (answer.status === 200) {
          ({ revision } = await answer.json());
          acknowledged.set(id, { revision, n });
          counts.saves++;
        } else if (answer.status === 409) revision = 0;
        else throw new Error(String(answer.status));
      } catch {
        revision = 0;
        await pause(60);
      }
    }
  }

  async function check() {
    for (const [id, { revision, n }] of acknowledged) {
      for (let again = 0; ; again++) {
        const answer = await fetch(`${api}/${id}`, { signal: AbortSignal.timeout(15_000) }).catch(() => undefined);
        if (!answer?.ok) {
          if (again < 40) {
            await pause(200);
            continue;
          }
          counts.lost++;
          console.log(`${id} cannot be read: ${answer?.status}`);
          break;
        }
        const there = await answer.json();
        // Writers go on: what is there is what was acknowledged then, or newer.
        if (there.revision < revision || Number(there.document.title.replace('Writing ', '')) < n) {
          counts.lost++;
          console.log(
            `lost: ${id} was acknowledged at revision ${revision} with ${n}, and stands at ${there.revision} with ${there.document.title}`,
          );
        }
        if (!isWhole(there.document)) counts.half++;
        break;
      }
    }
  }

  const pidIn = (file) => Number(readFileSync(join(home, file), 'utf8').split(/\s/)[0]);
  const postmaster = () => Number(spawnSync('sh', ['-c', `head -n 1 ${home}/database/data/postmaster.pid`], { encoding: 'utf8' }).stdout);
  const childrenOf = (pid) =>
    readdirSync('/proc').filter((name) => {
      try {
        return (
          /^\d+$/.test(name) &&
          readFileSync(`/proc/${name}/stat`, 'utf8').replace(/.*\) /, '').split(' ')[1] === String(pid) &&
          // Of whichever role: the server's own is made by the owner.
          /postgres: portiona\S* portiona /.test(readFileSync(`/proc/${name}/cmdline`, 'utf8'))
        );
      } catch {
        return false;
      }
    });

  function kill(kind) {
    const target =
      kind === 'server'
        ? pidIn('server.pid')
        : kind === 'script'
          ? pidIn('runner.pid')
          : kind === 'database'
            ? postmaster()
            : Number(childrenOf(postmaster()).at(-1));
    if (!target) return false;
    try {
      process.kill(target, 'SIGKILL');
      return true;
    } catch {
      return false;
    }
  }

  try {
    if (!(await start())) throw new Error('it did not start at all');
    await asOwnerOf(`http://127.0.0.1:${port}`, PORTIONA, env);
    const writers = Array.from({ length: WRITERS }, (_, i) => writer(`writer-${i}`));
    for (let i = 0; i < kills; i++) {
      await pause(80 + Math.random() * 400);
      const kind = KINDS[i % KINDS.length];
      if (!kill(kind)) continue;
      counts.kills++;
      counts[kind]++;
      await pause(Math.random() * 300);
      if (!(await start())) {
        counts.unstarted++;
        console.log(`it did not start after a kill of ${kind}`);
        break;
      }
      await check();
      if ((i + 1) % 20 === 0) console.log(`${i + 1} kills, ${counts.saves} saves acknowledged, ${counts.lost} lost, ${counts.half} half`);
    }
    writing = false;
    await Promise.all(writers);
    await check();
  } finally {
    writing = false;
    const stop = spawn(PORTIONA, ['stop'], { env, stdio: 'ignore' });
    await once(stop, 'exit');
    counts.left = leftOf(home).length;
    for (const one of leftOf(home)) console.log(`left running: ${one}`);
    rmSync(home, { recursive: true, force: true });
  }
  return counts;
}

/** Processes that belong to a home. */
function leftOf(home) {
  return readdirSync('/proc').flatMap((pid) => {
    try {
      if (!/^\d+$/.test(pid) || Number(pid) === process.pid) return [];
      const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
      const state = readFileSync(`/proc/${pid}/stat`, 'utf8').replace(/.*\) /, '')[0];
      const environment = /portiona|postgres|main\.js/.test(command) ? readFileSync(`/proc/${pid}/environ`, 'utf8') : '';
      return state !== 'Z' && (command.includes(home) || environment.includes(`PORTIONA_HOME=${home}`)) ? [`${pid} ${command}`] : [];
    } catch {
      return [];
    }
  });
}
