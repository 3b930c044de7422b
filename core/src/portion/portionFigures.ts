import Big from 'big.js';
import type { BatchFigures, BoxFigures } from '../batch/index.js';
import { addFigures, shareOf, type Figure } from '../figure/index.js';
import { allocate } from '../price/index.js';
import { compensatedSum } from '../quantity/index.js';
import { addNutrientFigures, servedOf, shareOfFigures, weighsSomething, type NutrientFigures, type PartFigures } from '../recipe/index.js';
import { UNCERTAINTY_OF_EYE } from '../uncertainty/index.js';

/** What no box holds. */
export interface LeftFigures {
  /** Grams, below nothing where the boxes hold more than there was. */
  readonly weight: number;
  readonly nutrients: NutrientFigures;
  readonly usedCost: Figure;
}

/** A batch as it was put into boxes: every box, what is left, and that both together are the batch. */
export interface PortionFigures {
  /** Parts that go into boxes. */
  readonly parts: readonly PartFigures[];
  readonly boxes: readonly BoxFigures[];
  readonly left: LeftFigures;
  /** All of those parts. */
  readonly whole: LeftFigures;
  /**
   * Used cost of every single box in order, and then of what is left, in whole minor units that add up to the whole; undefined where
   * nothing is priced, or boxes hold more than there was.
   */
  readonly shares: { readonly boxes: readonly (readonly Big[])[]; readonly left: Big } | undefined;
}

/**
 * What the boxes of a batch hold, and what is left of the parts that go into boxes: box figures times their counts, plus what is left,
 * are the batch (docs/reckoning.md, "Portions").
 */
export function portionFigures({ figures, boxes, left }: BatchFigures, currency: string): PortionFigures {
  const parts = figures.parts.filter(({ part }) => servedOf(part) === 'box');
  const over = parts.map((part) => {
    const grams = left.find((one) => one.part === part.part.id)?.grams ?? part.cooked;
    return { part, grams, share: weighsSomething(part.cooked) ? grams / part.cooked : 0 };
  });
  const leftFigures: LeftFigures = {
    weight: compensatedSum(over.map(({ grams }) => grams)),
    nutrients: addNutrientFigures(over.map(({ part, share }) => shareOfFigures(part.nutrients, share))),
    usedCost: addFigures(over.map(({ part, share }) => shareOf(part.usedCost, share))),
  };
  const whole: LeftFigures = {
    weight: compensatedSum(parts.map(({ cooked }) => cooked)),
    nutrients: addNutrientFigures(parts.map(({ nutrients }) => nutrients)),
    usedCost: addFigures(parts.map(({ usedCost }) => usedCost)),
  };
  return { parts, boxes, left: leftFigures, whole, shares: sharesOf(boxes, leftFigures, whole, currency) };
}

function sharesOf(boxes: readonly BoxFigures[], left: LeftFigures, whole: LeftFigures, currency: string): PortionFigures['shares'] {
  const total = whole.usedCost.amount;
  const rest = left.usedCost.amount ?? 0;
  if (total === undefined || rest < -1e-9 * total) return undefined;
  const each = boxes.flatMap(({ box: { count = 1 }, usedCost }) => Array.from({ length: count }, () => usedCost.amount ?? 0));
  const money = allocate(total, [...each, Math.max(0, rest)], currency);
  let at = 0;
  return {
    boxes: boxes.map(({ box: { count = 1 } }) => money.slice(at, (at += count))),
    left: money.at(-1) ?? new Big(0),
  };
}

/**
 * Energy of a box between the ends that parts taken by eye leave it, kcal: value -/+ 1.96 x 30 % of each of those parts, in squares,
 * never below nothing. Undefined where none was.
 */
export function eyeBand(
  { box: { eye = [], grams }, nutrients }: BoxFigures,
  parts: readonly PartFigures[],
): readonly [number, number] | undefined {
  const energy = nutrients.energyKcal.amount;
  if (eye.length === 0 || energy === undefined) return undefined;
  const moved = parts
    .filter(({ part }) => eye.includes(part.id))
    .map((part) => energyPerGram(part) * (grams[part.part.id] ?? 0) * UNCERTAINTY_OF_EYE);
  const reach = 1.96 * Math.hypot(...moved);
  return [Math.max(0, energy - reach), energy + reach];
}

/** kcal of a gram of a part as it came out; 0 where nobody knows. */
export function energyPerGram({ nutrients, cooked }: PartFigures): number {
  return weighsSomething(cooked) ? (nutrients.energyKcal.amount ?? 0) / cooked : 0;
}
