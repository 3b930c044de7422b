import { Injectable } from '@nestjs/common';
import {
  batchesSheet,
  foodsSheet,
  kitchenFileText,
  linesSheet,
  shoppingSheet,
  shoppingText,
  pricesSheet,
  recipesSheet,
  withThenIfOther,
  type Pack,
  type Recipe,
  type Sheet,
} from '@portiona/core';
import { stringify } from 'csv-stringify/sync';
import { Database } from '../database/database.js';
import { BatchesService } from '../batches/batches.service.js';
import { FoodsService } from '../foods/foods.service.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { PacksService } from '../packs/packs.service.js';
import { TooLargeFileError } from '../http/problems.js';
import { MOST_KITCHEN_FILE } from '../http/mostBytes.js';
import { PhotosService } from '../photos/photos.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import { SessionsService } from '../sessions/sessions.service.js';
import { sessionsCalendar } from '../sessions/sessionsCalendar.js';
import { shoppingPdf } from '../shopping/shoppingPdf.js';
import { ShoppingService } from '../shopping/shopping.service.js';
import { StockService } from '../shopping/stock.service.js';
import { PeopleService } from '../weeks/people.service.js';
import { WeeksService } from '../weeks/weeks.service.js';
import type { Scope } from '../scope/scope.js';

@Injectable()
export class ExportsService {
  constructor(
    private readonly database: Database,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
    private readonly recipes: RecipesService,
    private readonly batches: BatchesService,
    private readonly photos: PhotosService,
    private readonly sessions: SessionsService,
    private readonly stock: StockService,
    private readonly shopping: ShoppingService,
    private readonly people: PeopleService,
    private readonly weeks: WeeksService,
  ) {}

  /**
   * Everything the kitchen holds, as a kitchen file: what the import takes in again.
   *
   * @param withPhotos left out otherwise, with what names them
   * @throws TooLargeFileError where photos make it more than an import takes
   */
  async kitchenFile(scope: Scope, withPhotos: boolean): Promise<string> {
    const byId = (a: { readonly id?: string }, b: { readonly id?: string }) => ((a.id ?? '') < (b.id ?? '') ? -1 : 1);
    const content = await this.database.read(async () => {
      const batches = await this.batches.loadForCalculation(scope);
      const recipes = (await this.recipes.loadForCalculation(scope)).sort(byId);
      const shown = photosOf([...batches, ...recipes]);
      return {
        settings: await this.kitchens.stated(scope),
        foods: (await this.foods.loadForCalculation(scope)).sort(byId),
        packs: (await this.packs.everSeen(scope)).sort(byId),
        recipes: withPhotos ? recipes : recipes.map(withoutPhoto),
        batches: withPhotos ? batches : batches.map(withoutPhoto),
        sessions: await this.sessions.loadForCalculation(scope),
        stock: await this.stock.loadForCalculation(scope),
        people: await this.people.loadForCalculation(scope),
        weeks: await this.weeks.loadForCalculation(scope),
        photos: withPhotos ? await this.photos.written(scope, shown) : [],
      };
    });
    const text = kitchenFileText({ ...content, batches: content.batches.map((batch) => withThenIfOther(batch, content.recipes)) });
    if (content.photos.length > 0 && Buffer.byteLength(text) > MOST_KITCHEN_FILE) throw new TooLargeFileError(MOST_KITCHEN_FILE);
    return text;
  }

  /** One recipe with the recipes, foods and packs it is made of, as a kitchen file. @throws NotFoundError */
  async recipeFile(scope: Scope, id: string): Promise<string> {
    const { recipe, kitchen, subRecipes, settings } = await this.#opened(scope, id);
    const { foods } = kitchen.content;
    const packs = await this.packs.everSeen(
      scope,
      foods.map((food) => food.id),
    );
    const recipes = [recipe, ...subRecipes];
    const taught = await this.recipes.taughtBy(scope, recipes, foods);
    const photos = await this.photos.written(scope, photosOf(recipes));
    return kitchenFileText({
      settings,
      foods: [...foods, ...taught.foods],
      packs,
      recipes,
      batches: taught.batches.map(withoutPhoto),
      photos,
    });
  }

  /** One recipe's ingredients with what each comes to. @throws NotFoundError */
  async linesSheet(scope: Scope, id: string): Promise<string> {
    const { recipe, kitchen } = await this.#opened(scope, id);
    return csvText(linesSheet(recipe, kitchen));
  }

