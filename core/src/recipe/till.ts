import Big from 'big.js';
import { packMix, type PackMix } from '../price/index.js';
import { compensatedSum } from '../quantity/index.js';
import type { Kitchen } from './kitchen.js';
import { isFreeStaple, type LineFigures } from './partFigures.js';

/** What the till charges for one food: whole packs covering the need. */
export interface TillRow {
  readonly food: string;
  /** Grams as purchased. */
  readonly need: number;
  readonly mix: PackMix;
  /** Grams left over, 0 or more. */
  readonly left: number;
  /** What is left over is worth at its used rate, major units. */
  readonly leftWorth: number;
  /** What smaller packs cost above the used rate, major units; 0 where the packs bought are the ones used is reckoned by. */
  readonly premium: number;
}

/** What the till charges for a recipe. */
export interface Till {
  /** Exact, major units; undefined when no food's price is known. */
  readonly cost: Big | undefined;
  readonly rows: readonly TillRow[];
  /** Foods without a price: the cost is "at least". */
  readonly unpriced: readonly string[];
  /** What all that is left over is worth at its used rates, major units. */
  readonly leftWorth: number;
  /** What smaller packs cost above the used rates, all together, major units. */
  readonly premium: number;
}

/**
 * Till cost (docs/reckoning.md, "Cost"): for each food the cheapest whole packs covering what all counted lines need together.
 *
 * @param lines counted lines, parts of other recipes by their foods
 */
export function tillOf(lines: readonly LineFigures[], kitchen: Kitchen): Till {
  const rows: TillRow[] = [];
  const unpriced: string[] = [];
  let free = false;
  for (const [food, need] of needs(lines)) {
    const resolved = kitchen.resolvedFood(food);
    if (isFreeStaple(resolved.food, kitchen) || need === 0) {
      free = true;
      continue;
    }
    const mix = packMix(need, resolved.candidates);
    if (!mix) unpriced.push(food);
    else rows.push(tillRow(food, need, mix, resolved.best?.rate ?? 0));
  }
  const nothing = rows.length === 0 && !free && (unpriced.length > 0 || lines.some(({ weights }) => !weights));
  return {
    cost: nothing ? undefined : rows.reduce((sum, { mix }) => sum.plus(mix.price), new Big(0)),
    rows,
    unpriced,
    leftWorth: compensatedSum(rows.map((row) => row.leftWorth)),
    premium: compensatedSum(rows.map((row) => row.premium)),
  };
}

function needs(lines: readonly LineFigures[]): Map<string, number> {
  const grams = new Map<string, number[]>();
  for (const { purchases } of lines)
    for (const purchase of purchases) {
      const sofar = grams.get(purchase.food);
      if (sofar) sofar.push(purchase.grams);
      else grams.set(purchase.food, [purchase.grams]);
    }
  return new Map([...grams].map(([food, terms]) => [food, compensatedSum(terms)]));
}

/**
 * Whole packs of one food against what is used of it (docs/reckoning.md, "Cost"): price = used + what is left, at the used rate + what
 * smaller packs cost above that rate.
 *
 * @param rate used cost of a gram, major units
 */
function tillRow(food: string, need: number, mix: PackMix, rate: number): TillRow {
  const left = leftOver(mix.grams, need);
  const leftWorth = left * rate;
  const price = mix.price.toNumber();
  const premium = price - need * rate - leftWorth;
  return { food, need, mix, left, leftWorth, premium: Math.abs(premium) < 1e-9 * price ? 0 : premium };
}

/** Left over, freed of binary noise: exactly used up is 0. */
function leftOver(bought: number, need: number): number {
  const left = bought - need;
  return left <= 1e-9 * need ? 0 : left;
}
