import { Injectable } from '@nestjs/common';
import {
  carriedIds,
  circleFaults,
  everyLine,
  foodsOf,
  foodsSpokenOf,
  foodsOfBatch,
  Kitchen,
  MOST_FAULTS,
  partsTaken,
  recipeFaults,
  RecipeEntry,
  recipesTaken,
  stepOf,
  withIds,
  withThenIfOther,
  type Batch,
  type Fault,
  type Food,
  type Recipe,
} from '@portiona/core';
import { IsNull, Not, type SelectQueryBuilder } from 'typeorm';
import { Database } from '../database/database.js';
import { thinDrafts } from '../database/thinDrafts.js';
import { Once, type OnceKey } from '../database/once.js';
import { isTaken } from '../database/isTaken.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, StaleSaveError, TakenError, ValidationError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { SavedRecipeDto } from '../http/saved.dto.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { LearnedYieldsService } from './learnedYields.service.js';
import { PacksService } from '../packs/packs.service.js';
import { PhotosService } from '../photos/photos.service.js';
import type { LearnedYieldDto, OpenRecipeDto, UsedInDto } from './recipe.dto.js';
import { RecipeEntity } from './recipe.entity.js';
import { toRecipe, toSavedRecipe } from './recipe.mapper.js';
import { RecipeRevisionEntity, type KeptBecause } from './recipeRevision.entity.js';
import type { Scope } from '../scope/scope.js';

