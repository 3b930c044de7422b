import {
  nutrientName,
  ruleSet,
  allergenWord,
  allergensWithGroups,
  namedAllergens,
  preciseAllergens,
  cardText,
  unitOf,
  type Allergen,
  type Food,
  type LabelNutrient,
  type RuleSet,
} from '../food/index.js';
import { isAtLeast } from '../figure/index.js';
import { currencySign, moneyText } from '../price/index.js';
import { plainText, roundHalfAway, settled } from '../quantity/index.js';
import {
  energyShares,
  indexOf,
  indexText,
  servedOf,
  shownFigure,
  stepOf,
  type EnergyShare,
  type Kitchen,
  type LineFigures,
  type PartFigures,
  type Recipe,
  type RecipeFigures,
  type Served,
  type ServingFigures,
} from '../recipe/index.js';
import { fitVessel, partVolume, snappedRecipe } from '../scale/index.js';
import { lineWords } from '../text/index.js';
import { cardSteps, type CardStep } from './cardSteps.js';
import { cautionsFor, type Cautions } from './cautions.js';
import { secondMeasure } from './secondMeasure.js';
import pluralize from 'pluralize';

/** Which shape the content of a card has: another one is another number. */
export const CARD_CONTENT_VERSION = 2;

/** A figure as the card prints it: "at least", number, unit, and which working it opens. */
export interface CardFigure {
  readonly figure: LabelNutrient | 'usedCost' | 'tillCost' | 'weight' | 'index';
  readonly name: string;
  /** Number with "at least" or "<" where it belongs, without the unit. */
  readonly text: string;
  readonly unit: string;
}

/** An ingredient as the card prints it. */
export interface CardLine {
  readonly at: string;
  readonly amount: string;
  readonly food: string;
  readonly note: string;
  /** The amount a second way, and what to buy where that differs much. */
  readonly second: string;
  readonly allergens: readonly string[];
  readonly optional: boolean;
}

export interface CardSection {
  readonly name: string;
  readonly served: Served;
  readonly lines: readonly CardLine[];
}

/** Everything a card says, as text: every output prints this and nothing else. */
export interface CardContent {
  readonly title: string;
  readonly series: string;
  readonly lead: string;
  readonly servings: number;
  /** "5 boxes". */
  readonly servingsText: string;
  readonly servingName: string;
  readonly weight: CardFigure;
  readonly energy: CardFigure | undefined;
  readonly macros: readonly CardFigure[];
  /** The kitchen's own figure; null where it has none. Cards of version 1 do not say. */
  readonly index?: CardFigure | null;
  /** As printed, whole milligrams, for machine-readable outputs. */
  readonly sodiumMilligrams: string | undefined;
  /** Share of the box's energy from each, 0 to 1, adding up to 1. */
  readonly energyShares: readonly EnergyShare[];
  readonly intoEachBox: readonly { readonly grams: string; readonly part: string }[];
  readonly used: CardFigure | undefined;
  readonly till: CardFigure | undefined;
  readonly currency: string;
  /** ISO dates of the newest and oldest price used, and how many of them are offers, where any is. */
  readonly prices: { readonly newest: string; readonly oldest: string; readonly offers?: number } | undefined;
  readonly topping: { readonly name: string; readonly figures: readonly CardFigure[] } | undefined;
  readonly sections: readonly CardSection[];
  readonly steps: readonly CardStep[];
  readonly activeMinutes: number | undefined;
  readonly totalMinutes: number | undefined;
  readonly cautions: Cautions;
  readonly allergensInBox: readonly string[];
  readonly allergensAtTable: readonly string[];
  /** What may have come into its foods where they were made, and is in none of them; cards of before have none. */
  readonly allergensMaybe?: readonly string[];
  readonly rules: RuleSet;
}

const MACROS: readonly LabelNutrient[] = ['protein', 'carbohydrate', 'fat', 'saturates', 'fibre', 'salt'];

