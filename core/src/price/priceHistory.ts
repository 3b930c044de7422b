import type { Food } from '../food/index.js';
import { daysBetween } from './candidatePacks.js';
import { exactPrice } from './money.js';
import type { Pack } from './pack.js';
import { packGrams } from './packGrams.js';

/** One price seen. */
export interface SeenPrice {
  readonly pack: Pack;
  /** Major units. */
  readonly price: number;
  /** Major units a kilogram; undefined where nobody knows what the pack weighs. */
  readonly perKg: number | undefined;
}

/** What one pack of a shop has cost over time, oldest first: prices are added, never written over. */
export interface PriceSeries {
  readonly shop: string;
  readonly net: number;
  readonly unit: string;
  readonly currency: string;
  readonly prices: readonly SeenPrice[];
  readonly latest: SeenPrice;
}

/**
 * The prices of a food, pack by pack: a pack is known by its shop, its net and unit, and its currency.
 *
 * @param packs of the food, in any order
 * @returns series in the order of their cheapest latest price a kilogram, unknown ones last
 */
export function priceHistory(food: Food, packs: readonly Pack[]): PriceSeries[] {
  const series = new Map<string, SeenPrice[]>();
  for (const pack of [...packs].sort((a, b) => (a.seen < b.seen ? -1 : a.seen > b.seen ? 1 : 0))) {
    const grams = packGrams(pack, food);
    const price = exactPrice(pack.price).toNumber();
    const key = JSON.stringify([pack.shop, pack.net, pack.unit, pack.currency]);
    series.set(key, [...(series.get(key) ?? []), { pack, price, perKg: grams ? (price / grams) * 1000 : undefined }]);
  }
  return [...series.values()]
    .flatMap((prices) => {
      const latest = prices.at(-1);
      return latest
        ? [{ shop: latest.pack.shop, net: latest.pack.net, unit: latest.pack.unit, currency: latest.pack.currency, prices, latest }]
        : [];
    })
    .sort((a, b) => (a.latest.perKg ?? Infinity) - (b.latest.perKg ?? Infinity));
}

/**
 * How far the latest price lies from the first one seen, as a share of the first: 0.25 is a quarter dearer (docs/reckoning.md, "Cost":
 * prices have a history).
 *
 * @returns undefined where only one price is known or the first was nothing
 */
export function priceChange({ prices, latest }: PriceSeries): number | undefined {
  const first = prices[0]?.price;
  return prices.length < 2 || !first ? undefined : latest.price / first - 1;
}

/**
 * How long ago a price was seen, in words.
 *
 * @example agoText('2026-09-08', '2026-11-25') // '11 weeks ago'
 */
export function agoText(seen: string, today: string): string {
  const days = daysBetween(seen, today);
  if (days <= 0) return 'today';
  if (days === 1) return 'yesterday';
  if (days < 14) return `${days} days ago`;
  return days < 120 ? `${Math.round(days / 7)} weeks ago` : `${Math.round(days / 30.4)} months ago`;
}
