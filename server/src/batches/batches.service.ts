import { Injectable } from '@nestjs/common';
import {
  batchEditFaults,
  BatchEntry,
  batchFaults,
  editedBatch,
  faultText,
  foodsOfBatch,
  Kitchen,
  partFactors,
  readEntry,
  recipesTaken,
  learnedYields,
  type Batch,
  type BatchEdit,
  type Fault,
  type Recipe,
} from '@portiona/core';
import { In, IsNull } from 'typeorm';
import { Database } from '../database/database.js';
import { thinDrafts } from '../database/thinDrafts.js';
import { isTaken } from '../database/isTaken.js';
import { Once, type OnceKey } from '../database/once.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PhotosService } from '../photos/photos.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { may, type Scope } from '../scope/scope.js';
import type { BatchEditDto, EditedBatchDto, LoggedBatchDto, OpenBatchDto, RefusedEditDto, SavedBatchDto } from './batch.dto.js';
import { BatchEntity } from './batch.entity.js';
import { toBatch, toLoggedBatch, toSavedBatch } from './batch.mapper.js';
import { BatchRevisionEntity } from './batchRevision.entity.js';

/** Dishes as they were cooked: kept with the recipe as it was, each change a revision. */
@Injectable()
export class BatchesService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly recipes: RecipesService,
    private readonly photos: PhotosService,
  ) {}

  /** Batches that are not put away, in the order of their days: all, or those of a recipe. */
  async loadForCalculation(scope: Scope, recipe?: string): Promise<Batch[]> {
    return (await this.#rows(scope, recipe)).map(toBatch);
  }

  /**
   * Batches, and a kitchen to compute them in: of all recipes, or of one.
   *
   * @param further recipes that the kitchen is to hold beside those of the batches
   */
  async withKitchen(
    scope: Scope,
    recipe?: string,
    further: readonly string[] = [],
  ): Promise<{ readonly batches: readonly Batch[]; readonly kitchen: Kitchen }> {
    const batches = await this.loadForCalculation(scope, recipe);
    return { batches, kitchen: await this.#kitchenFor(scope, batches, further) };
  }

  /**
   * Batches at a glance, the newest first: of all recipes, or of one.
   *
   * @throws NotFoundError for a recipe that is not there
   */
  async log(scope: Scope, recipe?: string): Promise<LoggedBatchDto[]> {
    const { rows, kitchen } = await this.database.read(async () => {
      if (recipe !== undefined) await this.recipes.get(scope, recipe);
      const found = await this.#rows(scope, recipe);
      return { rows: found, kitchen: await this.#kitchenFor(scope, found.map(toBatch)) };
    });
    const batches = rows.map(toBatch);
    const known = partFactors(batches, kitchen);
    return rows.map((row) => toLoggedBatch(row, batches, kitchen, known)).reverse();
  }

  /** @throws NotFoundError */
  async get(scope: Scope, id: string): Promise<SavedBatchDto> {
    return toSavedBatch(await this.#row(scope, id));
  }

  /** @throws NotFoundError */
  open(scope: Scope, id: string): Promise<OpenBatchDto> {
    return this.database.read(async () => {
      const row = await this.#row(scope, id);
      const own = (await this.recipes.get(scope, row.recipeId)).document;
      const { then } = row.document;
      const recipes = [own, ...(await this.recipes.subRecipesOf(scope, own, ...(then ? [then] : [])))];
      const siblings = await this.loadForCalculation(scope, row.recipeId);
      const spoken = [
        ...siblings,
        row.document,
        ...recipes.map((recipe): Batch => ({ id: '', recipe: recipe.id, date: '', then: recipe })),
      ];
      return {
        ...toSavedBatch(row),
        recipes: [...new Map(recipes.map((recipe) => [recipe.id, recipe])).values()],
        foods: await this.foods.loadForCalculation(scope, [...new Set(spoken.flatMap(foodsOfBatch))]),
        siblings,
      };
    });
  }

  /** Every revision, newest first. @throws NotFoundError */
  async history(scope: Scope, id: string): Promise<SavedBatchDto[]> {
    const { kitchenId, recipeRevision } = await this.#row(scope, id);
    const rows = await this.database.manager.find(BatchRevisionEntity, { where: { kitchenId, batchId: id }, order: { revision: 'DESC' } });
    return rows.map(({ revision, savedAt, document }) => ({ id, revision, savedAt: savedAt.toISOString(), document, recipeRevision }));
  }

  /**
   * Begins a batch, or logs one that was cooked. The recipe as it is now is kept with it, unless it brings the recipe as it was.
   *
   * @throws ValidationError, TakenError
   */
  async create(scope: Scope, found: object, once?: OnceKey): Promise<SavedBatchDto> {
    const document = readBody(BatchEntry, found, 'document');
    return this.once.write(scope.kitchenId, once, async () => {
      await this.#check(scope, document, 'document');
      await this.insert(scope, document);
      return toSavedBatch(await this.#row(scope, document.id));
    });
  }

  /**
   * Writes a new batch with its first revision, in the transaction under way.
   *
   * @throws TakenError; NotFoundError for a recipe that is not there
   */
  async insert(scope: Scope, batch: BatchEntry): Promise<void> {
    const { kitchenId, person } = scope;
    const { document: recipe, revision: recipeRevision } = await this.recipes.get(scope, batch.recipe);
    const document = { ...batch, then: batch.then ?? recipe } as BatchEntry;
    try {
      await this.database.manager.insert(BatchEntity, {
        ...{ kitchenId, id: batch.id, recipeId: batch.recipe, recipeRevision },
        ...{ date: batch.date, revision: 1, document },
      });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('batch', batch.id);
      throw error;
    }
    await this.database.manager.insert(BatchRevisionEntity, { kitchenId, batchId: batch.id, revision: 1, document, savedBy: person });
    await this.#writeFoods(kitchenId, document);
  }

  /**
   * Saves a batch made on a revision; a save made on an older one writes nothing.
   *
   * @throws ValidationError, NotFoundError, StaleSaveError
   */
  async save(scope: Scope, id: string, revision: number, found: object): Promise<SavedBatchDto> {
    const document = readBody(BatchEntry, found, 'document');
    return this.database.writeAlone(scope.kitchenId, async () => {
      const row = await this.#row(scope, id);
      if (row.revision !== revision) throw new StaleSaveError('batch', id, toSavedBatch(row));
      if (document.id !== id) throw new ValidationError([{ path: 'document.id', message: `must stay "${id}"` }]);
      if (document.recipe !== row.recipeId)
        throw new ValidationError([{ path: 'document.recipe', message: `must stay "${row.recipeId}", which was cooked` }]);
      // What was paid was not shown to whom costs are not: they send it back empty, and it stays as it was.
      const paid = may(scope, 'costs') ? document.paid : row.document.paid;
      const kept = { ...document, ...(paid ? { paid } : {}), then: document.then ?? row.document.then } as BatchEntry;
      await this.#check(scope, kept, 'document');
      await this.#rewrite(scope, row, kept);
      return toSavedBatch(await this.#row(scope, id));
    });
  }

  /**
   * Things that were measured, one after another as they come: each is kept once, however often it is sent. One that cannot be is
   * told with its reason, and keeps no other from being kept.
   *
   * @throws NotFoundError
   */
  edit(scope: Scope, id: string, sent: readonly BatchEditDto[]): Promise<EditedBatchDto> {
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      const row = await this.#row(scope, id);
      const known = await manager.query<{ id: string }[]>(
        'SELECT id FROM batch_edits WHERE kitchen_id = $1 AND batch_id = $2 AND id = ANY($3::uuid[])',
        [kitchenId, id, sent.map((one) => one.id)],
      );
      const done = new Set(known.map((one) => one.id));
      const refused: RefusedEditDto[] = [];
      const taken: BatchEditDto[] = [];
      let document = row.document as Batch;
      const ground = await this.#groundFor(scope, document, sent);
      for (const one of sent) {
        const key = one.id.toLowerCase();
        if (done.has(key)) continue;
        done.add(key);
        const next = await this.#edited(scope, document, one.edit, ground);
        if (Array.isArray(next)) refused.push({ id: one.id, because: next.map(faultText).join('; ') });
        else {
          document = next as Batch;
          taken.push(one);
        }
      }
      if (taken.length > 0) {
        await this.#rewrite(scope, row, document as BatchEntry);
        await manager.query(
          `INSERT INTO batch_edits (kitchen_id, batch_id, id, revision, edit)
           SELECT $1, $2, (one ->> 'id')::uuid, $3, one -> 'edit' FROM jsonb_array_elements($4::jsonb) AS one`,
          [kitchenId, id, row.revision + 1, JSON.stringify(taken)],
        );
      }
      return { ...toSavedBatch(await this.#row(scope, id)), refused };
    });
  }

  /** Puts a batch away, so that nothing is learned from it and no log shows it, or takes it out again. @throws NotFoundError */
  async archive(scope: Scope, id: string, away: boolean): Promise<void> {
    const { kitchenId } = scope;
    const { affected } = await this.database.writeAlone(kitchenId, () =>
      this.database.manager.update(BatchEntity, { kitchenId, id }, { archivedAt: away ? () => 'now()' : null }),
    );
    if (affected !== 1) throw new NotFoundError('batch', id);
  }

  /** Those of some batches whose ids are free. */
  async newOf<One extends Batch>(scope: Scope, batches: readonly One[]): Promise<One[]> {
    const where = { kitchenId: scope.kitchenId, id: In(batches.map(({ id }) => id)) };
    const there = new Set((await this.database.manager.find(BatchEntity, { select: { id: true }, where })).map(({ id }) => id));
    return batches.filter(({ id }) => !there.has(id));
  }

  /** What is wrong between a batch and what is kept. Asked in the transaction that writes it. */
  async faultsOf(scope: Scope, batch: Batch, path: string): Promise<Fault[]> {
    const faults = [...batchFaults(batch, await this.#groundFor(scope, batch, []), path)];
    return batch.photo === undefined ? faults : [...faults, ...(await this.photos.faultsOf(scope, batch.photo.id, `${path}.photo.id`))];
  }

  async #edited(scope: Scope, batch: Batch, found: object, ground: Ground): Promise<Batch | readonly Fault[]> {
    const faults = batchEditFaults(found, 'edit');
    if (faults.length > 0) return faults;
    const read = readEntry(BatchEntry, editedBatch(batch, found as BatchEdit), 'batch');
    if (!read.ok) return read.faults;
    const wrong = [...batchFaults(read.entry, ground, 'batch')];
    const { photo } = read.entry;
    if (photo && photo.id !== batch.photo?.id) wrong.push(...(await this.photos.faultsOf(scope, photo.id, 'batch.photo.id')));
    return wrong.length > 0 ? wrong : read.entry;
  }

  async #check(scope: Scope, batch: Batch, path: string): Promise<void> {
    const faults = await this.faultsOf(scope, batch, path);
    if (faults.length > 0) throw new ValidationError(faults);
  }

  /** What a batch, and edits of it, may refer to. */
  async #groundFor(scope: Scope, batch: Batch, sent: readonly BatchEditDto[]): Promise<Ground> {
    const [recipe] = await this.recipes.loadForCalculation(scope, [batch.recipe]);
    const under = await this.recipes.subRecipesOf(scope, ...(recipe ? [recipe] : []), ...(batch.then ? [batch.then] : []));
    const recipes = [...(recipe ? [recipe] : []), ...under];
    const spoken = [...JSON.stringify(sent).matchAll(/"food":"([a-z0-9-]{1,120})"/g)].map(([, food = '']) => food);
    const foods = await this.foods.loadForCalculation(scope, [
      ...new Set([...foodsOfBatch(batch), ...spoken, ...(recipe ? foodsOfRecipe(recipe) : [])]),
    ]);
    return {
      foods: new Map(foods.map((food) => [food.id, food])),
      recipes: new Map(recipes.map((one) => [one.id, one])),
      settings: await this.kitchens.settings(scope),
      unread: NOTHING_UNREAD,
    };
  }

  async #kitchenFor(scope: Scope, batches: readonly Batch[], further: readonly string[] = []): Promise<Kitchen> {
    const then = batches.flatMap((batch) => batch.then ?? []);
    const recipes = await this.recipes.loadForCalculation(scope, [
      ...new Set([...batches.map((batch) => batch.recipe), ...then.flatMap(recipesTaken), ...further]),
    ]);
    const kitchen = await this.recipes.kitchenUnder(scope, recipes, batches.flatMap(foodsOfBatch));
    return new Kitchen({ ...kitchen.content, learned: learnedYields(batches, kitchen) });
  }

  async #rewrite(scope: Scope, row: BatchEntity, document: BatchEntry): Promise<void> {
    const { kitchenId, person } = scope;
    const revision = row.revision + 1;
    await this.database.manager.update(
      BatchEntity,
      { kitchenId, id: row.id },
      { revision, document, date: document.date, savedAt: () => 'now()' },
    );
    await this.database.manager.insert(BatchRevisionEntity, { kitchenId, batchId: row.id, revision, document, savedBy: person });
    await this.#writeFoods(kitchenId, document);
    await thinDrafts(this.database.manager, 'batch', kitchenId, row.id);
  }

  async #writeFoods(kitchenId: string, document: BatchEntry): Promise<void> {
    await this.database.manager.query(
      `WITH gone AS (DELETE FROM batch_foods WHERE kitchen_id = $1 AND batch_id = $2 AND food_id <> ALL($3))
       INSERT INTO batch_foods (kitchen_id, batch_id, food_id)
       SELECT $1, $2, id FROM foods WHERE kitchen_id = $1 AND id = ANY($3) ON CONFLICT DO NOTHING`,
      [kitchenId, document.id, foodsOfBatch(document)],
    );
  }

  /** To be computed with or looked at, never to be written: what was paid is not in them for whom costs are not shown. */
  async #rows(scope: Scope, recipe?: string): Promise<BatchEntity[]> {
    const rows = await this.database.manager.find(BatchEntity, {
      where: { kitchenId: scope.kitchenId, archivedAt: IsNull(), ...(recipe === undefined ? {} : { recipeId: recipe }) },
      order: { date: 'ASC', place: 'ASC' },
    });
    if (may(scope, 'costs')) return rows;
    return rows.map((row) => ({ ...row, document: { ...row.document, paid: [] } as BatchEntry }));
  }

  async #row(scope: Scope, id: string): Promise<BatchEntity> {
    const row = await this.database.manager.findOneBy(BatchEntity, { kitchenId: scope.kitchenId, id });
    if (!row) throw new NotFoundError('batch', id);
    return row;
  }
}

type Ground = Parameters<typeof batchFaults>[1];

const NOTHING_UNREAD: ReadonlySet<string> = new Set();

function foodsOfRecipe(recipe: Recipe): string[] {
  return foodsOfBatch({ id: '', recipe: recipe.id, date: '', then: recipe });
}
