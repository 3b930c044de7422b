import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import type { PutAwayDto, PutAwayItemDto } from './putAway.dto.js';
import type { Scope } from '../scope/scope.js';

/** What was put away: out of every list, and lost to none. */
@Injectable()
export class PutAwayService {
  constructor(private readonly database: Database) {}

  list(scope: Scope): Promise<PutAwayDto> {
    return this.database.read(async () => ({
      recipes: await this.#of(scope, 'SELECT id, title AS name, archived_at FROM recipes'),
      foods: await this.#of(scope, 'SELECT id, name, archived_at FROM foods'),
    }));
  }

  async #of(scope: Scope, select: string): Promise<PutAwayItemDto[]> {
    const rows = await this.database.manager.query<{ id: string; name: string; archived_at: Date }[]>(
      `${select} WHERE kitchen_id = $1 AND archived_at IS NOT NULL ORDER BY archived_at DESC, id`,
      [scope.kitchenId],
    );
    return rows.map(({ id, name, archived_at }) => ({ id, name, putAwayAt: archived_at.toISOString() }));
  }
}
