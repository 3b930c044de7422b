import { Injectable } from '@nestjs/common';
import {
  dayAfter,
  foodOfPackKey,
  gramsHeld,
  shoppingList,
  shoppingNeeds,
  standInsFor,
  type Food,
  Kitchen,
  type Session,
  type Shopping,
  usesUp,
  type StockEntry,
} from '@portiona/core';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { NotFoundError, ValidationError } from '../http/problems.js';
import { PacksService } from '../packs/packs.service.js';
import { RecipesService } from '../recipes/recipes.service.js';
import type { Scope } from '../scope/scope.js';
import { SessionsService } from '../sessions/sessions.service.js';
import type { KeptTickDto, ShoppingDto, ShoppingTickDto, StandInsDto, UsesUpDto } from './shopping.dto.js';
import { StockService } from './stock.service.js';

/** Days within which what is in stock is said to spoil: later it is not yet to be thought of. */
const SOON = 21;
/** Dishes told that would use up what is left. */
const MOST_DISHES = 8;

/** Shopping for sessions: what they need, and what was put into the basket so far. */
@Injectable()
export class ShoppingService {
  constructor(
    private readonly database: Database,
    private readonly sessions: SessionsService,
    private readonly recipes: RecipesService,
    private readonly stock: StockService,
    private readonly packs: PacksService,
    private readonly foods: FoodsService,
  ) {}

  /**
   * Everything that a shopping list of sessions is worked out from.
   *
   * @throws NotFoundError for a session that is not there
   */
  get(scope: Scope, ids: readonly string[]): Promise<ShoppingDto> {
    return this.database.read(async () => {
      const { sessions, kitchen } = await this.#kitchenFor(scope, ids);
      const { foods, unmatched } = shoppingNeeds(sessions, await this.stock.loadForCalculation(scope), kitchen);
      const { currency, date, maxPriceAge, shoppingTrip } = kitchen.settings;
      const needed = new Set(foods.map(({ food }) => food));
      const standIns = await this.#standIns(scope, kitchen, needed);
      const listed = new Set([...needed, ...standIns.found.flatMap((one) => one.foods.map(({ food }) => food))]);
      return {
        sessions: sessions.map(({ id }) => id),
        ...{ currency, date, maxPriceAge: maxPriceAge ?? null, trip: String(shoppingTrip ?? 0) },
        needs: foods.map(({ food, need, stock, buy, dishes }) => ({
          ...{ food, need: need ?? null, stock: stock ?? null, buy: buy ?? null },
          dishes: dishes.map(({ session, recipe, grams }) => ({
            ...{ session: sessions[session]?.id ?? '', recipe, grams: grams ?? null },
            title: kitchen.recipe(recipe)?.title ?? recipe,
          })),
        })),
        unmatched: unmatched.map((one) => ({ ...one })),
        foods: standIns.ground.filter(({ id }) => listed.has(id)),
        packs: standIns.packs.filter(({ food }) => listed.has(food)),
        ticks: await this.#ticks(scope, ids),
        standIns: standIns.found,
      };
    });
  }

