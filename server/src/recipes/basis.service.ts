import { Injectable } from '@nestjs/common';
import { computedFigures, figureKey, Kitchen, sameDocument, type Food, type FoodEntry, type Recipe } from '@portiona/core';
import { Database } from '../database/database.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { BasisDto, BasisFiguresDto } from './basis.dto.js';
import { RecipesService } from './recipes.service.js';

interface MovedRow<Document> {
  readonly id: string;
  readonly saved_at: Date;
  readonly now: Document;
  readonly before: Document;
}

/** What recipes rest on. A food or a base that is edited moves the figures of every recipe that uses it; none moves unsaid. */
@Injectable()
export class BasisService {
  constructor(
    private readonly database: Database,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
  ) {}

  /** @throws NotFoundError */
  get(id: string): Promise<BasisDto> {
    return this.database.read(() => this.#get(id));
  }

  async #get(id: string): Promise<BasisDto> {
    const { document, bases } = await this.recipes.open(id);
    const recipe = document as Recipe;
    const all = [recipe, ...(bases as Recipe[])];
    const ids = all.map((one) => one.id);
    const foods = (await this.#movedFoods(ids)).filter(({ now, before }) => JSON.stringify(now) !== JSON.stringify(before));
    const recipes = (await this.#movedBases(ids)).filter(({ now, before }) => computesOtherwise(now, before));
    const moved = [
      ...foods.map((row) => ({ kind: 'food' as const, id: row.id, name: row.now.name, savedAt: row.saved_at.toISOString() })),
      ...recipes.map((row) => ({ kind: 'recipe' as const, id: row.id, name: row.now.title, savedAt: row.saved_at.toISOString() })),
    ];
    const now = figuresOf(recipe, await this.recipes.kitchenWith(all));
    return { moved, now, before: moved.length === 0 ? now : figuresOf(recipe, await this.#kitchenThen(all, foods, recipes)) };
  }

  /** The kitchen as it was: foods and bases as they were agreed to. */
  async #kitchenThen(
    all: readonly Recipe[],
    foods: readonly MovedRow<FoodEntry>[],
    recipes: readonly MovedRow<Recipe>[],
  ): Promise<Kitchen> {
    const oldFoods = new Map(foods.map(({ id, before }): [string, Food] => [id, before]));
    const oldBases = new Map(recipes.map(({ id, before, now }) => [id, withLaterParts(before, now)]));
    const then = new Map(all.map((one) => [one.id, oldBases.get(one.id) ?? one]));
    for (const old of oldBases.values())
      for (const base of await this.recipes.basesOf(old)) if (!then.has(base.id)) then.set(base.id, base);
    const { content } = await this.recipes.kitchenWith([...then.values()]);
    return new Kitchen({ ...content, foods: content.foods.map((food) => oldFoods.get(food.id) ?? food) });
  }

  /** Takes foods and bases as they stand for what the recipe rests on. @throws NotFoundError */
  async accept(id: string): Promise<void> {
    const kitchenId = await this.kitchens.id();
    await this.database.writeAlone(kitchenId, async () => {
      const { bases } = await this.recipes.open(id);
      const of = [kitchenId, [id, ...(bases as Recipe[]).map((base) => base.id)]];
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

  /** Foods edited since, with what they were: the oldest composition that any of the recipes rests on. */
  async #movedFoods(recipes: readonly string[]): Promise<MovedRow<FoodEntry>[]> {
    return this.database.manager.query<MovedRow<FoodEntry>[]>(
      `SELECT DISTINCT ON (food.id) food.id, food.saved_at, food.document AS now, was.document AS before
       FROM recipe_foods used
       JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id AND food.revision > used.food_revision
       JOIN food_revisions was ON was.kitchen_id = used.kitchen_id AND was.food_id = used.food_id AND was.revision = used.food_revision
       WHERE used.kitchen_id = $1 AND used.recipe_id = ANY($2)
       ORDER BY food.id, used.food_revision`,
      [await this.kitchens.id(), recipes],
    );
  }

  /** Bases edited since, with what they were: the oldest revision that any of the recipes rests on. */
  async #movedBases(recipes: readonly string[]): Promise<MovedRow<Recipe>[]> {
    return this.database.manager.query<MovedRow<Recipe>[]>(
      `SELECT DISTINCT ON (base.id) base.id, base.saved_at, stands.document AS now, was.document AS before
       FROM recipe_bases used
       JOIN recipes base ON base.kitchen_id = used.kitchen_id AND base.id = used.base_id AND base.revision > used.base_revision
       JOIN recipe_revisions stands ON stands.kitchen_id = base.kitchen_id AND stands.recipe_id = base.id AND stands.revision = base.revision
       JOIN recipe_revisions was ON was.kitchen_id = base.kitchen_id AND was.recipe_id = base.id AND was.revision = used.base_revision
       WHERE used.kitchen_id = $1 AND used.recipe_id = ANY($2)
       ORDER BY base.id, used.base_revision`,
      [await this.kitchens.id(), recipes],
    );
  }
}

/** Whether two revisions of a base can come to other figures: its title and its method move nothing. */
function computesOtherwise(now: Recipe, before: Recipe): boolean {
  const computed = ({ parts, servings, measures, amountsPer }: Recipe) => ({ parts, servings, measures, amountsPer });
  return !sameDocument(computed(now), computed(before));
}

/** A base as it was; parts it has gained since, which a line may have been taken of later, are there as they are. */
function withLaterParts(before: Recipe, now: Recipe): Recipe {
  const had = new Set(before.parts.map(({ id }) => id));
  return { ...before, parts: [...before.parts, ...now.parts.filter(({ id }) => !had.has(id))] };
}

/** Figures of a serving; all unknown where it cannot be computed. */
function figuresOf(recipe: Recipe, kitchen: Kitchen): BasisFiguresDto {
  const computed = computedFigures(recipe, kitchen);
  if (!computed.ok) return { energyKcal: null, protein: null, carbohydrate: null, fat: null, fibre: null, sodium: null, usedCost: null };
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
