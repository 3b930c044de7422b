import type { LabelNutrient } from './nutrient.js';
import { nutrientRow } from './nutrientTable.js';
import type { RuleSet } from './ruleSet.js';

/**
 * Reference amount a day of a nutrient, in its own unit.
 *
 * @param rules plain uses none
 * @returns undefined where the rule set has none
 * @example dailyValue('eu', 'salt') // 6
 */
export function dailyValue(rules: RuleSet, nutrient: LabelNutrient): number | undefined {
  return nutrientRow(nutrient).printed[rules]?.daily;
}

/**
 * Share of the daily reference, taken from the unrounded amount.
 *
 * @param amount in the nutrient's unit
 * @returns a share (0.25 is a quarter); undefined where the rule set has no reference
 * @example shareOfDailyValue('us', 'sodium', 575) // 0.25
 */
export function shareOfDailyValue(rules: RuleSet, nutrient: LabelNutrient, amount: number): number | undefined {
  const daily = dailyValue(rules, nutrient);
  return daily === undefined ? undefined : amount / daily;
}
