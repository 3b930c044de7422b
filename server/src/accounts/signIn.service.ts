import { createHash } from 'node:crypto';
import { Injectable, Logger } from '@nestjs/common';
import type { Request, Response } from 'express';
import { AuditLogService } from '../audit/auditLog.service.js';
import { Database } from '../database/database.js';
import { RateLimits, type Limit } from '../database/rateLimits.js';
import { pageOrigin } from '../http/pageOrigin.js';
import { SignedOutError, TooOftenError } from '../http/problems.js';
import { Mailer } from '../mail/mailer.js';
import { ChangeLetters } from './changeLetters.service.js';
import type { MeDto } from './account.dto.js';
import { makeLink, takeLink } from './accountLinks.js';
import { AccountSessionsService, type SignInWay } from './accountSessions.service.js';
import { AccountsService } from './accounts.service.js';
import { emailOf } from './emailOf.js';
import { checkPassword, isPassword, passwordDigest } from './passwords.js';

/** Tries of one address, whatever they are at. */
const BY_ADDRESS: Limit = { name: 'tries-from', times: 60, within: 15 * 60 };
/** Wrong passwords of one account within a day, counted; after so many it is refused for a while, each time for twice as long. */
const WRONG: Limit = { name: 'wrong-password', times: 1_000_000, within: 24 * 3600 };
const FREE_TRIES = 4;
const FIRST_LOCK = 30;
const LONGEST_LOCK = 15 * 60;
const LOCKED: Limit = { name: 'locked', times: 0, within: LONGEST_LOCK };
/** Letters to one address. */
const RESETS: Limit = { name: 'resets', times: 4, within: 3600 };

interface AccountRow {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
  readonly password: string | null;
}

/** Lets people in. Who is not let in is told nothing of whether there is such an account, neither by words nor by how long it takes. */
@Injectable()
export class SignInService {
  readonly #log = new Logger('accounts');

  constructor(
    private readonly database: Database,
    private readonly sessions: AccountSessionsService,
    private readonly accounts: AccountsService,
    private readonly limits: RateLimits,
    private readonly mailer: Mailer,
    private readonly letters: ChangeLetters,
    private readonly audit: AuditLogService,
  ) {}

  /** By a link that the command line has printed. @throws SignedOutError for one that is used, or too old */
  async byLink(link: string, request: Request, response: Response): Promise<MeDto> {
    await this.countTry(request);
    const accountId = await takeLink(this.database.manager, 'enter', link);
    if (accountId === undefined)
      throw new SignedOutError('this link was used before, or is too old; run ./portiona link at the machine for a new one');
    return this.letIn(accountId, 'link', request, response);
  }

  /** @throws SignedOutError when there is no such account, or it is another password; TooOftenError */
  async byPassword(email: string, password: string, request: Request, response: Response): Promise<MeDto> {
    await this.countTry(request);
    const address = emailOf(email);
    // Counted under a digest, and whether or not there is such an account.
    const key = createHash('sha256').update(address).digest('hex');
    const locked = await this.limits.refusedFor(LOCKED, key);
    if (locked > 0) throw new TooOftenError('too many wrong passwords were given for this address', locked);
    const [row] = await this.database.manager.query<AccountRow[]>('SELECT id, name, email, password FROM accounts WHERE email = $1', [
      address,
    ]);
    if (!(await isPassword(row?.password, password))) {
      await this.#noteWrong(key, row?.id, request);
      throw new SignedOutError('no account has this address with this password; try again, or have a new password sent to you');
    }
    await this.limits.forget(WRONG, key);
    await this.limits.forget(LOCKED, key);
    return this.letIn(row!.id, 'password', request, response);
  }

  /** Sends a link to choose a new password by, where there is such an account. It says the same either way, and is as quick. */
  async askReset(email: string, request: Request): Promise<void> {
    await this.countTry(request);
    const address = emailOf(email);
    await this.limits.count(RESETS, createHash('sha256').update(address).digest('hex'));
    const origin = pageOrigin(request);
    // Not waited for: how long it takes would tell.
    void this.#sendReset(address, origin, request).catch((error: unknown) => this.#log.error(error));
  }

  /** Takes a new password by a link, and signs in: everywhere else is signed out. @throws SignedOutError, ValidationError */
  async byReset(link: string, password: string, request: Request, response: Response): Promise<MeDto> {
    await this.countTry(request);
    // Looked at before the link is used up: who has to choose another keeps it.
    checkPassword(password, []);
    const digest = await passwordDigest(password);
    const accountId = await this.database.write(async () => {
      const found = await takeLink(this.database.manager, 'reset', link);
      if (found === undefined) return undefined;
      await this.database.manager.query('UPDATE accounts SET password = $2 WHERE id = $1', [found, digest]);
      return found;
    });
    if (accountId === undefined) throw new SignedOutError('this link was used before, or is older than an hour; ask for another');
    await this.sessions.endAll(accountId);
    const [{ name, email }] = await this.database.manager.query<[AccountRow]>('SELECT name, email FROM accounts WHERE id = $1', [
      accountId,
    ]);
    this.letters.tell('password', name, email);
    await this.audit.note(accountId, 'resetPassword', request);
    return this.letIn(accountId, 'reset', request, response);
  }

  /** Signs an account in that was found to be who it says. */
  async letIn(accountId: string, way: SignInWay, request: Request, response: Response): Promise<MeDto> {
    const secret = await this.sessions.begin(accountId, way, request, response);
    await this.audit.note(accountId, 'signIn', request, { way });
    return this.accounts.me(accountId, secret);
  }

  /** Counts a try of an address. @throws TooOftenError */
  async countTry(request: Request): Promise<void> {
    await this.limits.count(BY_ADDRESS, request.ip ?? '');
  }

  async #noteWrong(key: string, accountId: string | undefined, request: Request): Promise<void> {
    await this.limits.count(WRONG, key);
    const wrong = await this.limits.counted(WRONG, key);
    if (wrong > FREE_TRIES) await this.limits.refuse(LOCKED, key, Math.min(LONGEST_LOCK, FIRST_LOCK * 2 ** (wrong - FREE_TRIES - 1)));
    if (accountId !== undefined) await this.audit.note(accountId, 'wrongPassword', request, { times: wrong });
  }

  async #sendReset(email: string, origin: string, request: Request): Promise<void> {
    const [row] = await this.database.manager.query<AccountRow[]>('SELECT id, name, email, password FROM accounts WHERE email = $1', [
      email,
    ]);
    if (!row) return;
    const link = await this.database.write(() => makeLink(this.database.manager, 'reset', row.id));
    await this.audit.note(row.id, 'askReset', request);
    await this.mailer.send({
      to: email,
      subject: 'A new password for Portiona',
      text: `Hello ${row.name},\n\nsomebody asked for a new password for this address. Choose one here, within an hour:\n\n${origin}/reset#${link}\n\nIf it was not you, do nothing: your password stays as it is.\n`,
    });
  }
}
