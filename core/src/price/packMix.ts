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

/**
 * The cheapest combination of whole packs that covers a need; of equally cheap ones the one with least left over. With a
 * pinned candidate, whole numbers of that pack (domain page, 4.8).
 *
 * Exact: branch and bound over the sizes, cheapest rate first, with money in exact decimals.
 *
 * @param need grams as purchased, 0 or more
 * @returns undefined when there is no candidate
 * @example packMix(1300, [kilo at 2.30, half kilo at 1.35]) // one of each, 3.65, 1500 g
 */
export function packMix(need: number, candidates: readonly CandidatePack[]): PackMix | undefined {
  if (candidates.length === 0) return undefined;
  const pinned = candidates.some(({ pack }) => pack.pinned) ? bestPack(candidates) : undefined;
  const sizes = pinned ? [pinned] : withoutDominated(candidates);
  const counts = cheapestCounts(need * (1 - SLACK), sizes);
  const packs = sizes.flatMap((candidate, i) => (counts[i] ? [{ candidate, count: counts[i] }] : []));
  return {
    packs,
    grams: packs.reduce((grams, { candidate, count }) => grams + candidate.grams * count, 0),
    price: packs.reduce((price, { candidate, count }) => price.plus(candidate.price.times(count)), new Big(0)),
  };
}

/** Packs worth buying: none that is smaller or as big, yet not cheaper, than another. Cheapest rate first. */
function withoutDominated(candidates: readonly CandidatePack[]): CandidatePack[] {
  const kept: CandidatePack[] = [];
  const bigAndCheapFirst = [...candidates].sort((a, b) => b.grams - a.grams || a.price.cmp(b.price));
  for (const one of bigAndCheapFirst)
    if (!kept.some((other) => other.price.lte(one.price) && other.grams >= one.grams && !isFiner(one, other))) kept.push(one);
  return kept.sort((a, b) => a.rate - b.rate);
}

/** At the same price a smaller pack still leaves less over. */
function isFiner(one: CandidatePack, other: CandidatePack): boolean {
  return one.price.eq(other.price) && one.grams < other.grams;
}

function cheapestCounts(need: number, sizes: readonly CandidatePack[]): number[] {
  const minor = toMinor(sizes);
  let best: { price: bigint; grams: number; counts: number[] } | undefined;
  const counts = sizes.map(() => 0);
  const visit = (i: number, missing: number, spent: bigint, grams: number): void => {
    if (missing <= 0) {
      if (!best || spent < best.price || (spent === best.price && grams < best.grams)) best = { price: spent, grams, counts: [...counts] };
      return;
    }
    const size = sizes[i];
    const price = minor[i];
    if (!size || price === undefined) return;
    // Sizes are in order of rate: what is missing cannot cost less than at this one's.
    if (best && Number(spent) + (missing / size.grams) * Number(price) > Number(best.price) * (1 + SLACK)) return;
    const nextRate = i + 1 < sizes.length ? Number(minor[i + 1]) / (sizes[i + 1]?.grams ?? 1) : Infinity;
    for (let count = Math.ceil(missing / size.grams - SLACK); count >= 0; count--) {
      const stillMissing = Math.max(0, missing - count * size.grams);
      // The fewer of this size, the more of a dearer one: once that cannot pay, no smaller count can.
      if (best && Number(spent) + count * Number(price) + stillMissing * nextRate > Number(best.price) * (1 + SLACK) && stillMissing > 0)
        break;
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
