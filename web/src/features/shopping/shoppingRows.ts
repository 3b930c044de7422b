import {
  enoughPacks,
  exactPrice,
  Kitchen,
  packGrams,
  packKey,
  plainText,
  shoppingFor,
  type Food,
  type Pack,
  type Shopping,
  type ShoppingNeeds,
  type ShoppingRow,
} from '@portiona/core';
import type { FoodNeedDto, KeptTickDto, ShoppingDto } from '../../api/api.gen';

/** One kind of pack on the list: to get, or in the basket. */
export interface ListedPack {
  readonly key: string;
  readonly food: Food;
  readonly pack: Pack;
  /** How many to get; of one in the basket, how many are in it. */
  readonly count: number;
  /** Major units, all of them. */
  readonly price: number;
  readonly inBasket: boolean;
  /** Put into stock: it is counted there. */
  readonly putAway: boolean;
  readonly paid: string | undefined;
  /** What it stands in for: name and id. */
  readonly instead: string | undefined;
  readonly insteadId?: string | undefined;
  /** What is bought of the food and not needed, grams. */
  readonly left: number;
  /** Dishes it is for. */
  readonly dishes: readonly string[];
}

/** A list worked out: shop by shop. */
export interface ShoppingHere {
  readonly kitchen: Kitchen;
  readonly shopping: Shopping;
  readonly shops: readonly { readonly shop: string; readonly packs: readonly ListedPack[] }[];
  /** Nothing can be bought for these. */
  readonly unknown: readonly (ShoppingRow & { readonly name: string })[];
  /** What comes from stock, grams. */
  readonly fromStock: readonly { readonly name: string; readonly grams: number }[];
  /** What is in the basket already, major units. */
  readonly inBasket: number;
  /** What the dishes use of it all, at the used rates: major units. */
  readonly used: number;
}

const NONE: ReadonlyMap<string, KeptTickDto> = new Map();

/** The kitchen that a list is worked out in: its foods and their packs. */
export function shoppingKitchen({ currency, date, maxPriceAge, foods, packs, trip }: ShoppingDto): Kitchen {
  return new Kitchen({
    settings: {
      ...{ currency, date, measures: 'metric', rules: 'plain', staples: 'counted', shoppingTrip: trip },
      ...(maxPriceAge === null ? {} : { maxPriceAge }),
    },
    foods,
    packs,
    recipes: [],
  });
}

/** What is needed, as core takes it. */
export function needsOf({ needs, unmatched }: Pick<ShoppingDto, 'needs' | 'unmatched'>): ShoppingNeeds {
  return {
    foods: needs.map(({ food, need, stock, buy }) => ({
      ...{ food, need: need ?? undefined, stock: stock ?? undefined, buy: buy ?? undefined },
      ...{ dishes: [], taken: new Map<number, number>() },
    })),
    unmatched,
  };
}

/**
 * Works a list out: what is in the basket is not bought again, what was not there is bought elsewhere.
 *
 * @param without packs that are passed over besides: to see what it would be without them
 */
export function shoppingHere(
  list: ShoppingDto,
  kitchen: Kitchen,
  ticks: ReadonlyMap<string, KeptTickDto> = NONE,
  without: readonly string[] = [],
): ShoppingHere {
  const foods = new Map(kitchen.content.foods.map((food) => [food.id, food]));
  const packs = new Map(kitchen.content.packs.map((pack) => [packKey(pack), pack]));
  const dishesOf = new Map(list.needs.map((need) => [need.food, dishTitles(need)]));
  const inBasket = new Map<string, number>();
  const bought: ListedPack[] = [];
  for (const { pack: key, state, count, paid, putAway, instead } of ticks.values()) {
    const pack = packs.get(key);
    const food = pack && foods.get(pack.food);
    if (!pack || !food || state !== 'bought' || count === 0) continue;
    // What was put into stock is there, and is not needed any more.
    // What stands in for another food is not in stock as that one: it counts for it all the same.
    const covers = instead ?? food.id;
    if (!putAway || instead !== undefined) inBasket.set(covers, (inBasket.get(covers) ?? 0) + (packGrams(pack, food) ?? 0) * count);
    const price = exactPrice(paid ?? pack.price)
      .times(count)
      .toNumber();
    const of = instead === undefined ? undefined : (foods.get(instead)?.name ?? instead);
    bought.push({
      key,
      food,
      pack,
      count,
      price,
      inBasket: true,
      putAway,
      paid,
      instead: of,
      insteadId: instead,
      left: 0,
      dishes: dishesOf.get(covers) ?? [],
    });
  }
  const missing = new Set([...[...ticks.values()].flatMap(({ pack, state }) => (state === 'missing' ? [pack] : [])), ...without]);
  const shopping = shoppingFor(needsOf(list), kitchen, { trip: list.trip, without: missing, inBasket });
  const wanted = shopping.rows.flatMap((row) =>
    (row.mix?.packs ?? []).flatMap(({ candidate, count }, i): ListedPack[] => {
      const food = foods.get(row.food);
      if (!food) return [];
      return [
        {
          ...{
            key: packKey(candidate.pack),
            food,
            pack: candidate.pack,
            count,
            inBasket: false,
            putAway: false,
            paid: undefined,
            instead: undefined,
          },
          price: candidate.price.times(count).toNumber(),
          // Said once, with the first of its packs.
          left: i === 0 ? row.left : 0,
          dishes: dishesOf.get(row.food) ?? [],
        },
      ];
    }),
  );
  const all = [...wanted, ...bought];
  const shops = [...new Set(all.map(({ pack }) => pack.shop))]
    .sort()
    .map((shop) => ({ shop, packs: all.filter(({ pack }) => pack.shop === shop).sort(byAisle) }));
  return {
    kitchen,
    shopping,
    shops,
    unknown: shopping.rows.flatMap((row) => (row.cost === undefined ? [{ ...row, name: foods.get(row.food)?.name ?? row.food }] : [])),
    fromStock: list.needs.flatMap(({ food, stock }) =>
      stock !== null && stock > 0 ? [{ name: foods.get(food)?.name ?? food, grams: stock }] : [],
    ),
    inBasket: bought.reduce((sum, { price, putAway }) => (putAway ? sum : sum + price), 0),
    used: list.needs.reduce((sum, { food, need }) => sum + (need ?? 0) * (kitchen.resolvedFood(food).best?.rate ?? 0), 0),
  };
}

