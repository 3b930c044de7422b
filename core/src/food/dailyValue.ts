import type { Nutrient } from './nutrient.js';
import type { RuleSet } from './ruleSet.js';
import type { Printable } from './cardText.js';

/** Reference amounts a day: US daily values (21 CFR 101.9(c)), EU reference intakes (Regulation 1169/2011, annex XIII). */
const DAILY: Readonly<Record<'us' | 'eu', { readonly [printable in Printable]?: number }>> = {
  us: {
    fat: 78,
    saturates: 20,
    cholesterol: 300,
    sodium: 2300,
    carbohydrate: 275,
    fibre: 28,
    addedSugars: 50,
    protein: 50,
    vitaminD: 20,
    calcium: 1300,
    iron: 18,
    potassium: 4700,
  },
  eu: { energyKj: 8400, energyKcal: 2000, fat: 70, saturates: 20, carbohydrate: 260, sugars: 90, protein: 50, salt: 6 },
};

/**
 * Reference amount a day of a nutrient, in its own unit.
 *
 * @param rules plain uses none
 * @returns undefined where the rule set has none
 * @example dailyValue('eu', 'salt') // 6
 */
export function dailyValue(rules: RuleSet, printable: Nutrient | 'salt'): number | undefined {
  return rules === 'plain' ? undefined : DAILY[rules][printable];
}

/**
 * Share of the daily reference, taken from the unrounded amount.
 *
 * @param amount in the nutrient's unit
 * @returns a share (0.25 is a quarter); undefined where the rule set has no reference
 * @example shareOfDailyValue('us', 'sodium', 575) // 0.25
 */
export function shareOfDailyValue(rules: RuleSet, printable: Nutrient | 'salt', amount: number): number | undefined {
  const daily = dailyValue(rules, printable);
  return daily === undefined ? undefined : amount / daily;
}
