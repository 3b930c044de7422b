// Kills in the middle of everything that people do besides saving dishes: accounts, batches, publishing, photos, jobs and backups. What was
// answered has to be there afterwards, once and whole; what is over has to stay over; the chain of deeds has to hold.
import { execFile, spawn } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { enterBy } from '../../scripts/signedIn.mjs';
import { freePort, startDatabase } from '../../scripts/throwaway.mjs';
import { pause } from './watch.mjs';

const require = createRequire(new URL('../package.json', import.meta.url));
const { Client } = require('pg');
const { encode } = require('jpeg-js');
const MAIN = new URL('../dist/main.js', import.meta.url).pathname;
const BACKUPS = new URL('../../scripts/backups.mjs', import.meta.url).pathname;
const DEMO = readFileSync(new URL('../../demo/saltmarsh-suppers.json', import.meta.url));
const run = promisify(execFile);

/** @param {number} kills @returns counts of what was done, and of what was lost, doubled or wrong */
export async function wideKills(kills) {
  const database = startDatabase();
  const home = mkdtempSync(join(tmpdir(), 'portiona-wide-'));
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const counts = { kills: 0, answered: 0, lost: 0, doubled: 0, wrong: 0 };
  const found = [];
  const fault = (kind, what) => {
    counts[kind]++;
    if (found.length < 20) found.push(what);
  };
  let server;
  const start = async () => {
    server = spawn(process.execPath, [MAIN], {
      env: {
        ...process.env,
        DATABASE_URL: database.url,
        PORTIONA_HOME: home,
        PORTIONA_PORT: String(port),
        LOG_LEVEL: 'silent',
        PORTIONA_PACE: '0',
      },
      stdio: 'ignore',
    });
    for (let i = 0; i < 900; i++) {
      if (
        await fetch(`${address}/api/health`).then(
          ({ ok }) => ok,
          () => false,
        )
      )
        return;
      if (server.exitCode !== null) break;
      await pause(50);
    }
    throw new Error('the server did not start');
  };
  const owner = new Client({ connectionString: database.url });
  await start();
  await owner.connect();
  const { enterLink } = await import('../dist/database/enterLink.js');
  const me = await enterBy(address, await enterLink(database.url));
  /** An answer with its body; undefined where nobody knows what became of it. */
  const ask = async (path, method = 'GET', body = undefined, headers = {}) => {
    try {
      const isBytes = Buffer.isBuffer(body);
      const answer = await me.ask(path, {
        method,
        headers: { ...(isBytes ? { 'content-type': 'application/octet-stream' } : {}), ...headers },
        ...(body === undefined ? {} : { body: isBytes ? body : JSON.stringify(body) }),
        signal: AbortSignal.timeout(20_000),
      });
      const text = await answer.text();
      if (answer.status >= 500) return undefined;
      counts.answered++;
      return {
        status: answer.status,
        body: /json/.test(answer.headers.get('content-type') ?? '') && text !== '' ? JSON.parse(text) : undefined,
      };
    } catch {
      return undefined;
    }
  };
  /** Asks until it is answered: with its key it is done once, however often it is asked. */
  const untilAnswered = async (path, method, body) => {
    const key = { 'idempotency-key': randomUUID() };
    for (;;) {
      const answer = await ask(path, method, body, key);
      if (answer) return answer;
      await pause(60);
    }
  };
  await me.ask('/api/imports/kitchen-file', { method: 'POST', body: DEMO });
  const recipes = (await ask('/api/recipes')).body.map(({ id }) => id);
  const answered = { names: ['Owner'], edits: [], issues: [], photos: new Set(), invitations: new Set(), gone: new Set(), runs: [] };
  let going = true;

  const people = {
    // Who I am called, and who is invited: what was said last is what holds.
    async account(n) {
      const name = `Cook ${n}`;
      const answer = await ask('/api/me', 'PATCH', { name });
      answered.names = answer?.status === 200 ? [name] : [...answered.names, name];
      const made = await ask('/api/invitations', 'POST', { role: 'viewer', costs: false });
      if (made?.status !== 201) return;
      answered.invitations.add(made.body.id);
      if (n % 2) return;
      answered.invitations.delete(made.body.id);
      const ended = await ask(`/api/invitations/${made.body.id}`, 'DELETE');
      if (ended?.status === 204) answered.gone.add(made.body.id);
    },
    // A weight is known by an id: told again and again, it counts once.
    async batch(n) {
      if (n === 0) await untilAnswered('/api/batches', 'POST', { document: { id: 'wide', recipe: recipes[0], date: '2026-11-30' } });
      const id = randomUUID();
      const pack = { food: 'red-lentils-weir-lane', net: 500, unit: 'g', shop: 'Depot Nine', price: `${n + 1}.05` };
      const edit = { id, edit: { do: 'paid', pack } };
      for (let i = 0; i < 40; i++) {
        const answer = await ask('/api/batches/wide/edits', 'POST', { edits: [edit] });
        if (answer) {
          if (answer.status === 200) answered.edits.push(id);
          return;
        }
        await pause(60);
      }
    },
    async publishing(n) {
      const id = recipes[n % recipes.length];
      const answer = await untilAnswered(
        `/api/recipes/${id}/published-cards`,
        'POST',
        n >= recipes.length ? { correction: `Put right ${n}` } : {},
      );
      if (answer.status === 201) answered.issues.push([id, answer.body.issue]);
    },
    async photo(n) {
      // Each is another picture.
      const [width, height] = [48, 32];
      const data = Buffer.alloc(width * height * 4, 255);
      for (let i = 0; i < data.length; i += 4) data[i] = (i * (n + 3)) % 251;
      const answer = await ask('/api/photos', 'POST', encode({ data, width, height }, 80).data);
      if (answer?.status === 201) answered.photos.add(answer.body.id);
    },
    async job(n) {
      const answer = await ask(`/api/recipes/${recipes[n % recipes.length]}/distributions`, 'POST', {
        figure: 'protein',
        draws: 60_000,
        seed: n,
      });
      if (answer?.status === 202) answered.runs.push(answer.body.id);
    },
    async backup(n) {
      const file = join(home, `wide-${n}.tar`);
      await run(process.execPath, [BACKUPS, 'make', file], {
        env: { ...process.env, DATABASE_URL: database.url, PORTIONA_HOME: home },
      }).catch(() => undefined);
      // There, it is whole; or it is not there at all.
      if (existsSync(file))
        await run(process.execPath, [BACKUPS, 'check', file]).catch((error) =>
          fault('wrong', `a backup that is there is not whole: ${error.stderr}`),
        );
      rmSync(file, { force: true });
    },
  };
  const work = Object.entries(people).map(async ([name, act]) => {
    for (let n = 0; going; n++) {
      await act(n).catch((error) => fault('wrong', `${name}: ${error.message}`));
      await pause(name === 'backup' ? 400 : 20);
    }
  });

  for (let i = 0; i < kills; i++) {
    await pause(Math.random() * 400);
    if (i % 6 === 5) {
      server.kill('SIGKILL');
      await once(server, 'exit');
      await start();
    } else
      await owner.query(`SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE usename LIKE 'portiona_app%' AND random() < 0.7`);
    counts.kills++;
    if (counts.kills % 50 === 0) console.log(`  ${counts.kills} kills`);
  }
  going = false;
  await Promise.all(work);

  const me_ = (await ask('/api/me'))?.body;
  if (!answered.names.includes(me_?.name)) fault('lost', `the account is called "${me_?.name}", and not ${answered.names}`);
  const invitations = new Set((await ask('/api/invitations')).body.map(({ id }) => id));
  for (const id of answered.invitations) if (!invitations.has(id)) fault('lost', `invitation ${id}`);
  for (const id of answered.gone) if (invitations.has(id)) fault('wrong', `invitation ${id} was ended and is there`);
  const { rows: edits } = await owner.query('SELECT id FROM batch_edits');
  const kept = new Set(edits.map(({ id }) => id));
  for (const id of answered.edits) if (!kept.has(id)) fault('lost', `edit ${id} of the batch`);
  const paid = (await ask('/api/batches/wide')).body.document.paid ?? [];
  if (paid.length !== kept.size) fault('doubled', `${kept.size} edits came, and the batch holds ${paid.length}`);
  const { rows: issues } = await owner.query('SELECT recipe_id, array_agg(issue ORDER BY issue) AS issues FROM published_cards GROUP BY 1');
  for (const { recipe_id: id, issues: own } of issues)
    if (own.some((issue, i) => issue !== i + 1)) fault('doubled', `issues of ${id}: ${own}`);
  const out = new Map(issues.map((row) => [row.recipe_id, new Set(row.issues)]));
  for (const [id, issue] of answered.issues) if (!out.get(id)?.has(issue)) fault('lost', `issue ${issue} of ${id}`);
  for (const id of answered.photos) {
    const picture = Buffer.from(await (await me.ask(`/api/photos/${id}`)).arrayBuffer());
    if (createHash('sha256').update(picture).digest('hex') !== id) fault('wrong', `photo ${id} is another`);
  }
  for (const id of answered.runs.slice(-40)) {
    let state;
    for (let i = 0; i < 400 && (state = (await ask(`/api/distributions/${id}`))?.body?.state) === 'running'; i++) await pause(100);
    if (state !== 'done' && state !== undefined) fault('lost', `run ${id} is ${state}`);
  }
  const chain = (await ask('/api/audit/check'))?.body;
  if (chain?.brokenAt !== null) fault('wrong', `the chain of deeds is broken at ${chain?.brokenAt}`);
  console.log(
    JSON.stringify({
      ...counts,
      edits: answered.edits.length,
      issues: answered.issues.length,
      runs: answered.runs.length,
      entries: chain?.entries,
    }),
  );
  for (const one of found) console.log(`  ${one}`);
  await owner.end();
  server.kill('SIGTERM');
  await once(server, 'exit');
  database.stop();
  rmSync(home, { recursive: true, force: true });
  return counts;
}
