/** The codes findings are known by. */
export const FINDING_CODES = [
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
export type FindingCode = (typeof FINDING_CODES)[number];

/** Something Check found: where, what is wrong, and what to do. */
export interface Finding {
  readonly code: FindingCode;
  /** "part/line", "food:id", a part's id, or "serving". */
  readonly at: string;
  readonly severity: 'wrong' | 'look';
  /** What is wrong and how to mend it, in one or two sentences. */
  readonly message: string;
}
