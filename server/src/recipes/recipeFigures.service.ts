import { Injectable } from '@nestjs/common';
import {
  computed,
  errorModelOf,
  FoodIndex,
  openLines,
  recipeFigures,
  servedOf,
  swapEffect,
  triedAgain,
  usualGrams,
  type ErrorModel,
  type FigureKey,
  type Food,
  type Recipe,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { TableFoodsService } from '../foods/tableFoods.service.js';
import { NotFoundError } from '../http/problems.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { SavedFoodDto } from '../http/saved.dto.js';
import type { FoundAgainDto, SwapsDto } from './recipe.dto.js';
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
    private readonly tables: TableFoodsService,
    private readonly kitchens: KitchensService,
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

  /** Dishes with lines that find a food now, since foods have come: those that had none, and those that nobody has agreed to. */
  async foundAgain(scope: Scope): Promise<FoundAgainDto[]> {
    const { recipes, athand, inTables, settings } = await this.database.read(async () => {
      const recipes = await this.recipes.withOpenLines(scope);
      return {
        recipes,
        athand: await this.foods.list(scope),
        inTables: await this.#inTables(scope, recipes),
        settings: await this.kitchens.settings(scope),
      };
    });
    if (recipes.length === 0) return [];
    const byId = new Map([...inTables, ...athand].map(({ id, document }): [string, Food] => [id, document]));
    const index = new FoodIndex([...byId.values()], new Set(athand.map(({ id }) => id)));
    return recipes.flatMap((recipe) => {
      const found = triedAgain(recipe, index, byId, settings.measures);
      return found.length === 0 ? [] : [{ id: recipe.id, title: recipe.title, lines: found.length }];
    });
  }

  /**
   * Rows of imported tables that a recipe's lines may mean: of lines without a food, and of those nobody has agreed to.
   *
   * @throws NotFoundError
   */
  tableFoods(scope: Scope, id: string): Promise<SavedFoodDto[]> {
    return this.database.read(async () => this.#inTables(scope, [(await this.recipes.get(scope, id)).document]));
  }

  #inTables(scope: Scope, recipes: readonly Recipe[]): Promise<SavedFoodDto[]> {
    return this.tables.likely(
      scope,
      recipes.flatMap((recipe) => openLines(recipe).map(({ text }) => text)),
    );
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
