// Backups: node scripts/backups.mjs make|check|restore|rotate|daily … with DATABASE_URL (its owner's) and PORTIONA_HOME. See docs/backups.md.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  chmodSync,
  createReadStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { basename, dirname, join, resolve } from 'node:path';

const { Client } = createRequire(new URL('../server/package.json', import.meta.url))('pg');

/** What the manifest says it is of. */
const FORMAT = 'portiona-backup/1';
/** Folders of the data folder that go along: files that were brought and not taken in yet, and booklets. */
const FOLDERS = ['tables', 'bundles'];
/** Daily ones that stay, and after them one a week. */
const DAYS = 7;
const WEEKS = 4;
/** Tables that tell of the moment only. */
const OF_THE_MOMENT = new Set(['presences', 'servers']);
const NAME = /^portiona-(\d{4}-\d{2}-\d{2})-\d{6}\.tar$/;
const DAY_MS = 24 * 3600_000;

class Refused extends Error {}

const home = () => process.env.PORTIONA_HOME ?? '.portiona';
const backupsFolder = () => process.env.PORTIONA_BACKUPS || join(home(), 'backups');

/** The programs that came with the newest PostgreSQL there is. */
function program(name) {
  const versions = existsSync('/usr/lib/postgresql') ? readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a)) : [];
  const found = versions.map((version) => `/usr/lib/postgresql/${version}/bin/${name}`).find(existsSync);
  if (!found) throw new Refused(`${name} is missing; install PostgreSQL's client programs (apt-get install postgresql-client)`);
  return found;
}

/** A program's way to the database: its password in the environment, where no list of processes shows it. */
function reaching(url) {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  const to = ['-h', hostname, '-p', port || '5432', '-U', decodeURIComponent(username), '-d', decodeURIComponent(pathname.slice(1))];
  const sslmode = searchParams.get('sslmode');
  return { to, env: { ...process.env, PGPASSWORD: decodeURIComponent(password), ...(sslmode ? { PGSSLMODE: sslmode } : {}) } };
}

function run(command, args, options = {}) {
  return new Promise((done, failed) => {
    const child = spawn(command, args, { stdio: ['ignore', 'ignore', 'pipe'], ...options });
    let said = '';
    child.stderr.on('data', (text) => (said += text));
    child.once('error', failed);
    child.once('close', (code) =>
      code === 0 ? done() : failed(new Refused(`${command.split('/').at(-1)} failed: ${said.trim().slice(-600)}`)),
    );
  });
}

function digestOf(file) {
  return new Promise((done, failed) => {
    const hash = createHash('sha256');
    createReadStream(file)
      .on('data', (piece) => hash.update(piece))
      .once('end', () => done(hash.digest('hex')))
      .once('error', failed);
  });
}

async function tablesOf(client) {
  const { rows } = await client.query(
    `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE' ORDER BY 1`,
  );
  const counts = {};
  // What is of the moment only is in no dump.
  for (const { name } of rows)
    if (!OF_THE_MOMENT.has(name)) counts[name] = Number((await client.query(`SELECT count(*) FROM "${name}"`)).rows[0].count);
  return counts;
}

/**
 * Makes a backup: one state of the database, whatever is written meanwhile, with the files that belong to it. It is read back whole
 * before it takes its place; where anything fails there is none.
 *
 * @param file where it goes; left out: among the others, by its time
 */
export async function make(url, file) {
  const begun = Date.now();
  try {
    const made = await written(url, file);
    await note(url, { name: basename(made.file), bytes: made.bytes, took: Date.now() - begun });
    return made;
  } catch (error) {
    await note(url, { name: file === undefined ? nameNow() : basename(file), trouble: String(error.message).slice(0, 500) });
    throw error;
  }
}

/** Writes down what became of a backup, for the page of who looks after it; a database of an earlier version has no place for that. */
async function note(url, { name, bytes = null, took = null, trouble = null }) {
  const client = new Client({ connectionString: url });
  client.on('error', () => undefined);
  try {
    await client.connect();
    const [{ there }] = (await client.query(`SELECT to_regclass('backups') IS NOT NULL AS there`)).rows;
    if (there)
      await client.query('INSERT INTO backups (name, bytes, took_ms, trouble) VALUES ($1, $2, $3, $4)', [name, bytes, took, trouble]);
  } catch {
    // What was made is made, whether that could be written down or not.
  } finally {
    await client.end().catch(() => undefined);
  }
}

