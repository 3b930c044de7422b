import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import {
  batchFigures,
  movedPack,
  stockAfter,
  StockEntry,
  stockFaults,
  type Fault,
  type Food,
  type Kitchen,
  type StockItem,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { Once, type OnceKey } from '../database/once.js';
import { BatchesService } from '../batches/batches.service.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, StaleSaveError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { Scope } from '../scope/scope.js';
import type { SavedStockDto, StockDto, StockTakenDto } from './shopping.dto.js';
import { StockEntity } from './stock.entity.js';

/** What is in the house. */
@Injectable()
export class StockService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly foods: FoodsService,
    private readonly batches: BatchesService,
  ) {}

  /** As core knows it, in the order in which it came. */
  async loadForCalculation(scope: Scope): Promise<StockItem[]> {
    return (await this.#rows(scope)).map(({ document }) => document);
  }

  /** What is to be used first, first; what keeps last. */
  list(scope: Scope): Promise<StockDto> {
    return this.database.read(async () => {
      const items = (await this.#rows(scope)).map(toSavedStock);
      const until = ({ document: { bestBefore = '9999-12-31' } }: SavedStockDto) => bestBefore;
      items.sort((a, b) => (until(a) < until(b) ? -1 : until(a) > until(b) ? 1 : 0));
      return { items, foods: await this.foods.loadForCalculation(scope, [...new Set(items.map(({ document }) => document.food))]) };
    });
  }

  /** Puts things into stock, all or none. @throws ValidationError */
  add(scope: Scope, found: readonly object[], once?: OnceKey): Promise<StockDto> {
    const items = found.map((one, i) => readBody(StockEntry, one, `items[${i}]`));
    return this.once.write(scope.kitchenId, once, async () => {
      const faults = await this.faultsOf(scope, items, (i) => `items[${i}]`);
      if (faults.length > 0) throw new ValidationError(faults);
      await this.insert(scope, items);
      return this.list(scope);
    });
  }

  /** Writes what is new, in the transaction under way. */
  async insert({ kitchenId }: Scope, items: readonly StockEntry[]): Promise<void> {
    for (const document of items)
      await this.database.manager.insert(StockEntity, { kitchenId, id: randomUUID(), foodId: document.food, revision: 1, document });
  }

  /** @throws ValidationError, NotFoundError, StaleSaveError */
  save(scope: Scope, id: string, revision: number, found: object): Promise<SavedStockDto> {
    const document = readBody(StockEntry, found, 'document');
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      const row = await this.#row(scope, id);
      if (row.revision !== revision) throw new StaleSaveError('thing in stock', id, toSavedStock(row));
      const faults = await this.faultsOf(scope, [document], () => 'document');
      if (faults.length > 0) throw new ValidationError(faults);
      await this.database.manager.update(
        StockEntity,
        { kitchenId, id },
        { revision: revision + 1, foodId: document.food, document, savedAt: () => 'now()' },
      );
      return toSavedStock(await this.#row(scope, id));
    });
  }

  /** Takes something out of stock: it is not there any more. @throws NotFoundError */
  async remove(scope: Scope, id: string): Promise<void> {
    const { kitchenId } = scope;
    await this.database.writeAlone(kitchenId, async () => {
      await this.#row(scope, id);
      await this.database.manager.delete(StockEntity, { kitchenId, id });
    });
  }

  /**
   * Takes what a batch used out of stock, once.
   *
   * @throws NotFoundError for a batch that is not there
   */
  async take(scope: Scope, batchId: string): Promise<StockTakenDto> {
    const { kitchenId } = scope;
    await this.batches.get(scope, batchId);
    return this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      const first = await manager.query<unknown[]>(
        'INSERT INTO stock_taken (kitchen_id, batch_id) VALUES ($1, $2) ON CONFLICT DO NOTHING RETURNING batch_id',
        [kitchenId, batchId],
      );
      if (first.length === 0) return { taken: 0, lacking: [], before: true };
      const { needs, kitchen } = await this.#needsOf(scope, batchId);
      const rows = await this.#rows(scope);
      const { changes, lacking } = stockAfter(
        rows.map(({ document }) => document),
        needs,
        kitchen,
      );
      for (const { index, amount } of changes) {
        const row = rows[index] as StockEntity;
        const where = { kitchenId, id: row.id };
        if (amount === 0) await manager.delete(StockEntity, where);
        else
          await manager.update(StockEntity, where, {
            revision: row.revision + 1,
            document: { ...row.document, amount },
            savedAt: () => 'now()',
          });
      }
      return { taken: changes.length, lacking: [...lacking.keys()].map((food) => kitchen.food(food)?.name ?? food), before: false };
    });
  }

  /** Grams as purchased that a batch used of each food, and the kitchen they were worked out in. */
  async #needsOf(scope: Scope, batchId: string): Promise<{ readonly needs: Map<string, number>; readonly kitchen: Kitchen }> {
    const { document } = await this.batches.get(scope, batchId);
    const { batches, kitchen } = await this.batches.withKitchen(scope, document.recipe);
    const { figures } = batchFigures(document, batches, kitchen);
    const needs = new Map<string, number>();
    for (const { counted, purchases } of figures.lines)
      for (const { food, grams } of counted ? purchases : []) needs.set(food, (needs.get(food) ?? 0) + grams);
    return { needs, kitchen };
  }

  /** What is in stock of a food that another stands for now, in the transaction under way. */
  async moveTo(scope: Scope, gone: Food, kept: Food): Promise<void> {
    const { kitchenId } = scope;
    for (const row of await this.database.manager.find(StockEntity, { where: { kitchenId, foodId: gone.id } })) {
      const { net: amount, unit } = movedPack(
        { ...row.document, net: row.document.amount, price: 0, currency: '', shop: '', seen: '' },
        gone,
        kept,
      );
      await this.database.manager.update(
        StockEntity,
        { kitchenId, id: row.id },
        { foodId: kept.id, revision: row.revision + 1, document: { ...row.document, food: kept.id, amount, unit }, savedAt: () => 'now()' },
      );
    }
  }

  /** Foods nobody holds, and units they cannot be counted in. */
  async faultsOf(scope: Scope, items: readonly StockItem[], pathOf: (i: number) => string): Promise<Fault[]> {
    const foods = await this.foods.loadForCalculation(scope, [...new Set(items.map(({ food }) => food))]);
    const ground = { foods: new Map(foods.map((food) => [food.id, food])), unread: new Set<string>() };
    return items.flatMap((item, i) => [...stockFaults(item, ground, pathOf(i))]);
  }

  #rows({ kitchenId }: Scope): Promise<StockEntity[]> {
    return this.database.manager.find(StockEntity, { where: { kitchenId }, order: { place: 'ASC' } });
  }

  async #row({ kitchenId }: Scope, id: string): Promise<StockEntity> {
    const row = UUID.test(id) ? await this.database.manager.findOneBy(StockEntity, { kitchenId, id }) : null;
    if (!row) throw new NotFoundError('thing in stock', id);
    return row;
  }
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

function toSavedStock({ id, revision, savedAt, document }: StockEntity): SavedStockDto {
  return { id, revision, savedAt: savedAt.toISOString(), document };
}
