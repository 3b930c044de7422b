import { setTimeout as wait } from 'node:timers/promises';
import { FoodIndex } from '@portiona/core';
import { ShopTroubleError, type PriceSource, type ShopOffer, type ShopProduct } from './priceSource.js';
import { SHOP_CATALOGUE } from './shopCatalogue.js';

/** How the simulated shops behave. */
export interface SimulatedShopsOptions {
  /** The same seed gives the same prices, delays and failures. */
  readonly seed: number;
  /** Milliseconds an answer takes, on the average. */
  readonly delay: number;
  /** Share of questions that fail, 0 to 1; asked again they may not. */
  readonly failing: number;
  /** Shops that answer nothing at all. */
  readonly closed?: readonly string[];
}

const DAY = 86_400_000;
const WEEK = 7 * DAY;
/** The week prices are at their base. */
const EPOCH = Date.parse('2026-01-05T00:00:00Z');
/** How far prices wander in a week, and how strongly they are drawn back. */
const WANDER = 0.025;
const DRAW_BACK = 0.06;
/** Prices of what is loose follow the season by so much. */
const SEASON = 0.08;
const OFFER_SHARE = 0.08;
const OFFER_TAKES = 0.2;

/**
 * Shops of the demo world, standing in for an outside price service. Prices wander about a base week by week, follow the season
 * at the market and are on offer now and then; answers take their time, and some fail. All of it follows from the seed: the same
 * product on the same day costs the same.
 */
export class SimulatedShops implements PriceSource {
  readonly #products: readonly (ShopProduct & { readonly base: number })[];
  #asked = 0;

  constructor(private readonly options: SimulatedShopsOptions) {
    this.#products = SHOP_CATALOGUE.map(([shop, name, net, unit, base]) => ({
      id: `${shop}/${name}/${net} ${unit}`,
      shop,
      name,
      net,
      unit,
      base,
    }));
  }

  shops(): Promise<readonly string[]> {
    return Promise.resolve([...new Set(this.#products.map(({ shop }) => shop))]);
  }

  async find(shop: string, words: string, signal: AbortSignal): Promise<readonly ShopProduct[]> {
    await this.#answer(shop, `find ${words}`, signal);
    const products = this.#products.filter((product) => product.shop === shop);
    const index = new FoodIndex(products.map(({ id, name }) => ({ id, name })));
    const byId = new Map(products.map((product) => [product.id, product]));
    return index.find(words, 10).flatMap(({ food }) => {
      const found = byId.get(food.id);
      return found ? [{ id: found.id, shop: found.shop, name: found.name, net: found.net, unit: found.unit }] : [];
    });
  }

  async offer(id: string, day: string, signal: AbortSignal): Promise<ShopOffer | undefined> {
    const product = this.#products.find((one) => one.id === id);
    if (!product) return undefined;
    await this.#answer(product.shop, `offer ${id}`, signal);
    const week = Math.floor((Date.parse(`${day}T00:00:00Z`) - EPOCH) / WEEK);
    const promotion = this.#random(`${id} offer ${week}`) < OFFER_SHARE;
    const usual = product.base * (1 + this.#drift(product, week));
    if (!promotion) return { product: id, price: shelfPrice(usual), currency: 'EUR', promotion };
    const until = new Date(EPOCH + (week + 1) * WEEK - DAY).toISOString().slice(0, 10);
    return { product: id, price: shelfPrice(usual * (1 - OFFER_TAKES)), currency: 'EUR', promotion, usual: shelfPrice(usual), until };
  }

  /** Takes its time, and fails now and then, or always when closed. */
  async #answer(shop: string, what: string, signal: AbortSignal): Promise<void> {
    const asked = ++this.#asked;
    const slow = this.options.delay * (0.4 + 1.2 * this.#random(`${what} delay ${asked}`));
    try {
      await wait(slow, undefined, { signal });
    } catch {
      throw new ShopTroubleError(shop, 'did not answer in time');
    }
    if (this.options.closed?.includes(shop)) throw new ShopTroubleError(shop, 'is closed');
    if (this.#random(`${what} fails ${asked}`) < this.options.failing) throw new ShopTroubleError(shop, 'is busy');
  }

  /** How far a price is from its base in a week: steps drawn back to nothing, and the season at the market. */
  #drift({ id, shop }: ShopProduct, week: number): number {
    let drift = 0;
    for (let w = 1; w <= week; w++) drift = drift * (1 - DRAW_BACK) + WANDER * (2 * this.#random(`${id} week ${w}`) - 1);
    const season = shop.includes('Market') ? SEASON * Math.sin((2 * Math.PI * (week + 52 * this.#random(id))) / 52) : 0;
    return drift + season;
  }

  /** A number from 0 to 1 that a text decides (FNV-1a, then mixed), the same each time. */
  #random(text: string): number {
    let hash = 2166136261 ^ this.options.seed;
    for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 16777619);
    hash = Math.imul(hash ^ (hash >>> 16), 2246822507);
    hash = Math.imul(hash ^ (hash >>> 13), 3266489909);
    return ((hash ^ (hash >>> 16)) >>> 0) / 2 ** 32;
  }
}

/** Shelves say whole five cents, and ninety-nine where it is near. */
function shelfPrice(price: number): string {
  const cents = Math.max(5, Math.round(price * 20) * 5);
  return ((cents % 100 === 0 && cents > 100 ? cents - 1 : cents) / 100).toFixed(2);
}
