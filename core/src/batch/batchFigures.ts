import Big from 'big.js';
import { addFigures, shareOf, type Figure } from '../figure/index.js';
import { packGrams } from '../price/index.js';
import { compensatedSum } from '../quantity/index.js';
import {
  addNutrientFigures,
  Kitchen,
  recipeFigures,
  servedOf,
  shareOfFigures,
  weighsSomething,
  type NutrientFigures,
  type PartFigures,
  type Recipe,
  type RecipeFigures,
} from '../recipe/index.js';
import { netOf, type Batch, type BatchBox, type PaidPack } from './batch.js';
import { batchedRecipe } from './batchedRecipe.js';
import { partFactors, yieldFactor, type PartFactor } from './learnedYields.js';

/** One box of a name, as it was filled. */
export interface BoxFigures {
  readonly box: BatchBox;
  /** Grams. */
  readonly weight: number;
  readonly nutrients: NutrientFigures;
  /** Major units, unrounded. */
  readonly usedCost: Figure;
}

/** The yield of a measured part, beside those of the batches before it. */
export interface PartYield {
  readonly part: string;
  readonly factor: number | undefined;
  readonly mean: number | undefined;
  /** Limits of what is usual; undefined for fewer than four batches. */
  readonly low: number | undefined;
  readonly high: number | undefined;
  readonly batches: number;
}

/** What a batch came to. */
export interface BatchFigures {
  readonly recipe: Recipe;
  /** Lines that were left out are not among its lines. */
  readonly figures: RecipeFigures;
  readonly proportional: ReadonlyMap<string, number>;
  readonly boxes: readonly BoxFigures[];
  /** Grams of parts in the box that no box holds; below nothing where boxes hold more. Empty where no boxes are listed. */
  readonly left: readonly { readonly part: string; readonly grams: number }[];
  /** Exact, major units; undefined where nothing is noted. */
  readonly paid: Big | undefined;
  readonly yields: readonly PartYield[];
  /** The kitchen with what was paid. */
  readonly kitchen: Kitchen;
}

/** From so many batches on, what is usual has limits. */
const FEWEST_USUAL = 4;
/** Natural limits of an individuals chart: the mean distance of neighbours times this (3 / 1.128, Shewhart). */
const LIMIT_TIMES = 2.66;

/**
 * A batch as it was cooked (kitchen file, Batch): figures of the recipe as it was done, what each box holds, what is left, what was
 * paid, and how its yields stand to those before.
 *
 * @param batches of the kitchen, this one among them
 * @param known yield factors of all of them, for whoever asks of many
 * @throws UnknownFoodError, UnknownPartError, CircularPartError, CircularRatioError; RangeError for a recipe that is not there
 */
export function batchFigures(batch: Batch, batches: readonly Batch[], kitchen: Kitchen, known?: readonly PartFactor[]): BatchFigures {
  const recipe = batch.then ?? kitchen.recipe(batch.recipe);
  if (!recipe) throw new RangeError(`the kitchen holds no recipe "${batch.recipe}"`);
  const priced = new Kitchen({ ...kitchen.content, paid: paidRates(batch.paid ?? [], kitchen) });
  const { recipe: cooked, out, measured, proportional } = batchedRecipe(batch, recipe, priced);
  const figures = withoutLines(recipeFigures(cooked, priced, { weighed: measured }), out);
  return {
    recipe: cooked,
    figures,
    proportional,
    boxes: (batch.boxes ?? []).map((box) => boxFigures(box, figures.parts)),
    left: leftOf(batch.boxes ?? [], figures.parts),
    paid: batch.paid?.reduce((sum, { price }) => sum.plus(price), new Big(0)),
    yields: yieldsOf(
      batch,
      batches,
      figures.parts,
      (before) => known?.filter((one) => before.has(one.batch)) ?? partFactors([...before], kitchen),
    ),
    kitchen: priced,
  };
}

