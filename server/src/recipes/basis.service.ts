import { Injectable } from '@nestjs/common';
import { InjectDataSource } from '@nestjs/typeorm';
import { figureKey, Kitchen, recipeFigures, type Food, type FoodEntry, type Recipe } from '@portiona/core';
import { DataSource } from 'typeorm';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { BasisDto, BasisFiguresDto } from './basis.dto.js';
import { RecipesService } from './recipes.service.js';

interface MovedRow {
  readonly id: string;
  readonly saved_at: Date;
  readonly now: FoodEntry;
  readonly before: FoodEntry;
}

/** What recipes rest on. A food that is edited moves the figures of every recipe that uses it; none moves unsaid. */
@Injectable()
export class BasisService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly kitchens: KitchensService,
    private readonly recipes: RecipesService,
  ) {}

  /** @throws NotFoundError */
  async get(id: string): Promise<BasisDto> {
    const { document, bases } = await this.recipes.open(id);
    const recipe = document as Recipe;
    const all = [recipe, ...(bases as Recipe[])];
    const rows = (await this.#moved(all.map((one) => one.id))).filter(({ now, before }) => JSON.stringify(now) !== JSON.stringify(before));
    const kitchen = await this.recipes.kitchenWith(all);
    const old = new Map(rows.map((row): [string, Food] => [row.id, row.before]));
    const then = new Kitchen({ ...kitchen.content, foods: kitchen.content.foods.map((food) => old.get(food.id) ?? food) });
    return {
      moved: rows.map((row) => ({ id: row.id, name: row.now.name, savedAt: row.saved_at.toISOString() })),
      before: figuresOf(recipe, then),
      now: figuresOf(recipe, kitchen),
    };
  }

  /** Takes the foods as they stand for what the recipe rests on. @throws NotFoundError */
  async accept(id: string): Promise<void> {
    const { bases } = await this.recipes.open(id);
    await this.database.query(
      `UPDATE recipe_foods used SET food_revision = food.revision
       FROM foods food WHERE food.kitchen_id = used.kitchen_id AND food.id = used.food_id
         AND used.kitchen_id = $1 AND used.recipe_id = ANY($2)`,
      [await this.kitchens.id(), [id, ...(bases as Recipe[]).map((base) => base.id)]],
    );
  }

  /** Foods edited since, with what they were: the oldest composition that any of the recipes rests on. */
  async #moved(recipes: readonly string[]): Promise<MovedRow[]> {
    return this.database.query<MovedRow[]>(
      `SELECT DISTINCT ON (food.id) food.id, food.saved_at, food.document AS now, was.document AS before
       FROM recipe_foods used
       JOIN foods food ON food.kitchen_id = used.kitchen_id AND food.id = used.food_id AND food.revision > used.food_revision
       JOIN food_revisions was ON was.kitchen_id = used.kitchen_id AND was.food_id = used.food_id AND was.revision = used.food_revision
       WHERE used.kitchen_id = $1 AND used.recipe_id = ANY($2)
       ORDER BY food.id, used.food_revision`,
      [await this.kitchens.id(), recipes],
    );
  }
}

function figuresOf(recipe: Recipe, kitchen: Kitchen): BasisFiguresDto {
  const { nutrients, usedCost } = recipeFigures(recipe, kitchen).perServing;
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
