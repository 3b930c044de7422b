import { cardText, nutrientName, ruleSet, unitOf, type LabelNutrient, type RuleSet } from '../food/index.js';
import { isAtLeast, type Figure } from '../figure/index.js';
import { currencySign, moneyText } from '../price/index.js';
import { plainText, roundHalfAway, settled } from '../quantity/index.js';
import { indexOf, indexText, shownFigure, type Kitchen, type ServingFigures } from '../recipe/index.js';

/** A figure as the card prints it: "at least", number, unit, and which working it opens. */
export interface CardFigure {
  readonly figure: LabelNutrient | 'usedCost' | 'tillCost' | 'weight' | 'index';
  readonly name: string;
  /** Number with "at least", "about" or "<" where it belongs, without the unit. */
  readonly text: string;
  readonly unit: string;
}

/** A figure taken apart as it is read: "at least", "€ 1.32"; "", "24", "g". */
export interface SpokenFigure {
  /** "at least", "about", both, or empty. */
  readonly qualifier: string;
  readonly number: string;
  /** Behind the number; empty where it stands before it, as a currency does. */
  readonly unit: string;
}

/** A figure as it is read: what is said of a sum of money stands before its currency. */
export function spokenFigure({ figure, text, unit }: CardFigure): SpokenFigure {
  const [, qualifier = '', number = text] = /^((?:(?:at least|about) )*)(.*)$/s.exec(text) ?? [];
  const money = figure === 'usedCost' || figure === 'tillCost';
  return { qualifier: qualifier.trim(), number: money ? `${unit}\u00a0${number}` : number, unit: money ? '' : unit };
}

/** A figure as a sentence says it. @example spokenText(used) // 'at least € 1.20' */
export function spokenText(figure: CardFigure): string {
  const { qualifier, number, unit } = spokenFigure(figure);
  return [qualifier, number, unit].filter(Boolean).join(' ');
}

/** One nutrient of a serving as the rule set prints it; small ones the plain set does not name, to one decimal under 10. */
export function cardFigure(
  nutrient: LabelNutrient,
  rules: RuleSet,
  serving: Pick<ServingFigures, 'nutrients'>,
  unsure = false,
): CardFigure | undefined {
  const { amount, gaps } = shownFigure(nutrient, serving.nutrients, ruleSet(rules).carbohydrate);
  if (amount === undefined) return undefined;
  const unit = unitOf(nutrient);
  const text = cardText(rules, nutrient, amount, gaps.length > 0) ?? `${atLeast(gaps.length > 0)}${smallText(amount)} ${unit}`;
  return { figure: nutrient, name: nutrientName(nutrient), text: `${unsure ? 'about ' : ''}${text.slice(0, -unit.length - 1)}`, unit };
}

/** The kitchen's own figure, as its formula rounds it; unknown is not printed as nothing. */
export function indexFigure(serving: ServingFigures, { settings: { index }, convention }: Kitchen): CardFigure | null {
  if (!index) return null;
  const { amount, gaps } = indexOf(index, serving, convention);
  const text = amount === undefined ? 'not known' : `${indexText(amount, index)}${gaps.length > 0 ? ', a figure lacking' : ''}`;
  return { figure: 'index', name: index.name, text, unit: '' };
}

/** As printed, whole milligrams. */
export function sodiumText({ nutrients }: ServingFigures): string | undefined {
  const { amount, gaps } = nutrients.sodium;
  return amount === undefined ? undefined : `${atLeast(gaps.length > 0)}${plainText(amount, 0)}`;
}

/** What a serving costs, used. */
export function usedFigure(cost: Figure, currency: string): CardFigure | undefined {
  return costFigure('usedCost', cost.amount, isAtLeast(cost), currency);
}

/** A sum of money of a card; undefined where nobody knows it. */
export function costFigure(
  figure: 'usedCost' | 'tillCost',
  amount: number | undefined,
  gap: boolean,
  currency: string,
): CardFigure | undefined {
  if (amount === undefined) return undefined;
  return {
    figure,
    name: figure === 'usedCost' ? 'Costs, used' : 'At the till',
    text: `${atLeast(gap)}${moneyText(amount, currency)}`,
    unit: currencySign(currency),
  };
}

/** "at least " before what has something unknown in it. */
export function atLeast(gap: boolean): string {
  return gap ? 'at least ' : '';
}

function smallText(amount: number): string {
  const clean = settled(amount);
  return clean < 10 ? roundHalfAway(clean, 0.1).toFixed(1) : plainText(clean, 0);
}
