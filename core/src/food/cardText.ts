import { roundHalfAway, settled } from '../quantity/index.js';
import { NUTRIENT_DESCRIPTIONS, type Nutrient } from './nutrient.js';
import type { RuleSet } from './ruleSet.js';

/** What a card can print: every nutrient, and salt where a rule set asks for it. */
export type Printable = Nutrient | 'salt';

type Rounding = (figure: number) => string;

/** The nutrients each rule set names, in its order, with how each is rounded (domain page, section 5). */
const ROUNDINGS: Readonly<Record<RuleSet, readonly (readonly [Printable, Rounding])[]>> = {
  us: [
    ['energyKcal', usEnergy],
    ['fat', usFat],
    ['saturates', usFat],
    ['trans', usFat],
    ['cholesterol', usCholesterol],
    ['sodium', usSodium],
    ['carbohydrate', usWhole],
    ['fibre', usWhole],
    ['sugars', usWhole],
    ['addedSugars', usWhole],
    ['protein', usWhole],
    ['vitaminD', (figure) => fixed(figure, 1)],
    ['calcium', (figure) => fixed(roundHalfAway(figure, 10), 0)],
    ['iron', (figure) => fixed(figure, 1)],
    ['potassium', (figure) => fixed(roundHalfAway(figure, 10), 0)],
  ],
  eu: [
    ['energyKj', (figure) => fixed(figure, 0)],
    ['energyKcal', (figure) => fixed(figure, 0)],
    ['fat', euMacro],
    ['saturates', euSaturates],
    ['carbohydrate', euMacro],
    ['sugars', euMacro],
    ['protein', euMacro],
    ['fibre', euMacro],
    ['salt', euSalt],
  ],
  plain: [
    ['energyKcal', (figure) => fixed(figure, 0)],
    ['protein', (figure) => fixed(figure, 0)],
    ['carbohydrate', (figure) => fixed(figure, 0)],
    ['fat', (figure) => fixed(figure, 0)],
  ],
};

/** The nutrients a rule set names, in the order it prints them. */
export function nutrientsOfRuleSet(rules: RuleSet): readonly Printable[] {
  return ROUNDINGS[rules].map(([nutrient]) => nutrient);
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
export function cardText(rules: RuleSet, nutrient: Printable, figure: number, atLeast = false): string | undefined {
  const rounding = ROUNDINGS[rules].find(([named]) => named === nutrient)?.[1];
  if (!rounding) return undefined;
  return `${atLeast ? 'at least ' : ''}${rounding(settled(figure))} ${unitOf(nutrient)}`;
}

/** The unit a printable is in; salt is in grams. */
export function unitOf(nutrient: Printable): string {
  return nutrient === 'salt' ? 'g' : NUTRIENT_DESCRIPTIONS[nutrient].unit;
}

function fixed(figure: number, decimals: number): string {
  return roundHalfAway(figure, 10 ** -decimals).toFixed(decimals);
}

function usEnergy(figure: number): string {
  if (figure < 5) return '0';
  return String(roundHalfAway(figure, figure <= 50 ? 5 : 10));
}

function usFat(figure: number): string {
  if (figure < 0.5) return '0';
  return String(roundHalfAway(figure, figure < 5 ? 0.5 : 1));
}

function usCholesterol(figure: number): string {
  if (figure < 2) return '0';
  return figure <= 5 ? 'less than 5' : String(roundHalfAway(figure, 5));
}

function usSodium(figure: number): string {
  if (figure < 5) return '0';
  return String(roundHalfAway(figure, figure <= 140 ? 5 : 10));
}

function usWhole(figure: number): string {
  if (figure < 0.5) return '0';
  return figure < 1 ? 'less than 1' : fixed(figure, 0);
}

function euMacro(figure: number): string {
  if (figure === 0) return '0';
  if (figure <= 0.5) return '<0.5';
  return fixed(figure, figure >= 10 ? 0 : 1);
}

function euSaturates(figure: number): string {
  if (figure === 0) return '0';
  if (figure <= 0.1) return '<0.1';
  return fixed(figure, figure >= 10 ? 0 : 1);
}

function euSalt(figure: number): string {
  if (figure === 0) return '0';
  if (figure <= 0.0125) return '<0.01';
  return fixed(figure, figure >= 1 ? 1 : 2);
}
