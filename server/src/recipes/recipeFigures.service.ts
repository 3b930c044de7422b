import { Injectable } from '@nestjs/common';
import {
  computed,
  errorModelOf,
  recipeFigures,
  servedOf,
  swapEffect,
  usualGrams,
  type ErrorModel,
  type FigureKey,
  type Recipe,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError } from '../http/problems.js';
import type { SwapsDto } from './recipe.dto.js';
import { toSwap } from './recipe.mapper.js';
import { RecipesService } from './recipes.service.js';
import type { Scope } from '../scope/scope.js';

/** What is asked of the figures of recipes: read in one go, computed after, and no recipe keeps the others from being told. */
@Injectable()
export class RecipeFiguresService {
  constructor(
    private readonly database: Database,
    private readonly recipes: RecipesService,
    private readonly foods: FoodsService,
  ) {}

  /**
   * What each recipe that uses a food gains when another stands in its place, gram for gram.
   *
   * @throws NotFoundError when there is no such food
   */
  async swaps(scope: Scope, from: string, to: string): Promise<SwapsDto> {
    const { recipes, kitchen } = await this.database.read(async () => {
      const there = new Set((await this.foods.loadForCalculation(scope, [from, to])).map(({ id }) => id));
      for (const id of [from, to]) if (!there.has(id)) throw new NotFoundError('food', id);
      const holding = await this.recipes.holding(scope, [from, to]);
      return { recipes: holding, kitchen: await this.recipes.kitchenUnder(scope, holding, [from, to]) };
    });
    const swaps = recipes.flatMap((recipe) => {
      const effect = computed(() => swapEffect(recipe, from, to, kitchen));
      return effect.ok && effect.made ? [toSwap(effect.made)] : [];
    });
    return { swaps, usualGrams: usualGrams([from, to], recipes, kitchen) ?? null };
  }

  /**
   * What a figure of a recipe's serving rests on, for drawing it.
   *
   * @param choices whether what is optional is taken or left
   * @throws NotFoundError
   */
  async errorModel(scope: Scope, id: string, figure: FigureKey, choices: boolean): Promise<ErrorModel> {
    const { recipe, kitchen } = await this.database.read(async () => {
      const { document, subRecipes } = (await this.recipes.open(scope, id)) as {
        readonly document: Recipe;
        readonly subRecipes: readonly Recipe[];
      };
      return { recipe: document, kitchen: await this.recipes.kitchenWith(scope, [document, ...subRecipes]) };
    });
    const parts = recipeFigures(recipe, kitchen).parts.filter(
      ({ part }) => servedOf(part) === 'box' || (choices && servedOf(part) === 'optional'),
    );
    const { keys, sources, contributions } = errorModelOf(parts, [figure], choices);
    return { keys, sources, contributions };
  }
}
