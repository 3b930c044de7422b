import { Injectable } from '@nestjs/common';
import { digestOf, newSecret } from '../accounts/secrets.js';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { ForbiddenError, NotFoundError, RefusedRequestError } from '../http/problems.js';
import type { Right } from '../scope/rights.js';
import { may, type Scope } from '../scope/scope.js';
import type { MadeTokenDto, NewTokenDto, TokenDto } from './member.dto.js';

/** Tokens of one member for one kitchen. */
const MOST = 30;

interface TokenRow {
  readonly id: string;
  readonly name: string;
  readonly account_id: string;
  readonly of: string;
  readonly rights: Right[];
  readonly created_at: Date;
  readonly expires_at: Date;
  readonly used_at: Date | null;
}

/** Tokens by which programs ask in a kitchen for one of its members, and may do what they were given of what that member may. */
@Injectable()
export class ApiTokensService {
  constructor(private readonly database: Database) {}

  /** One's own; for an owner, everybody's. */
  async list(scope: Scope): Promise<TokenDto[]> {
    const rows = await this.database.manager.query<TokenRow[]>(
      `SELECT token.*, account.name AS of FROM api_tokens token JOIN accounts account ON account.id = token.account_id
       WHERE token.kitchen_id = $1 AND ($3 OR token.account_id::text = $2) AND token.expires_at > now() ORDER BY token.created_at DESC`,
      [scope.kitchenId, scope.person, may(scope, 'manage')],
    );
    return rows.map((row) => toDto(row, scope));
  }

  /** @throws ForbiddenError for a right that whoever makes it has not */
  async make(scope: Scope, { name, rights, days }: NewTokenDto): Promise<MadeTokenDto> {
    const beyond = rights.filter((right) => !may(scope, right));
    if (beyond.length > 0) throw new ForbiddenError(`a token may do no more than you: you have not the right to ${beyond.join(' and ')}`);
    const { kitchenId, person } = scope;
    const token = `portiona_${newSecret()}`;
    const id = await this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      await manager.query('DELETE FROM api_tokens WHERE kitchen_id = $1 AND expires_at < now()', [kitchenId]);
      if ((await this.list(scope)).filter(({ own }) => own).length >= MOST)
        throw new RefusedRequestError(409, `you have ${MOST} tokens for this kitchen, the most that one member may; end one first`);
      const [made] = await manager.query<[{ id: string }]>(
        `INSERT INTO api_tokens (kitchen_id, account_id, name, secret, rights, expires_at)
         VALUES ($1, $2, $3, $4, $5, now() + make_interval(days => $6)) RETURNING id`,
        [kitchenId, person, name.trim(), digestOf(token), [...new Set<Right>(['read', ...rights])], days],
      );
      return made.id;
    });
    const made = (await this.list(scope)).find((one) => one.id === id);
    if (!made) throw new NotFoundError('token', id);
    return { ...made, token };
  }

  /** @throws NotFoundError for one that is not there, or is another's and one is no owner */
  async end(scope: Scope, id: string): Promise<void> {
    const [, ended] = isUuid(id)
      ? await this.database.manager.query<[unknown, number]>(
          'DELETE FROM api_tokens WHERE kitchen_id = $1 AND id = $2 AND ($4 OR account_id::text = $3)',
          [scope.kitchenId, id, scope.person, may(scope, 'manage')],
        )
      : [undefined, 0];
    if (ended !== 1) throw new NotFoundError('token', id);
  }
}

function toDto({ id, name, of, rights, ...row }: TokenRow, { person }: Scope): TokenDto {
  return {
    ...{ id, name, of, rights, own: row.account_id === person },
    createdAt: row.created_at.toISOString(),
    expiresAt: row.expires_at.toISOString(),
    ...(row.used_at ? { usedAt: row.used_at.toISOString() } : {}),
  };
}
