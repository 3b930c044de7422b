import type { EntityManager } from 'typeorm';
import { digestOf, newSecret } from './secrets.js';

/** What a link is for, and how long it can be used, seconds: one of the command line is opened when somebody comes to it; a reset within the hour. */
export const LINK_SECONDS = { enter: 12 * 3600, reset: 3600 } as const;
export type LinkKind = keyof typeof LINK_SECONDS;

/** Makes a link that lets an account in once; those of its kind made before hold no longer, but for ones to enter, which may wait in several places. @returns its secret */
export async function makeLink(manager: EntityManager, kind: LinkKind, accountId: string): Promise<string> {
  const secret = newSecret();
  await manager.query('DELETE FROM account_links WHERE expires_at < now()');
  if (kind === 'reset') await manager.query(`DELETE FROM account_links WHERE kind = 'reset' AND account_id = $1`, [accountId]);
  await manager.query(
    `INSERT INTO account_links (secret, kind, account_id, expires_at) VALUES ($1, $2, $3, now() + make_interval(secs => $4))`,
    [digestOf(secret), kind, accountId, LINK_SECONDS[kind]],
  );
  return secret;
}

/** Uses a link up. @returns the account it is for; undefined for one that is used, too old, or none */
export async function takeLink(manager: EntityManager, kind: LinkKind, secret: string): Promise<string | undefined> {
  // One statement: of two that come at once, one finds it.
  const [rows] = await manager.query<[{ account_id: string }[], number]>(
    'DELETE FROM account_links WHERE secret = $1 AND kind = $2 AND expires_at > now() RETURNING account_id',
    [digestOf(secret), kind],
  );
  return rows[0]?.account_id;
}
