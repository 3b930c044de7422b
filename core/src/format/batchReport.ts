import { batchFigures, type Batch, type BatchFigures } from '../batch/index.js';
import type { Kitchen } from '../recipe/index.js';
import { reportOf, servingNutrients, type RecipeReport, type ServingReport } from './calcReport.js';

/** Boxes hold more than came out by more than this, in grams, is a problem: less is the rounding of a scale. */
const OVER = 0.5;

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

/** What a batch alone can have wrong with it. */
function batchProblems({ left, yields, figures }: BatchFigures): RecipeReport['problems'] {
  const nameOf = (id: string) => figures.parts.find(({ part }) => part.id === id)?.part.name ?? id;
  return [
    ...left
      .filter(({ grams }) => grams < -OVER)
      .map(({ part, grams }) => ({
        code: 'boxes-over' as const,
        at: part,
        message: `The boxes hold ${Math.round(-grams)} g more of ${nameOf(part)} than came out. Correct the weight of the part, or of a box.`,
      })),
    ...yields
      .filter(({ factor, low, high }) => factor !== undefined && low !== undefined && high !== undefined && (factor < low || factor > high))
      .map(({ part, factor = 0, low = 0, high = 0 }) => ({
        code: 'yield-unusual' as const,
        at: part,
        message: `${nameOf(part)} came out at ${factor.toFixed(2)} of what went in; ${low.toFixed(2)} to ${high.toFixed(2)} is usual. Look at its weights, or leave this batch out of what is learned.`,
      })),
  ];
}
