// What people do all day besides saving dishes: accounts, batches, publishing, photos, jobs and backups, again and again, whatever becomes of
// the server under them. Afterwards it is judged: what was answered has to be there, once and whole; what is over has to stay over; the chain
// of deeds has to hold.
import { execFile } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { enterBy } from '../../scripts/signedIn.mjs';
import { pause } from './watch.mjs';

const require = createRequire(new URL('../package.json', import.meta.url));
const { Client } = require('pg');
const { encode } = require('jpeg-js');
const BACKUPS = new URL('../../scripts/backups.mjs', import.meta.url).pathname;
const DEMO = readFileSync(new URL('../../demo/saltmarsh-suppers.json', import.meta.url));
const run = promisify(execFile);

/** Asks a database as its owner, on a connection of this question alone. */
export async function asked(url, text, values = []) {
  const client = new Client({ connectionString: url });
  client.on('error', () => undefined);
  await client.connect();
  try {
    return (await client.query(text, values)).rows;
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Makes, checks or restores a backup by the command's own part of it. */
export const backups = (args, url, home) =>
  run(process.execPath, [BACKUPS, ...args], { env: { ...process.env, DATABASE_URL: url, PORTIONA_HOME: home } });

/** Signs in at a server as whoever looks after it. */
export async function enter(address, url) {
  const { enterLink } = await import('../dist/database/enterLink.js');
  return enterBy(address, await enterLink(url));
}

/** Asks as somebody: an answer with its body; undefined where nobody knows what became of it. */
export async function askAs(me, path, method = 'GET', body = undefined, headers = {}) {
  try {
    const isBytes = Buffer.isBuffer(body);
    const answer = await me.ask(path, {
      method,
      headers: { ...(isBytes ? { 'content-type': 'application/octet-stream' } : {}), ...headers },
      ...(body === undefined ? {} : { body: isBytes ? body : JSON.stringify(body) }),
      signal: AbortSignal.timeout(20_000),
    });
    const text = await answer.text();
    return {
      status: answer.status,
      body: /json/.test(answer.headers.get('content-type') ?? '') && text !== '' ? JSON.parse(text) : undefined,
    };
  } catch {
    return undefined;
  }
}

/**
 * People at work in a kitchen with the demo in it.
 *
 * @param url of the database, for its owner
 * @param home the server's data folder
 * @param own which kinds of work; left out: all
 * @param rest milliseconds between one thing and the next of a kind
 */
export async function everyday({ address, url, home, own, rest = 20 }) {
  const me = await enter(address, url);
  const statuses = {};
  let count = 0;
  const found = [];
  const fault = (kind, what) => found.push({ kind, what });
  const ask = async (...asking) => {
    const answer = await askAs(me, ...asking);
    const status = answer?.status ?? 'none';
    statuses[status] = (statuses[status] ?? 0) + 1;
    // What is the database's trouble is told as that: nobody is to look for a fault of the server's own.
    if (status === 500) fault('unplain', `${asking[1] ?? 'GET'} ${asking[0]}: ${JSON.stringify(answer.body)}`);
    if (answer === undefined || answer.status >= 500) return undefined;
    count++;
    return answer;
  };
  /** Asks until it is answered: with its key it is done once, however often it is asked. */
  const untilAnswered = async (path, method, body) => {
    const key = { 'idempotency-key': randomUUID() };
    for (;;) {
      const answer = await ask(path, method, body, key);
      if (answer) return answer;
      await pause(200);
    }
  };
  await me.ask('/api/imports/kitchen-file', { method: 'POST', body: DEMO });
  const recipes = (await ask('/api/recipes')).body.map(({ id }) => id);
  const answered = { names: ['Owner'], edits: [], issues: [], photos: [], invitations: [], gone: [], runs: [] };
  let going = true;

  const people = {
    // Who I am called, and who is invited: what was said last is what holds.
    async account(n) {
      const name = `Cook ${n}`;
      const answer = await ask('/api/me', 'PATCH', { name });
      answered.names = answer?.status === 200 ? [name] : [...answered.names, name];
      const made = await ask('/api/invitations', 'POST', { role: 'viewer', costs: false });
      if (made?.status !== 201) return;
      if (n % 2) {
        answered.invitations.push(made.body.id);
        return;
      }
      const ended = await ask(`/api/invitations/${made.body.id}`, 'DELETE');
      if (ended?.status === 204) answered.gone.push(made.body.id);
    },
    // A weight is known by an id: told again and again, it counts once.
    async batch(n) {
      if (n === 0) await untilAnswered('/api/batches', 'POST', { document: { id: 'wide', recipe: recipes[0], date: '2026-11-30' } });
      const id = randomUUID();
      const pack = { food: 'red-lentils-weir-lane', net: 500, unit: 'g', shop: 'Depot Nine', price: `${n + 1}.05` };
      for (let i = 0; i < 40; i++) {
        const answer = await ask('/api/batches/wide/edits', 'POST', { edits: [{ id, edit: { do: 'paid', pack } }] });
        if (answer) {
          if (answer.status === 200) answered.edits.push(id);
          return;
        }
        await pause(200);
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
      if (answer?.status === 201) answered.photos.push(answer.body.id);
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
      const making = backups(['make', file], url, home);
      // It is killed, too.
      if (n % 3 === 2) setTimeout(() => making.child.kill('SIGKILL'), Math.random() * 1500).unref();
      await making.catch(() => undefined);
      // There, it is whole; or it is not there at all.
      if (existsSync(file)) {
        await backups(['check', file], url, home).catch((error) => fault('wrong', `a backup that is there is not whole: ${error.stderr}`));
        answered.backups = (answered.backups ?? 0) + 1;
      }
      rmSync(file, { force: true });
    },
  };
  const work = Object.entries(people)
    .filter(([name]) => own === undefined || own.includes(name))
    .map(async ([name, act]) => {
      for (let n = 0; going; n++) {
        await act(n).catch((error) => fault('wrong', `${name}: ${error.message}`));
        await pause(name === 'backup' ? 1500 : rest);
      }
    });

  return {
    me,
    ask,
    statuses,
    fault,
    /** Requests that were answered, not counting those that were refused for reasons of the server's. */
    count: () => count,
    /** What was answered so far. */
    answered: () => structuredClone(answered),
    /** Lets everybody end what they are at. */
    async end() {
      going = false;
      await Promise.all(work);
    },
    found,
    /** Judges what is there by what was answered. @returns what is wrong with it */
    judge: async (at = { me, url }, of = answered) => [...found, ...(await judged(at, of))],
  };
}

/**
 * What is wrong with what is there.
 *
 * @param me somebody signed in where it is
 * @param url of the database, for its owner
 * @param of what was answered
 */
export async function judged({ me, url }, of) {
  const wrong = [];
  const fault = (kind, what) => wrong.push({ kind, what });
  const get = async (path) => {
    for (let i = 0; i < 100; i++) {
      const answer = await askAs(me, path);
      if (answer && answer.status < 500) return answer.body;
      await pause(200);
    }
    fault('lost', `${path} is not answered`);
    return undefined;
  };
  const name = (await get('/api/me'))?.name;
  if (of.names.length > 0 && !of.names.includes(name)) fault('lost', `the account is called "${name}", and not ${of.names}`);
  const invitations = new Set(((await get('/api/invitations')) ?? []).map(({ id }) => id));
  for (const id of of.invitations) if (!invitations.has(id)) fault('lost', `invitation ${id}`);
  for (const id of of.gone) if (invitations.has(id)) fault('wrong', `invitation ${id} was ended and is there`);
  const kept = new Set((await asked(url, 'SELECT id FROM batch_edits')).map(({ id }) => id));
  for (const id of of.edits) if (!kept.has(id)) fault('lost', `edit ${id} of the batch`);
  if (kept.size > 0) {
    const paid = (await get('/api/batches/wide'))?.document.paid ?? [];
    if (paid.length !== kept.size) fault('doubled', `${kept.size} edits came, and the batch holds ${paid.length}`);
  }
  const issues = await asked(url, 'SELECT recipe_id AS id, array_agg(issue ORDER BY issue) AS issues FROM published_cards GROUP BY 1');
  for (const { id, issues: own } of issues) if (own.some((issue, i) => issue !== i + 1)) fault('doubled', `issues of ${id}: ${own}`);
  const out = new Map(issues.map((row) => [row.id, new Set(row.issues)]));
  for (const [id, issue] of of.issues) if (!out.get(id)?.has(issue)) fault('lost', `issue ${issue} of ${id}`);
  for (const id of new Set(of.photos)) {
    const picture = Buffer.from(await (await me.ask(`/api/photos/${id}`)).arrayBuffer());
    if (createHash('sha256').update(picture).digest('hex') !== id) fault('wrong', `photo ${id} is another`);
  }
  let givenUp = 0;
  for (const id of of.runs.slice(-40)) {
    let body;
    for (let i = 0; i < 600; i++) {
      body = (await askAs(me, `/api/distributions/${id}`))?.body;
      if (body?.state !== 'running' && body !== undefined) break;
      await pause(100);
    }
    // Of each kitchen the last few draws are kept.
    if (body?.state === 'running') fault('lost', `run ${id} never ended`);
    // What was ended five times in a row by whatever ended the server is given up, and says so.
    if (body?.state === 'failed' && /again and again/.test(body.message)) givenUp++;
    else if (body?.state === 'failed') fault('wrong', `run ${id} failed: ${body.message}`);
  }
  if (givenUp > 0) console.log(`  ${givenUp} runs were given up after five deaths in a row, and say so`);
  const chain = await get('/api/audit/check');
  if (chain?.brokenAt !== null) fault('wrong', `the chain of deeds is broken at ${chain?.brokenAt}`);
  return wrong;
}
