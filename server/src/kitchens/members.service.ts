import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { NotFoundError, RefusedRequestError } from '../http/problems.js';
import { seesCosts, type Role } from '../scope/rights.js';
import { may, type Scope } from '../scope/scope.js';
import type { ChangingMemberDto, MemberDto } from './member.dto.js';

/** Who is a member of a kitchen, and as what. There is always an owner. */
@Injectable()
export class MembersService {
  constructor(private readonly database: Database) {}

  /** Owners first, then by name. */
  async list(scope: Scope): Promise<MemberDto[]> {
    const rows = await this.database.manager.query<
      { id: string; name: string; email: string | null; role: Role; costs: boolean; joined_at: Date }[]
    >(
      `SELECT account.id, account.name, account.email, member.role, member.costs, member.joined_at
       FROM members member JOIN accounts account ON account.id = member.account_id
       WHERE member.kitchen_id = $1
       ORDER BY array_position(ARRAY['owner', 'editor', 'tester', 'viewer'], member.role), lower(account.name), account.id`,
      [scope.kitchenId],
    );
    return rows.map(({ id, name, email, role, costs, joined_at: at }) => ({
      ...{ id, name, role, costs: costs || seesCosts(role), you: id === scope.person, joinedAt: at.toISOString() },
      ...(email !== null && may(scope, 'manage') ? { email } : {}),
    }));
  }

  /** Makes a member something else. @throws NotFoundError, RefusedRequestError when no owner would be left */
  async change(scope: Scope, id: string, { role, costs }: ChangingMemberDto): Promise<MemberDto[]> {
    await this.#write(scope, id, async () => {
      await this.database.manager.query('UPDATE members SET role = $3, costs = $4 WHERE kitchen_id = $1 AND account_id = $2', [
        scope.kitchenId,
        id,
        role,
        costs,
      ]);
    });
    return this.list(scope);
  }

  /** Takes somebody out, or lets them leave: their tokens for this kitchen end too. @throws as `change` */
  async remove(scope: Scope, id: string): Promise<void> {
    await this.#write(scope, id, async () => {
      for (const table of ['members', 'api_tokens'])
        await this.database.manager.query(`DELETE FROM ${table} WHERE kitchen_id = $1 AND account_id = $2`, [scope.kitchenId, id]);
    });
  }

  /** Changes a member, alone in the kitchen: of two owners who take each other out at once, one stays. */
  async #write({ kitchenId }: Scope, id: string, work: () => Promise<void>): Promise<void> {
    await this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      const there = isUuid(id)
        ? await manager.query<unknown[]>('SELECT 1 FROM members WHERE kitchen_id = $1 AND account_id = $2', [kitchenId, id])
        : [];
      if (there.length === 0) throw new NotFoundError('member', id);
      await work();
      const owners = await manager.query<unknown[]>(`SELECT 1 FROM members WHERE kitchen_id = $1 AND role = 'owner' LIMIT 1`, [kitchenId]);
      if (owners.length === 0)
        throw new RefusedRequestError(409, 'this kitchen would be left without an owner; make somebody else one first');
    });
  }
}