  /** What may be bought where one of some foods is not there, of all that has a price. */
  async #standIns(scope: Scope, { content }: Kitchen, needed: ReadonlySet<string>) {
    const there = new Set(content.foods.map(({ id }) => id));
    const sold = (await this.packs.sold(scope)).filter((id) => !there.has(id));
    const foods = [...content.foods, ...(sold.length === 0 ? [] : await this.foods.loadForCalculation(scope, sold))];
    const packs = [...content.packs, ...(sold.length === 0 ? [] : await this.packs.counting(scope, sold))];
    const kitchen = new Kitchen({ settings: content.settings, foods, packs, recipes: [] });
    const found = [...needed].flatMap((of): StandInsDto[] => {
      const food = kitchen.food(of);
      const others = food ? standInsFor(food, kitchen, needed) : [];
      if (others.length === 0) return [];
      return [
        {
          of,
          foods: others.map(({ food: id, shared, energy }) => ({
            food: id,
            shared,
            energy: energy?.[0] ?? null,
            energyOf: energy?.[1] ?? null,
          })),
        },
      ];
    });
    return { found, ground: foods, packs };
  }

  /** The list of some sessions, nothing in the basket yet, with the foods on it. @throws NotFoundError */
  async list(
    scope: Scope,
    ids: readonly string[],
  ): Promise<{ readonly list: Shopping; readonly foods: ReadonlyMap<string, Food>; readonly currency: string; readonly title: string }> {
    const { list, kitchen, sessions } = await this.database.read(async () => {
      const { sessions: own, kitchen: here } = await this.#kitchenFor(scope, ids);
      return { list: shoppingList(own, await this.stock.loadForCalculation(scope), here), kitchen: here, sessions: own };
    });
    const title = `Shopping for ${sessions.map(({ name = 'a session', date }) => `${name}, ${date}`).join('; ')}`;
    return { list, foods: new Map(kitchen.content.foods.map((food) => [food.id, food])), currency: kitchen.settings.currency, title };
  }

  /** Dishes that would use up what shopping for sessions, or none, leaves over and in stock: what spoils first. @throws NotFoundError */
  async usesUp(scope: Scope, ids: readonly string[]): Promise<UsesUpDto[]> {
    const { list } = await this.list(scope, ids);
    const left = new Map(list.rows.flatMap(({ food, left: grams }) => (grams > 0 ? [[food, grams] as const] : [])));
    const stock = await this.stock.loadForCalculation(scope);
    const { recipes, cooked, kitchen } = await this.database.read(async () => {
      const sessions = await this.sessions.loadForCalculation(scope, ids);
      const { recipes: all } = await this.recipes.atHand(scope);
      return {
        recipes: all,
        cooked: new Set(sessions.flatMap(({ dishes }) => dishes.map(({ recipe }) => recipe))),
        kitchen: await this.recipes.kitchenWith(scope, all),
      };
    });
    // What sessions leave in stock is there as well: of it the day is known.
    const taken = new Map(list.rows.flatMap(({ taken: of }) => [...of]));
    const days = new Map<string, string>();
    for (const [i, item] of stock.entries()) {
      const { food, bestBefore } = item;
      const rest = kitchen.food(food) ? gramsHeld(item, kitchen) - (taken.get(i) ?? 0) : 0;
      if (rest <= 0) continue;
      left.set(food, (left.get(food) ?? 0) + rest);
      const soon = bestBefore !== undefined && bestBefore >= kitchen.settings.date && bestBefore <= dayAfter(kitchen.settings.date, SOON);
      if (soon && bestBefore < (days.get(food) ?? '9999')) days.set(food, bestBefore);
    }
    return usesUp(left, recipes, kitchen, cooked, days)
      .slice(0, MOST_DISHES)
      .map(({ recipe, worth, foods, before = null }) => ({
        ...{ recipe, worth, before, title: kitchen.recipe(recipe)?.title ?? recipe },
        foods: foods.map(({ food, takes, all }) => ({ name: kitchen.food(food)?.name ?? food, takes, all })),
      }));
  }

  async #kitchenFor(scope: Scope, ids: readonly string[]): Promise<{ readonly sessions: readonly Session[]; readonly kitchen: Kitchen }> {
    const sessions = await this.sessions.loadForCalculation(scope, ids);
    for (const id of ids) if (!sessions.some((session) => session.id === id)) throw new NotFoundError('session', id);
    const cooked = await this.recipes.loadForCalculation(scope, [
      ...new Set(sessions.flatMap(({ dishes }) => dishes.map(({ recipe }) => recipe))),
    ]);
    return { sessions, kitchen: await this.recipes.kitchenUnder(scope, cooked) };
  }

  /** Keeps ticks; of two of one pack, what was done later counts, in whatever order they come. */
  keep(scope: Scope, ids: readonly string[], ticks: readonly ShoppingTickDto[]): Promise<KeptTickDto[]> {
    const wrong = ticks.flatMap(({ pack }, i) =>
      foodOfPackKey(pack) === undefined
        ? [{ path: `ticks[${i}].pack`, message: 'must be food, net weight, unit and shop of a pack as a JSON list' }]
        : [],
    );
    if (wrong.length > 0) throw new ValidationError(wrong);
    return this.database.writeAlone(scope.kitchenId, async () => {
      for (const { pack, state, count, paid, at, instead } of ticks)
        await this.database.manager.query(
          `INSERT INTO shopping_ticks AS kept (kitchen_id, sessions, pack, state, count, paid, at, instead) VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
           ON CONFLICT (kitchen_id, sessions, pack) DO UPDATE SET state = $4, count = $5, paid = $6, at = $7, instead = $8
           WHERE kept.at <= $7 AND NOT kept.put_away`,
          [scope.kitchenId, keyOf(ids), pack, state, count, paid === undefined ? null : String(paid), at, instead ?? null],
        );
      return this.#ticks(scope, ids);
    });
  }

  /**
   * Puts what is in the basket into stock: from then on it is counted there.
   *
   * @returns how many kinds of packs came into stock
   */
  putAway(scope: Scope, ids: readonly string[]): Promise<{ readonly added: number }> {
    return this.database.writeAlone(scope.kitchenId, async () => {
      const bought = (await this.#ticks(scope, ids)).filter(({ state, putAway, count }) => state === 'bought' && !putAway && count > 0);
      const items = bought.flatMap(({ pack, count }): StockEntry[] => {
        const [food = '', net = 0, unit = ''] = JSON.parse(pack) as [string, number, string, string];
        return [{ food, amount: net * count, unit }];
      });
      const faults = await this.stock.faultsOf(scope, items, (i) => `basket[${i}]`);
      if (faults.length > 0) throw new ValidationError(faults);
      await this.stock.insert(scope, items);
      await this.database.manager.query(
        `UPDATE shopping_ticks SET put_away = true WHERE kitchen_id = $1 AND sessions = $2 AND state = 'bought'`,
        [scope.kitchenId, keyOf(ids)],
      );
      return { added: items.length };
    });
  }

  async #ticks({ kitchenId }: Scope, ids: readonly string[]): Promise<KeptTickDto[]> {
    const rows = await this.database.manager.query<
      {
        pack: string;
        state: KeptTickDto['state'];
        count: number;
        paid: string | null;
        at: Date;
        put_away: boolean;
        instead: string | null;
      }[]
    >('SELECT pack, state, count, paid, at, put_away, instead FROM shopping_ticks WHERE kitchen_id = $1 AND sessions = $2 ORDER BY pack', [
      kitchenId,
      keyOf(ids),
    ]);
    return rows.map(({ paid, at, put_away: putAway, instead, ...tick }) => ({
      ...tick,
      ...(paid === null ? {} : { paid }),
      ...(instead === null ? {} : { instead }),
      at: at.toISOString(),
      putAway,
    }));
  }
}

/** Sessions that are shopped for together, as one key. */
function keyOf(ids: readonly string[]): string {
  return [...new Set(ids)].sort().join(',');
}
