import { batchFigures, batchProblems, computed, netOf, type Batch, type Kitchen, type PartFactor } from '@portiona/core';
import type { BatchEntity } from './batch.entity.js';
import type { LoggedBatchDto, SavedBatchDto } from './batch.dto.js';

/** The batch as core knows it. */
export function toBatch({ document }: BatchEntity): Batch {
  return document;
}

export function toSavedBatch({ id, revision, savedAt, document, recipeRevision }: BatchEntity): SavedBatchDto {
  return { id, revision, savedAt: savedAt.toISOString(), document, recipeRevision };
}

/** A batch at a glance, its figures asked of core; one that cannot be computed says why. */
export function toLoggedBatch(
  { id, revision, document: batch }: BatchEntity,
  all: readonly Batch[],
  kitchen: Kitchen,
  known: readonly PartFactor[],
): LoggedBatchDto {
  const recipe = batch.then ?? kitchen.recipe(batch.recipe);
  const told = {
    ...{ id, revision, recipe: batch.recipe, date: batch.date, title: recipe?.title ?? batch.recipe },
    servingName: recipe?.servingName ?? 'serving',
    boxes: batch.servings ?? recipe?.servings ?? 0,
    cooking: batch.cooking !== undefined,
    ...{
      variant: batch.variant ?? null,
      by: batch.by ?? null,
      note: batch.note ?? null,
      rating: batch.rating ?? null,
      photo: batch.photo ?? null,
    },
    leaveOut: batch.leaveOut ?? false,
    different: batch.lines?.length ?? 0,
    ...{ activeMinutes: batch.minutes?.active ?? null, totalMinutes: batch.minutes?.total ?? null },
  };
  const found = computed(() => batchFigures(batch, all, kitchen, known));
  if (!found.ok)
    return {
      ...told,
      ...{ energyKcal: null, used: null, usedAtLeast: true, paid: null, yields: [], unusual: false, uncomputed: found.because },
    };
  const { figures, paid, yields } = found.made;
  const used = figures.batch.usedCost;
  const names = new Map(figures.parts.map(({ part }) => [part.id, part.name]));
  return {
    ...told,
    energyKcal: figures.perServing.nutrients.energyKcal.amount ?? null,
    used: used.amount ?? null,
    usedAtLeast: used.gaps.length > 0,
    paid: paid?.toFixed() ?? null,
    yields: yields.map(({ part, factor, mean, low, high, batches }) => ({
      ...{ part, name: names.get(part) ?? part, batches },
      net: netOf(batch.parts?.find((one) => one.part === part) ?? { part }) ?? null,
      ...{ factor: factor ?? null, mean: mean ?? null, low: low ?? null, high: high ?? null },
    })),
    unusual: batchProblems(found.made).length > 0,
    uncomputed: null,
  };
}
