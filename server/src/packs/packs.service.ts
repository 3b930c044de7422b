import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  exactPrice,
  MOST_FAULTS,
  packFaults,
  PackEntry,
  priceChange,
  priceHistory,
  readEntry,
  type Fault,
  type Pack,
} from '@portiona/core';
import { In, IsNull, Not } from 'typeorm';
import { Database } from '../database/database.js';
import { Once, type OnceKey } from '../database/once.js';
import { isTaken } from '../database/isTaken.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { SavedPackDto } from '../http/saved.dto.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PackEntity } from './pack.entity.js';
import type { PriceMoveDto, SeenPackDto } from './pack.dto.js';
import { toPack, toSavedPack, toSeenPack } from './pack.mapper.js';
import { may, type Scope } from '../scope/scope.js';

/** Rows one statement writes at most; a statement holds 65,535 parameters. */
const ROWS_AT_ONCE = 1000;

/** Moves of prices that are told. */
const MOST_MOVES = 24;

@Injectable()
export class PacksService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly foods: FoodsService,
    private readonly kitchens: KitchensService,
  ) {}

  /** Packs whose prices count today or will, without all that came before. */
  async list(scope: Scope): Promise<SavedPackDto[]> {
    return (await this.#counting(scope)).map(toSavedPack);
  }

  /** As core knows them, packs whose prices count today or will: all, or those of some foods. */
  async counting(scope: Scope, foods?: readonly string[]): Promise<Pack[]> {
    return (await this.#counting(scope, foods)).map(toPack);
  }

  /** Ids of the foods that have a pack which counts. */
  async sold({ kitchenId }: Scope): Promise<string[]> {
    const rows = await this.database.manager.query<{ food_id: string }[]>(
      'SELECT DISTINCT food_id FROM packs WHERE kitchen_id = $1 AND put_away_at IS NULL',
      [kitchenId],
    );
    return rows.map(({ food_id: food }) => food);
  }

  /** As core knows them, packs with every price they ever had, but for those put away: all, or those of some foods. */
  async everSeen(scope: Scope, foods?: readonly string[]): Promise<Pack[]> {
    const { kitchenId } = scope;
    if (!may(scope, 'costs')) return [];
    const where = { kitchenId, putAwayAt: IsNull(), ...(foods ? { foodId: In(foods) } : {}) };
    return (await this.database.manager.find(PackEntity, { where, order: { id: 'ASC' } })).map(toPack);
  }

  /** Every price a food ever had, those put away too. @throws NotFoundError */
  async ofFood(scope: Scope, foodId: string): Promise<SeenPackDto[]> {
    await this.foods.get(scope, foodId);
    const where = { kitchenId: scope.kitchenId, foodId };
    return (await this.database.manager.find(PackEntity, { where, order: { id: 'ASC' } })).map(toSeenPack);
  }

  /** Packs whose price moved most since it was first seen, in the kitchen's currency, what rose most first. */
  async moves(scope: Scope): Promise<PriceMoveDto[]> {
    const { packs, foods, currency } = await this.database.read(async () => {
      const seen = await this.everSeen(scope);
      return {
        packs: seen,
        foods: await this.foods.loadForCalculation(scope, [...new Set(seen.map(({ food }) => food))]),
        currency: (await this.kitchens.settings(scope)).currency,
      };
    });
    const ofFood = new Map<string, Pack[]>();
    for (const pack of packs) ofFood.set(pack.food, [...(ofFood.get(pack.food) ?? []), pack]);
    return foods
      .flatMap((food) =>
        priceHistory(food, ofFood.get(food.id) ?? []).flatMap((series) => {
          const [change, first] = [priceChange(series), series.prices[0]];
          if (series.currency !== currency || !change || !first) return [];
          const { shop, net, unit, latest } = series;
          return [
            {
              ...{ food: food.id, name: food.name, shop, net, unit, currency, change },
              ...{ first: exactPrice(first.pack.price).toFixed(), firstSeen: first.pack.seen },
              ...{ latest: exactPrice(latest.pack.price).toFixed(), latestSeen: latest.pack.seen },
              promotion: latest.pack.promotion ?? false,
            },
          ];
        }),
      )
      .sort((a, b) => b.change - a.change || (a.name < b.name ? -1 : 1))
      .slice(0, MOST_MOVES);
  }

  /** `latestPacks`, asked of the database. */
  async #counting(scope: Scope, foods?: readonly string[]): Promise<PackEntity[]> {
    // To whom costs are not shown, nothing has a price: whatever is computed for them has none either.
    if (!may(scope, 'costs')) return [];
    const { date } = await this.kitchens.settings(scope);
    const ids = await this.database.manager.query<{ id: string }[]>(
      `SELECT id FROM (
         SELECT id, document ->> 'seen' > $2 AS later, rank() OVER (
           PARTITION BY food_id, document ->> 'shop', document -> 'net', document ->> 'unit', document ->> 'currency', document ->> 'seen' > $2,
             CASE WHEN document -> 'promotion' = 'true' THEN document ->> 'until' END
           ORDER BY document ->> 'seen' DESC) AS newest
         FROM packs WHERE kitchen_id = $1 AND put_away_at IS NULL AND ($3::text[] IS NULL OR food_id = ANY($3))) own
       WHERE newest = 1 OR later`,
      [scope.kitchenId, date, foods ?? null],
    );
    const where = { kitchenId: scope.kitchenId, id: In(ids.map(({ id }) => id)) };
    return this.database.manager.find(PackEntity, { where, order: { foodId: 'ASC', id: 'ASC' } });
  }

  /** @throws NotFoundError */
  async get(scope: Scope, id: string): Promise<SavedPackDto> {
    const row = await this.database.manager.findOneBy(PackEntity, { kitchenId: scope.kitchenId, id });
    if (!row) throw new NotFoundError('pack', id);
    return toSavedPack(row);
  }

  /** Adds a pack; its id is made when it has none. @throws ValidationError, TakenError */
  async create(scope: Scope, found: object, once?: OnceKey): Promise<SavedPackDto> {
    const document = readBody(PackEntry, found, 'document');
    const id = document.id ?? randomUUID();
    const { kitchenId } = scope;
    return this.once.write(kitchenId, once, async () => {
      await this.#check(scope, document);
      try {
        await this.database.manager.insert(PackEntity, {
          kitchenId,
          id,
          foodId: document.food,
          revision: 1,
          document: { ...document, id },
        });
      } catch (error) {
        if (isTaken(error)) throw new TakenError('pack', id);
        throw error;
      }
      return this.get(scope, id);
    });
  }

  /**
   * Adds prices seen, alone in the kitchen: all of them, but one that was seen just so before is not added again.
   *
   * @param path put before each fault's
   * @returns how many were added, and every pack as it was read
   * @throws ValidationError with every fault
   */
  async addSeen(
    scope: Scope,
    found: readonly object[],
    path: string,
  ): Promise<{ readonly added: number; readonly packs: readonly PackEntry[] }> {
    const { kitchenId } = scope;
    const packs = this.#readAll(found, path);
    // Two that add the same price at once: the second waits, and finds it there.
    return this.database.writeAlone(kitchenId, async () => {
      await this.#checkAll(scope, packs, path);
      const { manager } = this.database;
      const where = { kitchenId, putAwayAt: IsNull(), foodId: In(packs.map(({ food }) => food)) };
      const there = await manager.find(PackEntity, { where });
      const seen = new Set(there.map(({ document }) => sameAs(document)));
      const rows = packs.flatMap((document) => {
        if (seen.has(sameAs(document))) return [];
        seen.add(sameAs(document));
        const id = randomUUID();
        return [{ kitchenId, id, foodId: document.food, revision: 1, document: { ...document, id } }];
      });
      await this.insertRows(rows);
      return { added: rows.length, packs };
    });
  }

  /** Writes rows of packs, in the transaction under way. */
  async insertRows(rows: readonly Omit<PackEntity, 'savedAt' | 'putAwayAt'>[]): Promise<void> {
    for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) await this.database.manager.insert(PackEntity, rows.slice(i, i + ROWS_AT_ONCE));
  }

  /** @throws ValidationError, NotFoundError, StaleSaveError */
  async save(scope: Scope, id: string, revision: number, found: object): Promise<SavedPackDto> {
    const document = readBody(PackEntry, found, 'document');
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      await this.#check(scope, document);
      const { affected } = await this.database.manager.update(
        PackEntity,
        { kitchenId, id, revision },
        { revision: revision + 1, foodId: document.food, document: { ...document, id }, savedAt: () => 'now()' },
      );
      const current = await this.get(scope, id);
      if (affected !== 1) throw new StaleSaveError('pack', id, current);
      return current;
    });
  }

  /** Puts a pack away, so that it counts no more, or takes it out again. @throws NotFoundError */
  async putAway(scope: Scope, id: string, away: boolean): Promise<void> {
    const { kitchenId } = scope;
    const { affected } = await this.database.writeAlone(kitchenId, () =>
      this.database.manager.update(
        PackEntity,
        { kitchenId, id, putAwayAt: away ? IsNull() : Not(IsNull()) },
        { putAwayAt: away ? () => 'now()' : null },
      ),
    );
    if (affected !== 1) throw new NotFoundError('pack', id);
  }

  #readAll(found: readonly object[], path: string): PackEntry[] {
    const read = found.map((document, i) => readEntry(PackEntry, document, `${path}[${i}].document`));
    const faults = read.flatMap((one) => (one.ok ? [] : one.faults));
    if (faults.length > 0) throw new ValidationError(faults.slice(0, MOST_FAULTS));
    return read.flatMap((one) => (one.ok ? [one.entry] : []));
  }

  /** What is wrong between packs and what is kept: foods that nobody holds, units they cannot be counted in. */
  async faultsOf(scope: Scope, packs: readonly PackEntry[], pathOf: (index: number) => string): Promise<Fault[]> {
    const ids = [...new Set(packs.map(({ food }) => food))];
    const foods = new Map((await this.foods.loadForCalculation(scope, ids)).map((food) => [food.id, food]));
    return packs.flatMap((pack, i) => packFaults(pack, foods, pathOf(i))).slice(0, MOST_FAULTS);
  }

  async #checkAll(scope: Scope, packs: readonly PackEntry[], path: string): Promise<void> {
    const faults = await this.faultsOf(scope, packs, (i) => `${path}[${i}].document`);
    if (faults.length > 0) throw new ValidationError(faults);
  }

  async #check(scope: Scope, document: PackEntry): Promise<void> {
    const faults = await this.faultsOf(scope, [document], () => 'document');
    if (faults.length > 0) throw new ValidationError(faults);
  }
}

/** What makes two prices the same one: food, shop, size, price and day. */
function sameAs({ food, shop, net, unit, price, currency, seen }: PackEntry): string {
  return JSON.stringify([food, shop, net, unit, exactPrice(price).toFixed(), currency, seen]);
}
