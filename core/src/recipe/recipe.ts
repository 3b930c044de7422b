import type { FindingCode } from './findingCode.js';
import type { CookingMethod, PrintedNutrients, State } from '../food/index.js';
import type { Brief } from './brief.js';
import type { CardChoices } from './cardChoices.js';
import type { DishPhoto } from './dishPhoto.js';
import type { Step } from './step.js';
import type { Amount, MeasuringSystem } from '../quantity/index.js';

/** How an amount was measured; decides its uncertainty. */
export const METHODS = ['scale', 'pack', 'spoon', 'cup', 'count', 'eye', 'assumed'] as const;
export type Method = (typeof METHODS)[number];

/** Whether a part is in the box, added at the table, or left to the reader. */
export const SERVED = ['box', 'table', 'optional'] as const;
export type Served = (typeof SERVED)[number];

/** How a line's amount follows the number of servings. */
export type Scaling =
  | 'proportional'
  | 'fixed'
  | 'whole'
  | { readonly damped: number }
  | { readonly ratioTo: string; readonly share: number }
  | { readonly evaporation: { readonly perBatch: number } };

/** How far a line may move when a dish is made to fit: not at all, in whole pieces or packs, by a share, or in step with a line. */
export type FitBound = 'locked' | 'whole' | 'packs' | { readonly within: number } | { readonly withLine: string };

/** What making a dish fit may do with a line. */
export interface LineFit {
  /** Left out: whole pieces stay whole, anything else moves by half at most. */
  readonly bound?: FitBound;
  /** What changing it costs beside other lines: 0.25 rather this one, 4 rather not. Left out: 1. */
  readonly weight?: number;
}

/** One ingredient: a food, or a part of another recipe. */
export interface Line {
  /** What it is known by in its part, wherever it stands. */
  readonly id?: string;
  readonly food?: string;
  readonly recipe?: string;
  readonly part?: string;
  readonly amount?: Amount;
  readonly unit?: string;
  readonly as?: 'AP' | 'EP';
  readonly state?: State;
  /** How it is cooked, where the food's yield depends on that. */
  readonly cooking?: CookingMethod;
  /** Share of the weight as purchased that this line loses when it is peeled and trimmed, whatever the food says. */
  readonly loss?: number;
  /** Share of the edible weight that is eaten. */
  readonly retained?: number;
  /** Grams assumed for the batch. */
  readonly toTaste?: number;
  readonly method?: Method;
  readonly optional?: boolean;
  readonly scaling?: Scaling;
  readonly also?: { readonly amount: number; readonly unit: string };
  /** Share of minerals and vitamin D that survives cooking. */
  readonly retention?: number;
  readonly note?: string;
  readonly fit?: LineFit;
  /** A remark of the kitchen's own: why this much, what was tried. It is on no card. */
  readonly comment?: string;
  /** The line as it was typed; computes nothing. */
  readonly text?: string;
  /** True: a person agreed to the food that the words were taken to mean. False: they may mean another, and nobody agreed yet. */
  readonly agreed?: boolean;
}

/** Something weighed or measured and thrown away after cooking. */
export interface Discard {
  readonly food: string;
  readonly amount: number;
  readonly unit: string;
}

/** How a part is divided over the servings. Grams, pieces or millilitres. */
export type Portion =
  | { readonly by: 'equal' }
  /** By eye: a palm, a fist; nobody weighs it. */
  | { readonly by: 'grams'; readonly grams: number; readonly eye?: boolean }
  | { readonly by: 'pieces'; readonly made: number; readonly each: number }
  | { readonly by: 'volume'; readonly made: number; readonly each: number };

/** Something to cook in. */
export interface Vessel {
  readonly name: string;
  /** Millilitres to the brim. */
  readonly capacity: number;
  /** Share of the capacity that may be filled. */
  readonly fillLimit: number;
  /** How many of them there are to cook in at once; left out: one. */
  readonly count?: number;
}

/** Lines cooked and portioned together. */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly served?: Served;
  readonly lines: readonly Line[];
  readonly discards?: readonly Discard[];
  /** Grams, measured at the recipe's servings. */
  readonly cookedWeight?: number;
  /** Grams that it would have weighed by estimate when it was measured: lines that have changed since make the measured weight out of date. */
  readonly measuredFor?: number;
  readonly yield?: number;
  readonly portion?: Portion;
  /** What it is cooked in; over its fill limit the batch is split, and the method says so. */
  readonly vessel?: Vessel;
}

/** How long boxes keep, and what a recipe says of it. Days; absent: not said. */
export interface Storage {
  readonly fridgeDays?: number;
  readonly freezerMonths?: number;
  /** false: does not freeze. */
  readonly freezes?: boolean;
  readonly reheat?: string;
}

/** One change of a variant: a line that stands in another's place, one left out, one more in a part, or another cooked weight. */
export type VariantChange =
  | { readonly at: string; readonly line: Line }
  | { readonly at: string; readonly out: true }
  | { readonly part: string; readonly line: Line }
  | { readonly part: string; readonly cookedWeight: number };

/** Another way to make the dish, as named changes of it. */
export interface Variant {
  readonly name: string;
  readonly changes: readonly VariantChange[];
}

/** What the page it is from says a serving has, or the whole of it: kept to be held against what is computed. */
export interface StatedNutrition {
  readonly of: 'serving' | 'whole';
  readonly nutrients: PrintedNutrients;
}

/** A finding that is left as it is, and why. */
export interface AcceptedFinding {
  readonly code: FindingCode;
  /** Where it stood: "part/line", a part's id, "food:id", "step/3", "title", "lead", "storage" or "serving". */
  readonly at: string;
  readonly because: string;
  /** A mark of what it was about: of anything else it says nothing. Left out: of whatever stands at its place. */
  readonly about?: string;
  /** The day it was left, ISO. */
  readonly on?: string;
}

/** A recipe as the kitchen file holds it. */
export interface Recipe {
  readonly id: string;
  readonly title: string;
  readonly servings: number;
  readonly servingName?: string;
  readonly measures?: MeasuringSystem;
  readonly amountsPer?: 'batch' | 'serving';
  readonly parts: readonly Part[];
  /** Series the card belongs to, and its number there. */
  readonly series?: string;
  readonly number?: number;
  /** A sentence or two under the title. */
  readonly lead?: string;
  /** Method, one step an entry. */
  readonly steps?: readonly Step[];
  /** Minutes at the stove, and from start to finish. */
  readonly activeMinutes?: number;
  readonly totalMinutes?: number;
  readonly storage?: Storage;
  /** What it is to be. */
  readonly brief?: Brief;
  /** As cooked, cheaper, vegetarian: each as changes of this. */
  readonly variants?: readonly Variant[];
  /** Where it was taken from, where it was. */
  readonly source?: string;
  readonly stated?: StatedNutrition;
  /** What Check finds and somebody left, with the reason. */
  readonly accepted?: readonly AcceptedFinding[];
  readonly photo?: DishPhoto;
  /** Foods that it is looked for under in an index, where its title does not say. */
  readonly indexedUnder?: readonly string[];
  /** How its card is printed where that is not as the kitchen's are. */
  readonly card?: CardChoices;
}
