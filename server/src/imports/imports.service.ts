import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectDataSource } from '@nestjs/typeorm';
import { readKitchen, type FoodEntry, type Pack, type PackEntry, type RecipeEntry } from '@portiona/core';
import { DataSource } from 'typeorm';
import { isTaken } from '../database/isTaken.js';
import { FoodsService } from '../foods/foods.service.js';
import { TakenError, UnreadableError } from '../http/problems.js';
import { KitchenEntity } from '../kitchens/kitchen.entity.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PackEntity } from '../packs/pack.entity.js';
import { PacksService } from '../packs/packs.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import type { ImportedDto } from './import.dto.js';
import { starterFoods } from './starterFoods.js';

/** Rows one statement writes at most; a statement holds 65,535 parameters. */
const ROWS_AT_ONCE = 1000;

/** What a kitchen file holds besides its settings. */
interface Content {
  readonly foods: FoodEntry[];
  readonly packs: PackEntry[];
  readonly recipes: RecipeEntry[];
}

@Injectable()
export class ImportsService {
  constructor(
    @InjectDataSource() private readonly database: DataSource,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
    private readonly recipes: RecipesService,
  ) {}

  /**
   * Takes a whole kitchen file in, in one transaction: everything, or nothing.
   *
   * @param name the kitchen's new name, when given
   * @param keep foods, packs and recipes that are there already stay as they are; without it the file is refused for them
   * @throws UnreadableError with every fault; TakenError when an id is already there
   */
  async kitchenFile(found: unknown, name?: string, keep = false): Promise<ImportedDto> {
    const read = readKitchen(found, new Date().toISOString().slice(0, 10));
    if (!read.ok) throw new UnreadableError(read.faults);
    const entry = JSON.parse(JSON.stringify(read.entry)) as Content;
    const { foods, packs, recipes } = keep ? await this.#newOf(entry) : entry;
    const settings = (found as { settings?: object }).settings;
    const kitchenId = await this.kitchens.id();
    try {
      await this.database.transaction(async (manager) => {
        if (name !== undefined || (settings && !keep))
          await manager.update(
            KitchenEntity,
            { id: kitchenId },
            { ...(name === undefined ? {} : { name }), ...(settings && !keep ? { settings } : {}) },
          );
        await this.foods.insert(manager, foods);
        const packRows = packs.map((document) => {
          const id = document.id ?? randomUUID();
          return { kitchenId, id, foodId: document.food, revision: 1, document: { ...document, id } };
        });
        for (const rows of chunks(packRows)) await manager.insert(PackEntity, rows);
        for (const document of recipes) await this.recipes.insert(manager, document);
      });
    } catch (error) {
      if (isTaken(error)) throw new TakenError('food or pack of that kind', 'in this file');
      throw error;
    }
    if (foods.length > ROWS_AT_ONCE) await this.foods.settle();
    return { foods: foods.length, packs: packs.length, recipes: recipes.length };
  }

  /** What of a file is not there yet. A pack without an id is known by its food, shop, size and day. */
  async #newOf({ foods, packs, recipes }: Content): Promise<Content> {
    const [known, bought, cooked] = [await this.foods.known(), await this.packs.known(), await this.recipes.known()];
    const [food, recipe] = [new Set(known.map(({ id }) => id)), new Set(cooked.map(({ id }) => id))];
    const sameAs = ({ food: of, shop, net, unit, seen }: Pack) => JSON.stringify([of, shop, net, unit, seen]);
    const pack = new Set(bought.flatMap((one) => [one.id ?? '', sameAs(one)]));
    return {
      foods: foods.filter(({ id }) => !food.has(id)),
      packs: packs.filter((one) => !pack.has(one.id ?? sameAs(one)) && !pack.has(sameAs(one))),
      recipes: recipes.filter(({ id }) => !recipe.has(id)),
    };
  }

  /** Takes the starter pantry in: every generic food whose id is free. Nothing that is there is changed. */
  async starterPantry(): Promise<ImportedDto> {
    const foods = starterFoods();
    return this.database.transaction(async (manager) => {
      const there = new Set((await this.foods.known(foods.map(({ id }) => id))).map(({ id }) => id));
      const added = foods.filter(({ id }) => !there.has(id));
      await this.foods.insert(manager, added);
      return { foods: added.length, packs: 0, recipes: 0 };
    });
  }
}

function chunks<Row>(rows: readonly Row[]): Row[][] {
  const parts: Row[][] = [];
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) parts.push(rows.slice(i, i + ROWS_AT_ONCE));
  return parts;
}
