import type { Figure } from '../figure/index.js';
import type { Kitchen, RecipeFigures } from '../recipe/index.js';
import type { Batch } from './batch.js';
import { batchFigures } from './batchFigures.js';

/** Why a dish as cooked is another than as designed, in the order in which it came about. */
export const BATCH_CAUSES = ['weighed', 'swapped', 'came out', 'paid'] as const;
export type BatchCause = (typeof BATCH_CAUSES)[number];

/** What a cause moved of one serving; undefined where nobody knows either figure. */
export interface CauseEffect {
  readonly cause: BatchCause;
  readonly energyKcal: number | undefined;
  readonly protein: number | undefined;
  /** Grams. */
  readonly weight: number;
  /** Major units. */
  readonly usedCost: number | undefined;
}

/** A batch beside what it was to be. */
export interface BatchBeside {
  /** The dish as designed: its variant, at the batch's size. */
  readonly designed: RecipeFigures;
  readonly cooked: RecipeFigures;
  /** Of those causes that there are; together they are the whole difference. */
  readonly causes: readonly CauseEffect[];
}

/**
 * A batch beside the dish as it was designed, and what made the difference: each cause is what the figures move by when it is let in
 * after those before it, so that they add up to the whole.
 *
 * @throws as `batchFigures`
 */
export function batchBeside(batch: Batch, kitchen: Kitchen): BatchBeside {
  const { lines = [], parts, discards, paid, ...plan } = batch;
  const isWeighed = (line: (typeof lines)[number]) => 'at' in line && 'grams' in line && !('food' in line);
  const weighed = lines.filter(isWeighed);
  const lets: readonly (readonly [cause: BatchCause, there: boolean, so: Partial<Batch>])[] = [
    ['weighed', weighed.length > 0, { lines: weighed }],
    ['swapped', weighed.length < lines.length, { lines }],
    ['came out', (parts?.length ?? 0) + (discards?.length ?? 0) > 0, { ...(parts ? { parts } : {}), ...(discards ? { discards } : {}) }],
    ['paid', (paid?.length ?? 0) > 0, paid ? { paid } : {}],
  ];
  const figuresOf = (so: Partial<Batch>) => batchFigures({ ...plan, ...so }, [], kitchen).figures;
  const designed = figuresOf({});
  let sofar: Partial<Batch> = {};
  let before = designed;
  const causes = lets.flatMap(([cause, there, so]): CauseEffect[] => {
    if (!there) return [];
    sofar = { ...sofar, ...so };
    const after = figuresOf(sofar);
    const effect = effectOf(cause, before, after);
    before = after;
    return [effect];
  });
  return { designed, cooked: before, causes };
}

function effectOf(cause: BatchCause, { perServing: before }: RecipeFigures, { perServing: after }: RecipeFigures): CauseEffect {
  return {
    cause,
    energyKcal: moved(before.nutrients.energyKcal, after.nutrients.energyKcal),
    protein: moved(before.nutrients.protein, after.nutrients.protein),
    weight: after.weight - before.weight,
    usedCost: moved(before.usedCost, after.usedCost),
  };
}

function moved({ amount: before }: Figure, { amount: after }: Figure): number | undefined {
  return before === undefined || after === undefined ? undefined : after - before;
}
