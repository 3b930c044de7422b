import type { Allergen } from '../food/index.js';
import type { Line } from '../recipe/index.js';

/** The codes of what is wrong with figures: `calc` names them as problems. */
export const FIGURE_CODES = [
  'no-weight',
  'no-composition',
  'to-taste',
  'no-price',
  'stale-price',
  'energy-mismatch',
  'portion-short',
  'pieces-uneven',
  'amounts-disagree',
  'weight-outdated',
  'food-unsure',
  'allergen-words',
] as const;

/** The codes of what Check finds beside them: in words, in promises, in how food is handled and kept. */
export const CHECK_CODES = [
  'no-yield',
  'water-twice',
  'weight-gained',
  'promise-broken',
  'promise-unsure',
  'count-differs',
  'minutes-differ',
  'times-disagree',
  'line-unused',
  'step-unlisted',
  'step-amount',
  'portion-text',
  'no-sign',
  'claim-typed',
  'allergen-unnamed',
  'core-temperature',
  'beans-unboiled',
  'frozen-slow',
  'marinade-reused',
  'cooled-late',
  'thawed-out',
  'keeps-too-long',
  'freezes-not',
  'reheated-low',
  'brief-missed',
  'box-overfull',
  'published-differs',
] as const;

/** The codes findings are known by. */
export const FINDING_CODES = [...FIGURE_CODES, ...CHECK_CODES] as const;
export type FigureCode = (typeof FIGURE_CODES)[number];
export type FindingCode = (typeof FINDING_CODES)[number];

/** Something Check found: where, what is wrong, and what to do. */
export interface Finding<Code extends FindingCode = FindingCode> {
  readonly code: Code;
  /** "part/line", a part's id, "food:id", "step/3", "title", "lead", "storage" or "serving". */
  readonly at: string;
  readonly severity: 'wrong' | 'look';
  /** What is wrong and how to mend it, in one or two sentences. */
  readonly message: string;
  /** What one press mends, where one can. */
  readonly mend?: Mend;
  /** Another mend of the same, where it is not known which of two is meant. */
  readonly otherwise?: Mend;
}

/** What is wrong with figures. */
export type FigureFinding = Finding<FigureCode>;

/** A mend of one press: what it does, in words for a button, and what it puts where. */
export type Mend = { readonly words: string } & (
  | { readonly kind: 'text'; readonly at: string; readonly text: string }
  | { readonly kind: 'minutes'; readonly activeMinutes?: number; readonly totalMinutes?: number }
  | { readonly kind: 'storage'; readonly fridgeDays?: number; readonly freezes?: boolean; readonly reheat?: string }
  | { readonly kind: 'line'; readonly at: string; readonly line: Pick<Line, 'method' | 'agreed' | 'retained'> }
  | { readonly kind: 'allergens'; readonly food: string; readonly allergens: readonly Allergen[] }
);
