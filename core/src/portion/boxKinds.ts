import { KEEPS, type BatchBox, type Keep } from '../batch/index.js';
import { sameDocument } from '../recipe/index.js';

/** Boxes of one name that were filled alike, wherever they go. */
export interface BoxKind {
  readonly name: string;
  readonly grams: BatchBox['grams'];
  /** Boxes in all. */
  readonly count: number;
  /** As they stand in the batch: each with its count and where it goes. */
  readonly boxes: readonly BatchBox[];
  /** What is said of one of them, but for name, count and where it goes. */
  readonly like: Pick<BatchBox, 'grams' | 'eye' | 'holds' | 'aim'>;
}

/** Boxes of a batch by who they are for and what is in them, in their order. */
export function boxKinds(boxes: readonly BatchBox[]): BoxKind[] {
  const kinds: BoxKind[] = [];
  for (const box of boxes) {
    const like = likeOf(box);
    const at = kinds.findIndex((kind) => kind.name === box.name && sameDocument(kind.like, like));
    const kind = kinds[at];
    const count = box.count ?? 1;
    if (kind) kinds[at] = { ...kind, count: kind.count + count, boxes: [...kind.boxes, box] };
    else kinds.push({ name: box.name, grams: box.grams, count, boxes: [box], like });
  }
  return kinds;
}

/** How many of a kind go there. */
export function countAt({ boxes }: BoxKind, keep: Keep): number {
  return boxes.reduce((sum, box) => sum + ((box.keep ?? 'fridge') === keep ? (box.count ?? 1) : 0), 0);
}

/** The kind with so many boxes there; what is said of where they are kept stays with those that stay. */
export function withCountAt(kind: BoxKind, keep: Keep, count: number): BatchBox[] {
  const there = kind.boxes.find((box) => (box.keep ?? 'fridge') === keep);
  return KEEPS.flatMap((one) => {
    if (one !== keep) return kind.boxes.filter((box) => (box.keep ?? 'fridge') === one);
    return count > 0 ? [{ ...(there ?? { name: kind.name, ...kind.like }), count, keep }] : [];
  });
}

/** The kind with so many boxes in all: those more go to the fridge, those fewer leave it first, then the freezer, then tonight. */
export function withCount(kind: BoxKind, count: number): BatchBox[] {
  let boxes: readonly BatchBox[] = kind.boxes;
  let more = count - kind.count;
  const now = (): BoxKind => ({ ...kind, boxes });
  if (more > 0) return withCountAt(kind, 'fridge', countAt(kind, 'fridge') + more);
  for (const keep of ['fridge', 'freezer', 'tonight'] as const) {
    const there = countAt(now(), keep);
    const fewer = Math.min(there, -more);
    if (fewer > 0) boxes = withCountAt(now(), keep, there - fewer);
    more += fewer;
  }
  return [...boxes];
}

/** The kind with something else said of each of its boxes. */
export function withEach(kind: BoxKind, change: Partial<BatchBox>): BatchBox[] {
  return kind.boxes.map((box) => {
    const entries = Object.entries({ ...box, ...change }).filter(([, value]) => value !== undefined);
    return Object.fromEntries(entries) as unknown as BatchBox;
  });
}

function likeOf({ grams, eye, holds, aim }: BatchBox): BoxKind['like'] {
  return {
    grams,
    ...(eye === undefined || eye.length === 0 ? {} : { eye }),
    ...(holds === undefined ? {} : { holds }),
    ...(aim === undefined ? {} : { aim }),
  };
}
