import {
  aimState,
  batchFigures,
  batchLabels,
  boxKinds,
  computed,
  equalGrams,
  eyeBand,
  gramsOfShare,
  keepingOf,
  portionFigures,
  type AimState,
  type Batch,
  type BatchBox,
  type BatchFigures,
  type BoxFigures,
  type BoxKeeping,
  type BoxKind,
  type BoxLabel,
  type KeepingLimits,
  type Kitchen,
  type PartFigures,
  type PortionFigures,
} from '@portiona/core';
import { kitchenKey, kitchenPath } from '../../api/kitchenAtHand';

/** Boxes of one name, with what one of them holds. */
export interface PortionedKind {
  readonly kind: BoxKind;
  readonly figures: BoxFigures;
  readonly aim: AimState | undefined;
  readonly eye: readonly [number, number] | undefined;
}

/** A single box: what stands on a shelf, and has a label. */
export interface SingleBox {
  /** From 1, over all. */
  readonly number: number;
  /** Where its entry stands in the batch's list. */
  readonly at: number;
  readonly box: BatchBox;
  readonly figures: BoxFigures;
  readonly keeping: BoxKeeping;
  readonly limits: KeepingLimits;
  readonly label: BoxLabel;
}

/** A batch and everything that follows from how it is put into boxes. */
export interface Portioned {
  readonly batch: Batch;
  readonly made: BatchFigures;
  readonly portion: PortionFigures;
  readonly kinds: readonly PortionedKind[];
  readonly singles: readonly SingleBox[];
  readonly limits: KeepingLimits | undefined;
}

/** Works out a batch with its boxes; undefined with the reason where that cannot be. */
export function portioned(batch: Batch, siblings: readonly Batch[], kitchen: Kitchen) {
  return computed((): Portioned => {
    const all = siblings.some(({ id }) => id === batch.id)
      ? siblings.map((one) => (one.id === batch.id ? batch : one))
      : [...siblings, batch];
    const made = batchFigures(batch, all, kitchen);
    const { settings } = kitchen;
    const portion = portionFigures(made, settings.currency);
    const left = new Map(made.left.map(({ part, grams }) => [part, grams]));
    const kinds = boxKinds(batch.boxes ?? []).flatMap((kind): PortionedKind[] => {
      const figures = made.boxes.find(({ box }) => box === kind.boxes[0]);
      if (!figures) return [];
      const of = { ...figures, box: { ...figures.box, count: kind.count } };
      return [{ kind, figures, aim: aimState(of, portion.parts, left), eye: eyeBand(figures, portion.parts) }];
    });
    const link = `${window.location.origin}${kitchenPath(kitchenKey)}/batches/${encodeURIComponent(batch.recipe)}?batch=${encodeURIComponent(batch.id)}`;
    const labels = batchLabels(made, batch, settings, link);
    const singles = made.boxes.flatMap((figures, at) => {
      const { keeping, limits } = keepingOf(figures, made, batch.date, settings);
      return Array.from({ length: figures.box.count ?? 1 }, () => ({ at, box: figures.box, figures, keeping, limits }));
    });
    return {
      ...{ batch, made, portion, kinds },
      singles: singles.flatMap((one, i) => {
        const label = labels[i];
        return label ? [{ ...one, number: i + 1, label }] : [];
      }),
      limits: singles[0]?.limits,
    };
  });
}

/** Boxes of one size, as many as it was cooked for: each part shared as the recipe shares it, or equally. */
export function equalBoxes({ portion: { parts }, made }: Portioned, count: number, name: string, holds: number | undefined): BatchBox[] {
  if (count < 1) return [];
  const grams = Object.fromEntries(
    parts.filter(({ cooked }) => cooked > 0).map((part) => [part.part.id, gramsEach(part, count, made.figures.recipe.servings)]),
  );
  return [{ name, count, grams, keep: 'fridge', ...(holds === undefined ? {} : { holds }) }];
}

/** What the recipe gives a box of a part, where it is cooked for as many boxes; else an equal share. */
function gramsEach({ part: { portion }, cooked }: PartFigures, count: number, servings: number): number {
  if (count === servings && portion?.by === 'grams') return portion.grams;
  if (count === servings && (portion?.by === 'pieces' || portion?.by === 'volume')) {
    const grams = gramsOfShare(cooked, portion.made, portion.each);
    return Math.round(grams * 10) / 10;
  }
  return equalGrams(cooked, count);
}

/** A name that no box has yet: A, B, C … */
export function freeName(boxes: readonly BatchBox[]): string {
  const taken = new Set(boxes.map(({ name }) => name));
  for (let i = 0; ; i++) {
    const name = i < 26 ? String.fromCharCode(65 + i) : `Box ${i + 1}`;
    if (!taken.has(name)) return name;
  }
}

/** The list with each number in it as it may be written: no weight below nothing, no entry without boxes. */
export function soundBoxes(boxes: readonly BatchBox[]): BatchBox[] {
  return boxes.filter(({ count = 1 }) => count > 0);
}
