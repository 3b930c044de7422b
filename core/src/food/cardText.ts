import { settled } from '../quantity/index.js';
import { LABEL_NUTRIENTS, type LabelNutrient } from './nutrient.js';
import { nutrientRow, type NutrientUnit } from './nutrientTable.js';
import type { RuleSet } from './ruleSet.js';

/** The nutrients a rule set names, in the order it prints them (docs/reckoning.md, "What the card prints by which rules"). */
export function nutrientsOfRuleSet(rules: RuleSet): readonly LabelNutrient[] {
  const placeOf = (nutrient: LabelNutrient) => nutrientRow(nutrient).printed[rules]?.place ?? 0;
  return LABEL_NUTRIENTS.filter((nutrient) => placeOf(nutrient) > 0).sort((a, b) => placeOf(a) - placeOf(b));
}

/**
 * One figure as a card prints it: number, space, unit ("450 kcal", "<0.5 g", "less than 1 g").
 *
 * US: 21 CFR 101.9(c). EU: Regulation 1169/2011 and the Commission's 2012 guidance on tolerances. Plain: nearest whole.
 * Half rounds away from zero; a figure is freed of binary noise first.
 *
 * @param figure per serving, unrounded, in the nutrient's unit (salt in g)
 * @param atLeast prefixes "at least", for a sum with unknown terms
 * @returns undefined when the rule set does not name the nutrient
 * @example cardText('eu', 'salt', 1.25) // '1.3 g'
 */
export function cardText(rules: RuleSet, nutrient: LabelNutrient, figure: number, atLeast = false): string | undefined {
  const { printed, unit } = nutrientRow(nutrient);
  const rounding = printed[rules]?.rounding;
  return rounding && `${atLeast ? 'at least ' : ''}${rounding(settled(figure))} ${unit}`;
}

/** The unit a nutrient is in; salt is in grams. */
export function unitOf(nutrient: LabelNutrient): NutrientUnit {
  return nutrientRow(nutrient).unit;
}

/** What a nutrient is called. */
export function nutrientName(nutrient: LabelNutrient): string {
  return nutrientRow(nutrient).name;
}
