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
