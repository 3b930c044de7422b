import { Injectable } from '@nestjs/common';
import {
  computedFigures,
  figureKey,
  foodsOf,
  Kitchen,
  recipesUnder,
  sameDocument,
  withNumbers,
  type Food,
  type FoodEntry,
  type KitchenContent,
  type Recipe,
} from '@portiona/core';
import { Database } from '../database/database.js';
import type { UpstreamChangesDto, UpstreamFiguresDto } from './upstreamChanges.dto.js';
import { RecipesService } from './recipes.service.js';
import type { Scope } from '../scope/scope.js';

interface MovedRow<Document> {
  /** The recipe that rests on it. */
  readonly recipe_id: string;
  readonly id: string;
  readonly saved_at: Date;
  readonly now: Document;
  readonly before: Document;
}

/** What recipes rest on. A food or a base that is edited moves the figures of every recipe that uses it; none moves unsaid. */
@Injectable()
export class UpstreamChangesService {
  constructor(
    private readonly database: Database,
    private readonly recipes: RecipesService,
  ) {}

  /** @throws NotFoundError */
  get(scope: Scope, id: string): Promise<UpstreamChangesDto> {
    return this.database.read(async () => {
      const recipe = (await this.recipes.get(scope, id)).document;
      const [upstream = NOTHING_KNOWN] = await this.of(scope, [recipe], await this.recipes.kitchenUnder(scope, [recipe]));
      return upstream;
    });
  }

  /**
   * What some recipes rest on, asked for all of them at once.
   *
   * @param kitchen with all that they are built on
   * @returns one for each, in their order
   */
  async of(scope: Scope, recipes: readonly Recipe[], kitchen: Kitchen): Promise<UpstreamChangesDto[]> {
    const under = new Map(recipes.map((recipe) => [recipe.id, recipesUnder(recipe, kitchen)]));
    const all = [...new Set([...under.values()].flatMap((ones) => ones.map(({ id }) => id)))];
    const foods = (await this.#movedFoods(scope, all)).filter(({ now, before }) => JSON.stringify(now) !== JSON.stringify(before));
    const subRecipes = (await this.#movedSubRecipes(scope, all)).filter(({ now, before }) => computesOtherwise(now, before));
    const content = await this.#contentThen(scope, kitchen, subRecipes);
    return recipes.map((recipe) => {
      const ids = new Set((under.get(recipe.id) ?? []).map(({ id }) => id));
      const mine = { foods: oldest(foods, ids), subRecipes: oldest(subRecipes, ids) };
      const moved = [
        ...mine.foods.map((row) => ({ kind: 'food' as const, id: row.id, name: row.now.name, savedAt: row.saved_at.toISOString() })),
        ...mine.subRecipes.map((row) => ({
          kind: 'recipe' as const,
          id: row.id,
          name: row.now.title,
          savedAt: row.saved_at.toISOString(),
        })),
      ];
      const now = figuresOf(recipe, kitchen);
      return { moved, now, before: moved.length === 0 ? now : figuresOf(recipe, kitchenThen(content, mine)) };
    });
  }

  /** What the kitchen holds, with what the old revisions of bases were built on and the new ones are not. */
  async #contentThen(scope: Scope, kitchen: Kitchen, subRecipes: readonly MovedRow<Recipe>[]): Promise<KitchenContent> {
    const before = subRecipes.map((row) => row.before);
    const known = new Set(kitchen.content.recipes.map(({ id }) => id));
    const lacking = (await this.recipes.subRecipesOf(scope, ...before)).filter(({ id }) => !known.has(id));
    const there = new Set(kitchen.content.foods.map(({ id }) => id));
    if (lacking.length === 0 && before.flatMap(foodsOf).every((food) => there.has(food))) return kitchen.content;
    const recipes = [...kitchen.content.recipes, ...lacking];
    return { ...(await this.recipes.kitchenWith(scope, recipes, before.flatMap(foodsOf))).content, recipes };
  }

  /** Takes foods and bases as they stand for what the recipe rests on. @throws NotFoundError */
  async accept(scope: Scope, id: string): Promise<void> {
    const { kitchenId } = scope;
    await this.database.writeAlone(kitchenId, async () => {
      const { subRecipes } = await this.recipes.open(scope, id);
      const of = [kitchenId, [id, ...subRecipes.map((base) => base.id)]];
      const { manager } = this.database;
      await manager.query(
        `UPDATE recipe_foods used SET food_revision = food.revision
         FROM foods food WHERE food.kitchen_id = used.kitchen_id AND food.id = used.food_id
           AND used.kitchen_id = $1 AND used.recipe_id = ANY($2)`,
        of,
      );
      await manager.query(
        `UPDATE recipe_bases used SET base_revision = base.revision
         FROM recipes base WHERE base.kitchen_id = used.kitchen_id AND base.id = used.base_id
           AND used.kitchen_id = $1 AND used.recipe_id = ANY($2)`,
        of,
      );
    });
  }

  /** Foods edited since under each of the recipes, with what they were. */
  async #movedFoods(scope: Scope, recipes: readonly string[]): Promise<MovedRow<FoodEntry>[]> {
    return this.database.manager.query<MovedRow<FoodEntry>[]>(
      `SELECT used.recipe_id, food.id, food.saved_at, food.document AS now, was.document AS before
       FROM recipe_foods used
       JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id AND food.revision > used.food_revision
       JOIN food_revisions was ON was.kitchen_id = used.kitchen_id AND was.food_id = used.food_id AND was.revision = used.food_revision
       WHERE used.kitchen_id = $1 AND used.recipe_id = ANY($2)
       ORDER BY food.id, used.food_revision, used.recipe_id`,
      [scope.kitchenId, recipes],
    );
  }

