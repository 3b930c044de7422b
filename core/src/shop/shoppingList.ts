import Big from 'big.js';
import { exactPrice, type Pack, type PackMix } from '../price/index.js';
import { compensatedSum } from '../quantity/index.js';
import type { Kitchen } from '../recipe/index.js';
import type { Session } from '../plan/index.js';
import { cheapestShops, type Basket, type Wanted } from './cheapestShops.js';
import { shoppingNeeds, type FoodNeed, type ShoppingNeeds } from './shoppingNeeds.js';
import type { StockItem } from './stockItem.js';

/** One food on a shopping list. */
export interface ShoppingRow extends FoodNeed {
  /** Packs to buy; undefined where nothing is, or nothing can be said. */
  readonly mix: PackMix | undefined;
  /** Exact, major units; undefined: no price, or a line without weight. */
  readonly cost: Big | undefined;
  /** Grams bought and not needed. */
  readonly left: number;
  /** What is left over is worth at the rate that used cost is reckoned by, major units. */
  readonly leftWorth: number;
  /** There are prices, all too old, or of offers that are over. */
  readonly onlyStalePrices: boolean;
}

/** Everything to buy for sessions (kitchen file, Stock and shopping). */
export interface ShoppingList {
  /** By food id. */
  readonly rows: readonly ShoppingRow[];
  /** Words of lines that no food was matched to: nothing is bought for them. */
  readonly unmatched: readonly { readonly recipe: string; readonly at: string; readonly text: string }[];
  /** Of the packs, exact. */
  readonly cost: Big;
  /** Something has no price, or no weight: it costs more. */
  readonly atLeast: boolean;
  /** Nothing is cheaper, proven; false: there are so many shops that only the best of very many sets is known. */
  readonly exact: boolean;
  readonly shops: readonly string[];
  /** What the ways to these shops are worth. */
  readonly trips: Big;
  readonly total: Big;
  readonly leftWorth: number;
}

/** What is bought, with what it is bought from: to compare other choices of shops. */
export interface Shopping extends ShoppingList {
  readonly wanted: readonly Wanted[];
  /** What a way to a shop is worth. */
  readonly trip: Big;
}

/** How packs are looked for. */
export interface ShoppingOptions {
  /** What a way to a shop is worth, major units; left out: the settings', else nothing. */
  readonly trip?: number | string;
  /** Packs that were not there, as `packKey` has them: others are looked for. */
  readonly without?: ReadonlySet<string>;
  /** Grams in the basket already, by food: so much less is to be bought. */
  readonly inBasket?: ReadonlyMap<string, number>;
}

/** What tells a pack on a shelf from another: its food, size and shop. */
export function packKey({ food, net, unit, shop }: Pick<Pack, 'food' | 'net' | 'unit' | 'shop'>): string {
  return JSON.stringify([food, net, unit, shop]);
}

