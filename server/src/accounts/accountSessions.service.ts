import { Injectable } from '@nestjs/common';
import type { Request, Response } from 'express';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { NotFoundError } from '../http/problems.js';
import type { OwnSessionDto } from './account.dto.js';
import { digestOf, newSecret } from './secrets.js';
import { clearSession, SESSION, sessionSecret, setSession } from './sessionCookie.js';

/** How somebody signed in. */
export type SignInWay = 'link' | 'password' | 'passkey' | 'reset' | 'invitation';

/** Letters of what a browser calls itself that are kept. */
const LONGEST_AGENT = 300;
/** Places that one account is signed in at, at most: the one longest unused goes. */
const MOST_SESSIONS = 50;

/** Where accounts are signed in. What a browser holds is a secret, of which a digest is kept: who reads the database is signed in nowhere. */
@Injectable()
export class AccountSessionsService {
  constructor(private readonly database: Database) {}

  /** Signs an account in at a browser: with a new secret each time, and what the browser was signed in as before ends. @returns the secret */
  async begin(accountId: string, way: SignInWay, request: Request, response: Response): Promise<string> {
    const secret = newSecret();
    const before = sessionSecret(request);
    await this.database.write(async () => {
      const { manager } = this.database;
      if (before !== undefined) await manager.query('DELETE FROM account_sessions WHERE secret = $1', [digestOf(before)]);
      await manager.query('DELETE FROM account_sessions WHERE expires_at < now()');
      await manager.query(
        `INSERT INTO account_sessions (account_id, secret, way, address, agent, expires_at)
         VALUES ($1, $2, $3, $4, $5, now() + make_interval(secs => $6))`,
        [
          accountId,
          digestOf(secret),
          way,
          request.ip ?? '',
          (request.headers['user-agent'] ?? '').slice(0, LONGEST_AGENT),
          SESSION.idle / 1000,
        ],
      );
      await manager.query(
        `DELETE FROM account_sessions WHERE account_id = $1 AND id NOT IN
           (SELECT id FROM account_sessions WHERE account_id = $1 ORDER BY seen_at DESC LIMIT ${MOST_SESSIONS})`,
        [accountId],
      );
    });
    setSession(request, response, secret);
    return secret;
  }

  /** Signs a browser out. */
  async end(request: Request, response: Response): Promise<void> {
    const secret = sessionSecret(request);
    if (secret !== undefined) await this.database.manager.query('DELETE FROM account_sessions WHERE secret = $1', [digestOf(secret)]);
    clearSession(request, response);
  }

  async list(accountId: string, here: string | undefined): Promise<OwnSessionDto[]> {
    const rows = await this.database.manager.query<
      { id: string; way: string; address: string; agent: string; created_at: Date; seen_at: Date; expires_at: Date }[]
    >('SELECT * FROM account_sessions WHERE account_id = $1 AND expires_at > now() ORDER BY seen_at DESC', [accountId]);
    return rows.map(({ id, way, address, agent, ...at }) => ({
      ...{ id, way, address, agent, here: id === here },
      createdAt: at.created_at.toISOString(),
      seenAt: at.seen_at.toISOString(),
      expiresAt: at.expires_at.toISOString(),
    }));
  }

  /** Ends one of an account's own. @throws NotFoundError */
  async endOne(accountId: string, id: string): Promise<void> {
    const ended = isUuid(id)
      ? await this.database.manager.query<[unknown[], number]>('DELETE FROM account_sessions WHERE account_id = $1 AND id = $2', [
          accountId,
          id,
        ])
      : [[], 0];
    if (ended[1] === 0) throw new NotFoundError('sign-in', id);
  }

  /** Ends every one of an account's, but for one where that is said. */
  async endAll(accountId: string, but?: string): Promise<void> {
    await this.database.manager.query('DELETE FROM account_sessions WHERE account_id = $1 AND id IS DISTINCT FROM $2', [
      accountId,
      but ?? null,
    ]);
  }
}