/** Used cost of a gram as purchased, by food: all that was paid over all that was bought. One whose weight nobody knows is not priced by it. */
function paidRates(paid: readonly PaidPack[], kitchen: Kitchen): ReadonlyMap<string, number> {
  const rates = new Map<string, number>();
  for (const id of new Set(paid.map(({ food }) => food))) {
    const food = kitchen.food(id);
    const packs = paid.filter((pack) => pack.food === id);
    const grams = packs.map((pack) => (food ? packGrams(pack, food) : undefined));
    const total = grams.every((one) => one !== undefined) ? compensatedSum(grams) : 0;
    const money = packs.reduce((sum, { price }) => sum.plus(price), new Big(0));
    if (total > 0) rates.set(id, money.toNumber() / total);
  }
  return rates;
}

function withoutLines(figures: RecipeFigures, out: ReadonlySet<string>): RecipeFigures {
  if (out.size === 0) return figures;
  const there = <Line extends { readonly at: string }>(lines: readonly Line[]) => lines.filter(({ at }) => !out.has(at));
  return {
    ...figures,
    parts: figures.parts.map((part) => ({ ...part, lines: there(part.lines) })),
    lines: there(figures.lines),
  };
}

/** One box: of every part it has any of, the part's total x grams / cooked weight. */
function boxFigures(box: BatchBox, parts: readonly PartFigures[]): BoxFigures {
  const held = parts.flatMap((part) => {
    const grams = box.grams[part.part.id] ?? 0;
    return grams > 0 ? [{ part, grams, share: weighsSomething(part.cooked) ? grams / part.cooked : 0 }] : [];
  });
  return {
    box,
    weight: compensatedSum(held.map(({ grams }) => grams)),
    nutrients: addNutrientFigures(held.map(({ part, share }) => shareOfFigures(part.nutrients, share))),
    usedCost: addFigures(held.map(({ part, share }) => shareOf(part.usedCost, share))),
  };
}

function leftOf(boxes: readonly BatchBox[], parts: readonly PartFigures[]): BatchFigures['left'] {
  if (boxes.length === 0) return [];
  return parts
    .filter(({ part }) => servedOf(part) === 'box')
    .map(({ part, cooked }) => ({
      part: part.id,
      grams: compensatedSum([cooked, ...boxes.map(({ grams, count = 1 }) => -count * (grams[part.id] ?? 0))]),
    }));
}

/** Measured parts, against other batches dated before this one; of the same day, what stands before it in the list. */
function yieldsOf(
  batch: Batch,
  batches: readonly Batch[],
  parts: readonly PartFigures[],
  factorsOf: (batches: ReadonlySet<Batch>) => readonly PartFactor[],
): PartYield[] {
  const measured = (batch.parts ?? []).flatMap((came) => {
    const [part, net] = [parts.find((one) => one.part.id === came.part), netOf(came)];
    return part && net !== undefined ? [{ part, net }] : [];
  });
  if (measured.length === 0) return [];
  const at = batches.findIndex(({ id }) => id === batch.id);
  const before = batches.filter(
    (one, i) => one.recipe === batch.recipe && one.id !== batch.id && (one.date < batch.date || (one.date === batch.date && i < at)),
  );
  const known = factorsOf(new Set(before));
  return measured.map(({ part, net }) => {
    const of = `${batch.recipe}/${part.part.id}`;
    const factors = known.flatMap((one) => (one.of === of && one.factor !== undefined ? [one.factor] : []));
    return { part: part.part.id, factor: yieldFactor(part, net), ...usualOf(factors), batches: factors.length };
  });
}

/** Mean and limits of factors in order of date. */
function usualOf(factors: readonly number[]): Pick<PartYield, 'mean' | 'low' | 'high'> {
  if (factors.length === 0) return { mean: undefined, low: undefined, high: undefined };
  const mean = compensatedSum(factors) / factors.length;
  if (factors.length < FEWEST_USUAL) return { mean, low: undefined, high: undefined };
  const distances = factors.slice(1).map((factor, i) => Math.abs(factor - (factors[i] ?? 0)));
  const reach = (LIMIT_TIMES * compensatedSum(distances)) / distances.length;
  return { mean, low: mean - reach, high: mean + reach };
}