/** In the order of the shelves: what has no aisle last. */
function byAisle(a: ListedPack, b: ListedPack): number {
  const [x, y] = [a.food.aisle ?? '~', b.food.aisle ?? '~'];
  return x < y ? -1 : x > y ? 1 : a.food.name < b.food.name ? -1 : 1;
}

function dishTitles({ dishes }: FoodNeedDto): string[] {
  return [...new Set(dishes.map(({ title }) => title))];
}

/** A pack's size as a shelf says it: "500 g", "10 pieces", "1 head". */
export function sizeText({ net, unit }: Pick<Pack, 'net' | 'unit'>): string {
  return `${plainText(net, 3)} ${unit === 'piece' && net !== 1 ? 'pieces' : unit}`;
}

/** Grams as they are said of a food: in pieces where its pack counts them. */
export function gramsText(grams: number, pack: Pick<Pack, 'unit' | 'net'> | undefined, food: Food): string {
  const whole = pack && packGrams(pack, food);
  const isCounted = pack !== undefined && !['g', 'kg', 'ml', 'l', 'oz', 'lb'].includes(pack.unit);
  if (isCounted && whole !== undefined && pack.net > 0) {
    const pieces = grams / (whole / pack.net);
    return `${plainText(pieces, 1)} ${pack.unit === 'piece' ? '' : pack.unit}`.trim();
  }
  return grams >= 1000 ? `${plainText(grams / 1000, 2)} kg` : `${plainText(grams, 0)} g`;
}

/** What a list would be without one more pack: what is taken in its place, and what that costs more. */
export interface OtherPack {
  readonly packs: readonly ListedPack[];
  /** Major units more over all. */
  readonly dearer: number;
  readonly left: number;
}

/** What would be taken where a pack is not there; undefined where nothing else is known. */
export function otherPack(
  list: ShoppingDto,
  here: ShoppingHere,
  ticks: ReadonlyMap<string, KeptTickDto>,
  of: ListedPack,
): OtherPack | undefined {
  const other = shoppingHere(list, here.kitchen, ticks, [of.key]);
  const row = other.shopping.rows.find(({ food }) => food === of.food.id);
  if (!row?.mix) return undefined;
  const packs = other.shops.flatMap((shop) => shop.packs.filter(({ food, inBasket }) => food.id === of.food.id && !inBasket));
  return { packs, dearer: other.shopping.total.minus(here.shopping.total).toNumber(), left: row.left };
}

/** Another food bought in a food's place: its packs, what that costs more, and how like it is. */
export interface StandInOffer {
  readonly food: Food;
  readonly pack: Pack;
  readonly count: number;
  /** Major units more than the pack that is not there. */
  readonly dearer: number;
  /** Its name says that it is of the kind; without that only its figures are alike. */
  readonly named: boolean;
  /** kcal of 100 g, and of what it stands in for. */
  readonly energy: readonly [number, number] | undefined;
}

/** Foods that may stand in for one whose pack is not there: those of the same shop first, each with the fewest packs that weigh as much. */
export function standInOffers(list: ShoppingDto, { kitchen }: ShoppingHere, of: ListedPack): StandInOffer[] {
  const wanted = (packGrams(of.pack, of.food) ?? 0) * of.count - of.left;
  if (wanted <= 0) return [];
  const own = list.standIns.find((one) => one.of === of.food.id)?.foods ?? [];
  return own.flatMap(({ food: id, shared, energy, energyOf }): StandInOffer[] => {
    const food = kitchen.food(id);
    if (!food) return [];
    const cheapest = enoughPacks(food, wanted, of.pack.shop, kitchen);
    if (!cheapest) return [];
    return [
      {
        ...{ food, pack: cheapest.pack, count: cheapest.count, dearer: cheapest.price.toNumber() - of.price, named: shared > 0 },
        energy: energy === null || energyOf === null ? undefined : [energy, energyOf],
      },
    ];
  });
}
