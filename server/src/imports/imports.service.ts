import { randomUUID } from 'node:crypto';
import { Injectable, Logger } from '@nestjs/common';
import {
  readKitchen,
  readKitchenBytes,
  type BatchEntry,
  type FoodEntry,
  type Pack,
  type PackEntry,
  type RecipeEntry,
  personFaults,
  type SessionEntry,
  type StockEntry,
  type PersonEntry,
  type WeekEntry,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { Once, type OnceKey } from '../database/once.js';
import { isTaken } from '../database/isTaken.js';
import { BatchesService } from '../batches/batches.service.js';
import { FoodsService } from '../foods/foods.service.js';
import { TakenError, ValidationError } from '../http/problems.js';
import { KitchenEntity } from '../kitchens/kitchen.entity.js';
import { PhotosService } from '../photos/photos.service.js';
import { PacksService } from '../packs/packs.service.js';
import { SessionsService } from '../sessions/sessions.service.js';
import { StockService } from '../shopping/stock.service.js';
import { PeopleService } from '../weeks/people.service.js';
import { WeeksService } from '../weeks/weeks.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import type { ImportedDto } from './import.dto.js';
import type { BeginningDto } from './beginning.dto.js';
import { exampleDish } from './exampleDish.js';
import { starterFoods } from './starterFoods.js';
import type { Scope } from '../scope/scope.js';

/** Foods written at once after which the database is to put its indexes in order. */
const ROWS_AT_ONCE = 1000;

/** What a kitchen file holds besides its settings. */
interface Content {
  readonly foods: FoodEntry[];
  readonly packs: PackEntry[];
  readonly recipes: RecipeEntry[];
  readonly batches: BatchEntry[];
  readonly sessions: SessionEntry[];
  readonly stock: StockEntry[];
  readonly people: PersonEntry[];
  readonly weeks: WeekEntry[];
}

const UTF_8 = new TextDecoder();

@Injectable()
export class ImportsService {
  readonly #log = new Logger('imports');

  constructor(
    private readonly database: Database,
    private readonly once: Once,
    private readonly foods: FoodsService,
    private readonly packs: PacksService,
    private readonly recipes: RecipesService,
    private readonly batches: BatchesService,
    private readonly photos: PhotosService,
    private readonly sessions: SessionsService,
    private readonly stock: StockService,
    private readonly people: PeopleService,
    private readonly weeks: WeeksService,
  ) {}

  /**
   * Takes a whole kitchen file in, in one transaction: everything, or nothing.
   *
   * @param found parsed, or as it was sent
   * @param name the kitchen's new name, when given
   * @param keep foods, packs and recipes that are there already stay as they are; without it the file is refused for them
   * @throws ValidationError with every fault; TakenError when an id is already there
   */
  async kitchenFile(scope: Scope, found: unknown, name?: string, keep = false, once?: OnceKey): Promise<ImportedDto> {
    const today = new Date().toISOString().slice(0, 10);
    const read = found instanceof Uint8Array ? readKitchenBytes(found, (bytes) => UTF_8.decode(bytes), today) : readKitchen(found, today);
    if (!read.ok) throw new ValidationError(read.faults);
    const { stated: settings, photos, ...content } = read.entry;
    const entry = content as unknown as Content;
    const pictures = await this.photos.made(photos, 'photos');
    if (pictures.faults.length > 0) throw new ValidationError(pictures.faults);
    const { kitchenId } = scope;
    const taken = await this.once.write(kitchenId, once, async () => {
      const found = keep ? await this.#newOf(scope, entry) : entry;
      const kept = await this.photos.keep(scope, pictures.made);
      const content = {
        ...found,
        recipes: found.recipes.map((recipe) => withPhoto(recipe, kept)),
        batches: found.batches.map((batch) => withPhoto(batch, kept)),
      };
      const changes = { ...(name === undefined ? {} : { name }), ...(settings && !keep ? { settings } : {}) };
      if (Object.keys(changes).length > 0) await this.database.manager.update(KitchenEntity, { id: kitchenId }, changes);
      await this.#insert(scope, kitchenId, content);
      // The file is whole in itself; what is kept in place of its own may lack what it rests on.
      if (keep) await this.#expectWhole(scope, entry, content);
      return {
        foods: content.foods.length,
        packs: content.packs.length,
        recipes: content.recipes.length,
        batches: content.batches.length,
        sessions: content.sessions.length,
        stock: content.stock.length,
        people: content.people.length,
        weeks: content.weeks.length,
      };
    });
    // It is taken in, whatever becomes of this: finding is quicker after it.
    if (taken.foods > ROWS_AT_ONCE) await this.foods.settle().catch((error: unknown) => this.#log.warn(error));
    return taken;
  }

  async #insert(
    scope: Scope,
    kitchenId: string,
    { foods, packs, recipes, batches, sessions, stock, people, weeks }: Content,
  ): Promise<void> {
    try {
      await this.foods.insert(scope, foods);
      await this.packs.insertRows(
        packs.map((document) => {
          const id = document.id ?? randomUUID();
          return { kitchenId, id, foodId: document.food, revision: 1, document: { ...document, id } };
        }),
      );
      for (const document of recipes) await this.recipes.insert(scope, document);
      for (const document of batches) await this.batches.insert(scope, document);
      for (const document of sessions) await this.sessions.insert(scope, document);
      await this.stock.insert(scope, stock);
      for (const document of people) await this.people.insert(scope, document);
      for (const document of weeks) await this.weeks.insert(scope, document);
    } catch (error) {
      if (isTaken(error)) throw new TakenError('food or pack of that kind', 'in this file');
      throw error;
    }
  }

  /** @throws ValidationError where a dish or a pack rests on something that is kept and lacks what it needs of it */
  async #expectWhole(scope: Scope, entry: Content, { packs, recipes, batches, sessions, stock, people, weeks }: Content): Promise<void> {
    const placeOf = new Map<object, string>([
      ...entry.packs.map((pack, i): [object, string] => [pack, `packs[${i}]`]),
      ...entry.recipes.map((recipe, i): [object, string] => [recipe, `recipes[${i}]`]),
    ]);
    const paths = recipes.map((recipe) => placeOf.get(recipe) ?? '');
    const faults = [
      ...(await this.#batchFaults(scope, entry, batches)),
      ...(await this.#sessionFaults(scope, entry, sessions)),
      ...(await this.stock.faultsOf(scope, stock, (i) => `stock[${entry.stock.indexOf(stock[i] as StockEntry)}]`)),
      ...(await this.#personFaults(scope, entry, people)),
      ...(await this.#weekFaults(scope, entry, weeks)),
      ...(await this.packs.faultsOf(scope, packs, (i) => placeOf.get(packs[i] ?? {}) ?? '')),
      ...(await this.recipes.faultsOf(scope, recipes, paths)),
    ];
    if (faults.length > 0)
      throw new ValidationError(
        faults.map(({ path, message }) => ({ path, message: `${message} (what is there already stays, and is not as in this file)` })),
      );
  }

  async #sessionFaults(scope: Scope, entry: Content, sessions: readonly SessionEntry[]) {
    const faults = await Promise.all(
      sessions.map((session) =>
        this.sessions.faultsOf(scope, session, `sessions[${entry.sessions.findIndex(({ id }) => id === session.id)}]`),
      ),
    );
    return faults.flat();
  }

  async #personFaults(scope: Scope, entry: Content, people: readonly PersonEntry[]) {
    const there = await this.people.loadForCalculation(scope);
    return people.flatMap((person) => [...personFaults(person, there, `people[${entry.people.findIndex(({ id }) => id === person.id)}]`)]);
  }

  async #weekFaults(scope: Scope, entry: Content, weeks: readonly WeekEntry[]) {
    const faults = await Promise.all(
      weeks.map((week) => this.weeks.faultsOf(scope, week, `weeks[${entry.weeks.findIndex(({ id }) => id === week.id)}]`)),
    );
    return faults.flat();
  }

  async #batchFaults(scope: Scope, entry: Content, batches: readonly BatchEntry[]) {
    const faults = await Promise.all(
      batches.map((batch) => this.batches.faultsOf(scope, batch, `batches[${entry.batches.findIndex(({ id }) => id === batch.id)}]`)),
    );
    return faults.flat();
  }

  /** What of a file is not there yet. A pack without an id is known by its food, shop, size and day. */
  async #newOf(scope: Scope, { foods, packs, recipes, batches, sessions, stock, people, weeks }: Content): Promise<Content> {
    const [known, bought, cooked] = [
      await this.foods.loadForCalculation(scope),
      await this.packs.everSeen(scope),
      await this.recipes.loadForCalculation(scope),
    ];
    const [food, recipe] = [new Set(known.map(({ id }) => id)), new Set(cooked.map(({ id }) => id))];
    const sameAs = ({ food: of, shop, net, unit, seen }: Pack) => JSON.stringify([of, shop, net, unit, seen]);
    const pack = new Set(bought.flatMap((one) => [one.id ?? '', sameAs(one)]));
    return {
      foods: foods.filter(({ id }) => !food.has(id)),
      packs: packs.filter((one) => !pack.has(one.id ?? sameAs(one)) && !pack.has(sameAs(one))),
      recipes: recipes.filter(({ id }) => !recipe.has(id)),
      batches: await this.batches.newOf(scope, batches),
      sessions: await this.sessions.newOf(scope, sessions),
      // What is in stock has no name: it is taken only into a kitchen that has none, so that nothing is there twice.
      stock: (await this.stock.loadForCalculation(scope)).length > 0 ? [] : stock,
      people: await this.people.newOf(scope, people),
      weeks: await this.weeks.newOf(scope, weeks),
    };
  }

  /**
   * Begins a kitchen: its name and settings, and what it is to begin with, all or nothing. What is there already stays as it is.
   *
   * @throws ValidationError
   */
  async begin(
    scope: Scope,
    { name, currency, measures, rules, starterPantry, exampleDish: withDish }: BeginningDto,
    once?: OnceKey,
  ): Promise<ImportedDto> {
    const dish = withDish ? exampleDish() : undefined;
    const needed = new Set(dish?.parts.flatMap(({ lines }) => lines.flatMap(({ food }) => food ?? [])));
    const foods = starterFoods().filter(({ id }) => starterPantry || needed.has(id));
    const { kitchenId: id } = scope;
    return this.once.write(id, once, async () => {
      const { settings } = await this.database.manager.findOneByOrFail(KitchenEntity, { id });
      await this.database.manager.update(
        KitchenEntity,
        { id },
        { name, begun: true, settings: { ...settings, currency, measures, rules } },
      );
      const taken = await this.#starters(scope, foods);
      const recipes = dish && (await this.recipes.loadForCalculation(scope)).every((recipe) => recipe.id !== dish.id) ? [dish] : [];
      for (const document of recipes) await this.recipes.insert(scope, document);
      return { ...taken, recipes: recipes.length };
    });
  }

  /** Takes the starter pantry in: every generic food whose id is free. Nothing that is there is changed. */
  async starterPantry(scope: Scope, once?: OnceKey): Promise<ImportedDto> {
    return this.once.write(scope.kitchenId, once, () => this.#starters(scope, starterFoods()));
  }

  async #starters(scope: Scope, foods: FoodEntry[]): Promise<ImportedDto> {
    const ids = foods.map(({ id }) => id);
    const there = new Set((await this.foods.loadForCalculation(scope, ids)).map(({ id }) => id));
    const added = foods.filter(({ id }) => !there.has(id));
    await this.foods.insert(scope, added);
    return { foods: added.length, packs: 0, recipes: 0, batches: 0, sessions: 0, stock: 0, people: 0, weeks: 0 };
  }
}

/** A recipe or a batch that names its photo as it is kept here. */
function withPhoto<Shown extends { photo?: { id: string } }>(shown: Shown, kept: ReadonlyMap<string, string>): Shown {
  const id = shown.photo && kept.get(shown.photo.id);
  return id === undefined ? shown : { ...shown, photo: { ...shown.photo, id } };
}
