import { Injectable } from '@nestjs/common';
import { foodsOf, foodsOfBatch, learnedYields, Kitchen, type Batch, type KitchenContent, type Recipe } from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import type { Scope } from '../scope/scope.js';

type Learned = NonNullable<KitchenContent['learned']>;
const NOTHING: Learned = new Map();

/** What batches have taught of the yields of parts: of those that state neither a weight nor a yield. */
@Injectable()
export class LearnedYieldsService {
  constructor(
    private readonly database: Database,
    private readonly foods: FoodsService,
  ) {}

  /**
   * By "recipe/part", of some recipes.
   *
   * @param content what they are computed with; foods that only batches speak of are loaded here
   */
  async of(scope: Scope, recipes: readonly Recipe[], content: KitchenContent): Promise<Learned> {
    const batches = await this.teaching(scope, recipes);
    if (batches.length === 0) return NOTHING;
    const there = new Set(content.foods.map(({ id }) => id));
    const others = [...new Set([...batches.flatMap(foodsOfBatch), ...recipes.flatMap(foodsOf)])].filter((id) => !there.has(id));
    const foods = others.length === 0 ? [] : await this.foods.loadForCalculation(scope, others);
    return learnedYields(batches, new Kitchen({ ...content, foods: [...content.foods, ...foods] }));
  }

  /** Batches that measured recipes with a part that states neither a weight nor a yield, in the order of their days. */
  async teaching(scope: Scope, recipes: readonly Recipe[]): Promise<Batch[]> {
    const open = recipes.filter(({ parts }) => parts.some((part) => part.cookedWeight === undefined && part.yield === undefined));
    if (open.length === 0) return [];
    const rows = await this.database.manager.query<{ document: Batch }[]>(
      `SELECT document FROM batches
       WHERE kitchen_id = $1 AND recipe_id = ANY($2) AND archived_at IS NULL
         AND jsonb_path_exists(document, '$.parts[*] ? (exists(@.net) || exists(@.gross))')
       ORDER BY date, place`,
      [scope.kitchenId, open.map(({ id }) => id)],
    );
    return rows.map(({ document }) => document);
  }
}
