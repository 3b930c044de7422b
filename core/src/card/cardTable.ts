import {
  cardText,
  nutrientName,
  nutrientsOfRuleSet,
  ruleSet,
  shareOfDailyValue,
  unitOf,
  type LabelNutrient,
  type RuleSet,
} from '../food/index.js';
import { roundHalfAway } from '../quantity/index.js';
import { derivedFigures, shownFigure, type NutrientFigures, type ServingFigures } from '../recipe/index.js';

/** A row of the boxed table, as it is printed. */
export interface CardTableRow {
  readonly figure: LabelNutrient;
  readonly name: string;
  /** Part of the figure above it: "of which". */
  readonly within: boolean;
  readonly perServing: string;
  readonly per100g: string;
  /** Share of a day's reference amount, "34 %"; empty where there is none. */
  readonly daily: string;
}

/** Figures that stand within the one before them. */
const WITHIN: ReadonlySet<LabelNutrient> = new Set(['saturates', 'trans', 'sugars', 'addedSugars', 'fibre', 'polyols']);

/**
 * What a rule set names, as a table: per serving, per 100 g of it, and the share of a day (docs/reckoning.md, "What the card prints
 * by which rules"). What is unknown in every line says so: a table with a row left out would read as if there were none of it.
 */
export function cardTable(rules: RuleSet, serving: ServingFigures): readonly CardTableRow[] {
  const { per100g } = derivedFigures(serving);
  return nutrientsOfRuleSet(rules).map((nutrient) => {
    const { amount } = shownFigure(nutrient, serving.nutrients, ruleSet(rules).carbohydrate);
    const share = amount === undefined ? undefined : shareOfDailyValue(rules, nutrient, amount);
    return {
      figure: nutrient,
      name: nutrientName(nutrient),
      within: WITHIN.has(nutrient) && !(rules === 'eu' && nutrient === 'fibre'),
      perServing: textOf(rules, nutrient, serving.nutrients),
      per100g: textOf(rules, nutrient, per100g),
      daily: share === undefined ? '' : `${roundHalfAway(share * 100)} %`,
    };
  });
}

function textOf(rules: RuleSet, nutrient: LabelNutrient, figures: NutrientFigures): string {
  const { amount, gaps } = shownFigure(nutrient, figures, ruleSet(rules).carbohydrate);
  if (amount === undefined) return 'not known';
  return cardText(rules, nutrient, amount, gaps.length > 0) ?? `${amount} ${unitOf(nutrient)}`;
}
