import { Injectable } from '@nestjs/common';
import type { Request } from 'express';
import { Database } from '../database/database.js';
import { Doors } from '../database/doors.js';
import { rightsOf, type Right, type Role } from '../scope/rights.js';
import { digestOf, pageToken, sameText } from './secrets.js';
import { SESSION, sessionSecret } from './sessionCookie.js';

/** Header in which a page says that it asks by itself. */
export const PAGE_TOKEN_HEADER = 'x-portiona-page';
/** Milliseconds after which it is noted anew that a session or a token was used. */
const NOTED_EVERY = 60_000;

/** Who makes a request, and what they may do in the kitchen it names. */
export interface Admitted {
  readonly accountId: string;
  readonly name: string;
  readonly keeper: boolean;
  /** Whether they have a password or a passkey. */
  readonly setUp: boolean;
  /** Undefined where it comes by a token. */
  readonly sessionId: string | undefined;
  readonly tokenId: string | undefined;
  /** Undefined where the request names no kitchen, one that is not there, or one that they are no member of: nobody can tell which. */
  readonly kitchen: { readonly id: string; readonly role: Role; readonly rights: readonly Right[] } | undefined;
}

interface Row {
  readonly account_id: string;
  readonly name: string;
  readonly kitchen_id: string | null;
  readonly role: Role | null;
  readonly costs: boolean | null;
}
type SessionRow = Row & { readonly session_id: string; readonly keeper: boolean; readonly set_up: boolean; readonly seen_at: Date };
type TokenRow = Row & { readonly token_id: string; readonly used_at: Date | null; readonly rights: readonly Right[] };

/** Tells who makes a request: by the cookie of a session, or by a token. */
@Injectable()
export class AdmissionService {
  constructor(
    private readonly database: Database,
    private readonly doors: Doors,
  ) {}

  /** @param key of the kitchen that the address names @returns undefined where nobody is signed in */
  async admit(request: Request, key: string | undefined): Promise<Admitted | undefined> {
    const token = bearerOf(request);
    // Who says a token means it: a cookie that comes along counts for nothing then.
    if (token !== undefined) return this.#byToken(token, key);
    const secret = sessionSecret(request);
    return secret === undefined || secret === '' ? undefined : this.#bySession(secret, key);
  }

  /** Whether a request that changes something was made by our own page, and not by another that has the browser send its cookie. */
  isOwnPage(request: Request): boolean {
    if (bearerOf(request) !== undefined) return true;
    const said = request.headers[PAGE_TOKEN_HEADER];
    const secret = sessionSecret(request);
    return typeof said === 'string' && secret !== undefined && sameText(said, pageToken(secret));
  }

  async #bySession(secret: string, key: string | undefined): Promise<Admitted | undefined> {
    const digest = digestOf(secret);
    const [row] = await this.doors.ask<SessionRow>('admit session', 'SELECT * FROM admit_session($1, $2)', [digest, key ?? null]);
    if (!row) return undefined;
    if (isOld(row.seen_at))
      await this.database.manager.query(
        `UPDATE account_sessions SET seen_at = now(),
           expires_at = least(created_at + make_interval(secs => $2), now() + make_interval(secs => $3)) WHERE secret = $1`,
        [digest, SESSION.longest / 1000, SESSION.idle / 1000],
      );
    return { ...admitted(row), keeper: row.keeper, setUp: row.set_up, sessionId: row.session_id, tokenId: undefined };
  }

  async #byToken(secret: string, key: string | undefined): Promise<Admitted | undefined> {
    const digest = digestOf(secret);
    const [row] = await this.doors.ask<TokenRow>('admit token', 'SELECT * FROM admit_token($1, $2)', [digest, key ?? null]);
    if (!row) return undefined;
    const { kitchen, ...who } = admitted(row);
    // A token is let do what it was given, and never more than who made it may do by now.
    const held = kitchen && { ...kitchen, rights: kitchen.rights.filter((right) => row.rights.includes(right)) };
    if (kitchen && (row.used_at === null || isOld(row.used_at)))
      await this.database.within(kitchen.id, () =>
        this.database.manager.query('UPDATE api_tokens SET used_at = now() WHERE id = $1', [row.token_id]),
      );
    return { ...who, kitchen: held, keeper: false, setUp: true, sessionId: undefined, tokenId: row.token_id };
  }
}

function admitted({ account_id: accountId, name, kitchen_id: id, role, costs }: Row): Pick<Admitted, 'accountId' | 'name' | 'kitchen'> {
  return { accountId, name, kitchen: id === null || role === null ? undefined : { id, role, rights: rightsOf(role, costs ?? false) } };
}

function isOld(at: Date): boolean {
  // Clocks go back, too.
  return Math.abs(Date.now() - at.getTime()) > NOTED_EVERY;
}

function bearerOf({ headers: { authorization } }: Request): string | undefined {
  return authorization === undefined ? undefined : (/^Bearer +([\w-]{20,200})$/i.exec(authorization)?.[1] ?? '');
}
