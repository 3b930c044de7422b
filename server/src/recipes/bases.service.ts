import { Injectable } from '@nestjs/common';
import { computed, computedFigures, takeableParts, type Kitchen, type Recipe, recipesTaken } from '@portiona/core';
import { Database } from '../database/database.js';
import { NotFoundError } from '../http/problems.js';
import { BasisService } from './basis.service.js';
import type { DishDto, TakeablePartDto } from './bases.dto.js';
import { toDish, toTakeablePart } from './bases.mapper.js';
import { RecipesService } from './recipes.service.js';

/** Recipes whose parts are lines of others: what can be taken of them, and what is built on them. */
@Injectable()
export class BasesService {
  constructor(
    private readonly database: Database,
    private readonly recipes: RecipesService,
    private readonly basis: BasisService,
  ) {}

  /**
   * Every part that a recipe may take a line of: of recipes not put away, and of none that is built on it itself.
   *
   * @param of the recipe that is to take them
   */
  async takeable(of: string): Promise<TakeablePartDto[]> {
    const { recipes, kitchen, away } = await this.database.read(async () => {
      const there = await this.recipes.atHand();
      return { recipes: there.recipes, kitchen: await this.recipes.kitchenWith(there.recipes), away: await this.recipes.away() };
    });
    const above = builtOn(of, recipes);
    return recipes
      .filter(({ id }) => id !== of && !away.has(id) && !above.has(id))
      .flatMap((recipe) => {
        // What cannot be computed weighs nothing that could be taken; the list of recipes says why.
        const parts = computed(() => takeableParts(recipe, kitchen));
        return parts.ok ? parts.made.map(toTakeablePart) : [];
      });
  }

  /**
   * The dishes that take parts of a recipe, with how much of each and what became of their serving since the recipe was
   * agreed to in them.
   *
   * @throws NotFoundError
   */
  dishes(id: string): Promise<DishDto[]> {
    return this.database.read(() => this.#dishes(id));
  }

  async #dishes(id: string): Promise<DishDto[]> {
    const recipes = await this.recipes.known();
    const base = recipes.find((recipe) => recipe.id === id);
    if (!base) throw new NotFoundError('recipe', id);
    const away = await this.recipes.away();
    const kitchen = await this.recipes.kitchenWith(recipes);
    const using = recipes.filter((recipe) => !away.has(recipe.id) && recipesTaken(recipe).includes(id));
    const dishes: DishDto[] = [];
    for (const dish of using) dishes.push(toDish(dish, takenOf(dish, id, kitchen), await this.basis.get(dish.id)));
    return dishes.sort((a, b) => (a.title < b.title ? -1 : 1));
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

/** Ids of the recipes that are built on one, directly or through others. */
function builtOn(id: string, recipes: readonly Recipe[]): ReadonlySet<string> {
  const above = new Set<string>();
  let below = [id];
  while (below.length > 0) {
    const next = recipes.filter((recipe) => !above.has(recipe.id) && recipesTaken(recipe).some((base) => below.includes(base)));
    for (const recipe of next) above.add(recipe.id);
    below = next.map((recipe) => recipe.id);
  }
  return above;
}
