import { compensatedSum } from '../quantity/index.js';
import { computed, Kitchen, recipeFigures, type KitchenContent, type LearnedYield, type PartFigures } from '../recipe/index.js';
import { netOf, type Batch } from './batch.js';
import { batchedRecipe } from './batchedRecipe.js';

/** Batches that must have measured a part before its yield is taken from them. */
const FEWEST_LEARNED = 3;

/** What a batch says of the yield of a part. */
export interface PartFactor {
  readonly batch: Batch;
  /** "recipe/part". */
  readonly of: string;
  /** (net + discards) / grams eaten of its lines; undefined where one of them has no weight. */
  readonly factor: number | undefined;
}

/**
 * Yield factor of a measured part: what came out and what was thrown away, over the grams eaten of its lines, optional ones not
 * (kitchen file, Batch).
 *
 * @param net grams measured
 * @returns undefined where a line or a discard has no weight, or nothing was in it
 */
export function yieldFactor({ lines, discards }: PartFigures, net: number): number | undefined {
  const counted = lines.filter((line) => line.counted);
  if ([...counted, ...discards].some(({ weights }) => weights === undefined)) return undefined;
  const eaten = compensatedSum(counted.map(({ weights }) => weights?.eaten ?? 0));
  const thrown = compensatedSum(discards.map(({ weights }) => weights?.eaten ?? 0));
  return eaten > 0 ? (net + thrown) / eaten : undefined;
}

/**
 * The yield factors of every part that batches measured, in the order of their dates, of the same day as they stand in the list. Those
 * that are to be left out are not among them.
 *
 * @param kitchen the recipes they cooked; what was learned before plays no part in a factor
 */
export function partFactors(batches: readonly Batch[], kitchen: Kitchen): readonly PartFactor[] {
  return [...batches]
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0))
    .flatMap((batch) => {
      const recipe = batch.then ?? kitchen.recipe(batch.recipe);
      const measured = (batch.parts ?? []).filter((part) => netOf(part) !== undefined);
      if (!recipe || batch.leaveOut || measured.length === 0) return [];
      const found = computed(() => recipeFigures(batchedRecipe(batch, recipe, kitchen).recipe, kitchen));
      // One that cannot be added up any more teaches nothing; its own row says why.
      if (!found.ok) return [];
      const figures = found.made;
      return measured.flatMap((came): PartFactor[] => {
        const part = figures.parts.find((one) => one.part.id === came.part);
        return part ? [{ batch, of: `${batch.recipe}/${came.part}`, factor: yieldFactor(part, netOf(came) ?? 0) }] : [];
      });
    });
}

/**
 * What a kitchen has learned of the yields of its parts: of each that at least three batches measured, their mean factor (kitchen file,
 * "Learned yields"). Batches of a variant teach the dish as well.
 *
 * @returns by "recipe/part"; sd is of the sample
 */
export function learnedYields(batches: readonly Batch[], kitchen: Kitchen): ReadonlyMap<string, LearnedYield> {
  const factors = new Map<string, number[]>();
  for (const { of, factor } of partFactors(batches, kitchen)) {
    if (factor === undefined) continue;
    const sofar = factors.get(of);
    if (sofar) sofar.push(factor);
    else factors.set(of, [factor]);
  }
  return new Map(
    [...factors].flatMap(([of, found]) => (found.length < FEWEST_LEARNED ? [] : [[of, { batches: found.length, ...sampleOf(found) }]])),
  );
}

/** Mean and standard deviation of a sample; of one alone there is no deviation. */
export function sampleOf(factors: readonly number[]): { readonly mean: number; readonly sd: number } {
  const mean = compensatedSum(factors) / factors.length;
  const squares = compensatedSum(factors.map((factor) => (factor - mean) ** 2));
  return { mean, sd: factors.length < 2 ? 0 : Math.sqrt(squares / (factors.length - 1)) };
}

/** A kitchen that estimates by what its batches have taught. */
export function taughtKitchen(content: KitchenContent, batches: readonly Batch[]): Kitchen {
  const kitchen = new Kitchen(content);
  const learned = learnedYields(batches, kitchen);
  return learned.size === 0 ? kitchen : new Kitchen({ ...content, learned });
}
