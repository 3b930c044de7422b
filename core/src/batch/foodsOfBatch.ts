import { foodsOf } from '../recipe/index.js';
import type { Batch } from './batch.js';

/** Ids of every food that a batch speaks of, the recipe as it was cooked among it; each once. */
export function foodsOfBatch(batch: Batch): string[] {
  return [
    ...new Set([
      ...(batch.then ? foodsOf(batch.then) : []),
      ...(batch.lines ?? []).flatMap((line) => ('food' in line ? line.food : [])),
      ...(batch.discards ?? []).map(({ food }) => food),
      ...(batch.paid ?? []).map(({ food }) => food),
    ]),
  ];
}
