import type { RuleSet } from '../food/index.js';

/** Which measures stand first on a card: as the recipe is written, grams and litres, or ounces and US cups. */
export const CARD_UNITS = ['written', 'metric', 'us'] as const;
export type CardUnits = (typeof CARD_UNITS)[number];

/** Figures that a card may print beside energy, protein, carbohydrate and fat. */
export const CARD_FIGURES = ['energyKj', 'sugars', 'saturates', 'fibre', 'salt', 'index'] as const;
export type CardExtra = (typeof CARD_FIGURES)[number];

/** How a card writes numbers: by the language it is read in. */
export const NUMBER_STYLES = ['en', 'de', 'fr', 'ch'] as const;
export type NumberStyle = (typeof NUMBER_STYLES)[number];

/** What of a dish's cost a card prints: nothing, that of a serving, or of all of them and at the till besides. */
export const CARD_COSTS = ['none', 'serving', 'all'] as const;
export type CardCost = (typeof CARD_COSTS)[number];

export const CARD_CAUTIONS = ['short', 'full'] as const;
export type CardCautions = (typeof CARD_CAUTIONS)[number];

/** What of a card is chosen, by a kitchen for all its cards and by a dish for its own. What is left out is as the kitchen, then as usual. */
export interface CardChoices {
  readonly units?: CardUnits;
  readonly rules?: RuleSet;
  readonly figures?: readonly CardExtra[];
  /** A boxed table of what the rule set names, per serving and per 100 g. */
  readonly table?: boolean;
  readonly cost?: CardCost;
  /** Energy and protein of each part. */
  readonly perPart?: boolean;
  /** Energy and protein with what comes at the table. */
  readonly topping?: boolean;
  /** "About" before a figure that nobody is sure of. */
  readonly about?: boolean;
  /** What the dish may be said to be, where that holds. */
  readonly claims?: boolean;
  readonly numbers?: NumberStyle;
  readonly cautions?: CardCautions;
}

/** Everything that can be chosen. */
export const CARD_CHOICES = [
  'units',
  'rules',
  'figures',
  'table',
  'cost',
  'perPart',
  'topping',
  'about',
  'claims',
  'numbers',
  'cautions',
] as const satisfies readonly (keyof CardChoices)[];

/** Figures of a published card that may move a little before anybody is told. */
export const TOLERATED_FIGURES = [
  'energyKcal',
  'protein',
  'carbohydrate',
  'sugars',
  'fat',
  'saturates',
  'fibre',
  'salt',
  'weight',
  'usedCost',
  'tillCost',
] as const;
export type ToleratedFigure = (typeof TOLERATED_FIGURES)[number];

/** How far each may move, in percent of what was printed; of one that is left out, nothing. */
export type CardTolerances = { readonly [figure in ToleratedFigure]?: number };

/** What a series says of itself, over its cards. */
export interface CardSeries {
  readonly name: string;
  /** Under its name on the title page. */
  readonly subtitle?: string;
  /** What it is, in a paragraph or two. */
  readonly about?: string;
}

/** What a kitchen's cards are signed with, and how they are printed unless a dish says otherwise. */
export interface CardSettings {
  /** What the cards come from. */
  readonly publication?: string;
  /** Where readers find it, as it is printed: "saltmarsh.example". */
  readonly address?: string;
  /** One to three letters, printed in a stamp. */
  readonly mark?: string;
  readonly choices?: CardChoices;
  readonly tolerances?: CardTolerances;
  readonly series?: readonly CardSeries[];
}
