import { Injectable } from '@nestjs/common';
import { emailOf } from '../accounts/emailOf.js';
import { digestOf, newSecret } from '../accounts/secrets.js';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { NotFoundError, RefusedRequestError } from '../http/problems.js';
import { Mailer } from '../mail/mailer.js';
import { seesCosts, type Role } from '../scope/rights.js';
import type { Scope } from '../scope/scope.js';
import type { InvitationDto, InvitingDto, NewInvitationDto } from './member.dto.js';

/** Days that an invitation can be taken. */
const DAYS = 7;
/** Invitations of a kitchen that wait at once. */
const MOST = 50;

interface InvitationRow {
  readonly id: string;
  readonly role: Role;
  readonly costs: boolean;
  readonly email: string | null;
  readonly by: string;
  readonly made_at: Date;
  readonly expires_at: Date;
}

/** Invitations to a kitchen: each is taken once, by whoever has its link. */
@Injectable()
export class InvitationsService {
  constructor(
    private readonly database: Database,
    private readonly mailer: Mailer,
  ) {}

  /** Those that wait, newest first. */
  async list({ kitchenId }: Scope): Promise<InvitationDto[]> {
    const rows = await this.database.manager.query<InvitationRow[]>(
      `SELECT invitation.*, account.name AS by FROM invitations invitation JOIN accounts account ON account.id = invitation.made_by
       WHERE invitation.kitchen_id = $1 AND invitation.expires_at > now() ORDER BY invitation.made_at DESC`,
      [kitchenId],
    );
    return rows.map(toDto);
  }

  /** @param origin where the page is served, for the link */
  async make(scope: Scope, { role, costs, email }: InvitingDto, origin: string): Promise<NewInvitationDto> {
    const { kitchenId, person } = scope;
    const secret = newSecret();
    const { id, kitchen } = await this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      await manager.query('DELETE FROM invitations WHERE kitchen_id = $1 AND expires_at < now()', [kitchenId]);
      if ((await this.list(scope)).length >= MOST)
        throw new RefusedRequestError(409, `${MOST} invitations wait already, the most that may; withdraw one first`);
      const [made] = await manager.query<[{ id: string }]>(
        `INSERT INTO invitations (kitchen_id, secret, role, costs, email, made_by, expires_at)
         VALUES ($1, $2, $3, $4, $5, $6, now() + make_interval(days => $7)) RETURNING id`,
        [kitchenId, digestOf(secret), role, costs || seesCosts(role), email === undefined ? null : emailOf(email), person, DAYS],
      );
      const [{ name }] = await manager.query<[{ name: string }]>('SELECT name FROM kitchens WHERE id = $1', [kitchenId]);
      return { id: made.id, kitchen: name };
    });
    const invitation = (await this.list(scope)).find((one) => one.id === id);
    if (!invitation) throw new NotFoundError('invitation', id);
    const link = `${origin}/join#${secret}`;
    const sent = email !== undefined && (await this.#send(emailOf(email), kitchen, invitation, link));
    return { ...invitation, link, sent };
  }

  /** Whoever has the link joins by it no more. @throws NotFoundError */
  async withdraw({ kitchenId }: Scope, id: string): Promise<void> {
    const [, gone] = isUuid(id)
      ? await this.database.manager.query<[unknown, number]>('DELETE FROM invitations WHERE kitchen_id = $1 AND id = $2', [kitchenId, id])
      : [undefined, 0];
    if (gone !== 1) throw new NotFoundError('invitation', id);
  }

  /** @returns whether it was sent: the link is there to be handed over where it was not */
  async #send(to: string, kitchen: string, { by, role }: InvitationDto, link: string): Promise<boolean> {
    try {
      await this.mailer.send({
        to,
        subject: 'An invitation to a kitchen',
        text: `${by} invites you to the kitchen ${kitchen} as ${role}. Join here, within ${DAYS} days:\n\n${link}\n`,
      });
      return true;
    } catch {
      return false;
    }
  }
}

function toDto({ id, role, costs, email, by, made_at: made, expires_at: until }: InvitationRow): InvitationDto {
  return { id, role, costs, by, ...(email === null ? {} : { email }), madeAt: made.toISOString(), expiresAt: until.toISOString() };
}
