import { Injectable } from '@nestjs/common';
import { computedFigures, type Kitchen, type Recipe } from '@portiona/core';
import { Database } from '../database/database.js';
import { NotFoundError } from '../http/problems.js';
import { UpstreamChangesService } from './upstreamChanges.service.js';
import type { DishDto } from './subRecipes.dto.js';
import { toDish } from './subRecipes.mapper.js';
import { RecipesService } from './recipes.service.js';
import type { Scope } from '../scope/scope.js';

/** Recipes whose parts are lines of others: what can be taken of them, and what is built on them. */
@Injectable()
export class SubRecipesService {
  constructor(
    private readonly database: Database,
    private readonly recipes: RecipesService,
    private readonly upstream: UpstreamChangesService,
  ) {}

  /**
   * The dishes that take parts of a recipe, with how much of each and what became of their serving since the recipe was
   * agreed to in them.
   *
   * @throws NotFoundError
   */
  dishes(scope: Scope, id: string): Promise<DishDto[]> {
    return this.database.read(() => this.#dishes(scope, id));
  }

  async #dishes(scope: Scope, id: string): Promise<DishDto[]> {
    const base = (await this.recipes.loadForCalculation(scope, [id]))[0];
    if (!base) throw new NotFoundError('recipe', id);
    const dishes = await this.recipes.dishesOn(scope, id);
    const kitchen = await this.recipes.kitchenUnder(scope, dishes);
    const upstream = await this.upstream.of(scope, dishes, kitchen);
    return upstream
      .flatMap((moved, i) => {
        const dish = dishes[i];
        return dish ? [toDish(dish, takenOf(dish, id, kitchen), moved)] : [];
      })
      .sort((a, b) => (a.title < b.title ? -1 : 1));
  }
}

/** Grams that a dish takes of each part of a base, for its batch; a part that only a variant takes counts none. */
function takenOf(dish: Recipe, base: string, kitchen: Kitchen): Map<string, number> {
  const taken = new Map<string, number>();
  const figures = computedFigures(dish, kitchen);
  for (const { line, weights } of figures.ok ? figures.made.lines : [])
    if (line.recipe === base && line.part !== undefined) taken.set(line.part, (taken.get(line.part) ?? 0) + (weights?.grams ?? 0));
  return taken;
}