/**
 * What a recipe's card says (docs/reckoning.md, "What the card prints by which rules", "Scaling", "Cautions"): its amounts as
 * people can measure them, and the figures of just these amounts, each rounded once, here, by the kitchen's rule set.
 *
 * @param recipe at its own size
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function cardContent(recipe: Recipe, kitchen: Kitchen): CardContent {
  return contentOf(snappedRecipe(recipe, kitchen).figures, kitchen);
}

function contentOf(figures: RecipeFigures, kitchen: Kitchen): CardContent {
  const { recipe, parts, perServing, withTopping, hasTopping, batch } = figures;
  const { rules, currency } = kitchen.settings;
  const used = parts.filter(({ part }) => servedOf(part) !== 'optional');
  const table = used.filter(({ part }) => servedOf(part) === 'table');
  const servingName = recipe.servingName ?? 'serving';
  return {
    title: recipe.title,
    series: recipe.series === undefined ? '' : `${recipe.series}${recipe.number === undefined ? '' : `, no. ${recipe.number}`}`,
    lead: recipe.lead ?? '',
    servings: recipe.servings,
    servingsText: `${plainText(recipe.servings, 1)} ${pluralize(servingName, recipe.servings)}`,
    servingName,
    weight: {
      figure: 'weight',
      name: 'Weight',
      text: `${atLeast(parts.some(({ lines, estimated }) => estimated && lines.some(({ counted, weights }) => counted && !weights)))}${plainText(perServing.weight, 0)}`,
      unit: 'g',
    },
    energy: cardFigure('energyKcal', rules, perServing),
    macros: MACROS.flatMap((nutrient) => cardFigure(nutrient, rules, perServing) ?? []),
    index: indexFigure(perServing, kitchen),
    sodiumMilligrams: sodiumText(perServing),
    energyShares: energyShares(perServing),
    intoEachBox: parts
      .filter(({ part }) => servedOf(part) === 'box' && part.lines.length > 0)
      .map(({ part, share }) => ({ grams: plainText(share.portion, 0), part: part.name })),
    used: costFigure('usedCost', perServing.usedCost.amount, isAtLeast(perServing.usedCost), currency),
    till: costFigure('tillCost', batch.till.cost?.toNumber(), batch.till.unpriced.length > 0, currency),
    currency,
    prices: pricesOf(figures),
    topping: hasTopping
      ? {
          name: table.map(({ part }) => part.name).join(', '),
          figures: ['energyKcal', 'protein'].flatMap((nutrient) => cardFigure(nutrient as LabelNutrient, rules, withTopping) ?? []),
        }
      : undefined,
    sections: parts.map((part) => ({
      name: part.part.name,
      served: servedOf(part.part),
      lines: part.lines.map((line) => cardLine(line, figures, kitchen)),
    })),
    steps: [...parts.flatMap(splitText).map((text): CardStep => ({ part: '', runs: [{ text }] })), ...cardSteps(figures, kitchen)],
    activeMinutes: recipe.activeMinutes,
    totalMinutes: recipe.totalMinutes,
    cautions: cautionsFor(
      used.flatMap(foodsOf),
      (recipe.steps ?? []).map(stepOf).flatMap(({ text, or = [] }) => [text, ...or.map((way) => way.text)]),
      recipe.storage,
      parts.filter(({ part }) => servedOf(part) === 'box').flatMap(foodsOf),
    ),
    allergensInBox: allergensOf(parts.filter(({ part }) => servedOf(part) === 'box')),
    allergensAtTable: allergensOf(parts.filter(({ part }) => servedOf(part) !== 'box')),
    ...maybeOf(parts),
    rules,
  };
}

/** One nutrient of a serving as the rule set prints it; small ones the plain set does not name, to one decimal under 10. */
function cardFigure(nutrient: LabelNutrient, rules: RuleSet, serving: ServingFigures): CardFigure | undefined {
  const { amount, gaps } = shownFigure(nutrient, serving.nutrients, ruleSet(rules).carbohydrate);
  if (amount === undefined) return undefined;
  const text = cardText(rules, nutrient, amount, gaps.length > 0) ?? `${atLeast(gaps.length > 0)}${smallText(amount)} ${unitOf(nutrient)}`;
  const unit = unitOf(nutrient);
  const name = nutrientName(nutrient);
  return { figure: nutrient, name, text: text.slice(0, -unit.length - 1), unit };
}

/** The kitchen's own figure, as its formula rounds it; unknown is not printed as nothing. */
function indexFigure(serving: ServingFigures, { settings: { index }, convention }: Kitchen): CardFigure | null {
  if (!index) return null;
  const { amount, gaps } = indexOf(index, serving, convention);
  const text = amount === undefined ? 'not known' : `${indexText(amount, index)}${gaps.length > 0 ? ', a figure lacking' : ''}`;
  return { figure: 'index', name: index.name, text, unit: '' };
}

function sodiumText({ nutrients }: ServingFigures): string | undefined {
  const { amount, gaps } = nutrients.sodium;
  return amount === undefined ? undefined : `${atLeast(gaps.length > 0)}${plainText(amount, 0)}`;
}

