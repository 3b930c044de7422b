import { Injectable } from '@nestjs/common';
import {
  mergedFood,
  mergeEffects,
  movedPack,
  type Food,
  type FoodEntry,
  type MergeEffect,
  type Pack,
  type RecipeEntry,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodEntity } from '../foods/food.entity.js';
import { FoodsService } from '../foods/foods.service.js';
import { StaleSaveError, ValidationError } from '../http/problems.js';
import { PacksService } from '../packs/packs.service.js';
import { RecipeEntity } from '../recipes/recipe.entity.js';
import { toSwap } from '../recipes/recipe.mapper.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { StockService } from '../shopping/stock.service.js';
import type { MergeDto, MergePreviewDto } from './merge.dto.js';
import type { Scope } from '../scope/scope.js';

/** Makes one food of two that are the same, in the pantry and in every recipe. */
@Injectable()
export class MergesService {
  constructor(
    private readonly database: Database,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
    private readonly stock: StockService,
    private readonly recipes: RecipesService,
  ) {}

  /** @throws NotFoundError, ValidationError */
  preview(scope: Scope, wanted: MergeDto): Promise<MergePreviewDto> {
    return this.database.read(async () => {
      const { effects, gone, kept } = await this.#effects(scope, wanted);
      return {
        food: mergedFood(kept, gone),
        packs: (await this.packs.everSeen(scope, [gone.id])).length,
        recipes: effects.map(toSwap),
      };
    });
  }

  /**
   * Merges, in one transaction: the kept food gains what the other knew, packs and recipes become its, the other is put away. A
   * recipe that was saved meanwhile, or a food, makes all of it fail, and nothing is written.
   *
   * @throws NotFoundError, ValidationError, StaleSaveError
   */
  async merge(scope: Scope, wanted: MergeDto): Promise<MergePreviewDto> {
    const { kitchenId } = scope;
    return this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      const { effects, gone, kept, revision } = await this.#effects(scope, wanted);
      const food = mergedFood(kept, gone) as FoodEntry;
      const packs = await this.packs.everSeen(scope, [gone.id]);
      const revisions = new Map((await manager.findBy(RecipeEntity, { kitchenId })).map((head) => [head.id, head.revision]));
      // A table that is being taken in may have written the food meanwhile.
      if (!(await this.foods.write(scope, revision, food))) throw new StaleSaveError('food', kept.id, await this.foods.get(scope, kept.id));
      for (const pack of packs) {
        const document: Pack = movedPack(pack, gone, food);
        await manager.query(
          `UPDATE packs SET food_id = $3, document = $4, revision = revision + 1, saved_at = now() WHERE kitchen_id = $1 AND id = $2`,
          [kitchenId, pack.id, kept.id, JSON.stringify(document)],
        );
      }
      // Those put away go along as they are: nothing is counted by them.
      await manager.query(
        `UPDATE packs SET food_id = $3, document = document || jsonb_build_object('food', $3::text)
         WHERE kitchen_id = $1 AND food_id = $2 AND put_away_at IS NOT NULL`,
        [kitchenId, gone.id, kept.id],
      );
      for (const { recipe, merged } of effects)
        await this.recipes.rewrite(scope, revisions.get(recipe.id) ?? 0, merged as RecipeEntry, 'merged');
      await this.stock.moveTo(scope, gone, food);
      await manager.query('UPDATE receipt_names SET food_id = $3 WHERE kitchen_id = $1 AND food_id = $2', [kitchenId, gone.id, kept.id]);
      await manager.update(FoodEntity, { kitchenId, id: gone.id }, { archivedAt: () => 'now()' });
      return { food, packs: packs.length, recipes: effects.map(toSwap) };
    });
  }

  async #effects(
    scope: Scope,
    { kept: keptId, gone: goneId }: MergeDto,
  ): Promise<{
    readonly effects: readonly MergeEffect[];
    readonly gone: Food;
    readonly kept: Food;
    readonly revision: number;
  }> {
    if (keptId === goneId) throw new ValidationError([{ path: 'gone', message: 'is the food that stays; choose another' }]);
    const [kept, gone] = [await this.foods.get(scope, keptId), await this.foods.get(scope, goneId)];
    const away = await this.foods.away(scope, [keptId, goneId]);
    for (const [path, { id }] of [
      ['kept', kept],
      ['gone', gone],
    ] as const)
      if (away.has(id))
        throw new ValidationError([{ path, message: `"${id}" is put away already, or was merged into another; take it out again first` }]);
    const recipes = await this.recipes.loadForCalculation(scope);
    const kitchen = await this.recipes.kitchenWith(scope, recipes, [keptId, goneId]);
    return {
      effects: mergeEffects(kitchen, goneId, keptId),
      gone: gone.document,
      kept: kept.document,
      revision: kept.revision,
    };
  }
}
