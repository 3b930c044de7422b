import { createHash, createHmac } from 'node:crypto';
import type { DataSource } from 'typeorm';

/** Longest name that PostgreSQL takes. */
const LONGEST_NAME = 63;
const PREFIX = 'portiona_app_';

/** Who the application is to the database: owns nothing there, and is held by row-level security. */
export interface ApplicationRole {
  readonly url: string;
  readonly name: string;
  /** Undefined where the database asks its owner for none either. */
  readonly password: string | undefined;
}

/**
 * The address of a database for the application, made from its owner's: each server that knows the owner's makes the same one, and
 * who knows only this one cannot make the owner's.
 *
 * @param owner DATABASE_URL: an account that owns the database and may create roles
 */
export function applicationRole(owner: string): ApplicationRole {
  const url = new URL(owner);
  const database = decodeURIComponent(url.pathname.slice(1));
  const whole = PREFIX + database;
  const name =
    whole.length <= LONGEST_NAME ? whole : `${whole.slice(0, 46)}_${createHash('sha256').update(whole).digest('hex').slice(0, 16)}`;
  const password =
    url.password === '' ? undefined : createHmac('sha256', decodeURIComponent(url.password)).update(`portiona ${name}`).digest('hex');
  url.username = encodeURIComponent(name);
  url.password = password ?? '';
  return { url: url.href, name, password };
}

/** Sees to it that the role is there and may do what the application does: read and write rows, and nothing to the tables themselves. */
export async function grantApplication(owner: DataSource, { name, password }: ApplicationRole): Promise<void> {
  const role = `"${name.replaceAll('"', '""')}"`;
  const quoted = password === undefined ? 'NULL' : `'${password}'`;
  const known = await owner.query<unknown[]>('SELECT 1 FROM pg_roles WHERE rolname = $1', [name]);
  // Nothing that would let it past: it owns nothing, makes no roles and no databases, and is a member of nothing.
  await owner.query(
    `${known.length === 0 ? 'CREATE' : 'ALTER'} ROLE ${role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS NOINHERIT PASSWORD ${quoted}`,
  );
  for (const schema of ['public', 'jobs']) {
    const there = await owner.query<unknown[]>('SELECT 1 FROM pg_namespace WHERE nspname = $1', [schema]);
    if (there.length === 0) continue;
    await owner.query(`GRANT USAGE ON SCHEMA ${schema} TO ${role}`);
    await owner.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${schema} TO ${role}`);
    await owner.query(`GRANT USAGE ON ALL SEQUENCES IN SCHEMA ${schema} TO ${role}`);
    await owner.query(`GRANT EXECUTE ON ALL FUNCTIONS IN SCHEMA ${schema} TO ${role}`);
  }
  // Functions that look further than one kitchen are for the application alone, not for whoever else has an account at the database.
  const doors = await owner.query<{ door: string }[]>(
    `SELECT oid::regprocedure::text AS door FROM pg_proc WHERE prosecdef AND pronamespace = 'public'::regnamespace AND proowner = current_user::regrole`,
  );
  for (const { door } of doors) await owner.query(`REVOKE EXECUTE ON FUNCTION ${door} FROM PUBLIC`);
  // What was done is noted by a function alone, and read; which migrations ran is only read.
  await owner.query(`REVOKE ALL ON audit_heads FROM ${role}`);
  await owner.query(`REVOKE INSERT, UPDATE, DELETE ON migrations, audit_entries, backups FROM ${role}`);
}
