import { RULE_SETS, ruleSet } from '@portiona/core';
import type { KitchenDto } from '../../api/api.gen';

/** Rule sets by their names. */
export const RULES: readonly (readonly [KitchenDto['rules'], string])[] = RULE_SETS.map((rules) => [rules, ruleSet(rules).name]);

/** Whose spoons and cups. */
export const MEASURES: readonly (readonly [KitchenDto['measures'], string])[] = [
  ['metric', 'Metric: cup 250 ml, tablespoon 15'],
  ['us', 'US: cup 237 ml, tablespoon 14.8'],
  ['au', 'Australian: cup 250 ml, tablespoon 20'],
  ['imperial', 'Imperial: cup 284 ml, tablespoon 17.8'],
];

const NAMES = new Intl.DisplayNames(undefined, { type: 'currency', fallback: 'none' });

/** Currencies that can be chosen, by code, with their names where the browser knows them. */
export const CURRENCIES: readonly (readonly [code: string, words: string])[] = Intl.supportedValuesOf('currency').map((code) => [
  code,
  `${code} ${NAMES.of(code) ?? ''}`.trim(),
]);
