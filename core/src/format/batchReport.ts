import { batchFigures, batchProblems, type Batch } from '../batch/index.js';
import type { Kitchen } from '../recipe/index.js';
import { reportOf, servingNutrients, type RecipeReport, type ServingReport } from './calcReport.js';

/** One box of a name: weights in grams, money in major units. */
export interface BoxReport extends Pick<ServingReport, 'nutrients' | 'incomplete' | 'usedCost' | 'weight'> {
  readonly name: string;
  readonly count: number;
}

/** How a measured part's yield stands to those before; null where nobody knows. */
export interface YieldReport {
  readonly part: string;
  readonly factor: number | null;
  readonly mean: number | null;
  readonly low: number | null;
  readonly high: number | null;
  readonly batches: number;
}

/** A batch as `calc --batch --json` prints it (kitchen file, Batch). */
export interface BatchReport extends RecipeReport {
  readonly batch: RecipeReport['batch'] & { readonly id: string };
  readonly boxes: readonly BoxReport[];
  readonly left: readonly { readonly part: string; readonly grams: number }[];
  /** Major units; null: nothing noted. */
  readonly paid: number | null;
  readonly yields: readonly YieldReport[];
}

/**
 * What a batch came to, in the shape `calc --batch ID --json` prints.
 *
 * @param batches of the kitchen, this one among them
 * @throws as `batchFigures`
 */
export function batchReport(batch: Batch, batches: readonly Batch[], kitchen: Kitchen): BatchReport {
  const made = batchFigures(batch, batches, kitchen);
  const report = reportOf(made.figures, made.kitchen, made.proportional);
  return {
    ...report,
    recipe: batch.recipe,
    batch: { id: batch.id, ...report.batch },
    problems: [...report.problems, ...batchProblems(made)],
    boxes: made.boxes.map(({ box: { name, count = 1 }, weight, nutrients, usedCost }) => ({
      name,
      count,
      weight,
      ...servingNutrients({ nutrients, usedCost }, made.kitchen),
    })),
    left: made.left,
    paid: made.paid?.toNumber() ?? null,
    yields: made.yields.map(({ part, factor = null, mean = null, low = null, high = null, batches: others }) => ({
      part,
      factor,
      mean,
      low,
      high,
      batches: others,
    })),
  };
}
