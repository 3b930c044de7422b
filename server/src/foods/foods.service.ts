import { Injectable } from '@nestjs/common';
import { foodFaults, FoodEntry, searchTextOf, type Food, type NamedFood } from '@portiona/core';
import { In, IsNull, Not } from 'typeorm';
import { Database } from '../database/database.js';
import { thinDrafts } from '../database/thinDrafts.js';
import { Once, type OnceKey } from '../database/once.js';
import { isTaken } from '../database/isTaken.js';
import { InUseError, NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { SavedFoodDto } from '../http/saved.dto.js';
import type { FoodUseDto, UsedFoodDto } from './food.dto.js';
import { FoodEntity } from './food.entity.js';
import { toFood, toFoodRow, toSavedFood } from './food.mapper.js';
import { FoodRevisionEntity } from './foodRevision.entity.js';
import type { Scope } from '../scope/scope.js';

/** Rows one statement writes at most; a statement holds 65,535 parameters. */
const ROWS_AT_ONCE = 1000;

/** A row of an imported table: which table, and its code there. */
export interface TableRow {
  readonly fromTable: string;
  readonly code: string;
}

@Injectable()
export class FoodsService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
  ) {}

  /** Foods at hand: the kitchen's own, and of imported tables those that are cooked with or bought. */
  async list(scope: Scope): Promise<SavedFoodDto[]> {
    return (await this.#atHand(scope).orderBy('food.name', 'ASC').getMany()).map(toSavedFood);
  }

  /** Names of the foods at hand, in their order: of thousands of foods, all that whoever looks for words in texts has to know. */
  async namesAtHand(scope: Scope): Promise<NamedFood[]> {
    const names = this.#atHand(scope).select(
      `json_agg(json_build_object('id', food.id, 'name', food.name, 'names', food.document -> 'names') ORDER BY food.name, food.id)::text`,
      'names',
    );
    const row = await names.getRawOne<{ names: string | null }>();
    return (JSON.parse(row?.names ?? '[]') as (NamedFood & { readonly names: string[] | null })[]).map(({ names, ...food }) =>
      names === null ? food : { ...food, names },
    );
  }

  #atHand(scope: Scope) {
    return this.database.manager
      .createQueryBuilder(FoodEntity, 'food')
      .where('food.kitchen_id = :kitchenId AND food.archived_at IS NULL', { kitchenId: scope.kitchenId })
      .andWhere(
        `(food.from_table IS NULL
          OR EXISTS (SELECT 1 FROM recipe_foods used WHERE used.kitchen_id = food.kitchen_id AND used.food_id = food.id)
          OR EXISTS (SELECT 1 FROM batch_foods cooked WHERE cooked.kitchen_id = food.kitchen_id AND cooked.food_id = food.id)
          OR EXISTS (SELECT 1 FROM packs pack WHERE pack.kitchen_id = food.kitchen_id AND pack.food_id = food.id))`,
      );
  }

  /** Foods as core knows them, in the order of their names: all, or those of some ids, put away or not. */
  async loadForCalculation(scope: Scope, ids?: readonly string[]): Promise<Food[]> {
    const { kitchenId } = scope;
    const where = { kitchenId, ...(ids ? { id: In(ids) } : {}) };
    return (await this.database.manager.find(FoodEntity, { where, order: { name: 'ASC', id: 'ASC' } })).map(toFood);
  }

  /** Which of some foods are put away. */
  async away(scope: Scope, ids: readonly string[]): Promise<ReadonlySet<string>> {
    const where = { kitchenId: scope.kitchenId, id: In(ids), archivedAt: Not(IsNull()) };
    const rows = await this.database.manager.find(FoodEntity, { select: { id: true }, where });
    return new Set(rows.map(({ id }) => id));
  }

  /** @throws NotFoundError */
  async get(scope: Scope, id: string): Promise<SavedFoodDto> {
    return toSavedFood(await this.#row(scope, id));
  }

  /** Every composition a food has had, newest first. @throws NotFoundError */
  async history(scope: Scope, id: string): Promise<SavedFoodDto[]> {
    const { kitchenId } = await this.#row(scope, id);
    const rows = await this.database.manager.find(FoodRevisionEntity, { where: { kitchenId, foodId: id }, order: { revision: 'DESC' } });
    return rows.map(({ foodId, ...row }) => toSavedFood({ id: foodId, ...row }));
  }

  /** Foods that most recipes use, those put away left out. */
  async used(scope: Scope): Promise<UsedFoodDto[]> {
    return this.database.manager.query<UsedFoodDto[]>(
      `SELECT food.id, food.name, count(*)::int AS recipes FROM recipe_foods used
       JOIN recipes recipe ON recipe.kitchen_id = used.kitchen_id AND recipe.id = used.recipe_id AND recipe.archived_at IS NULL
       JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id
       WHERE used.kitchen_id = $1 GROUP BY food.id, food.name ORDER BY count(*) DESC, food.name LIMIT 12`,
      [scope.kitchenId],
    );
  }

  /** Recipes that use a food, by title. @throws NotFoundError */
  async usedIn(scope: Scope, id: string): Promise<FoodUseDto[]> {
    const { kitchenId } = await this.#row(scope, id);
    return this.database.manager.query<FoodUseDto[]>(
      `SELECT recipe.id, recipe.title FROM recipe_foods used
       JOIN recipes recipe ON recipe.kitchen_id = used.kitchen_id AND recipe.id = used.recipe_id
       WHERE used.kitchen_id = $1 AND used.food_id = $2 AND recipe.archived_at IS NULL ORDER BY recipe.title`,
      [kitchenId, id],
    );
  }

  /** @throws ValidationError, TakenError */
  async create(scope: Scope, found: object, once?: OnceKey): Promise<SavedFoodDto> {
    const document = this.#read(found);
    return this.once.write(scope.kitchenId, once, async () => {
      try {
        await this.insert(scope, [document]);
      } catch (error) {
        if (isTaken(error)) throw new TakenError('food', document.id);
        throw error;
      }
      return this.get(scope, document.id);
    });
  }

  /** Writes new foods with their first revision, in the transaction under way. */
  async insert(scope: Scope, documents: readonly FoodEntry[]): Promise<void> {
    await this.insertRows(scope, documents);
    await this.learnWords(scope, documents);
  }

  /** As `insert`, but the words they are found by are left to the caller: a long transaction learns them last, so as to hold up nobody. */
  async insertRows(scope: Scope, documents: readonly FoodEntry[], rowOf?: (document: FoodEntry) => TableRow): Promise<void> {
    const { kitchenId } = scope;
    for (let i = 0; i < documents.length; i += ROWS_AT_ONCE) {
      const rows = documents.slice(i, i + ROWS_AT_ONCE).map((document) => ({ ...toFoodRow(document), ...rowOf?.(document) }));
      await this.database.manager.query(
        `WITH next AS (
           SELECT * FROM jsonb_to_recordset($2::jsonb)
             AS next (id text, name text, words text, document jsonb, "fromTable" text, code text)
         ), added AS (
           INSERT INTO foods (kitchen_id, id, revision, name, words, document, from_table, code)
           SELECT $1, id, 1, name, words, document, "fromTable", code FROM next
         )
         INSERT INTO food_revisions (kitchen_id, food_id, revision, document) SELECT $1, id, 1, document FROM next`,
        [kitchenId, JSON.stringify(rows)],
      );
    }
  }

  /** After many foods were written: the database counts its rows and puts its indexes in order, so that finding stays quick. */
  async settle(): Promise<void> {
    await this.database.manager.query('SELECT settle_food_words()');
  }

  /** @throws ValidationError, NotFoundError, StaleSaveError */
  async save(scope: Scope, id: string, revision: number, found: object): Promise<SavedFoodDto> {
    const document = this.#read(found);
    if (document.id !== id) throw new ValidationError([{ path: 'document.id', message: `must stay "${id}"` }]);
    return this.database.writeAlone(scope.kitchenId, async () => {
      const written = await this.write(scope, revision, document);
      const current = await this.get(scope, id);
      if (!written) throw new StaleSaveError('food', id, current);
      return current;
    });
  }

  /** Writes a food's next revision, in the transaction under way. False, and nothing written, when the revision is not the newest. */
  async write(scope: Scope, revision: number, document: FoodEntry): Promise<boolean> {
    const { kitchenId } = scope;
    const { manager } = this.database;
    const { affected } = await manager.update(
      FoodEntity,
      { kitchenId, id: document.id, revision },
      { revision: revision + 1, ...toFoodRow(document), savedAt: () => 'now()' },
    );
    if (affected !== 1) return false;
    await manager.insert(FoodRevisionEntity, { kitchenId, foodId: document.id, revision: revision + 1, document });
    await thinDrafts(manager, 'food', kitchenId, document.id);
    await this.learnWords(scope, [document]);
    return true;
  }

  /** Writes the next revision of many foods at once, in the transaction under way, which has locked them. */
  async writeRows(scope: Scope, rows: readonly { readonly revision: number; readonly document: FoodEntry }[]): Promise<void> {
    const { kitchenId } = scope;
    const { manager } = this.database;
    const next = rows.map(({ revision, document }) => ({ ...toFoodRow(document), revision: revision + 1 }));
    await manager.query(
      `UPDATE foods food SET revision = next.revision, name = next.name, words = next.words, document = next.document, saved_at = now()
       FROM jsonb_to_recordset($2::jsonb) AS next (id text, revision integer, name text, words text, document jsonb)
       WHERE food.kitchen_id = $1 AND food.id = next.id`,
      [kitchenId, JSON.stringify(next)],
    );
    await manager.insert(
      FoodRevisionEntity,
      next.map(({ id, revision, document }) => ({ kitchenId, foodId: id, revision, document })),
    );
  }

  /** Keeps the words that foods are named by: a search looks among them for what was begun or misspelt. */
  async learnWords(scope: Scope, documents: readonly FoodEntry[]): Promise<void> {
    await this.learn(scope, new Set(documents.flatMap((document) => this.wordsOf(document))));
  }

  /** The words a food is found by. */
  wordsOf(document: FoodEntry): string[] {
    return searchTextOf(document)
      .split(' ')
      .filter((word) => /[a-z]/.test(word));
  }

  /** Keeps words, once each, in the transaction under way. */
  async learn(scope: Scope, words: ReadonlySet<string>): Promise<void> {
    const { kitchenId } = scope;
    // In one order, so that two that learn at once wait for each other instead of blocking each other.
    const sorted = [...words].sort();
    for (let i = 0; i < sorted.length; i += ROWS_AT_ONCE)
      await this.database.manager.query('INSERT INTO food_words (kitchen_id, word) SELECT $1, unnest($2::text[]) ON CONFLICT DO NOTHING', [
        kitchenId,
        sorted.slice(i, i + ROWS_AT_ONCE),
      ]);
  }

  /** Puts a food away, or takes it out again: recipes that use it keep it. @throws NotFoundError */
  async archive(scope: Scope, id: string, away: boolean): Promise<void> {
    const { kitchenId } = scope;
    const { affected } = await this.database.writeAlone(kitchenId, () =>
      this.database.manager.update(FoodEntity, { kitchenId, id }, { archivedAt: away ? () => 'now()' : null }),
    );
    if (affected !== 1) throw new NotFoundError('food', id);
  }

  /** Removes a food that no recipe and no batch, not even one put away, has ever used. @throws NotFoundError, InUseError */
  async remove(scope: Scope, id: string): Promise<void> {
    const { kitchenId } = scope;
    await this.database.writeAlone(kitchenId, async () => {
      await this.#row(scope, id);
      const { manager } = this.database;
      const [{ recipes, batches }] = await manager.query<[{ recipes: number; batches: number }]>(
        `SELECT (SELECT count(*)::int FROM recipe_foods WHERE kitchen_id = $1 AND food_id = $2) AS recipes,
           (SELECT count(*)::int FROM batch_foods WHERE kitchen_id = $1 AND food_id = $2) AS batches`,
        [kitchenId, id],
      );
      if (recipes > 0) throw new InUseError('food', id, recipes);
      if (batches > 0) throw new InUseError('food', id, batches, ['batch', 'batches']);
      await manager.delete(FoodEntity, { kitchenId, id });
    });
  }

  async #row(scope: Scope, id: string): Promise<FoodEntity> {
    const row = await this.database.manager.findOneBy(FoodEntity, { kitchenId: scope.kitchenId, id });
    if (!row) throw new NotFoundError('food', id);
    return row;
  }

  #read(found: object): FoodEntry {
    const document = readBody(FoodEntry, found, 'document');
    const faults = foodFaults(document, 'document');
    if (faults.length > 0) throw new ValidationError(faults);
    return document;
  }
}
