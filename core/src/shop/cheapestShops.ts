import Big from 'big.js';
import { packMix, type CandidatePack, type PackMix } from '../price/index.js';

/** Grams of a food to buy, and the packs it can be bought in. */
export interface Wanted {
  readonly food: string;
  /** Grams as purchased, above 0. */
  readonly grams: number;
  /** At least one; where one is pinned, only it is bought. */
  readonly candidates: readonly CandidatePack[];
}

/** What is bought where. */
export interface Basket {
  /** Shops that are gone to, by name. */
  readonly shops: readonly string[];
  /** By food; a food that these shops do not have is not among them. */
  readonly mixes: ReadonlyMap<string, PackMix>;
  readonly missing: readonly string[];
  /** Of the packs, exact, major units. */
  readonly cost: Big;
  /** With the ways to the shops. */
  readonly total: Big;
  /** Grams bought. */
  readonly grams: number;
  /** Every set of shops was looked at, or could not be cheaper; false: it is the best of very many. */
  readonly exact: boolean;
}

/** A need short by less than this is covered: grams (kitchen file, Stock and shopping). */
const COVERED = 0.001;
/** Sets of shops looked at before the best found stands. */
const MOST_SETS = 200_000;

/**
 * The cheapest packs over all foods and shops at once, a way to each shop counted: of equal totals fewest shops, then fewest grams.
 * Exact: shops are taken or left out one after the other, and a set is given up as soon as what its shops could cost at the least is
 * more than the best; within a set each food's mix is its own. Money is compared exactly.
 *
 * @param trip what a way to a shop is worth, major units
 * @param most shops gone to at most; left out: any number
 * @returns with as few foods missing as can be
 */
export function cheapestShops(wanted: readonly Wanted[], trip: Big, most = Number.POSITIVE_INFINITY): Basket {
  return new ShopSearch(wanted, trip, most).best();
}

class ShopSearch {
  readonly #shops: readonly string[];
  /** Of a food, its shops by index. */
  readonly #sold: readonly (readonly number[])[];
  readonly #mixes: Map<string, PackMix | undefined>[];
  #best: Basket | undefined;
  #sets = 0;

  constructor(
    readonly wanted: readonly Wanted[],
    readonly trip: Big,
    readonly most: number,
  ) {
    const sellers = wanted.map(({ candidates }) => {
      const pinned = candidates.filter(({ pack }) => pack.pinned);
      return [...new Set((pinned.length > 0 ? pinned : candidates).map(({ pack }) => pack.shop))];
    });
    // Shops that sell most first: leaving them out is soon seen to be dear.
    const count = new Map<string, number>();
    for (const shop of sellers.flat()) count.set(shop, (count.get(shop) ?? 0) + 1);
    this.#shops = [...count.keys()].sort((a, b) => (count.get(b) ?? 0) - (count.get(a) ?? 0) || (a < b ? -1 : 1));
    this.#sold = sellers.map((shops) => shops.map((shop) => this.#shops.indexOf(shop)));
    this.#mixes = wanted.map(() => new Map<string, PackMix | undefined>());
  }

  best(): Basket {
    this.#visit([], 0);
    return { ...(this.#best as Basket), exact: this.#sets <= MOST_SETS };
  }

  /**
   * @param taken whether each of the first shops is gone to
   * @param sure how many of them are
   */
  #visit(taken: readonly boolean[], sure: number): void {
    if (this.#sets++ > MOST_SETS && this.#best) return;
    const open = this.#shops.map((_, i) => taken[i] ?? sure < this.most);
    const basket = this.#basket(open);
    // No set from here on costs less than all open shops with the ways that are sure; nor has it fewer shops, or grams at that cost.
    const bound = { missing: basket.missing, total: basket.cost.plus(this.trip.times(sure)), shops: sure, grams: basket.grams };
    if (this.#best && compared(bound, measured(this.#best)) >= 0) return;
    if (basket.shops.length <= this.most && (!this.#best || compared(measured(basket), measured(this.#best)) < 0)) this.#best = basket;
    if (taken.length === this.#shops.length) return;
    if (sure < this.most) this.#visit([...taken, true], sure + 1);
    this.#visit([...taken, false], sure);
  }

  /** What is bought of the shops that are open. */
  #basket(open: readonly boolean[]): Basket {
    const mixes = new Map<string, PackMix>();
    const missing: string[] = [];
    const shops = new Set<string>();
    let cost = new Big(0);
    let grams = 0;
    for (const [w, { food }] of this.wanted.entries()) {
      const mix = this.#mix(w, open);
      if (!mix) {
        missing.push(food);
        continue;
      }
      mixes.set(food, mix);
      cost = cost.plus(mix.price);
      grams += mix.grams;
      for (const { candidate } of mix.packs) shops.add(candidate.pack.shop);
    }
    return { shops: [...shops].sort(), mixes, missing, exact: true, cost, total: cost.plus(this.trip.times(shops.size)), grams };
  }

  #mix(w: number, open: readonly boolean[]): PackMix | undefined {
    const sold = this.#sold[w] ?? [];
    const key = sold.map((shop) => (open[shop] ? '1' : '0')).join('');
    const kept = this.#mixes[w];
    if (!kept) return undefined;
    if (kept.has(key)) return kept.get(key);
    const { candidates, grams } = this.wanted[w] as Wanted;
    const here = new Set(sold.flatMap((shop) => (open[shop] ? [this.#shops[shop]] : [])));
    const pinned = candidates.filter(({ pack }) => pack.pinned);
    const mix = packMix(
      Math.max(0, grams - COVERED),
      (pinned.length > 0 ? pinned : candidates).filter(({ pack }) => here.has(pack.shop)),
    );
    kept.set(key, mix);
    return mix;
  }
}

/** What baskets are compared by: less is better, the first first. */
interface Measured {
  readonly missing: readonly string[];
  readonly total: Big;
  readonly shops: number;
  readonly grams: number;
}

function measured({ missing, total, shops, grams }: Basket): Measured {
  return { missing, total, shops: shops.length, grams };
}

function compared(one: Measured, other: Measured): number {
  return (
    one.missing.length - other.missing.length || one.total.cmp(other.total) || one.shops - other.shops || Math.sign(one.grams - other.grams)
  );
}
