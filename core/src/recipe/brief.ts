import { NUTRIENTS, type Allergen, type LabelNutrient } from '../food/index.js';

/** Figures of a serving that a brief may set a target for. Money in the kitchen's currency, weight in grams. */
export const BRIEF_FIGURES = [...NUTRIENTS, 'salt', 'weight', 'usedCost'] as const;
export type BriefFigure = LabelNutrient | 'weight' | 'usedCost';

export const TARGET_KINDS = ['at most', 'at least', 'about'] as const;
export type TargetKind = (typeof TARGET_KINDS)[number];

/** What a figure of a serving is to be, in the figure's unit. */
export interface Target {
  readonly figure: BriefFigure;
  readonly is: TargetKind;
  readonly amount: number;
  /** How far "about" reaches, as a share of the amount; left out: 0.05. */
  readonly within?: number;
  /** Good to have; without it the brief is not met where the target is missed. */
  readonly wish?: boolean;
  /** How much a wish matters beside others and beside changing amounts; left out: 1. */
  readonly weight?: number;
}

/** What a dish is to be, before it is designed. Everything may be left open. */
export interface Brief {
  readonly targets?: readonly Target[];
  /** Millilitres that the box holds. */
  readonly boxVolume?: number;
  /** Minutes at the stove, and from start to finish, at most. */
  readonly activeMinutes?: number;
  readonly totalMinutes?: number;
  /** What the cook has: oven, one pot of 4 l, a stick blender. */
  readonly equipment?: readonly string[];
  /** Days in the fridge it is to keep, at least. */
  readonly fridgeDays?: number;
  /** It is to freeze. */
  readonly freezes?: boolean;
  readonly avoidAllergens?: readonly Allergen[];
  /** Aisles whose foods are to stay out: meat-poultry. */
  readonly avoidGroups?: readonly string[];
  /** Who it is for. */
  readonly audience?: string;
}

/** A brief kept for the next dish. */
export interface NamedBrief {
  readonly name: string;
  readonly brief: Brief;
}
