import { countAt, withCountAt, type BatchBox, type BatchEdit, type BoxKind, type Keep } from '@portiona/core';
import { soundBoxes, type Portioned } from './portioned';

/** What can be done with the boxes of a batch: all of them anew, one kind in another shape, one box to another shelf. */
export function boxEdits({ batch, kinds, singles }: Portioned, say: (edit: BatchEdit) => void) {
  const boxes = batch.boxes ?? [];
  const keep = (next: readonly BatchBox[]) => say({ do: 'boxes', boxes: soundBoxes(next) });
  /** Without boxes, the kind is gone. */
  const keepKind = (changed: BoxKind, next: readonly BatchBox[]) =>
    keep(kinds.flatMap(({ kind }) => (kind === changed ? next : kind.boxes)));
  const move = (number: number, to: Keep) => {
    const one = singles.find((single) => single.number === number);
    const kind = kinds.find((of) => one && of.kind.boxes.includes(one.box))?.kind;
    const from = one?.box.keep ?? 'fridge';
    if (!kind || from === to) return;
    const fewer = { ...kind, boxes: withCountAt(kind, from, countAt(kind, from) - 1) };
    keepKind(kind, withCountAt(fewer, to, countAt(kind, to) + 1).map(withoutForeignDay(boxes)));
  };
  return { keep, keepKind, move };
}

/** A day that was set for the fridge is none for the freezer: a box that has moved is kept by the guideline again. */
function withoutForeignDay(before: readonly BatchBox[]): (box: BatchBox) => BatchBox {
  return (box) => {
    if (box.useBy === undefined || before.some((one) => one.useBy === box.useBy && (one.keep ?? 'fridge') === (box.keep ?? 'fridge')))
      return box;
    const { useBy: _, because: __, ...rest } = box;
    return rest;
  };
}
