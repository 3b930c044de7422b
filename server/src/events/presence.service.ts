import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import type { Scope } from '../scope/scope.js';
import type { PresentDto } from './event.dto.js';

/** Seconds after which somebody of whom nothing was heard is taken to have gone. */
const GONE_AFTER = 45;

/** Who is at which recipe just now: said by each page again and again, and let go when it stops. */
@Injectable()
export class PresenceService {
  constructor(private readonly database: Database) {}

  /** @param recipe null: at none any more */
  async say({ kitchenId, person }: Scope, tab: string, recipe: string | null): Promise<void> {
    const { manager } = this.database;
    const [, moved] =
      recipe === null
        ? await manager.query<[unknown, number]>('DELETE FROM presences WHERE kitchen_id = $1 AND tab = $2 AND account_id = $3', [
            kitchenId,
            tab,
            person,
          ])
        : await this.#at(kitchenId, person, tab, recipe);
    const [, gone] = await manager.query<[unknown, number]>(
      'DELETE FROM presences WHERE kitchen_id = $1 AND abs(extract(epoch FROM now() - seen_at)) > $2',
      [kitchenId, GONE_AFTER],
    );
    if (moved + gone > 0) await manager.query(`SELECT pg_notify('portiona_presence', $1)`, [JSON.stringify({ kitchen: kitchenId })]);
  }

  async list({ kitchenId }: Scope): Promise<PresentDto[]> {
    return this.database.manager.query<PresentDto[]>(
      `SELECT DISTINCT ON (present.account_id, present.recipe_id) present.account_id AS id, account.name, present.recipe_id AS recipe
       FROM presences present JOIN accounts account ON account.id = present.account_id
       WHERE present.kitchen_id = $1 AND abs(extract(epoch FROM now() - present.seen_at)) < $2
       ORDER BY present.account_id, present.recipe_id`,
      [kitchenId, GONE_AFTER],
    );
  }

  /** Nobody says where somebody else is: a tab's number that is taken stays with who has it. */
  async #at(kitchenId: string, person: string, tab: string, recipe: string): Promise<[unknown, number]> {
    const [before] = await this.database.manager.query<{ recipe_id: string }[]>(
      'SELECT recipe_id FROM presences WHERE kitchen_id = $1 AND tab = $2',
      [kitchenId, tab],
    );
    await this.database.manager.query(
      `INSERT INTO presences (kitchen_id, tab, account_id, recipe_id) VALUES ($1, $2, $3, $4)
       ON CONFLICT (kitchen_id, tab) DO UPDATE SET recipe_id = EXCLUDED.recipe_id, seen_at = now() WHERE presences.account_id = EXCLUDED.account_id`,
      [kitchenId, tab, person, recipe],
    );
    return [undefined, before?.recipe_id === recipe ? 0 : 1];
  }
}
