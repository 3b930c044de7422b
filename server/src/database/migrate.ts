import { setTimeout as wait } from 'node:timers/promises';
import { DataSource } from 'typeorm';
import { databaseTrouble } from '../http/databaseTrouble.js';
import { prepareQueues } from '../jobs/queues.js';
import { applicationRole, grantApplication } from './applicationRole.js';
import { schemaOptions } from './dataSource.js';

/** How often a database that does not answer yet is asked again, and the pause before each time, milliseconds. */
const TRIES = 3;
const PAUSE = 1_000;
/** Ours, apart from what others may lock: servers that start at once bring the schema up to date one after the other. */
const MIGRATION_LOCK = 0x706f7275;

/** The data is of a newer version than this code. */
export class NewerDataError extends Error {
  constructor(names: readonly string[]) {
    super(
      `this data was written by a newer version of Portiona (it knows of ${names.join(', ')}); start that version, or restore a backup into an empty place`,
    );
    this.name = 'NewerDataError';
  }
}

/**
 * Brings the schema of a database up to date, with its jobs, its first kitchen and the role that the application comes as; a database
 * that is only starting is waited for.
 *
 * @param owner address by which its owner reaches it
 * @throws NewerDataError, and whatever the database refuses
 */
export async function migrate(owner: string | undefined): Promise<void> {
  for (let left = TRIES; ; left--) {
    try {
      return await broughtUpToDate(owner);
    } catch (error) {
      if (left === 0 || databaseTrouble(error)?.status !== 503) throw error;
      await wait(PAUSE);
    }
  }
}

/**
 * Names of what has to be done to data before this version can use it: none where there is no data yet.
 *
 * @throws NewerDataError
 */
export async function pendingMigrations(owner: string | undefined): Promise<string[]> {
  const source = await new DataSource({ ...schemaOptions(owner), migrationsRun: false, poolSize: 1 }).initialize();
  try {
    await refuseNewer(source);
    const [{ there }] = await source.query<[{ there: boolean }]>(`SELECT to_regclass('migrations') IS NOT NULL AS there`);
    if (!there) return [];
    const done = new Set((await source.query<{ name: string }[]>('SELECT name FROM migrations')).map(({ name }) => name));
    return source.migrations.flatMap(({ name }) => (name === undefined || done.has(name) ? [] : [name]));
  } finally {
    await source.destroy();
  }
}

async function broughtUpToDate(owner: string | undefined): Promise<void> {
  const source = await new DataSource({ ...schemaOptions(owner), migrationsRun: false, poolSize: 2 }).initialize();
  const lock = source.createQueryRunner();
  try {
    await lock.query('SELECT pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await refuseNewer(source);
    await source.runMigrations({ transaction: 'all' });
    await source.query(`INSERT INTO kitchens (name, settings) SELECT 'Kitchen', '{}' WHERE NOT EXISTS (SELECT 1 FROM kitchens)`);
    if (owner === undefined) return;
    await prepareQueues(owner);
    await grantApplication(source, applicationRole(owner));
  } finally {
    await lock.query('SELECT pg_advisory_unlock($1)', [MIGRATION_LOCK]).catch(() => undefined);
    await lock.release();
    await source.destroy();
  }
}

async function refuseNewer(source: DataSource): Promise<void> {
  const [{ there }] = await source.query<[{ there: boolean }]>(`SELECT to_regclass('migrations') IS NOT NULL AS there`);
  if (!there) return;
  const known = new Set(source.migrations.map(({ name }) => name));
  const done = await source.query<{ name: string }[]>('SELECT name FROM migrations ORDER BY id');
  const newer = done.map(({ name }) => name).filter((name) => !known.has(name));
  if (newer.length > 0) throw new NewerDataError(newer);
}
