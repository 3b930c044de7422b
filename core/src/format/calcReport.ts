import { findingsOf, type FigureFinding } from '../check/index.js';
import { isAtLeast, type Figure } from '../figure/index.js';
import {
  ruleSet,
  cardText,
  NUTRIENTS,
  nutrientsOfRuleSet,
  RULE_SETS,
  type Nutrient,
  type LabelNutrient,
  type RuleSet,
} from '../food/index.js';
import { moneyText } from '../price/index.js';
import {
  figureKey,
  indexOf,
  partServing,
  recipeFigures,
  servedOf,
  shownFigure,
  type Kitchen,
  type LineFigures,
  type PartFigures,
  type Recipe,
  type RecipeFigures,
  type ServingFigures,
} from '../recipe/index.js';
import { scaledRecipe } from '../scale/index.js';
import { bandOf, weighNext } from '../uncertainty/index.js';

type Amounts = { [nutrient in Nutrient]?: number };
type Incomplete = { [figure in Nutrient | 'usedCost' | 'weight']?: readonly string[] };

/** One serving as `calc --json` prints it. Weights in grams, money in major units, unrounded. */
export interface ServingReport {
  readonly weight: number;
  readonly nutrients: Amounts;
  readonly incomplete: Incomplete;
  readonly factoredEnergyKcal?: number;
  readonly usedCost: number | null;
}

/** One recipe as `calc --json` prints it (kitchen file, "What calc prints"). */
export interface RecipeReport {
  readonly recipe: string;
  readonly servings: number;
  readonly perServing: ServingReport & {
    /** The kitchen's own figure, where it has one; null with an unknown in it. */
    readonly index?: number | null;
    readonly band: { [nutrient in Nutrient]?: readonly [number, number] };
    readonly weighNext: readonly string[];
  };
  readonly withTopping: ServingReport;
  readonly batch: {
    readonly usedCost: number | null;
    readonly tillCost: number | null;
    readonly leftovers: readonly { readonly food: string; readonly grams: number }[];
  };
  readonly parts: readonly object[];
  readonly lines: readonly object[];
  readonly rounded: Readonly<Record<RuleSet, { [printable in LabelNutrient | 'usedCost']?: string }>>;
  readonly problems: readonly {
    readonly code: FigureFinding['code'] | 'boxes-over' | 'yield-unusual';
    readonly at: string;
    readonly message: string;
  }[];
}

/**
 * A recipe's figures in the shape `calc --json` prints.
 *
 * @param servings scale to this number first; the recipe's own when left out
 * @throws UnknownFoodError, UnknownPartError, CircularPartError, CircularRatioError
 */
export function recipeReport(recipe: Recipe, kitchen: Kitchen, servings = recipe.servings): RecipeReport {
  const scaled = scaledRecipe(recipe, servings, kitchen);
  const figures = recipeFigures(scaled.recipe, kitchen, { weighed: servings === recipe.servings });
  return { ...reportOf(figures, kitchen, scaled.proportional), recipe: recipe.id, servings };
}

/**
 * Figures in the shape `calc --json` prints.
 *
 * @param proportional grams as written under the proportional rule, by place, of lines with another
 */
export function reportOf(figures: RecipeFigures, kitchen: Kitchen, proportional: ReadonlyMap<string, number>): RecipeReport {
  const boxed = figures.parts.filter(({ part }) => servedOf(part) === 'box');
  const { till, usedCost } = figures.batch;
  return {
    recipe: figures.recipe.id,
    servings: figures.recipe.servings,
    perServing: {
      ...servingReport(figures.perServing, kitchen),
      ...(kitchen.settings.index ? { index: indexOf(kitchen.settings.index, figures.perServing, kitchen.convention).amount ?? null } : {}),
      band: bands(boxed, kitchen),
      weighNext: weighNext(boxed).map(({ at }) => at),
    },
    withTopping: servingReport(figures.withTopping, kitchen),
    batch: {
      usedCost: usedCost.amount ?? null,
      tillCost: till.cost?.toNumber() ?? null,
      leftovers: till.rows.filter(({ left }) => left > 0).map(({ food, left }) => ({ food, grams: left })),
    },
    parts: figures.parts.map((part) => partReport(part, kitchen)),
    lines: figures.lines.map((line) => lineReport(line, proportional.get(line.at))),
    rounded: Object.fromEntries(RULE_SETS.map((rules) => [rules, roundedStrings(rules, figures, kitchen)])) as RecipeReport['rounded'],
    problems: findingsOf(figures, kitchen)
      // Of what the application asks a person, the report's list of problems knows nothing.
      .filter(({ code }) => code !== 'food-unsure' && code !== 'allergen-words')
      .map(({ code, at, message }) => ({ code, at, message })),
  };
}

