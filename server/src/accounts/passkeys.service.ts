import { Injectable } from '@nestjs/common';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { Request } from 'express';
import { AuditLogService } from '../audit/auditLog.service.js';
import { ChangeLetters } from './changeLetters.service.js';
import { Database } from '../database/database.js';
import { pageOrigin } from '../http/pageOrigin.js';
import { NotFoundError, RefusedRequestError, SignedOutError } from '../http/problems.js';
import type { PasskeyDto } from './account.dto.js';

/** Seconds that a browser has to answer. */
const LONGEST = 300;
/** Passkeys of one account. */
const MOST = 20;
const LONGEST_NAME = 80;

interface PasskeyRow {
  readonly id: string;
  readonly account_id: string;
  readonly name: string;
  readonly public_key: Buffer;
  readonly counter: string;
  readonly transports: AuthenticatorTransport[];
  readonly created_at: Date;
  readonly used_at: Date | null;
}

/** Passkeys (W3C Web Authentication): a key that a device keeps, and shows only to the place it was made for. */
@Injectable()
export class PasskeysService {
  constructor(
    private readonly database: Database,
    private readonly audit: AuditLogService,
    private readonly letters: ChangeLetters,
  ) {}

  async list(accountId: string): Promise<PasskeyDto[]> {
    return (await this.#of(accountId)).map(({ id, name, created_at: made, used_at: used }) => ({
      ...{ id, name, createdAt: made.toISOString() },
      ...(used ? { usedAt: used.toISOString() } : {}),
    }));
  }

  /** What a browser is asked so that it makes a passkey. */
  async askNew(accountId: string, name: string, request: Request): Promise<object> {
    const own = await this.#of(accountId);
    if (own.length >= MOST) throw new RefusedRequestError(409, `you have ${MOST} passkeys, the most that one account may`);
    const options = await generateRegistrationOptions({
      rpName: 'Portiona',
      rpID: placeOf(request),
      userName: name,
      userID: new TextEncoder().encode(accountId),
      attestationType: 'none',
      excludeCredentials: own.map(({ id, transports }) => ({ id, transports })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    await this.#remember(options.challenge, accountId);
    return options;
  }

  /** Keeps a passkey that a browser has made. @throws RefusedRequestError when it was not made for this place, or too late */
  async add(accountId: string, said: object | undefined, request: Request): Promise<PasskeyDto[]> {
    const { name, response } = readAnswer<RegistrationResponseJSON>(said);
    const challenge = await this.#recall(challengeIn(response), accountId);
    const { verified, registrationInfo } = await verifyRegistrationResponse({
      response,
      expectedChallenge: challenge,
      expectedOrigin: pageOrigin(request),
      expectedRPID: placeOf(request),
    }).catch(refused);
    if (!verified || !registrationInfo) throw refusal();
    const { id, publicKey, counter, transports = [] } = registrationInfo.credential;
    await this.database.manager.query(
      `INSERT INTO passkeys (id, account_id, name, public_key, counter, transports) VALUES ($1, $2, $3, $4, $5, $6)
       ON CONFLICT (id) DO NOTHING`,
      [id, accountId, name, Buffer.from(publicKey), counter, transports],
    );
    const [own] = await this.database.manager.query<[{ name: string; email: string | null }]>(
      'SELECT name, email FROM accounts WHERE id = $1',
      [accountId],
    );
    this.letters.tell('passkey', own.name, own.email);
    await this.audit.note(accountId, 'addPasskey', request, { named: name });
    return this.list(accountId);
  }

  /** @throws NotFoundError */
  async remove(accountId: string, id: string, request: Request): Promise<void> {
    const [, removed] = await this.database.manager.query<[unknown, number]>('DELETE FROM passkeys WHERE id = $1 AND account_id = $2', [
      id,
      accountId,
    ]);
    if (removed !== 1) throw new NotFoundError('passkey', id);
    await this.audit.note(accountId, 'removePasskey', request);
  }

  /** What a browser is asked so that it shows a passkey; whose it is, the passkey says. */
  async askSignIn(request: Request): Promise<object> {
    const options = await generateAuthenticationOptions({ rpID: placeOf(request), userVerification: 'required' });
    await this.#remember(options.challenge, null);
    return options;
  }

  /** Whose passkey a browser has shown. @throws SignedOutError when it is nobody's here */
  async shown(said: object | undefined, request: Request): Promise<string> {
    const { response } = readAnswer<AuthenticationResponseJSON>(said);
    const challenge = await this.#recall(challengeIn(response), null);
    const [key] = await this.database.manager.query<PasskeyRow[]>('SELECT * FROM passkeys WHERE id = $1', [response.id]);
    if (!key) throw new SignedOutError('this passkey belongs to no account here; sign in another way');
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response,
      expectedChallenge: challenge,
      expectedOrigin: pageOrigin(request),
      expectedRPID: placeOf(request),
      credential: { id: key.id, publicKey: new Uint8Array(key.public_key), counter: Number(key.counter), transports: key.transports },
    }).catch(refused);
    if (!verified) throw refusal();
    await this.database.manager.query('UPDATE passkeys SET counter = $2, used_at = now() WHERE id = $1', [
      key.id,
      authenticationInfo.newCounter,
    ]);
    return key.account_id;
  }

  #of(accountId: string): Promise<PasskeyRow[]> {
    return this.database.manager.query<PasskeyRow[]>('SELECT * FROM passkeys WHERE account_id = $1 ORDER BY created_at', [accountId]);
  }

  async #remember(challenge: string, accountId: string | null): Promise<void> {
    await this.database.manager.query('DELETE FROM passkey_challenges WHERE expires_at < now()');
    await this.database.manager.query(
      'INSERT INTO passkey_challenges (challenge, account_id, expires_at) VALUES ($1, $2, now() + make_interval(secs => $3))',
      [challenge, accountId, LONGEST],
    );
  }

  /** A challenge that was given out, once. */
  async #recall(challenge: string, accountId: string | null): Promise<string> {
    const [rows] = await this.database.manager.query<[{ challenge: string }[], number]>(
      'DELETE FROM passkey_challenges WHERE challenge = $1 AND account_id IS NOT DISTINCT FROM $2 AND expires_at > now() RETURNING challenge',
      [challenge, accountId],
    );
    if (!rows[0]) throw refusal();
    return rows[0].challenge;
  }
}

