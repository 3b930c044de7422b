import type { CarbohydrateConvention } from './food.js';

/** The rule sets a card can be rounded by. */
export const RULE_SETS = ['us', 'eu', 'plain'] as const;
export type RuleSet = (typeof RULE_SETS)[number];

/** Which carbohydrate each rule set means (domain page, section 5). */
export const CARBOHYDRATE_OF_RULE_SET: Readonly<Record<RuleSet, CarbohydrateConvention>> = {
  us: 'total',
  eu: 'available',
  plain: 'available',
};
