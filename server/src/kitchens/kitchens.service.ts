import { Injectable } from '@nestjs/common';
import { InjectDataSource } from '@nestjs/typeorm';
import { fullSettings, KitchenSettings, type Settings } from '@portiona/core';
import { DataSource } from 'typeorm';
import { FoodEntity } from '../foods/food.entity.js';
import { UnreadableError } from '../http/problems.js';
import { readBody } from '../http/readBody.js';
import { RecipeEntity } from '../recipes/recipe.entity.js';
import type { KitchenDto } from './kitchen.dto.js';
import { KitchenEntity } from './kitchen.entity.js';

/** Settings that mean something left out: prices of any age, the day as it is, no briefs. */
const UNSETTABLE: ReadonlySet<string> = new Set(['maxPriceAge', 'date', 'briefs']);

/** The kitchen a request works in. There is one until there are accounts; every row is owned by it all the same. */
@Injectable()
export class KitchensService {
  #id: string | undefined;

  constructor(@InjectDataSource() private readonly database: DataSource) {}

  /** Id of the kitchen, made on first use. */
  async id(): Promise<string> {
    this.#id ??= (await this.#entity()).id;
    return this.#id;
  }

  /** The kitchen's settings, with today's date where none is fixed. */
  async settings(): Promise<Settings> {
    return fullSettings((await this.#entity()).settings, today());
  }

  /** The settings as stated: what is left out is left out. */
  async stated(): Promise<KitchenSettings> {
    return (await this.#entity()).settings;
  }

  /**
   * Changes the settings given, and leaves the others as they are; null takes one back to what holds where none is stated.
   *
   * @throws UnreadableError
   */
  async change(found: object): Promise<KitchenDto> {
    const given = Object.entries(found);
    const unset = given.filter(([, value]) => value === null).map(([name]) => name);
    const strange = unset.filter((name) => !UNSETTABLE.has(name));
    if (strange.length > 0) throw new UnreadableError(strange.map((path) => ({ path, message: 'cannot be null; write what it is to be' })));
    const changes = readBody(KitchenSettings, Object.fromEntries(given.filter(([, value]) => value !== null)), '');
    const id = await this.id();
    await this.database.transaction(async (manager) => {
      const { settings } = await manager.findOneOrFail(KitchenEntity, { where: { id }, lock: { mode: 'for_no_key_update' } });
      const kept = Object.fromEntries(Object.entries({ ...settings, ...changes }).filter(([name]) => !unset.includes(name)));
      await manager.update(KitchenEntity, { id }, { settings: kept });
    });
    return this.describe();
  }

  async describe(): Promise<KitchenDto> {
    const { id, name, settings } = await this.#entity();
    const foods = await this.database.getRepository(FoodEntity).countBy({ kitchenId: id });
    const recipes = await this.database.getRepository(RecipeEntity).countBy({ kitchenId: id });
    const { briefs, ...full } = fullSettings(settings, today());
    return { name, ...full, ...(briefs ? { briefs: [...briefs] } : {}), empty: foods === 0 && recipes === 0 };
  }

  async #entity(): Promise<KitchenEntity> {
    return this.database.transaction(async (manager) => {
      const repository = manager.getRepository(KitchenEntity);
      const [first] = await repository.find({ order: { createdAt: 'ASC' }, take: 1 });
      if (first) return first;
      // Two first requests at once must not make two kitchens.
      await manager.query('LOCK TABLE kitchens IN SHARE ROW EXCLUSIVE MODE');
      const [made] = await repository.find({ order: { createdAt: 'ASC' }, take: 1 });
      return made ?? repository.save(repository.create({ name: 'Kitchen', settings: {} }));
    });
  }
}

/** Today, ISO, where the server stands. */
function today(): string {
  const now = new Date();
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`;
}
