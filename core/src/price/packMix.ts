import Big from 'big.js';
import { bestPack, type CandidatePack } from './candidatePacks.js';

/** Whole packs to buy for a need, exact. */
export interface PackMix {
  readonly packs: readonly { readonly candidate: CandidatePack; readonly count: number }[];
  /** Grams bought. */
  readonly grams: number;
  /** Major units, exact. */
  readonly price: Big;
}

/** A need met but for binary noise is met: one part in 10^9. */
const SLACK = 1e-9;
const NOTHING = new Big(0);
/** Steps of the search before the best mix found stands. Never reached by sizes that shops sell; it keeps a hostile list from hanging. */
const MOST_STEPS = 300_000;

/**
 * The cheapest combination of whole packs that covers a need; of equally cheap ones the one with least left over. With a
 * pinned candidate, whole numbers of that pack (docs/reckoning.md, "Cost").
 *
 * Exact: what the size of the cheapest rate must cover in any case is set aside, the rest is found by branch and bound,
 * money in integers of its smallest place.
 *
 * @param need grams as purchased, 0 or more
 * @returns undefined when there is no candidate
 * @example packMix(1300, [kilo at 2.30, half kilo at 1.35]) // one of each, 3.65, 1500 g
 */
export function packMix(need: number, candidates: readonly CandidatePack[]): PackMix | undefined {
  if (candidates.length === 0) return undefined;
  const shelf = shelfOf(candidates);
  const { sizes } = shelf;
  const wanted = need * (1 - SLACK);
  const certain = certainCount(wanted, sizes);
  const counts = cheapestCounts(wanted - certain * (sizes[0]?.grams ?? 0), shelf);
  const packs = sizes.flatMap((candidate, i) => {
    const count = (counts[i] ?? 0) + (i === 0 ? certain : 0);
    return count > 0 ? [{ candidate, count }] : [];
  });
  return {
    packs,
    grams: packs.reduce((grams, { candidate, count }) => grams + candidate.grams * count, 0),
    price: packs
      .map(({ candidate: { price }, count }) => (count === 1 ? price : price.times(count)))
      .reduce((sum, price) => (sum === NOTHING ? price : sum.plus(price)), NOTHING),
  };
}

/** What of a food's candidates is worth looking at, and its prices as integers of their smallest place. */
interface Shelf {
  readonly sizes: readonly CandidatePack[];
  readonly minor: readonly bigint[];
}

/** The same list of candidates is asked at every key press. */
const SHELVES = new WeakMap<readonly CandidatePack[], Shelf>();

function shelfOf(candidates: readonly CandidatePack[]): Shelf {
  const ready = SHELVES.get(candidates);
  if (ready) return ready;
  const pinned = candidates.some(({ pack }) => pack.pinned) ? bestPack(candidates) : undefined;
  const sizes = pinned ? [pinned] : worthBuying(candidates);
  const shelf = { sizes, minor: toMinor(sizes) };
  SHELVES.set(candidates, shelf);
  return shelf;
}

/** Packs worth buying, cheapest rate first: none for which another is at least as big, and cheaper. */
function worthBuying(candidates: readonly CandidatePack[]): CandidatePack[] {
  return candidates
    .filter((one) => !candidates.some((other) => other.grams >= one.grams && other.price.lt(one.price)))
    .sort((a, b) => a.rate - b.rate || b.grams - a.grams);
}

/**
 * Packs of the cheapest rate that any best mix holds. Others cost more per gram, and the cheapest alone costs at most one
 * pack over its rate: so others together can weigh no more than that pack's price over the difference in rate. Nor can they
 * be more packs than the cheapest weighs grams, for among so many some would weigh whole packs of it together.
 */
function certainCount(need: number, sizes: readonly CandidatePack[]): number {
  const [cheapest, ...others] = sizes;
  if (!cheapest) return 0;
  const byOthers = others.map(({ grams, rate }) => {
    const byCost = rate > cheapest.rate ? (cheapest.rate * cheapest.grams) / (rate - cheapest.rate) : Infinity;
    return Math.min(byCost, Math.ceil(cheapest.grams) * grams);
  });
  const left = byOthers.reduce((most, grams) => Math.max(most, grams), 0) * Math.max(1, others.length);
  return Math.max(0, Math.floor((need - left) / cheapest.grams) - 1);
}

function cheapestCounts(need: number, { sizes, minor }: Shelf): number[] {
  let best: { price: bigint; grams: number; counts: number[] } | undefined;
  let steps = 0;
  const counts = sizes.map(() => 0);
  const cannotPay = (spent: bigint, missing: number, rate: number) =>
    best !== undefined && Number(spent) + missing * rate > Number(best.price) * (1 + SLACK);
  const visit = (i: number, missing: number, spent: bigint, grams: number): void => {
    steps++;
    if (missing <= 0) {
      if (!best || spent < best.price || (spent === best.price && grams < best.grams)) best = { price: spent, grams, counts: [...counts] };
      return;
    }
    const size = sizes[i];
    const price = minor[i];
    if (!size || price === undefined) return;
    const nextRate = i + 1 < sizes.length ? Number(minor[i + 1]) / (sizes[i + 1]?.grams ?? 1) : Infinity;
    for (let count = Math.ceil(missing / size.grams - SLACK); count >= 0 && steps < MOST_STEPS; count--) {
      const stillMissing = Math.max(0, missing - count * size.grams);
      // Sizes are in order of rate: fewer of this one mean more of dearer ones. Once that cannot pay, no smaller count can.
      if (stillMissing > 0 && cannotPay(spent + price * BigInt(count), stillMissing, nextRate)) break;
      counts[i] = count;
      visit(i + 1, missing - count * size.grams, spent + price * BigInt(count), grams + count * size.grams);
    }
    counts[i] = 0;
  };
  visit(0, need, 0n, 0);
  return best?.counts ?? counts;
}

/** Prices as integers of their smallest decimal place, so that sums and comparisons are exact. */
function toMinor(sizes: readonly CandidatePack[]): bigint[] {
  const places = Math.max(...sizes.map(({ price }) => price.c.length - price.e - 1), 0);
  return sizes.map(({ price }) => BigInt(price.times(new Big(10).pow(places)).toFixed(0)));
}