/** The name that passkeys are made for: the one the page was opened by. An address of numbers has none. */
function placeOf(request: Request): string {
  const { hostname } = request;
  if (/^[\d.]+$|:/.test(hostname))
    throw new RefusedRequestError(
      422,
      `a passkey is made for a name, and ${hostname} is a number; open the application as localhost, or by its name`,
    );
  return hostname;
}

function challengeIn({ response }: { readonly response?: { readonly clientDataJSON?: unknown } }): string {
  try {
    const { challenge } = JSON.parse(Buffer.from(String(response?.clientDataJSON), 'base64url').toString('utf8')) as {
      challenge?: unknown;
    };
    return String(challenge);
  } catch {
    throw refusal();
  }
}

function readAnswer<Response>(said: object | undefined): { readonly name: string; readonly response: Response } {
  const { name, response } = (said ?? {}) as { readonly name?: unknown; readonly response?: unknown };
  if (typeof response !== 'object' || response === null) throw refusal();
  const named = typeof name === 'string' ? name.replace(/\p{C}/gu, '').trim().slice(0, LONGEST_NAME) : '';
  return { name: named || 'Passkey', response: response as Response };
}

function refusal(): RefusedRequestError {
  return new RefusedRequestError(422, 'the passkey was not taken: it was asked for too long ago, or made for another place');
}

function refused(): never {
  throw refusal();
}