function smallText(amount: number): string {
  const clean = settled(amount);
  return clean < 10 ? roundHalfAway(clean, 0.1).toFixed(1) : plainText(clean, 0);
}

function costFigure(figure: 'usedCost' | 'tillCost', amount: number | undefined, gap: boolean, currency: string): CardFigure | undefined {
  if (amount === undefined) return undefined;
  return {
    figure,
    name: figure === 'usedCost' ? 'Costs, used' : 'At the till',
    text: `${atLeast(gap)}${moneyText(amount, currency)}`,
    unit: currencySign(currency),
  };
}

function atLeast(gap: boolean): string {
  return gap ? 'at least ' : '';
}

function cardLine(figures: LineFigures, { recipe }: RecipeFigures, kitchen: Kitchen): CardLine {
  const { at, line, of, weights } = figures;
  const food = of.kind === 'food' ? of.resolved.food : undefined;
  const words = lineWords(line, food);
  const system = recipe.measures ?? kitchen.settings.measures;
  const named = of.kind === 'part' && line.text === undefined ? `${of.part.part.name.toLowerCase()} (${of.recipe.title})` : words.food;
  const second = [secondMeasure(line, weights, system), buyText(figures)].filter(Boolean).join('; ');
  return {
    at,
    amount: words.amount,
    food: named,
    note: words.note,
    second,
    allergens: preciseAllergens(foodsOfLine(figures).flatMap(({ allergens }) => allergens ?? [])).map(allergenWord),
    optional: line.optional === true,
  };
}

/** What must be said where a part does not fit its vessel at once. */
function splitText(figures: PartFigures): string[] {
  const { part } = figures;
  if (!part.vessel) return [];
  const { says } = fitVessel(partVolume(figures), part.vessel);
  return says === '' ? [] : [`${part.name}: ${says.charAt(0).toLowerCase()}${says.slice(1)} Check each by temperature, not by the clock.`];
}

/** What to buy, where peel, bone or liquid make it at least a tenth more than what is written as ready to eat. */
function buyText({ weights, line, of }: LineFigures): string {
  if (!weights || of.kind !== 'food' || line.as === 'AP' || weights.purchase < 1.1 * weights.grams) return '';
  return `buy ${boughtText(weights.purchase)}`;
}

/** Grams to buy, rounded up: with less than that in the bag a line cannot be weighed out. */
function boughtText(grams: number): string {
  const step = grams < 20 ? 1 : grams < 100 ? 5 : 10;
  const enough = Math.ceil(grams / step - 1e-9) * step;
  return enough >= 1000 ? `${plainText(enough / 1000, 2)} kg` : `${plainText(enough, 0)} g`;
}

/** ISO dates of the newest and the oldest price that a recipe's cost rests on, and how many foods of it are at an offer; undefined without any. */
export function pricesOf({ parts }: RecipeFigures): CardContent['prices'] {
  let newest: string | undefined;
  let oldest: string | undefined;
  const offers = new Set<string>();
  for (const { part, lines } of parts) {
    if (servedOf(part) === 'optional') continue;
    for (const { counted, of } of lines) {
      const pack = counted && of.kind === 'food' ? of.resolved.best?.pack : undefined;
      if (pack === undefined) continue;
      const { seen, food, promotion } = pack;
      if (promotion) offers.add(food);
      if (newest === undefined || seen > newest) newest = seen;
      if (oldest === undefined || seen < oldest) oldest = seen;
    }
  }
  return newest === undefined || oldest === undefined ? undefined : { newest, oldest, ...(offers.size > 0 ? { offers: offers.size } : {}) };
}

function allergensOf(parts: readonly PartFigures[]): string[] {
  return namedAllergens(parts.flatMap(foodsOf).flatMap(({ allergens }): readonly Allergen[] => allergens ?? []));
}

function maybeOf(parts: readonly PartFigures[]): Pick<CardContent, 'allergensMaybe'> {
  const foods = parts.flatMap(foodsOf);
  const there = allergensWithGroups(foods.flatMap(({ allergens }) => allergens ?? []));
  const maybe = foods.flatMap(({ mayContain }) => mayContain ?? []).filter((allergen) => !there.has(allergen));
  return maybe.length === 0 ? {} : { allergensMaybe: namedAllergens(maybe) };
}

function foodsOf({ lines }: PartFigures): Food[] {
  return lines.flatMap(foodsOfLine);
}

function foodsOfLine({ of }: LineFigures): Food[] {
  if (of.kind === 'food') return [of.resolved.food];
  return of.kind === 'part' ? foodsOf(of.part) : [];
}
