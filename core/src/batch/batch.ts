import type { Recipe } from '../recipe/index.js';

/** A line as it was done: weighed, another food in its place, left out, or one more. Grams of the whole batch. */
export type BatchLine =
  | {
      readonly at: string;
      readonly grams: number;
      readonly as?: 'AP' | 'EP';
      /** Grams it weighed before it was peeled and trimmed: the difference is what it lost this time. */
      readonly trimmedFrom?: number;
    }
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
  /** Parts that were taken by eye, a palm or a fist: their grams are that sure. */
  readonly eye?: readonly string[];
  /** Millilitres of the box to its brim. */
  readonly holds?: number;
  /** kcal that each is to have. */
  readonly aim?: BoxAim;
  /** ISO day, where it is another than the guideline's. */
  readonly useBy?: string;
  /** Why it is kept longer than the guideline keeps it. */
  readonly because?: string;
}

/** Energy that a box is to have, kcal. */
export interface BoxAim {
  readonly atLeast?: number;
  readonly atMost?: number;
}

/** Where what no box holds goes. */
export const LEFT_TO = ['tonight', 'stock', 'away'] as const;
export type LeftTo = (typeof LEFT_TO)[number];

/** A clock that runs beside the steps, until it is stopped. */
export interface Timer {
  readonly id: string;
  readonly name: string;
  readonly minutes: number;
  /** ISO time. */
  readonly started: string;
  /** The step whose time it is, from 1. */
  readonly step?: number;
}

/** How far a batch is while it is cooked; gone when it is done. */
export interface Cooking {
  /** ISO time. */
  readonly begun: string;
  /** The step in hand, from 1; 0: getting everything out. */
  readonly step: number;
  /** Places of lines that are out and ready. */
  readonly ready?: readonly string[];
  /** Numbers of steps that are done. */
  readonly done?: readonly number[];
  /** Ways taken instead of a step's own, by its number. */
  readonly ways?: { readonly [step: string]: string };
  readonly timers?: readonly Timer[];
}

/** A temperature measured in the middle of what is cooked. */
export interface MeasuredTemperature {
  /** Number of the step, from 1. */
  readonly step: number;
  readonly celsius: number;
  /** ISO time. */
  readonly at: string;
}

/** A photo, by the name it is kept under, and what can be seen on it. */
export interface PhotoTaken {
  readonly id: string;
  /** For whoever does not see it. */
  readonly alt?: string;
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
  /** Where what is left of a part goes, by part. */
  readonly leftTo?: { readonly [part: string]: LeftTo };
  readonly temperatures?: readonly MeasuredTemperature[];
  readonly minutes?: { readonly active?: number; readonly total?: number };
  readonly rating?: number;
  readonly note?: string;
  readonly by?: string;
  /** What came of it, as it looked. */
  readonly photo?: PhotoTaken;
  /** Nothing is learned from it. */
  readonly leaveOut?: boolean;
  /** The recipe as it was when it was cooked. */
  readonly then?: Recipe;
  /** It is being cooked. */
  readonly cooking?: Cooking;
}

/** Grams that a part was measured to weigh; undefined where it was not weighed. */
export function netOf({ net, gross, tare }: BatchPart): number | undefined {
  return net ?? (gross === undefined || tare === undefined ? undefined : gross - tare);
}
