import type { BatchFigures } from './batchFigures.js';

/** Boxes hold more than came out by more than this, in grams, is a problem: less is the rounding of a scale. */
const OVER = 0.5;

/** Something that only a batch can have wrong with it. */
export interface BatchProblem {
  readonly code: 'boxes-over' | 'yield-unusual';
  /** Part. */
  readonly at: string;
  readonly message: string;
}

/** Boxes that hold more than came out, and yields outside the limits of those before (kitchen file, Batch). */
export function batchProblems({ left, yields, figures }: BatchFigures): readonly BatchProblem[] {
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
