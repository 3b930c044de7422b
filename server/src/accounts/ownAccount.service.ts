import { Injectable } from '@nestjs/common';
import type { Request } from 'express';
import { AuditLogService } from '../audit/auditLog.service.js';
import { Database } from '../database/database.js';
import { isTaken } from '../database/isTaken.js';
import { RefusedRequestError, ValidationError } from '../http/problems.js';
import type { ChangingMeDto, ChangingPasswordDto, EndingAccountDto } from './account.dto.js';
import { AccountSessionsService } from './accountSessions.service.js';
import { ChangeLetters } from './changeLetters.service.js';
import { emailOf } from './emailOf.js';
import { checkPassword, isPassword, passwordDigest } from './passwords.js';

/** What somebody changes about their own account. */
@Injectable()
export class OwnAccountService {
  constructor(
    private readonly database: Database,
    private readonly sessions: AccountSessionsService,
    private readonly audit: AuditLogService,
    private readonly letters: ChangeLetters,
  ) {}

  /** @throws ValidationError for an address that is another's, or a change of it without the password */
  async change(accountId: string, { name, email, password }: ChangingMeDto, request: Request): Promise<void> {
    const before = await this.#row(accountId);
    const address = email === undefined ? before.email : emailOf(email);
    // Whoever finds a browser open cannot take the account along.
    if (address !== before.email && before.password !== null && !(await isPassword(before.password, password ?? '')))
      throw new ValidationError([{ path: 'password', message: 'is not the one that holds; another address needs it' }]);
    try {
      await this.database.manager.query('UPDATE accounts SET name = $2, email = $3 WHERE id = $1', [accountId, name.trim(), address]);
    } catch (error) {
      if (isTaken(error)) throw new ValidationError([{ path: 'email', message: 'is the address of another account; take another' }]);
      throw error;
    }
    if (address !== before.email) this.letters.tell('email', before.name, before.email);
    await this.audit.note(accountId, address === before.email ? 'changeName' : 'changeEmail', request);
  }

  /** Takes another password: everywhere but here is signed out. @throws ValidationError */
  async changePassword(
    accountId: string,
    { before, password }: ChangingPasswordDto,
    here: string | undefined,
    request: Request,
  ): Promise<void> {
    const row = await this.#row(accountId);
    if (row.email === null)
      throw new ValidationError([{ path: 'email', message: 'is missing: say the address that you sign in with first' }]);
    if (row.password !== null && !(await isPassword(row.password, before ?? '')))
      throw new ValidationError([{ path: 'before', message: 'is not the password that holds' }]);
    checkPassword(password, [row.name, row.email]);
    await this.database.manager.query('UPDATE accounts SET password = $2 WHERE id = $1', [accountId, await passwordDigest(password)]);
    await this.sessions.endAll(accountId, here);
    this.letters.tell('password', row.name, row.email);
    await this.audit.note(accountId, 'changePassword', request);
  }

  /**
   * Ends the account: all kitchens are left, everywhere is signed out, and nothing of it can be taken back. What was done under it stays in
   * the logs of kitchens.
   *
   * @throws ValidationError where the name or the password is not the account's; RefusedRequestError while a kitchen would be left without
   *   an owner, and for whoever looks after the installation
   */
  async end(accountId: string, { name, password }: EndingAccountDto, request: Request): Promise<void> {
    const row = await this.#row(accountId);
    if (row.keeper) throw new RefusedRequestError(409, 'whoever looks after this installation stays');
    if (row.password !== null && !(await isPassword(row.password, password ?? '')))
      throw new ValidationError([{ path: 'password', message: 'is not the one that holds' }]);
    if (name.trim() !== row.name) throw new ValidationError([{ path: 'name', message: 'is not the name of this account' }]);
    await this.database.write(async () => {
      const [{ orphans }] = await this.database.manager.query<[{ orphans: string[] }]>('SELECT end_account($1, $2) AS orphans', [
        accountId,
        request.ip ?? '',
      ]);
      if (orphans.length > 0)
        throw new RefusedRequestError(
          409,
          `you are the only owner of ${orphans.map((one) => `“${one}”`).join(', ')}; make somebody else an owner there, or delete it, first`,
        );
      await this.audit.note(accountId, 'deleteMe', request);
    });
    this.letters.tell('ended', row.name, row.email);
  }

  async #row(accountId: string): Promise<{
    readonly name: string;
    readonly email: string | null;
    readonly password: string | null;
    readonly keeper: boolean;
  }> {
    const [row] = await this.database.manager.query<{ name: string; email: string | null; password: string | null; keeper: boolean }[]>(
      'SELECT name, email, password, keeper FROM accounts WHERE id = $1',
      [accountId],
    );
    if (!row) throw new Error('an account that is signed in is not there');
    return row;
  }
}
