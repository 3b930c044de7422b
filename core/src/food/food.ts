import type { Nutrient } from './nutrient.js';
import type { Allergen } from './allergen.js';

/** What a composition describes. */
export const STATES = ['raw', 'cooked', 'dry', 'drained', 'as sold', 'prepared'] as const;
export type State = (typeof STATES)[number];

/** Where a composition comes from; decides its uncertainty. */
export const SOURCES = ['lab', 'label', 'table', 'estimate'] as const;
export type Source = (typeof SOURCES)[number];

/** Which convention a carbohydrate figure follows. */
export const CARBOHYDRATE_CONVENTIONS = ['available', 'total'] as const;
export type CarbohydrateConvention = (typeof CARBOHYDRATE_CONVENTIONS)[number];

/** Figures as printed: absent or null is unknown, 0 is a known zero. `salt` (g) may stand for sodium. */
export type PrintedNutrients = { readonly [nutrient in Nutrient | 'salt']?: number | null };

/** What printed figures are for: an amount of g, ml or a measure of the food. */
export interface PrintedBasis {
  readonly amount: number;
  readonly unit: string;
}

/** A food as the kitchen file holds it; see the kitchen file's page for what a missing key means. */
export interface Food {
  readonly id: string;
  readonly name: string;
  readonly state?: State;
  readonly per?: PrintedBasis;
  readonly nutrients?: PrintedNutrients;
  readonly carbohydrateIs?: CarbohydrateConvention;
  /** Its energy was not printed anywhere: its macronutrients make it. */
  readonly energyIs?: 'factored';
  readonly source?: Source;
  /** Grams per millilitre. */
  readonly density?: number;
  /** Grams of one, as purchased unless `measuresAre` says edible. */
  readonly measures?: { readonly [measure: string]: number };
  readonly measuresAre?: 'edible' | readonly string[];
  /** Share of the weight as purchased that is not eaten. */
  readonly refuse?: number;
  /** Drained share of net weight. */
  readonly drained?: number;
  /** Cooked weight / weight before cooking. */
  readonly yield?: number;
  readonly allergens?: readonly Allergen[];
  /** What may have come into it where it was made; a card says so. */
  readonly mayContain?: readonly Allergen[];
  readonly staple?: boolean;
  /** Aisle of the shop it stands in. */
  readonly aisle?: string;
  /** Other names it goes by. */
  readonly names?: readonly string[];
  /** Yield by cooking method. */
  readonly yields?: { readonly [method: string]: number };
}
