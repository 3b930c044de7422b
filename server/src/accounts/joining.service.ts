import { Injectable } from '@nestjs/common';
import type { Request, Response } from 'express';
import { AuditLogService } from '../audit/auditLog.service.js';
import { Database } from '../database/database.js';
import { isTaken } from '../database/isTaken.js';
import { OtherPageError, SignedOutError, ValidationError } from '../http/problems.js';
import { ROLES, type Role } from '../scope/rights.js';
import type { InvitationLookDto, JoiningDto, MeDto } from './account.dto.js';
import { AccountsService } from './accounts.service.js';
import { AdmissionService } from './admission.service.js';
import { emailOf } from './emailOf.js';
import { checkPassword, passwordDigest } from './passwords.js';
import { digestOf } from './secrets.js';
import { sessionSecret } from './sessionCookie.js';
import { SignInService } from './signIn.service.js';

interface InvitationRow {
  readonly id: string;
  readonly kitchen_id: string;
  readonly kitchen: string;
  readonly role: Role;
  readonly costs: boolean;
  readonly email: string | null;
  readonly made_by: string;
}

/** Joining a kitchen by an invitation: once for each. */
@Injectable()
export class JoiningService {
  constructor(
    private readonly database: Database,
    private readonly accounts: AccountsService,
    private readonly admission: AdmissionService,
    private readonly signIn: SignInService,
    private readonly audit: AuditLogService,
  ) {}

  /** @throws SignedOutError for one that was taken, withdrawn, or is too old */
  async look(link: string, request: Request): Promise<InvitationLookDto> {
    await this.signIn.countTry(request);
    const { kitchen, role, costs, email, made_by: by } = await this.#open(link);
    const signedIn = (await this.admission.admit(request, undefined)) !== undefined;
    return { kitchen, role, costs, by, signedIn, ...(email === null ? {} : { email }) };
  }

  /** @throws SignedOutError, ValidationError */
  async join({ link, name, email, password }: JoiningDto, request: Request, response: Response): Promise<MeDto> {
    await this.signIn.countTry(request);
    const invitation = await this.#open(link);
    const here = await this.admission.admit(request, undefined);
    if (here && here.sessionId !== undefined) {
      // It changes an account that is signed in: only its own page may.
      if (!this.admission.isOwnPage(request)) throw new OtherPageError();
      await this.#join(invitation, here.accountId, here.name, request);
      return this.accounts.me(here.accountId, sessionSecret(request) ?? '');
    }
    if (name === undefined || email === undefined || password === undefined)
      throw new ValidationError([
        { path: name === undefined ? 'name' : email === undefined ? 'email' : 'password', message: 'is missing' },
      ]);
    checkPassword(password, [name, email]);
    const digest = await passwordDigest(password);
    const accountId = await this.#newAccount(invitation, { name: name.trim(), email: emailOf(email), digest }, request);
    return this.signIn.letIn(accountId, 'invitation', request, response);
  }

  /** Account and membership together: an account without a kitchen is left by nothing that breaks in between. */
  async #newAccount(
    invitation: InvitationRow,
    { name, email, digest }: { readonly name: string; readonly email: string; readonly digest: string },
    request: Request,
  ): Promise<string> {
    try {
      return await this.database.within(invitation.kitchen_id, () =>
        this.database.write(async () => {
          const [{ id }] = await this.database.manager.query<[{ id: string }]>(
            'INSERT INTO accounts (name, email, password) VALUES ($1, $2, $3) RETURNING id',
            [name, email, digest],
          );
          await this.#take(invitation, id, name, request);
          return id;
        }),
      );
    } catch (error) {
      if (isTaken(error))
        throw new ValidationError([
          { path: 'email', message: 'is the address of an account already; sign in, then open the invitation again' },
        ]);
      throw error;
    }
  }

  async #join(invitation: InvitationRow, accountId: string, name: string, request: Request): Promise<void> {
    await this.database.within(invitation.kitchen_id, () => this.database.write(() => this.#take(invitation, accountId, name, request)));
  }

  /** Uses the invitation up, in the transaction under way. Who is a member already is made no less by it. */
  async #take({ id, kitchen_id: kitchenId, role, costs }: InvitationRow, accountId: string, name: string, request: Request): Promise<void> {
    const { manager } = this.database;
    const [, used] = await manager.query<[unknown, number]>('DELETE FROM invitations WHERE kitchen_id = $1 AND id = $2', [kitchenId, id]);
    if (used !== 1) throw gone();
    await manager.query(
      `INSERT INTO members (kitchen_id, account_id, role, costs) VALUES ($1, $2, $3, $4)
       ON CONFLICT (kitchen_id, account_id) DO UPDATE SET
         role = CASE WHEN array_position($5::text[], EXCLUDED.role) < array_position($5::text[], members.role) THEN EXCLUDED.role ELSE members.role END,
         costs = members.costs OR EXCLUDED.costs`,
      [kitchenId, accountId, role, costs, ROLES],
    );
    await this.audit.noteIn(kitchenId, { id: accountId, name }, 'join', request, { as: role });
  }

  async #open(link: string): Promise<InvitationRow> {
    const [row] = await this.database.manager.query<InvitationRow[]>('SELECT * FROM invitation_of($1)', [digestOf(link)]);
    if (!row) throw gone();
    return row;
  }
}

function gone(): SignedOutError {
  return new SignedOutError('this invitation was taken, withdrawn, or is too old; ask for another');
}
