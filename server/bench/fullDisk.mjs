// A disk that is full while it is written to: what is said, what is lost, and whether it goes on when there is room again.
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asOwnerOf } from '../../scripts/asOwner.mjs';
import { freePort } from '../../scripts/throwaway.mjs';
import { pause } from './watch.mjs';

const PORTIONA = new URL('../../portiona', import.meta.url).pathname;

/** @returns counts; undefined where no small disk can be had */
export async function fullDisk() {
  const home = mkdtempSync(join(tmpdir(), 'portiona-disk-'));
  if (process.getuid?.() !== 0 || spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=160m,mode=755', 'tmpfs', home]).status !== 0) {
    rmSync(home, { recursive: true, force: true });
    return undefined;
  }
  chmodSync(home, 0o755);
  const port = await freePort();
  const inherited = { ...process.env };
  delete inherited.DATABASE_URL;
  const env = { ...inherited, PORTIONA_HOME: home, PORTIONA_PORT: String(port) };
  const api = `http://127.0.0.1:${port}/api`;
  const send = async (method, path, body) => {
    const answer = await fetch(api + path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(20_000),
    }).catch((error) => ({ status: String(error), json: () => ({}) }));
    return { status: answer.status, body: await answer.json().catch(() => ({})) };
  };
  const document = (n) => ({
    id: 'dish',
    title: `Writing ${n}`,
    servings: 1,
    parts: [
      {
        id: 'p',
        name: 'P',
        lines: Array.from({ length: 200 }, (_, i) => ({ text: `line ${i} of ${n} ${randomBytes(150).toString('base64')}` })),
      },
    ],
  });
  const run = spawn(PORTIONA, ['start'], { env, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [run.stdout, run.stderr]) stream.on('data', (text) => (said += text));
  const statuses = {};
  let acknowledged = 0;
  let revision;
  try {
    for (let i = 0; i < 900 && !/is ready:/.test(said); i++) await pause(100);
    await asOwnerOf(`http://127.0.0.1:${port}`, PORTIONA, env);
    ({ revision } = (await send('POST', '/recipes', { document: document(0) })).body);
    const free = () => Number(statfsSync(home).bavail) * Number(statfsSync(home).bsize);
    // All but a little is taken by somebody else.
    writeFileSync(join(home, 'filler'), Buffer.alloc(Math.max(0, free() - 300_000)));
    let told = '';
    for (let n = 1; n <= 600; n++) {
      const { status, body } = await send('PUT', '/recipes/dish', { revision, document: document(n) });
      statuses[status] = (statuses[status] ?? 0) + 1;
      if (status === 200) [acknowledged, revision] = [n, body.revision];
      else told ||= body.detail ?? '';
      if (status !== 200) await pause(20);
    }
    rmSync(join(home, 'filler'));
    console.log(`saves on a disk that fills up: ${JSON.stringify(statuses)}; first told: ${told || 'nothing'}`);
    const running = run.exitCode === null;
    spawnSync(PORTIONA, ['start'], { env, stdio: 'ignore', timeout: 60_000 });
    let there;
    for (let i = 0; i < 50 && there?.status !== 200; i++) {
      await pause(200);
      there = await fetch(`${api}/recipes/dish`)
        .then(async (answer) => ({ status: answer.status, body: await answer.json() }))
        .catch(() => undefined);
    }
    const kept = Number(there?.body?.document?.title?.replace('Writing ', '') ?? -1);
    const again = await send('PUT', '/recipes/dish', { revision: there?.body?.revision ?? 0, document: document(1000) });
    console.log(
      `the server ${running ? 'went on' : 'ended'}; acknowledged last: ${acknowledged}, there after: ${kept}; a save with room again: ${again.status}`,
    );
    return { lost: kept < acknowledged ? 1 : 0, ended: running ? 0 : 1, again: again.status === 200 ? 0 : 1 };
  } finally {
    await once(spawn(PORTIONA, ['stop'], { env, stdio: 'ignore' }), 'exit');
    spawnSync('umount', [home]);
    rmSync(home, { recursive: true, force: true });
  }
}
