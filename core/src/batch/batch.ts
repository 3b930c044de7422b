import type { Recipe } from '../recipe/index.js';

/** A line as it was done: weighed, another food in its place, left out, or one more. Grams of the whole batch. */
export type BatchLine =
  | { readonly at: string; readonly grams: number; readonly as?: 'AP' | 'EP' }
  | { readonly at: string; readonly food: string; readonly grams: number; readonly as?: 'AP' | 'EP' }
  | { readonly at: string; readonly out: true }
  | { readonly part: string; readonly food: string; readonly grams: number; readonly as?: 'AP' | 'EP' };

/** What came out of a part, after discarding. */
export interface BatchPart {
  readonly part: string;
  /** Grams. */
  readonly net?: number;
  readonly gross?: number;
  readonly tare?: number;
  /** Pieces made. */
  readonly pieces?: number;
  /** Millilitres made. */
  readonly volume?: number;
}

/** What was thrown away of a part. */
export interface BatchDiscard {
  readonly part: string;
  readonly food: string;
  readonly grams: number;
}

/** A pack bought for the batch. */
export interface PaidPack {
  readonly food: string;
  readonly net: number;
  readonly unit: string;
  readonly price: number | string;
  readonly shop: string;
}

/** Where a box goes. */
export const KEEPS = ['tonight', 'fridge', 'freezer'] as const;
export type Keep = (typeof KEEPS)[number];

/** What went into each box of a name. */
export interface BatchBox {
  readonly name: string;
  /** Left out: one. */
  readonly count?: number;
  /** By part. */
  readonly grams: { readonly [part: string]: number };
  readonly keep?: Keep;
}

/** A dish as it was cooked (kitchen file, Batch). */
export interface Batch {
  readonly id: string;
  readonly recipe: string;
  /** ISO day. */
  readonly date: string;
  readonly servings?: number;
  readonly variant?: string;
  readonly lines?: readonly BatchLine[];
  readonly parts?: readonly BatchPart[];
  readonly discards?: readonly BatchDiscard[];
  readonly paid?: readonly PaidPack[];
  readonly boxes?: readonly BatchBox[];
  readonly minutes?: { readonly active?: number; readonly total?: number };
  readonly rating?: number;
  readonly note?: string;
  readonly by?: string;
  /** Nothing is learned from it. */
  readonly leaveOut?: boolean;
  /** The recipe as it was when it was cooked. */
  readonly then?: Recipe;
}

/** Grams that a part was measured to weigh; undefined where it was not weighed. */
export function netOf({ net, gross, tare }: BatchPart): number | undefined {
  return net ?? (gross === undefined || tare === undefined ? undefined : gross - tare);
}
