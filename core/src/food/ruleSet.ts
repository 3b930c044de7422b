import type { CarbohydrateConvention } from './food.js';

/** What is particular to a set of rules that a card can be printed by (docs/reckoning.md, "What the card prints by which rules"). */
interface RuleSetRow {
  /** As people choose it, in a word and in full. */
  readonly short: string;
  readonly name: string;
  /** How a card says by what it is rounded. */
  readonly rounding: string;
  /** Which carbohydrate it means. */
  readonly carbohydrate: CarbohydrateConvention;
  /** What it calls the reference amounts of a day; none where it has none. */
  readonly daily: string | undefined;
  /** By whose rules claims are held; cards by no law are held to those of the EU. */
  readonly claims: 'us' | 'eu';
}

/** The rule sets. A further one is a further row, and what it prints of each nutrient stands with the nutrient. */
export const RULE_SET_TABLE = {
  us: { short: 'US', name: 'US: 21 CFR 101.9', rounding: 'US rounding', carbohydrate: 'total', daily: 'daily value', claims: 'us' },
  eu: {
    short: 'EU',
    name: 'EU: Regulation 1169/2011',
    rounding: 'EU rounding',
    carbohydrate: 'available',
    daily: 'reference intake',
    claims: 'eu',
  },
  plain: {
    short: 'Plain',
    name: 'Plain: whole kcal and grams',
    rounding: 'rounded once, plain rule set',
    carbohydrate: 'available',
    daily: undefined,
    claims: 'eu',
  },
} as const satisfies { readonly [rules: string]: RuleSetRow };

export type RuleSet = keyof typeof RULE_SET_TABLE;

/** Their ids, in their order. */
export const RULE_SETS = Object.keys(RULE_SET_TABLE) as readonly RuleSet[];

/** What is particular to a rule set. */
export function ruleSet(rules: RuleSet): RuleSetRow {
  return RULE_SET_TABLE[rules];
}