/** The food of a pack by its key; undefined where it is none. */
export function foodOfPackKey(key: string): string | undefined {
  try {
    const found: unknown = JSON.parse(key);
    if (!Array.isArray(found) || found.length !== 4) return undefined;
    const [food, net, unit, shop] = found as unknown[];
    return typeof food === 'string' && typeof net === 'number' && typeof unit === 'string' && typeof shop === 'string' ? food : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The shopping list of sessions: what they need less what is in stock, in the cheapest packs over all foods and shops at once.
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function shoppingList(
  sessions: readonly Session[],
  stock: readonly StockItem[],
  kitchen: Kitchen,
  options: ShoppingOptions = {},
): Shopping {
  return shoppingFor(shoppingNeeds(sessions, stock, kitchen), kitchen, options);
}

/**
 * The cheapest packs over all foods and shops at once for what is needed.
 *
 * @param kitchen with each food that is needed, and its packs
 * @throws UnknownFoodError
 */
export function shoppingFor(
  { foods, unmatched }: ShoppingNeeds,
  kitchen: Kitchen,
  { trip, without = new Set(), inBasket = new Map() }: ShoppingOptions = {},
): Shopping {
  const way = exactPrice(trip ?? kitchen.settings.shoppingTrip ?? 0);
  const left = foods.map((need): FoodNeed => {
    const here = inBasket.get(need.food) ?? 0;
    return need.buy === undefined || here === 0 ? need : { ...need, buy: Math.max(0, need.buy - here) };
  });
  const wanted = left.flatMap(({ food, buy }): Wanted[] => {
    const candidates = kitchen.resolvedFood(food).candidates.filter(({ pack }) => !without.has(packKey(pack)));
    return buy === undefined || buy === 0 || candidates.length === 0 ? [] : [{ food, grams: buy, candidates }];
  });
  const basket = cheapestShops(wanted, way);
  const rows = left.map((need) => shoppingRow(need, basket, kitchen));
  const { shops, cost, exact } = basket;
  const trips = way.times(shops.length);
  return {
    rows,
    unmatched,
    ...{ cost, exact },
    atLeast: unmatched.length > 0 || rows.some((row) => row.cost === undefined),
    shops,
    trips,
    total: cost.plus(trips),
    leftWorth: compensatedSum(rows.map((row) => row.leftWorth)),
    wanted,
    trip: way,
  };
}

function shoppingRow(need: FoodNeed, { mixes }: Basket, kitchen: Kitchen): ShoppingRow {
  const { food, buy } = need;
  const { best, onlyStalePacks } = kitchen.resolvedFood(food);
  const mix = mixes.get(food);
  const left = mix && buy !== undefined ? leftOver(mix.grams, buy) : 0;
  return {
    ...need,
    mix,
    cost: buy === 0 ? new Big(0) : mix?.price,
    left,
    leftWorth: left * (best?.rate ?? 0),
    onlyStalePrices: onlyStalePacks,
  };
}

/** Left over, freed of what is noise: used up but for less than what counts as covered is 0. */
function leftOver(bought: number, need: number): number {
  const left = bought - need;
  return left <= 1e-9 * need ? 0 : left;
}

/** What buying would cost in other shops. */
export interface OtherShops {
  readonly shops: readonly string[];
  /** Foods that these shops do not have. */
  readonly missing: readonly string[];
  readonly cost: Big;
  readonly total: Big;
}

/** What it would cost at each shop alone, and at the best so many: what each further shop saves. */
export interface ShopsCompared {
  /** One for each shop that sells something wanted, what lacks least and costs least first. */
  readonly alone: readonly OtherShops[];
  /** The best one shop, the best two, and so on, as far as more shops make it cheaper or lack less. */
  readonly upTo: readonly OtherShops[];
}

/** Compares shops for a list: each alone, and the best one, two, three of them. */
export function shopsCompared({ wanted, trip }: Pick<Shopping, 'wanted' | 'trip'>): ShopsCompared {
  const shops = [...new Set(wanted.flatMap(({ candidates }) => candidates.map(({ pack }) => pack.shop)))].sort();
  const alone = shops
    .map((shop): OtherShops => {
      const here = wanted.flatMap((one): Wanted[] => {
        const pinned = one.candidates.filter(({ pack }) => pack.pinned);
        const candidates = (pinned.length > 0 ? pinned : one.candidates).filter(({ pack }) => pack.shop === shop);
        return candidates.length === 0 ? [] : [{ ...one, candidates }];
      });
      const { cost, total } = cheapestShops(here, trip);
      const has = new Set(here.map(({ food }) => food));
      return { shops: [shop], missing: wanted.flatMap(({ food }) => (has.has(food) ? [] : [food])), cost, total };
    })
    .sort((a, b) => a.missing.length - b.missing.length || a.total.cmp(b.total));
  const upTo: OtherShops[] = [];
  for (let most = 1; most <= shops.length; most++) {
    const { shops: gone, missing, cost, total } = cheapestShops(wanted, trip, most);
    const before = upTo.at(-1);
    // More may be gone to; where that neither saves nor finds more, there is nothing more to say.
    if (before && missing.length >= before.missing.length && cost.gte(before.cost)) break;
    upTo.push({ shops: gone, missing, cost, total });
  }
  return { alone, upTo };
}
