import type { Food } from '../food/index.js';
import { packGrams } from './packGrams.js';
import { exactPrice } from './money.js';
import type { Pack } from './pack.js';
import type Big from 'big.js';

/** What decides which prices count. */
export interface PriceSettings {
  /** ISO 4217. */
  readonly currency: string;
  /** "Today", ISO date. */
  readonly date: string;
  /** Days; absent: any age. */
  readonly maxPriceAge?: number;
}

/** A pack that can be bought today: its weight, exact price and rate. */
export interface CandidatePack {
  readonly pack: Pack;
  readonly grams: number;
  readonly price: Big;
  /** Major units per gram. */
  readonly rate: number;
  /** Major units per kilogram, as shelves say it. */
  readonly perKg: number;
}

/**
 * Packs of a food that can be bought today: in the settings' currency, not seen later than the date, not older than the
 * age allowed; of the same shop and net size only the latest seen (kitchen file, Pack). An offer that has ended costs what it usually
 * does; where nobody knows that, it is no candidate.
 *
 * @param packs all packs of this food
 * @returns candidates in the order given; a pack without an obtainable weight is none
 */
export function candidatePacks(food: Food, packs: readonly Pack[], settings: PriceSettings): CandidatePack[] {
  const current = packs
    .flatMap((pack) => asOf(pack, settings.date) ?? [])
    .filter((pack) => pack.currency === settings.currency && isCurrent(pack, settings))
    .flatMap((pack) => {
      const grams = packGrams(pack, food);
      if (!grams) return [];
      const price = exactPrice(pack.price);
      const rate = price.toNumber() / grams;
      return [{ pack, grams, price, rate, perKg: rate * 1000 }];
    });
  return current.filter((one) => !current.some((other) => replaces(other, one)));
}

/** Whether any of a food's packs would count were it not too old. */
export function hasOnlyStalePacks(food: Food, packs: readonly Pack[], settings: PriceSettings): boolean {
  const { currency, date } = settings;
  // An offer that has ended is a price that was, like one that is too old.
  const endless = packs.map(({ until: _, ...pack }) => pack);
  return candidatePacks(food, packs, settings).length === 0 && candidatePacks(food, endless, { currency, date }).length > 0;
}

/** What a pack costs on a day: an offer that has ended what it usually does; undefined where nobody knows. */
function asOf(pack: Pack, date: string): Pack | undefined {
  const { promotion, until, usual, ...rest } = pack;
  if (!promotion || until === undefined || until >= date) return pack;
  return usual === undefined ? undefined : { ...rest, price: usual };
}

/**
 * The pack whose rate prices a food: the pinned candidate (of several the cheapest per gram), else the cheapest per gram.
 *
 * @returns undefined when there is no candidate
 */
export function bestPack(candidates: readonly CandidatePack[]): CandidatePack | undefined {
  const pinned = candidates.filter(({ pack }) => pack.pinned);
  const field = pinned.length > 0 ? pinned : candidates;
  return field.reduce<CandidatePack | undefined>((best, one) => (best && best.rate <= one.rate ? best : one), undefined);
}

/**
 * Whole days from one ISO date to another.
 *
 * @example daysBetween('2031-01-09', '2031-03-10') // 60
 */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);
}

function isCurrent(pack: Pack, { date, maxPriceAge }: PriceSettings): boolean {
  return pack.seen <= date && (maxPriceAge === undefined || daysBetween(pack.seen, date) <= maxPriceAge);
}

function replaces(other: CandidatePack, one: CandidatePack): boolean {
  const sameSize = Math.abs(other.grams - one.grams) <= 1e-9 * one.grams;
  return other.pack.shop === one.pack.shop && sameSize && other.pack.seen > one.pack.seen;
}
