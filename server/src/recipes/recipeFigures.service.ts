import { Injectable } from '@nestjs/common';
import {
  BriefEntry,
  computed,
  errorModelOf,
  recipeFigures,
  servedOf,
  swapEffect,
  usualGrams,
  type ErrorModel,
  type FigureKey,
  type Kitchen,
  type Recipe,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import type { BriefVerdictDto, SwapsDto } from './recipe.dto.js';
import type { RecipeEntity } from './recipe.entity.js';
import { toBriefVerdict, toSwap } from './recipe.mapper.js';
import { RecipesService } from './recipes.service.js';

/** What every recipe comes to, for lists: read in one go, computed after, and no recipe keeps the others from being told. */
@Injectable()
export class RecipeFiguresService {
  constructor(
    private readonly database: Database,
    private readonly recipes: RecipesService,
    private readonly foods: FoodsService,
  ) {}

  /** How every recipe stands to a brief. @throws UnreadableError */
  async judged(found: object): Promise<BriefVerdictDto[]> {
    const brief = readBody(BriefEntry, found, 'brief');
    return this.#each((head, recipe, kitchen) => toBriefVerdict(head, recipe, brief, kitchen));
  }

  /**
   * What each recipe that uses a food gains when another stands in its place, gram for gram.
   *
   * @throws NotFoundError when there is no such food
   */
  async swaps(from: string, to: string): Promise<SwapsDto> {
    const { recipes, kitchen } = await this.database.read(async () => {
      const there = new Set((await this.foods.known([from, to])).map(({ id }) => id));
      for (const id of [from, to]) if (!there.has(id)) throw new NotFoundError('food', id);
      const { recipes: atHand } = await this.recipes.atHand();
      return { recipes: atHand, kitchen: await this.recipes.kitchenWith(atHand, [from, to]) };
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
  async errorModel(id: string, figure: FigureKey, choices: boolean): Promise<ErrorModel> {
    const { recipe, kitchen } = await this.database.read(async () => {
      const { document, bases } = (await this.recipes.open(id)) as { readonly document: Recipe; readonly bases: readonly Recipe[] };
      return { recipe: document, kitchen: await this.recipes.kitchenWith([document, ...bases]) };
    });
    const parts = recipeFigures(recipe, kitchen).parts.filter(
      ({ part }) => servedOf(part) === 'box' || (choices && servedOf(part) === 'optional'),
    );
    const { keys, sources, contributions } = errorModelOf(parts, [figure], choices);
    return { keys, sources, contributions };
  }

  /** Something of every recipe that is not put away, newest save first. */
  async #each<Seen>(see: (head: RecipeEntity, recipe: Recipe, kitchen: Kitchen) => Seen): Promise<Seen[]> {
    const { heads, recipes, kitchen } = await this.database.read(async () => {
      const there = await this.recipes.atHand();
      return { ...there, kitchen: await this.recipes.kitchenWith(there.recipes) };
    });
    const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
    return heads.flatMap((head) => {
      const recipe = byId.get(head.id);
      return recipe ? [see(head, recipe, kitchen)] : [];
    });
  }
}