  /** Bases edited since under each of the recipes, with what they were. */
  async #movedSubRecipes(scope: Scope, recipes: readonly string[]): Promise<MovedRow<Recipe>[]> {
    return this.database.manager.query<MovedRow<Recipe>[]>(
      `SELECT used.recipe_id, base.id, base.saved_at, stands.document AS now, was.document AS before
       FROM recipe_bases used
       JOIN recipes base ON base.kitchen_id = used.kitchen_id AND base.id = used.base_id AND base.revision > used.base_revision
       JOIN recipe_revisions stands ON stands.kitchen_id = base.kitchen_id AND stands.recipe_id = base.id AND stands.revision = base.revision
       JOIN recipe_revisions was ON was.kitchen_id = base.kitchen_id AND was.recipe_id = base.id AND was.revision = used.base_revision
       WHERE used.kitchen_id = $1 AND used.recipe_id = ANY($2)
       ORDER BY base.id, used.base_revision, used.recipe_id`,
      [scope.kitchenId, recipes],
    );
  }
}

/** Of what moved, what moved under some recipes: each once, as the oldest of them rests on it. */
function oldest<Document>(rows: readonly MovedRow<Document>[], recipes: ReadonlySet<string>): MovedRow<Document>[] {
  const first = new Map<string, MovedRow<Document>>();
  for (const row of rows) if (recipes.has(row.recipe_id) && !first.has(row.id)) first.set(row.id, row);
  return [...first.values()];
}

/** The kitchen as it was: foods and bases as they were agreed to. */
function kitchenThen(
  content: KitchenContent,
  { foods, subRecipes }: { readonly foods: readonly MovedRow<FoodEntry>[]; readonly subRecipes: readonly MovedRow<Recipe>[] },
): Kitchen {
  const oldFoods = new Map(foods.map(({ id, before }): [string, Food] => [id, before]));
  const oldSubRecipes = new Map(subRecipes.map(({ id, before, now }) => [id, withLaterParts(before, now)]));
  return new Kitchen({
    ...content,
    foods: content.foods.map((food) => oldFoods.get(food.id) ?? food),
    recipes: content.recipes.map((recipe) => oldSubRecipes.get(recipe.id) ?? recipe),
  });
}

/** Whether two revisions of a base can come to other figures: its title, its method and what its lines are known by move nothing. */
function computesOtherwise(now: Recipe, before: Recipe): boolean {
  const computed = (recipe: Recipe) => {
    const { parts, servings, measures, amountsPer } = withNumbers(recipe);
    return { parts, servings, measures, amountsPer };
  };
  return !sameDocument(computed(now), computed(before));
}

/** A base as it was; parts it has gained since, which a line may have been taken of later, are there as they are. */
function withLaterParts(before: Recipe, now: Recipe): Recipe {
  const had = new Set(before.parts.map(({ id }) => id));
  return { ...before, parts: [...before.parts, ...now.parts.filter(({ id }) => !had.has(id))] };
}

const UNKNOWN: UpstreamFiguresDto = {
  energyKcal: null,
  protein: null,
  carbohydrate: null,
  fat: null,
  fibre: null,
  sodium: null,
  usedCost: null,
};
const NOTHING_KNOWN: UpstreamChangesDto = { moved: [], now: UNKNOWN, before: UNKNOWN };

/** Figures of a serving; all unknown where it cannot be computed. */
function figuresOf(recipe: Recipe, kitchen: Kitchen): UpstreamFiguresDto {
  const computed = computedFigures(recipe, kitchen);
  if (!computed.ok) return UNKNOWN;
  const { nutrients, usedCost } = computed.made.perServing;
  return {
    energyKcal: nutrients.energyKcal.amount ?? null,
    protein: nutrients.protein.amount ?? null,
    carbohydrate: nutrients[figureKey('carbohydrate', kitchen.convention)].amount ?? null,
    fat: nutrients.fat.amount ?? null,
    fibre: nutrients.fibre.amount ?? null,
    sodium: nutrients.sodium.amount ?? null,
    usedCost: usedCost.amount ?? null,
  };
}