/** Recipes as they are kept: opened, saved, put away. What they come to is asked of RecipeFiguresService. */
@Injectable()
export class RecipesService {
  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
    private readonly learned: LearnedYieldsService,
    private readonly photos: PhotosService,
  ) {}

  /** @throws NotFoundError */
  open(scope: Scope, id: string): Promise<OpenRecipeDto> {
    return this.database.read(async () => {
      const saved = await this.get(scope, id);
      const subRecipes = await this.subRecipesOf(scope, saved.document);
      return {
        ...saved,
        subRecipes,
        usedIn: await this.#usedIn(scope, id),
        learned: await this.#learnedFor(scope, [saved.document, ...subRecipes]),
      };
    });
  }

  /** What batches have taught of a recipe's parts, and of those it takes. */
  async #learnedFor(scope: Scope, recipes: readonly Recipe[]): Promise<LearnedYieldDto[]> {
    const learned = await this.learned.of(scope, recipes, {
      settings: await this.kitchens.settings(scope),
      ...{ foods: [], packs: [], recipes },
    });
    return [...learned].map(([of, { batches, mean, sd }]) => ({ of, batches, mean, sd }));
  }

  /** @throws NotFoundError */
  async get(scope: Scope, id: string): Promise<SavedRecipeDto> {
    return toSavedRecipe(await this.#current(scope, id));
  }

  /** Heads of the recipes that are not put away, newest save first. */
  async heads(scope: Scope): Promise<RecipeEntity[]> {
    const where = { kitchenId: scope.kitchenId, archivedAt: IsNull() };
    return this.database.manager.find(RecipeEntity, { where, order: { savedAt: 'DESC', id: 'ASC' } });
  }

  /** Recipes as core knows them: every one, or those of some ids; put away or not. */
  async loadForCalculation(scope: Scope, ids?: readonly string[]): Promise<Recipe[]> {
    const query = this.#newest(scope);
    const rows = await (ids ? query.andWhere('content.recipe_id = ANY(:ids)', { ids }) : query).getMany();
    return rows.map(toRecipe);
  }

  /** Recipes that are not put away, and those they take parts of; what is put away and used by none costs nothing. */
  async atHand(scope: Scope): Promise<{ readonly heads: readonly RecipeEntity[]; readonly recipes: readonly Recipe[] }> {
    const heads = await this.heads(scope);
    const own = await this.loadForCalculation(
      scope,
      heads.map(({ id }) => id),
    );
    const there = new Set(own.map(({ id }) => id));
    const wanted = [...new Set(own.flatMap(recipesTaken))].filter((id) => !there.has(id));
    const subRecipes = wanted.length === 0 ? [] : await this.#withSubRecipes(scope, wanted);
    return { heads, recipes: [...own, ...subRecipes.filter(({ id }) => !there.has(id))] };
  }

  /** Recipes not put away that hold any of some foods in lines of their own, newest save first. */
  async holding(scope: Scope, foods: readonly string[]): Promise<Recipe[]> {
    const query = this.#newest(scope)
      .andWhere('head.archived_at IS NULL')
      .andWhere(
        'content.recipe_id IN (SELECT used.recipe_id FROM recipe_foods used WHERE used.kitchen_id = head.kitchen_id AND used.food_id = ANY(:foods))',
        { foods },
      )
      .orderBy('head.saved_at', 'DESC');
    return (await query.getMany()).map(toRecipe);
  }

  /** Recipes not put away with lines that have no food, or one that nobody agreed to, newest save first. */
  async withOpenLines(scope: Scope): Promise<Recipe[]> {
    const query = this.#newest(scope)
      .andWhere('head.archived_at IS NULL')
      .andWhere(
        `jsonb_path_exists(content.document, '$.parts[*].lines[*] ? ((!exists(@.food) && !exists(@.recipe)) || @.agreed == false)')`,
      )
      .orderBy('head.saved_at', 'DESC');
    return (await query.getMany()).map(toRecipe);
  }

  /** Ids of the recipes that are put away. */
  async away(scope: Scope): Promise<ReadonlySet<string>> {
    const where = { kitchenId: scope.kitchenId, archivedAt: Not(IsNull()) };
    const heads = await this.database.manager.find(RecipeEntity, { select: { id: true }, where });
    return new Set(heads.map(({ id }) => id));
  }

  /** A kitchen to compute in: these recipes with every food and pack they can need. */
  kitchenWith(scope: Scope, recipes: readonly Recipe[], further: readonly string[] = []): Promise<Kitchen> {
    const foods = [...new Set([...recipes.flatMap(foodsOf), ...further])];
    return this.database.read(async () => {
      const content = {
        settings: await this.kitchens.settings(scope),
        foods: await this.foods.loadForCalculation(scope, foods),
        packs: await this.packs.counting(scope, foods),
        recipes,
      };
      return new Kitchen({ ...content, learned: await this.learned.of(scope, recipes, content) });
    });
  }

  /** As `kitchenUnder`, with the foods at hand that Check may find something of besides: steps may speak of one that no line lists. */
  async kitchenToCheck(scope: Scope, recipes: readonly Recipe[]): Promise<Kitchen> {
    const kitchen = await this.kitchenUnder(scope, recipes);
    const spoken = foodsSpokenOf(recipes, kitchen, await this.foods.namesAtHand(scope));
    if (spoken.length === 0) return kitchen;
    const { content } = kitchen;
    return new Kitchen({ ...content, foods: [...content.foods, ...(await this.foods.loadForCalculation(scope, spoken))] });
  }

  /** @throws ValidationError, TakenError */
  async create(scope: Scope, found: object, once?: OnceKey): Promise<SavedRecipeDto> {
    const document = readBody(RecipeEntry, found, 'document');
    return this.once.write(scope.kitchenId, once, async () => {
      await this.#check(scope, document);
      await this.insert(scope, document);
      return this.get(scope, document.id);
    });
  }

  /**
   * Writes a new recipe: head, first revision and the foods it uses, in the transaction under way.
   *
   * @throws TakenError
   */
  async insert(scope: Scope, document: RecipeEntry): Promise<void> {
    const { kitchenId } = scope;
    try {
      await this.database.manager.insert(RecipeEntity, { kitchenId, id: document.id, title: document.title, revision: 1 });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('recipe', document.id);
      throw error;
    }
    await this.#writeRevision(scope, 1, document);
  }

  /**
   * Saves a recipe made on a revision. All or nothing; a save made on an older revision writes nothing.
   *
   * @throws ValidationError, NotFoundError, StaleSaveError
   */
  async save(scope: Scope, id: string, revision: number, found: object): Promise<SavedRecipeDto> {
    const document = readBody(RecipeEntry, found, 'document');
    if (document.id !== id) throw new ValidationError([{ path: 'document.id', message: `must stay "${id}"` }]);
    return this.database.writeAlone(scope.kitchenId, async () => {
      // What is there now is told before what is wrong with what was sent: it may be wrong by what was saved meanwhile.
      await this.#expectNewest(scope, id, revision);
      await this.#check(scope, document);
      await this.rewrite(scope, revision, document);
      return this.get(scope, id);
    });
  }

  /**
   * Writes a recipe's next revision, in the transaction under way.
   *
   * @param keep why what it was before is kept as a version, if it is
   * @throws StaleSaveError when the revision is not the newest
   */
  async rewrite(scope: Scope, revision: number, document: RecipeEntry, keep?: Exclude<KeptBecause, 'named'>): Promise<void> {
    const { kitchenId } = scope;
    const { id, title } = document;
    if (keep)
      await this.database.manager.query(
        `UPDATE recipe_revisions SET kept_because = $4 WHERE kitchen_id = $1 AND recipe_id = $2 AND revision = $3 AND kept_because IS NULL`,
        [kitchenId, id, revision, keep],
      );
    const { affected } = await this.database.manager.update(
      RecipeEntity,
      { kitchenId, id, revision },
      { revision: revision + 1, title, savedAt: () => 'now()' },
    );
    if (affected !== 1) await this.#expectNewest(scope, id, revision);
    await this.#writeRevision(scope, revision + 1, document);
    await thinDrafts(this.database.manager, 'recipe', kitchenId, id);
  }

  /** Puts a recipe away, or takes it out again; nothing is lost. @throws NotFoundError */
  async archive(scope: Scope, id: string, away: boolean): Promise<void> {
    const { kitchenId } = scope;
    const { affected } = await this.database.writeAlone(kitchenId, () =>
      this.database.manager.update(RecipeEntity, { kitchenId, id }, { archivedAt: away ? () => 'now()' : null }),
    );
    if (affected !== 1) throw new NotFoundError('recipe', id);
  }

  /** Recipes that recipes take parts of, and those they take parts of. */
  subRecipesOf(scope: Scope, ...recipes: readonly Recipe[]): Promise<Recipe[]> {
    return this.#withSubRecipes(scope, [...new Set(recipes.flatMap(recipesTaken))]);
  }

  /** Recipes, and all that they are built on, however deep: found by the database in one go. */
  async #withSubRecipes(scope: Scope, ids: readonly string[]): Promise<Recipe[]> {
    if (ids.length === 0) return [];
    const rows = await this.database.manager.query<{ document: Recipe }[]>(
      `WITH RECURSIVE under AS (
         SELECT unnest($2::text[]) AS id
         UNION SELECT used.base_id FROM under JOIN recipe_bases used ON used.kitchen_id = $1 AND used.recipe_id = under.id)
       SELECT content.document FROM under
       JOIN recipes head ON head.kitchen_id = $1 AND head.id = under.id
       JOIN recipe_revisions content ON content.kitchen_id = $1 AND content.recipe_id = head.id AND content.revision = head.revision`,
      [scope.kitchenId, ids],
    );
    return rows.map(({ document }) => document);
  }

  /**
   * What a file of some recipes has to hold for its figures to be the kitchen's: batches that teach them their yields, and foods that
   * only those speak of.
   */
  async taughtBy(
    scope: Scope,
    recipes: readonly Recipe[],
    foods: readonly Food[],
  ): Promise<{ readonly batches: Batch[]; readonly foods: Food[] }> {
    const batches = (await this.learned.teaching(scope, recipes)).map((batch) => withThenIfOther(batch, recipes));
    const there = new Set(foods.map(({ id }) => id));
    const others = [...new Set(batches.flatMap(foodsOfBatch))].filter((id) => !there.has(id));
    return { batches, foods: others.length === 0 ? [] : await this.foods.loadForCalculation(scope, others) };
  }

  /** A kitchen to compute some recipes in: with all that they are built on, and further foods. */
  async kitchenUnder(scope: Scope, recipes: readonly Recipe[], further: readonly string[] = []): Promise<Kitchen> {
    const there = new Map((await this.subRecipesOf(scope, ...recipes)).map((base) => [base.id, base]));
    for (const recipe of recipes) there.set(recipe.id, recipe);
    return this.kitchenWith(scope, [...there.values()], further);
  }

  /**
   * What is wrong between recipes and what is kept: foods and bases they name, circles. Asked in the transaction that writes
   * them, while nobody else writes in the kitchen.
   *
   * @param paths of the recipes, in their order, put before each fault's
   */
  async faultsOf(scope: Scope, recipes: readonly Recipe[], paths: readonly string[]): Promise<Fault[]> {
    const foods = new Map(
      (await this.foods.loadForCalculation(scope, [...new Set(recipes.flatMap(foodsOf))])).map((food) => [food.id, food]),
    );
    const own = new Set(recipes.map(({ id }) => id));
    const all = [...recipes, ...(await this.subRecipesOf(scope, ...recipes)).filter(({ id }) => !own.has(id))];
    const settings = await this.kitchens.settings(scope);
    const known = new Map(all.map((recipe) => [recipe.id, recipe]));
    const faults = recipes.flatMap((recipe, i) => recipeFaults(recipe, foods, known, settings, paths[i] ?? ''));
    return [...faults, ...circleFaults(all, paths)].slice(0, MOST_FAULTS);
  }

  async #check(scope: Scope, document: RecipeEntry): Promise<void> {
    const faults = [
      ...(await this.faultsOf(scope, [document], ['document'])),
      ...(await this.#takenPartFaults(scope, document, 'document')),
      ...(document.photo ? await this.photos.faultsOf(scope, document.photo.id, 'document.photo.id') : []),
    ];
    if (faults.length > 0) throw new ValidationError(faults);
  }

  async #expectNewest(scope: Scope, id: string, revision: number): Promise<void> {
    const current = await this.get(scope, id);
    if (current.revision !== revision) throw new StaleSaveError('recipe', id, current);
  }

  async #writeRevision(scope: Scope, revision: number, written: RecipeEntry): Promise<void> {
    const { manager } = this.database;
    const { kitchenId, person } = scope;
    // Lines and steps are known by ids from here on, whoever wrote them.
    const lacking =
      everyLine(written).some(({ id }) => id === undefined) || (written.steps ?? []).some((step) => stepOf(step).id === undefined);
    const before =
      lacking && revision > 1
        ? await manager.findOneBy(RecipeRevisionEntity, {
            kitchenId,
            recipeId: written.id,
            revision: revision - 1,
          })
        : null;
    const document = withIds(before ? carriedIds(before.document, written) : written) as RecipeEntry;
    await manager.insert(RecipeRevisionEntity, { kitchenId, recipeId: document.id, revision, document, savedBy: person });
    // What it rested on stays what it rested on: only a food or a base that is new to it is taken as it is now.
    await manager.query(
      `WITH gone AS (DELETE FROM recipe_foods WHERE kitchen_id = $1 AND recipe_id = $2 AND food_id <> ALL($3))
       INSERT INTO recipe_foods (kitchen_id, recipe_id, food_id, food_revision)
       SELECT kitchen_id, $2, id, revision FROM foods WHERE kitchen_id = $1 AND id = ANY($3) ON CONFLICT DO NOTHING`,
      [kitchenId, document.id, foodsOf(document)],
    );
    // A base that stands later in the same kitchen file is taken at its first revision.
    await manager.query(
      `WITH gone AS (DELETE FROM recipe_bases WHERE kitchen_id = $1 AND recipe_id = $2 AND base_id <> ALL($3))
       INSERT INTO recipe_bases (kitchen_id, recipe_id, base_id, base_revision)
       SELECT $1, $2, base.id, COALESCE((SELECT revision FROM recipes WHERE kitchen_id = $1 AND id = base.id), 1)
       FROM unnest($3::text[]) AS base (id) ON CONFLICT DO NOTHING`,
      [kitchenId, document.id, recipesTaken(document)],
    );
  }

  /** The newest content of every recipe. */
  #newest(scope: Scope): SelectQueryBuilder<RecipeRevisionEntity> {
    return this.database.manager
      .createQueryBuilder(RecipeRevisionEntity, 'content')
      .innerJoin(
        RecipeEntity,
        'head',
        'head.kitchen_id = content.kitchen_id AND head.id = content.recipe_id AND head.revision = content.revision',
      )
      .where('content.kitchen_id = :kitchenId', { kitchenId: scope.kitchenId });
  }

  async #current(scope: Scope, id: string): Promise<RecipeRevisionEntity> {
    const row = await this.#newest(scope).andWhere('content.recipe_id = :id', { id }).getOne();
    if (!row) throw new NotFoundError('recipe', id);
    return row;
  }

  /** Parts that other recipes take lines of, and that a recipe would no longer have. */
  async #takenPartFaults(scope: Scope, { id, parts }: Recipe, path: string): Promise<Fault[]> {
    const has = new Set(parts.map((part) => part.id));
    return (await this.#dishesOn(scope, id, true)).flatMap((dish) =>
      partsTaken(dish, id)
        .filter((part) => !has.has(part))
        .map((part) => ({
          path: `${path}.parts`,
          message: `"${dish.title}" takes its part "${part}"; take that line out there first, or put the part back`,
        })),
    );
  }

  async #usedIn(scope: Scope, id: string): Promise<UsedInDto[]> {
    return (await this.#dishesOn(scope, id, false))
      .map((dish) => ({ id: dish.id, title: dish.title, parts: partsTaken(dish, id) }))
      .sort((a, b) => (a.title < b.title ? -1 : 1));
  }

  /** Recipes not put away that take parts of one. */
  dishesOn(scope: Scope, baseId: string): Promise<Recipe[]> {
    return this.#dishesOn(scope, baseId, false);
  }

  async #dishesOn(scope: Scope, baseId: string, away: boolean): Promise<Recipe[]> {
    const rows = await this.database.manager.query<{ document: Recipe }[]>(
      `SELECT content.document FROM recipe_bases used
       JOIN recipes head ON head.kitchen_id = used.kitchen_id AND head.id = used.recipe_id AND ($3 OR head.archived_at IS NULL)
       JOIN recipe_revisions content ON content.kitchen_id = head.kitchen_id AND content.recipe_id = head.id AND content.revision = head.revision
       WHERE used.kitchen_id = $1 AND used.base_id = $2`,
      [scope.kitchenId, baseId, away],
    );
    return rows.map(({ document }) => document);
  }
}
