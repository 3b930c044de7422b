import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { OwnKitchenDto } from '../accounts/account.dto.js';
import { Database } from '../database/database.js';
import { NotFoundError, RefusedRequestError } from '../http/problems.js';
import { rightsOf, type Role } from '../scope/rights.js';
import type { Scope } from '../scope/scope.js';

/** Kitchens that one account may own. */
const MOST_OWNED = 30;
/** Days that a deleted kitchen can be taken back. */
export const DAYS_KEPT = 30;

interface KitchenRow {
  readonly id: string;
  readonly key: string;
  readonly name: string;
  readonly role: Role;
  readonly costs: boolean;
  readonly deleted_at: Date | null;
  readonly members: number;
}

/** The kitchens of an account: those it is a member of, and new ones. */
@Injectable()
export class OwnKitchensService {
  constructor(private readonly database: Database) {}

  async of(accountId: string): Promise<OwnKitchenDto[]> {
    return (await this.#rows(accountId)).map(toDto);
  }

  /** A new kitchen, with whoever makes it as its owner. @throws RefusedRequestError when they own too many */
  async create(accountId: string, name: string): Promise<OwnKitchenDto> {
    return toDto(await this.#make(accountId, name));
  }

  /** A new kitchen with what another holds. @param fill puts it in; where that fails, nothing is left of the new one */
  async copy(accountId: string, name: string, fill: (kitchenId: string) => Promise<void>): Promise<OwnKitchenDto> {
    const made = await this.#make(accountId, name);
    try {
      await fill(made.id);
    } catch (error) {
      await this.#within(made.id, async () => {
        await this.database.manager.query('DELETE FROM kitchens WHERE id = $1', [made.id]);
      });
      throw error;
    }
    return toDto(made);
  }

  /** Deletes a kitchen, for now: nobody gets in, and readers find nothing. */
  async remove({ kitchenId: id }: Scope): Promise<void> {
    await this.database.writeAlone(id, () =>
      this.database.manager.query('UPDATE kitchens SET deleted_at = now() WHERE id = $1 AND deleted_at IS NULL', [id]),
    );
  }

  /** Takes a deleted kitchen back. @throws NotFoundError where one owns none of that key that is deleted */
  async takeBack(accountId: string, key: string): Promise<OwnKitchenDto[]> {
    const row = (await this.#rows(accountId)).find((one) => one.key === key && one.role === 'owner' && one.deleted_at !== null);
    if (!row) throw new NotFoundError('deleted kitchen', key);
    await this.#within(row.id, async () => {
      await this.database.manager.query('UPDATE kitchens SET deleted_at = NULL WHERE id = $1', [row.id]);
    });
    return this.of(accountId);
  }

  /** Work in a kitchen other than the one that is asked in: what is noted of the request stays out of it. */
  #within(id: string, work: () => Promise<void>): Promise<void> {
    return this.database.within(id, () => this.database.write(work));
  }

  async #make(accountId: string, name: string): Promise<KitchenRow> {
    const owned = (await this.#rows(accountId)).filter(({ role }) => role === 'owner');
    if (owned.length >= MOST_OWNED) throw new RefusedRequestError(409, `you own ${MOST_OWNED} kitchens, the most that one person may`);
    const id = randomUUID();
    await this.database.within(id, () =>
      this.database.write(async () => {
        await this.database.manager.query('INSERT INTO kitchens (id, name) VALUES ($1, $2)', [id, name]);
        await this.database.manager.query(`INSERT INTO members (kitchen_id, account_id, role, costs) VALUES ($1, $2, 'owner', true)`, [
          id,
          accountId,
        ]);
      }),
    );
    const made = (await this.#rows(accountId)).find((row) => row.id === id);
    if (!made) throw new Error('a kitchen that was made is not there');
    return made;
  }

  #rows(accountId: string): Promise<KitchenRow[]> {
    return this.database.manager.query<KitchenRow[]>('SELECT * FROM kitchens_of($1)', [accountId]);
  }
}

function toDto({ key, name, role, costs, deleted_at: deletedAt, members }: KitchenRow): OwnKitchenDto {
  const gone = deletedAt && new Date(deletedAt.getTime() + DAYS_KEPT * 24 * 3600_000);
  return {
    ...{ key, name, role, rights: [...rightsOf(role, costs)], members },
    ...(deletedAt && gone ? { deletedAt: deletedAt.toISOString(), goneAt: gone.toISOString() } : {}),
  };
}
