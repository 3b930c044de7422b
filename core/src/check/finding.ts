import type { Allergen } from '../food/index.js';
import type { FigureCode, FindingCode, Line } from '../recipe/index.js';

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
