import type { Batch, BatchFigures, BoxFigures } from '../batch/index.js';
import type { Settings } from '../recipe/index.js';
import { boxLabel, foodsOfPart, type BoxLabel } from './boxLabel.js';
import { boxKeeping, guidelineOf, keepingLimits, type BoxKeeping, type KeepingLimits } from './keeping.js';

/** How long a box keeps: by what is in this very box, and what the recipe and the guideline say. */
export function keepingOf(
  { box }: BoxFigures,
  { figures }: BatchFigures,
  cooked: string,
  settings: Pick<Settings, 'guideline' | 'rules'>,
): { readonly keeping: BoxKeeping; readonly limits: KeepingLimits } {
  const held = figures.parts.filter(({ part }) => (box.grams[part.id] ?? 0) > 0);
  const limits = keepingLimits(held.flatMap(foodsOfPart), figures.recipe.storage, guidelineOf(settings));
  return { keeping: boxKeeping(box, cooked, limits), limits };
}

/**
 * Labels of a batch, one for every box, in order.
 *
 * @param link address that each code leads to
 */
export function batchLabels(
  made: BatchFigures,
  batch: Pick<Batch, 'date'>,
  settings: Pick<Settings, 'guideline' | 'rules'>,
  link: string,
): BoxLabel[] {
  return made.boxes.flatMap((figures) => {
    const { keeping, limits } = keepingOf(figures, made, batch.date, settings);
    const label = boxLabel(figures, keeping, { made, cooked: batch.date, rules: settings.rules, limits, link });
    return Array.from({ length: figures.box.count ?? 1 }, () => label);
  });
}
