import { Injectable } from '@nestjs/common';
import { InjectDataSource } from '@nestjs/typeorm';
import {
  BriefEntry,
  circleFaults,
  Kitchen,
  recipeFaults,
  RecipeEntry,
  swapEffect,
  usualGrams,
  type Fault,
  type Recipe,
} from '@portiona/core';
import { DataSource, In, IsNull, Not, type EntityManager } from 'typeorm';
import { isTaken } from '../database/isTaken.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, StaleSaveError, TakenError, UnreadableError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { SavedDto } from '../http/saved.dto.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PacksService } from '../packs/packs.service.js';
import type { BriefVerdictDto, ListedRecipeDto, OpenRecipeDto, SwapsDto, UsedInDto } from './recipe.dto.js';
import { RecipeEntity } from './recipe.entity.js';
import { toBriefVerdict, toListedRecipe, toRecipe, toSavedRecipe, toSwap } from './recipe.mapper.js';
import { RecipeBaseEntity } from './recipeBase.entity.js';
import { RecipeFoodEntity } from './recipeFood.entity.js';
import { RecipeRevisionEntity } from './recipeRevision.entity.js';
import { basesOf, foodsOf, partsTaken } from './usedBy.js';

@Injectable()
export class RecipesService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
  ) {}

  /** Every recipe at a glance, newest save first. */
  async list(): Promise<ListedRecipeDto[]> {
    return this.#each(toListedRecipe);
  }

  /** How every recipe stands to a brief. @throws UnreadableError */
  async judged(found: object): Promise<BriefVerdictDto[]> {
    const brief = readBody(BriefEntry, found, 'brief');
    return this.#each((head, recipe, kitchen) => toBriefVerdict(head, recipe, brief, kitchen));
  }

  /** Something of every recipe that is not put away, newest save first. */
  async #each<Seen>(see: (head: RecipeEntity, recipe: Recipe, kitchen: Kitchen) => Seen): Promise<Seen[]> {
    const kitchenId = await this.kitchens.id();
    const heads = await this.database
      .getRepository(RecipeEntity)
      .find({ where: { kitchenId, archivedAt: IsNull() }, order: { savedAt: 'DESC', id: 'ASC' } });
    const recipes = await this.known();
    const kitchen = await this.kitchenWith(recipes);
    const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
    return heads.flatMap((head) => {
      const recipe = byId.get(head.id);
      return recipe ? [see(head, recipe, kitchen)] : [];
    });
  }

  /**
   * What each recipe that uses a food gains when another stands in its place, gram for gram.
   *
   * @throws NotFoundError when there is no such food
   */
  async swaps(from: string, to: string): Promise<SwapsDto> {
    const there = new Set((await this.foods.known([from, to])).map(({ id }) => id));
    for (const id of [from, to]) if (!there.has(id)) throw new NotFoundError('food', id);
    const recipes = await this.known();
    const kitchen = await this.kitchenWith(recipes, [from, to]);
    const swaps = recipes.flatMap((recipe) => swapEffect(recipe, from, to, kitchen) ?? []).map(toSwap);
    return { swaps, usualGrams: usualGrams([from, to], recipes, kitchen) ?? null };
  }

  /** @throws NotFoundError */
  async open(id: string): Promise<OpenRecipeDto> {
    const saved = await this.get(id);
    return { ...saved, bases: await this.basesOf(saved.document as Recipe), usedIn: await this.#usedIn(id) };
  }

  /** @throws NotFoundError */
  async get(id: string): Promise<SavedDto> {
    return toSavedRecipe(await this.#current(this.database.manager, await this.kitchens.id(), id));
  }

  /** Recipes as core knows them: all that are not archived, archived ones too where others draw on them. */
  async known(): Promise<Recipe[]> {
    const kitchenId = await this.kitchens.id();
    const rows = await this.database
      .getRepository(RecipeRevisionEntity)
      .createQueryBuilder('content')
      .innerJoin(
        RecipeEntity,
        'head',
        'head.kitchen_id = content.kitchen_id AND head.id = content.recipe_id AND head.revision = content.revision',
      )
      .where('content.kitchen_id = :kitchenId', { kitchenId })
      .getMany();
    return rows.map(toRecipe);
  }

  /** Ids of the recipes that are put away. */
  async away(): Promise<ReadonlySet<string>> {
    const heads = await this.database
      .getRepository(RecipeEntity)
      .find({ select: { id: true }, where: { kitchenId: await this.kitchens.id(), archivedAt: Not(IsNull()) } });
    return new Set(heads.map(({ id }) => id));
  }

  /** A kitchen to compute in: these recipes with every food and pack they can need. */
  async kitchenWith(recipes: readonly Recipe[], further: readonly string[] = []): Promise<Kitchen> {
    const foods = [...new Set([...recipes.flatMap(foodsOf), ...further])];
    return new Kitchen({
      settings: await this.kitchens.settings(),
      foods: await this.foods.known(foods),
      packs: await this.packs.known(foods),
      recipes,
    });
  }

  /** @throws UnreadableError, TakenError */
  async create(found: object): Promise<SavedDto> {
    const document = await this.#read(found);
    await this.database.transaction((manager) => this.insert(manager, document));
    return this.get(document.id);
  }

  /**
   * Writes a new recipe: head, first revision and the foods it uses, in the caller's transaction.
   *
   * @throws TakenError
   */
  async insert(manager: EntityManager, document: RecipeEntry): Promise<void> {
    const kitchenId = await this.kitchens.id();
    try {
      await manager.insert(RecipeEntity, { kitchenId, id: document.id, title: document.title, revision: 1 });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('recipe', document.id);
      throw error;
    }
    await this.#writeRevision(manager, kitchenId, 1, document);
  }

  /**
   * Saves a recipe made on a revision. All or nothing; a save made on an older revision writes nothing.
   *
   * @throws UnreadableError, NotFoundError, StaleSaveError
   */
  async save(id: string, revision: number, found: object): Promise<SavedDto> {
    const document = await this.#read(found);
    if (document.id !== id) throw new UnreadableError([{ path: 'document.id', message: `must stay "${id}"` }]);
    const kitchenId = await this.kitchens.id();
    return this.database.transaction(async (manager) => {
      await this.rewrite(manager, revision, document);
      return toSavedRecipe(await this.#current(manager, kitchenId, id));
    });
  }

  /** Writes a recipe's next revision, in the caller's transaction. @throws StaleSaveError when the revision is not the newest */
  async rewrite(manager: EntityManager, revision: number, document: RecipeEntry): Promise<void> {
    const kitchenId = await this.kitchens.id();
    const { id, title } = document;
    const { affected } = await manager.update(
      RecipeEntity,
      { kitchenId, id, revision },
      { revision: revision + 1, title, savedAt: () => 'now()' },
    );
    if (affected !== 1) throw new StaleSaveError('recipe', id, toSavedRecipe(await this.#current(manager, kitchenId, id)));
    await this.#writeRevision(manager, kitchenId, revision + 1, document);
  }

  /** Puts a recipe away, or takes it out again; nothing is lost. @throws NotFoundError */
  async archive(id: string, away: boolean): Promise<void> {
    const { affected } = await this.database
      .getRepository(RecipeEntity)
      .update({ kitchenId: await this.kitchens.id(), id }, { archivedAt: away ? () => 'now()' : null });
    if (affected !== 1) throw new NotFoundError('recipe', id);
  }

  async #writeRevision(manager: EntityManager, kitchenId: string, revision: number, document: RecipeEntry): Promise<void> {
    await manager.insert(RecipeRevisionEntity, { kitchenId, recipeId: document.id, revision, document });
    const foods = foodsOf(document);
    await manager.delete(RecipeFoodEntity, { kitchenId, recipeId: document.id, foodId: Not(In(foods)) });
    // What it rested on stays what it rested on: only a food or a base that is new to it is taken as it is now.
    await manager.query(
      `INSERT INTO recipe_foods (kitchen_id, recipe_id, food_id, food_revision)
       SELECT kitchen_id, $2, id, revision FROM foods WHERE kitchen_id = $1 AND id = ANY($3) ON CONFLICT DO NOTHING`,
      [kitchenId, document.id, foods],
    );
    const bases = basesOf(document);
    await manager.delete(RecipeBaseEntity, { kitchenId, recipeId: document.id, baseId: Not(In(bases)) });
    // A base that stands later in the same kitchen file is taken at its first revision.
    await manager.query(
      `INSERT INTO recipe_bases (kitchen_id, recipe_id, base_id, base_revision)
       SELECT $1, $2, base.id, COALESCE((SELECT revision FROM recipes WHERE kitchen_id = $1 AND id = base.id), 1)
       FROM unnest($3::text[]) AS base (id) ON CONFLICT DO NOTHING`,
      [kitchenId, document.id, bases],
    );
  }

  async #current(manager: EntityManager, kitchenId: string, id: string): Promise<RecipeRevisionEntity> {
    const head = await manager.findOneBy(RecipeEntity, { kitchenId, id });
    const row = head && (await manager.findOneBy(RecipeRevisionEntity, { kitchenId, recipeId: id, revision: head.revision }));
    if (!row) throw new NotFoundError('recipe', id);
    return row;
  }

  async #read(found: object): Promise<RecipeEntry> {
    const document = readBody(RecipeEntry, found, 'document');
    const foods = new Map((await this.foods.known(foodsOf(document))).map((food) => [food.id, food]));
    const bases = await this.basesOf(document);
    const all = [document, ...bases.filter(({ id }) => id !== document.id)];
    const faults = [
      ...recipeFaults(document, foods, all, await this.kitchens.settings(), 'document'),
      ...circleFaults([document, ...all.slice(1)], ['document']),
      ...(await this.#takenPartFaults(document)),
    ];
    if (faults.length > 0) throw new UnreadableError(faults);
    return document;
  }

  /** Parts that other recipes take lines of, and that a recipe would no longer have. */
  async #takenPartFaults({ id, parts }: Recipe): Promise<Fault[]> {
    const has = new Set(parts.map((part) => part.id));
    return (await this.#dishesOn(id)).flatMap((dish) =>
      partsTaken(dish, id)
        .filter((part) => !has.has(part))
        .map((part) => ({
          path: 'document.parts',
          message: `"${dish.title}" takes its part "${part}"; take that line out there first, or put the part back`,
        })),
    );
  }

  async #usedIn(id: string): Promise<UsedInDto[]> {
    const [dishes, away] = [await this.#dishesOn(id), await this.away()];
    return dishes
      .filter((dish) => !away.has(dish.id))
      .map((dish) => ({ id: dish.id, title: dish.title, parts: partsTaken(dish, id) }))
      .sort((a, b) => (a.title < b.title ? -1 : 1));
  }

  /** Recipes that take parts of one, those put away too. */
  async #dishesOn(baseId: string): Promise<Recipe[]> {
    const kitchenId = await this.kitchens.id();
    const uses = await this.database.getRepository(RecipeBaseEntity).findBy({ kitchenId, baseId });
    return Promise.all(uses.map(async ({ recipeId }) => toRecipe(await this.#current(this.database.manager, kitchenId, recipeId))));
  }

  /** Recipes that a recipe takes parts of, and those they take parts of. */
  async basesOf(recipe: Recipe): Promise<Recipe[]> {
    const kitchenId = await this.kitchens.id();
    const found = new Map<string, Recipe>();
    let wanted = basesOf(recipe);
    while (wanted.length > 0) {
      const heads = await this.database.getRepository(RecipeEntity).find({ where: { kitchenId, id: In(wanted) } });
      const rows = await Promise.all(heads.map(({ id }) => this.#current(this.database.manager, kitchenId, id)));
      for (const row of rows) found.set(row.recipeId, toRecipe(row));
      wanted = rows.flatMap((row) => basesOf(toRecipe(row))).filter((id) => !found.has(id));
    }
    return [...found.values()];
  }
}
