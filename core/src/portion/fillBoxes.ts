/** From so many grams on a box is filled to the gram, below it to a tenth. */
const TENTHS_BELOW = 20;

/**
 * Grams of a part for each of so many boxes, what a scale can show: rounded down, so that the last box is not the poorer one.
 *
 * @param cooked grams of the part
 * @example equalGrams(2310, 5) // 462
 */
export function equalGrams(cooked: number, boxes: number): number {
  if (!(boxes > 0)) return 0;
  return flooredGrams(cooked / boxes);
}

/** Grams that a scale can show, rounded down. */
export function flooredGrams(grams: number): number {
  const unit = grams < TENTHS_BELOW ? 10 : 1;
  return Math.floor(grams * unit + 1e-9) / unit;
}

/**
 * Boxes that a portion fills, and what is over.
 *
 * @example boxesByGrams(2310, 400) // { boxes: 5, left: 310 }
 */
export function boxesByGrams(cooked: number, grams: number): { readonly boxes: number; readonly left: number } {
  if (!(grams > 0)) return { boxes: 0, left: cooked };
  const boxes = Math.floor(cooked / grams + 1e-9);
  return { boxes, left: cooked - boxes * grams };
}

/** Grams of so many pieces, or millilitres, of a part that came to so many in all. */
export function gramsOfShare(cooked: number, made: number, each: number): number {
  return made > 0 ? (cooked * each) / made : 0;
}

/** A number of pieces that goes evenly into the boxes. */
export interface PieceCount {
  readonly made: number;
  /** In each box. */
  readonly each: number;
  /** Grams of one piece. */
  readonly grams: number;
}

/**
 * Numbers of pieces near the one made, or meant, that can be shared evenly: the next below and the next above; the number itself where
 * it goes.
 *
 * @param cooked grams of the part
 * @example pieceCounts(645, 5, 14) // 10 of 64.5 g, 15 of 43 g
 */
export function pieceCounts(cooked: number, boxes: number, made: number): PieceCount[] {
  if (!(boxes >= 1) || !(cooked > 0)) return [];
  const below = Math.floor(made / boxes);
  const each = made % boxes === 0 ? [below] : [below, below + 1];
  return each.filter((one) => one > 0).map((one) => ({ made: one * boxes, each: one, grams: cooked / (one * boxes) }));
}

/** What a hand measures, grams: usual sizes, as sure as a look is (`eye`). */
export const HAND_MEASURES = [
  { name: 'a palm', of: 'cooked meat, fish or tofu', grams: 100 },
  { name: 'a fist', of: 'cooked grain, pasta or beans', grams: 150 },
  { name: 'two handfuls', of: 'vegetables', grams: 160 },
  { name: 'a thumb', of: 'dressing, nut butter or cheese', grams: 15 },
] as const;