/** Notes that backups were let go. */
async function noteGone(url, names) {
  if (names.length === 0) return;
  const client = new Client({ connectionString: url });
  client.on('error', () => undefined);
  try {
    await client.connect();
    await client.query('UPDATE backups SET gone_at = now() WHERE name = ANY($1) AND gone_at IS NULL', [names]);
  } catch {
    // The page tells of one that is gone; that is all.
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function written(url, file) {
  const target = resolve(file ?? join(backupsFolder(), nameNow()));
  if (existsSync(target)) throw new Refused(`${target} is there already; choose another name`);
  mkdirSync(dirname(target), { recursive: true, mode: 0o700 });
  const work = mkdtempSync(join(dirname(target), '.making-'));
  const client = new Client({ connectionString: url });
  try {
    await client.connect();
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
    const { snapshot } = (await client.query('SELECT pg_export_snapshot() AS snapshot')).rows[0];
    const [{ begun }] = (await client.query(`SELECT to_regclass('migrations') IS NOT NULL AS begun`)).rows;
    if (!begun) throw new Refused('there is nothing in the database to back up yet');
    const migrations = (await client.query('SELECT name FROM migrations ORDER BY id')).rows.map(({ name }) => name);
    const counts = await tablesOf(client);
    const { to, env } = reaching(url);
    const dump = join(work, 'database.dump');
    await run(program('pg_dump'), [...to, '-Fc', '--no-owner', '--no-privileges', `--snapshot=${snapshot}`, '-f', dump], { env });
    await client.query('COMMIT');
    for (const folder of FOLDERS) {
      mkdirSync(join(work, folder));
      const from = join(home(), folder);
      if (existsSync(from)) await run('cp', ['-a', `${from}/.`, join(work, folder)]);
    }
    const files = {};
    for (const path of filesIn(work)) files[path] = await digestOf(join(work, path));
    const manifest = { format: FORMAT, madeAt: new Date().toISOString(), migrations, counts, files };
    writeFileSync(join(work, 'manifest.json'), `${JSON.stringify(manifest, null, 1)}\n`);
    const part = `${target}.part`;
    await run('tar', ['-C', work, '-cf', part, 'manifest.json', 'database.dump', ...FOLDERS]);
    chmodSync(part, 0o600);
    await check(part);
    renameSync(part, target);
    return { file: target, bytes: statSync(target).size, counts };
  } finally {
    await client.end().catch(() => undefined);
    rmSync(work, { recursive: true, force: true });
    rmSync(`${target}.part`, { force: true });
  }
}

/** Reads a backup back whole: every file as it was, and a dump that can be read to its end. @returns its manifest */
export async function check(file) {
  const work = mkdtempSync(join(tmpdir(), 'portiona-backup-'));
  try {
    return await unpacked(file, work);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

async function unpacked(file, work) {
  if (!existsSync(file)) throw new Refused(`there is no file ${file}`);
  await run('tar', ['-C', work, '-xf', file, '--no-same-owner']).catch(() => {
    throw new Refused(`${file} is no backup, or is cut short`);
  });
  let manifest;
  try {
    manifest = JSON.parse(readFileSync(join(work, 'manifest.json'), 'utf8'));
  } catch {
    throw new Refused(`${file} is no backup: it says nothing of itself`);
  }
  if (manifest.format !== FORMAT) throw new Refused(`${file} is of the format ${manifest.format}, which this version does not read`);
  const there = new Set(filesIn(work));
  for (const [path, digest] of Object.entries(manifest.files)) {
    if (!there.delete(path)) throw new Refused(`${file} lacks ${path}`);
    if ((await digestOf(join(work, path))) !== digest) throw new Refused(`${path} in ${file} is not what it was when the backup was made`);
  }
  there.delete('manifest.json');
  if (there.size > 0) throw new Refused(`${file} holds ${[...there][0]}, which it does not tell of`);
  await run(program('pg_restore'), ['-f', '/dev/null', join(work, 'database.dump')]);
  return manifest;
}

/**
 * Puts a backup into an empty place: all of it, or nothing. One that a newer version has made is refused.
 *
 * @param known names of the migrations that this version knows
 */
export async function restore(url, file, known) {
  const work = mkdtempSync(join(tmpdir(), 'portiona-restore-'));
  // Files are brought beside their place first: what takes long is done before anything is in it.
  const beside = join(home(), '.restoring');
  const client = new Client({ connectionString: url });
  client.on('error', () => undefined);
  try {
    const manifest = await unpacked(resolve(file), work);
    const newer = manifest.migrations.filter((name) => !known.includes(name));
    if (newer.length > 0)
      throw new Refused(`${file} was made by a newer version (it knows of ${newer.join(', ')}); restore it with that one`);
    await client.connect();
    await expectEmpty(client);
    rmSync(beside, { recursive: true, force: true });
    mkdirSync(beside, { recursive: true });
    await run('cp', ['-a', `${work}/.`, beside]);
    const { to, env } = reaching(url);
    await run(
      program('pg_restore'),
      [...to, '--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error', join(work, 'database.dump')],
      {
        env,
      },
    );
    const counts = await tablesOf(client);
    const lost = Object.entries(manifest.counts).filter(([name, count]) => counts[name] !== count);
    if (lost.length > 0)
      throw new Refused(
        `what was restored is not what was backed up: ${lost.map(([name]) => name).join(', ')}; begin again with an empty place`,
      );
    // Onto folders that are empty or not there at all.
    for (const folder of FOLDERS) renameSync(join(beside, folder), join(home(), folder));
    return manifest;
  } finally {
    await client.end().catch(() => undefined);
    rmSync(work, { recursive: true, force: true });
    rmSync(beside, { recursive: true, force: true });
  }
}

async function expectEmpty(client) {
  const { rows } = await client.query(`SELECT count(*) AS count FROM information_schema.tables WHERE table_schema IN ('public', 'jobs')`);
  if (Number(rows[0].count) > 0)
    throw new Refused(
      'the database holds something already; a backup is restored into an empty place (another PORTIONA_HOME, or an empty DATABASE_URL)',
    );
  for (const folder of FOLDERS) {
    const there = join(home(), folder);
    if (existsSync(there) && readdirSync(there).length > 0)
      throw new Refused(`${there} holds something already; restore into an empty place`);
  }
}

/** Makes the day's backup, where there is none of the last 24 hours, and lets old ones go. */
export async function daily(url, now = Date.now()) {
  // One of a day that is still to come was made by a clock that went back since: it keeps none of today from being made.
  const newest = kept()
    .filter(({ at }) => at <= now)
    .at(-1);
  if (newest && now - newest.at < DAY_MS) return undefined;
  const made = await make(url);
  await noteGone(url, rotate(now));
  return made;
}

/** Lets backups go that are older than a week, but for one of each of four weeks before; what has another name is nobody's to take. */
export function rotate(now = Date.now()) {
  const weeks = new Set();
  const gone = [];
  for (const { name, at } of kept().toReversed()) {
    const days = (now - at) / DAY_MS;
    const week = Math.floor(days / 7);
    if (days < DAYS) continue;
    if (week <= WEEKS && !weeks.has(week)) weeks.add(week);
    else gone.push(name);
  }
  for (const name of gone) rmSync(join(backupsFolder(), name));
  return gone;
}

/** Backups that were made by their time, oldest first. */
function kept() {
  if (!existsSync(backupsFolder())) return [];
  return readdirSync(backupsFolder())
    .filter((name) => NAME.test(name))
    .map((name) => ({ name, at: timeOf(name) }))
    .sort((a, b) => a.at - b.at);
}

function timeOf(name) {
  const [, day, hour, minute, second] = /^portiona-(\d{4}-\d{2}-\d{2})-(\d{2})(\d{2})(\d{2})\.tar$/.exec(name);
  return Date.parse(`${day}T${hour}:${minute}:${second}Z`);
}

function nameNow() {
  const now = new Date().toISOString();
  return `portiona-${now.slice(0, 10)}-${now.slice(11, 19).replaceAll(':', '')}.tar`;
}

/** Files in a folder and below it, by their paths within it, in order. */
function filesIn(folder, below = '') {
  return readdirSync(join(folder, below), { withFileTypes: true })
    .flatMap((entry) => (entry.isDirectory() ? filesIn(folder, join(below, entry.name)) : [join(below, entry.name)]))
    .sort();
}

const size = (bytes) => (bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);

/** What is held, for whoever reads it: kitchens, recipes, foods, batches. */
const HELD = { kitchens: 'kitchen', recipes: 'recipe', foods: 'food', batches: 'batch', photos: 'photo' };
const held = (counts) =>
  Object.entries(HELD)
    .map(([several, one]) => `${counts[several] ?? 0} ${counts[several] === 1 ? one : several}`)
    .join(', ');

async function knownMigrations() {
  const { migrationNames } = await import('../server/dist/database/migrationNames.js');
  return migrationNames();
}

if (process.argv[1] && resolve(process.argv[1]) === new URL(import.meta.url).pathname) {
  const [what, file] = process.argv.slice(2);
  const url = process.env.DATABASE_URL;
  try {
    if (what === 'make') {
      const made = await make(url, file);
      console.log(`${made.file} (${size(made.bytes)}), read back whole: ${held(made.counts)}`);
    } else if (what === 'check') {
      const manifest = await check(file);
      console.log(`${file} is whole: made ${manifest.madeAt}, ${held(manifest.counts)}`);
    } else if (what === 'restore') {
      const manifest = await restore(url, file, await knownMigrations());
      console.log(`Restored what was backed up at ${manifest.madeAt}: ${held(manifest.counts)}`);
    } else if (what === 'daily') {
      const made = await daily(url);
      if (made) console.log(`${new Date().toISOString()} ${made.file} (${size(made.bytes)})`);
    } else throw new Refused(`backups: make, check, restore or daily, not "${what}"`);
  } catch (error) {
    console.error(`portiona: ${error instanceof Refused ? error.message : (error.stack ?? error)}`);
    process.exitCode = 1;
  }
}