  #opened(scope: Scope, id: string) {
    return this.database.read(async () => {
      const { document, subRecipes } = (await this.recipes.open(scope, id)) as {
        readonly document: Recipe;
        readonly subRecipes: readonly Recipe[];
      };
      return {
        recipe: document,
        subRecipes,
        kitchen: await this.recipes.kitchenWith(scope, [document, ...subRecipes]),
        settings: await this.kitchens.stated(scope),
      };
    });
  }

  /** What to buy for sessions, a row for each kind of pack. @throws NotFoundError */
  async shoppingSheet(scope: Scope, sessions: readonly string[]): Promise<string> {
    const { list, foods, currency } = await this.shopping.list(scope, sessions);
    return csvText(shoppingSheet(list, foods, currency));
  }

  /** What to buy for sessions, on paper. @throws NotFoundError */
  async shoppingPdf(scope: Scope, sessions: readonly string[]): Promise<Buffer> {
    const { list, foods, currency, title } = await this.shopping.list(scope, sessions);
    return shoppingPdf(list, foods, currency, title);
  }

  /** Sessions as a calendar, and what goes into the fridge or the freezer of an evening. */
  async sessionsCalendar(scope: Scope): Promise<string> {
    const { sessions, recipes, name, evenings } = await this.database.read(async () => {
      const found = await this.sessions.loadForCalculation(scope);
      const cooked = [...new Set(found.flatMap(({ dishes }) => dishes.map(({ recipe }) => recipe)))];
      return {
        sessions: found,
        recipes: cooked.length === 0 ? [] : await this.recipes.loadForCalculation(scope, cooked),
        name: (await this.kitchens.describe(scope)).name,
        evenings: await this.weeks.evenings(scope),
      };
    });
    return sessionsCalendar(sessions, new Map(recipes.map((recipe) => [recipe.id, recipe])), name, evenings);
  }

  /** What to buy for sessions, as text. @throws NotFoundError */
  async shoppingText(scope: Scope, sessions: readonly string[]): Promise<string> {
    const { list, foods, currency } = await this.shopping.list(scope, sessions);
    return shoppingText(list, foods, currency);
  }

  /** Foods at hand with their composition per 100 g, by name. */
  async foodsSheet(scope: Scope): Promise<string> {
    return csvText(foodsSheet((await this.foods.list(scope)).map(({ document }) => document)));
  }

  /** Every price seen, by food and day. */
  async pricesSheet(scope: Scope): Promise<string> {
    const { packs, foods } = await this.database.read(async () => {
      const seen = await this.packs.everSeen(scope);
      const priced = await this.foods.loadForCalculation(scope, [...new Set(seen.map(({ food }) => food))]);
      return { packs: seen, foods: new Map(priced.map((food) => [food.id, food])) };
    });
    const key = ({ food, seen }: Pack) => `${foods.get(food)?.name ?? food} ${seen}`;
    return csvText(
      pricesSheet(
        packs.sort((a, b) => (key(a) < key(b) ? -1 : 1)),
        foods,
      ),
    );
  }

  /** Batches of all dishes, or of one, in the order of their days. */
  async batchesSheet(scope: Scope, recipe?: string): Promise<string> {
    const { batches, kitchen } = await this.database.read(() => this.batches.withKitchen(scope, recipe));
    return csvText(batchesSheet(batches, kitchen));
  }

  /** What a serving of every recipe delivers and costs. */
  async recipesSheet(scope: Scope): Promise<string> {
    const { heads, recipes, kitchen } = await this.database.read(async () => {
      const there = await this.recipes.atHand(scope);
      return { ...there, kitchen: await this.recipes.kitchenWith(scope, there.recipes) };
    });
    const there = new Set(heads.map(({ id }) => id));
    return csvText(
      recipesSheet(
        recipes.filter(({ id }) => there.has(id)),
        kitchen,
      ),
    );
  }
}

/** Ids of the photos that recipes and batches show. */
function photosOf(shown: readonly { readonly photo?: { readonly id: string } }[]): string[] {
  return [...new Set(shown.flatMap(({ photo }) => photo?.id ?? []))];
}

function withoutPhoto<Shown extends { readonly photo?: object }>({ photo: _, ...rest }: Shown): Omit<Shown, 'photo'> {
  return rest;
}

/** A sheet as CSV: what a spreadsheet would run as a formula has an apostrophe before it. */
function csvText({ headings, rows }: Sheet): string {
  return stringify(
    [headings, ...rows].map((row) => [...row]),
    { bom: true, escape_formulas: true, record_delimiter: 'windows' },
  );
}