function servingReport(serving: ServingFigures, kitchen: Kitchen): ServingReport {
  return {
    weight: serving.weight,
    ...servingNutrients(serving, kitchen),
    ...(serving.factoredKcal === undefined ? {} : { factoredEnergyKcal: serving.factoredKcal }),
  };
}

/** Nutrients that are known at all, what is lacking in which, and used cost. */
export function servingNutrients(
  serving: Pick<ServingFigures, 'nutrients' | 'usedCost'>,
  kitchen: Kitchen,
): Pick<ServingReport, 'nutrients' | 'incomplete' | 'usedCost'> {
  const nutrients: Amounts = {};
  const incomplete: Incomplete = {};
  for (const nutrient of NUTRIENTS) {
    const { amount, gaps } = serving.nutrients[figureKey(nutrient, kitchen.convention)];
    if (amount === undefined) continue;
    nutrients[nutrient] = amount;
    if (gaps.length > 0) incomplete[nutrient] = gaps;
  }
  if (isAtLeast(serving.usedCost)) incomplete.usedCost = serving.usedCost.gaps;
  return { nutrients, incomplete, usedCost: costOf(serving.usedCost) };
}

function bands(boxed: readonly PartFigures[], kitchen: Kitchen) {
  const band: { [nutrient in Nutrient]?: readonly [number, number] } = {};
  for (const nutrient of NUTRIENTS) {
    const ends = bandOf(boxed, figureKey(nutrient, kitchen.convention));
    if (ends) band[nutrient] = ends;
  }
  return band;
}

function partReport(figures: PartFigures, kitchen: Kitchen): object {
  const { part, edible, cooked, estimated, share, learned } = figures;
  return {
    id: part.id,
    edible,
    cooked,
    estimated,
    portion: share.portion,
    surplus: share.surplus,
    perServing: servingReport(partServing(figures), kitchen),
    ...(learned ? { learned } : {}),
  };
}

function lineReport({ at, weights, usedCost }: LineFigures, proportional: number | undefined): object {
  return {
    at,
    grams: weights?.grams ?? null,
    purchase: weights?.purchase ?? null,
    edible: weights?.edible ?? null,
    eaten: weights?.eaten ?? null,
    usedCost: costOf(usedCost),
    ...(weights?.range ? { range: weights.range } : {}),
    ...(proportional === undefined ? {} : { proportional }),
  };
}

/** The strings a card prints per serving under a rule set, each with its own carbohydrate. */
export function roundedStrings(
  rules: RuleSet,
  { perServing }: RecipeFigures,
  kitchen: Kitchen,
): { [printable in LabelNutrient | 'usedCost']?: string } {
  const strings: { [printable in LabelNutrient | 'usedCost']?: string } = {};
  for (const printable of nutrientsOfRuleSet(rules)) {
    const { amount, gaps } = shownFigure(printable, perServing.nutrients, ruleSet(rules).carbohydrate);
    const text = amount === undefined ? undefined : cardText(rules, printable, amount, gaps.length > 0);
    if (text !== undefined) strings[printable] = text;
  }
  if (rules === 'plain' && perServing.usedCost.amount !== undefined)
    strings.usedCost = `${isAtLeast(perServing.usedCost) ? 'at least ' : ''}${moneyText(perServing.usedCost.amount, kitchen.settings.currency)}`;
  return strings;
}

function costOf(cost: Figure): number | null {
  return cost.amount ?? null;
}
