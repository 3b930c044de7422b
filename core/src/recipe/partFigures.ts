import { NUTRIENTS, type Food } from '../food/index.js';
import { figureOf, type Figure } from '../figure/index.js';
import { compensatedSum, gramsOfMassUnit, midpointOf, relativeHalfWidth, type MeasuringSystem } from '../quantity/index.js';
import { UnknownPartError, type Kitchen, type LearnedYield, type ResolvedFood } from './kitchen.js';
import { cookedPerEaten, lineWeights, type LineWeights } from './lineWeights.js';
import { Memo } from './memo.js';
import { addNutrientFigures, eachKey, figuresOfGrams, figuresOfShare, noFigures, type NutrientFigures } from './nutrientAmounts.js';
import type { Discard, Line, Part, Recipe } from './recipe.js';
import { divide, type Share } from './share.js';
import { placeOf } from './walk.js';

/** Grams of a food to buy for a line. */
export interface Purchase {
  readonly food: string;
  readonly grams: number;
}

/** Declared and factored energy of the same food, in kcal, over the lines where both are known. */
export interface ComparedEnergy {
  readonly declared: number;
  readonly factored: number;
}

/** What a line is made of: a food, a share of another recipe's part, or words that no food has been matched to yet. */
export type MadeOf =
  | { readonly kind: 'food'; readonly resolved: ResolvedFood }
  | { readonly kind: 'part'; readonly recipe: Recipe; readonly part: PartFigures; readonly share: number }
  | { readonly kind: 'unmatched'; readonly text: string };

/** Everything one line comes to, for the batch. */
export interface LineFigures {
  readonly at: string;
  readonly line: Line;
  /** False for an optional line: it is in no sum. */
  readonly counted: boolean;
  readonly of: MadeOf;
  /** Undefined: no weight can be had. */
  readonly weights: LineWeights | undefined;
  readonly nutrients: NutrientFigures;
  /** Major units, unrounded. */
  readonly usedCost: Figure;
  /** kcal from the macronutrients; undefined when unknown. */
  readonly factoredKcal: number | undefined;
  readonly compared: ComparedEnergy;
  readonly purchases: readonly Purchase[];
}

/** A discard and what it takes away, as positive figures. */
export interface DiscardFigures {
  readonly at: string;
  readonly discard: Discard;
  readonly resolved: ResolvedFood;
  readonly weights: LineWeights | undefined;
  readonly nutrients: NutrientFigures;
  readonly factoredKcal: number | undefined;
}

/** Everything a part comes to, for the batch, and how it is divided. */
export interface PartFigures {
  readonly part: Part;
  readonly lines: readonly LineFigures[];
  readonly discards: readonly DiscardFigures[];
  /** Edible grams of its counted lines. */
  readonly edible: number;
  /** Cooked grams; gaps: lines without weight, when it is estimated. */
  readonly cooked: number;
  readonly estimated: boolean;
  /** The yield that was learned from batches, where the cooked weight is estimated by it. */
  readonly learned: LearnedYield | undefined;
  /** Where it was measured before lines changed: grams by estimate then, and now. */
  readonly outdated: OutdatedWeight | undefined;
  readonly share: Share;
  readonly nutrients: NutrientFigures;
  readonly usedCost: Figure;
  readonly factoredKcal: number | undefined;
  readonly compared: ComparedEnergy;
}

/** A part that holds itself, directly or through other recipes. */
export class CircularPartError extends Error {
  constructor(readonly chain: readonly string[]) {
    super(`a part cannot hold itself: ${chain.join(' -> ')}; take one of these lines out`);
    this.name = 'CircularPartError';
  }
}

/** How a part is to be computed. */
export interface PartContext {
  readonly kitchen: Kitchen;
  readonly recipe: Recipe;
  /** False, or a set that it is not in: a cooked weight stated is carried over from another size and counts as estimated. */
  readonly weighed: boolean | ReadonlySet<string>;
  /** False: estimated by what the recipe says, whatever batches have taught. */
  readonly learns?: boolean;
  /** Parts being computed, to find circles. */
  readonly within: readonly string[];
}

/**
 * All figures of one part for the batch, and its division over the servings.
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function partFigures(part: Part, context: PartContext): PartFigures {
  const key = `${context.recipe.id}/${part.id}`;
  if (context.within.includes(key)) throw new CircularPartError([...context.within, key]);
  const inside: PartContext = { ...context, within: [...context.within, key] };
  const lines = part.lines.map((line, i) => lineFigures(line, placeOf(part, i), inside));
  const discards = (part.discards ?? []).map((discard, i) => discardFigures(discard, `${part.id}/discards/${i + 1}`, inside));
  const counted = lines.filter((line) => line.counted);
  const learned = learnedOf(part, context);
  const { cooked, estimated, outdated } = cookedWeightOf(part, estimatedCookedWeight(part, counted, discards, learned?.mean));
  const weighed = typeof context.weighed === 'boolean' ? context.weighed : context.weighed.has(part.id);
  return {
    part,
    lines,
    discards,
    edible: compensatedSum(counted.map((line) => line.weights?.edible ?? 0)),
    cooked,
    estimated: estimated || !weighed,
    learned,
    outdated,
    share: divide(part.portion, cooked, context.recipe.servings),
    nutrients: addNutrientFigures([...counted.map((line) => line.nutrients), ...discards.map(takenAway)]),
    usedCost: costOfLines(counted),
    factoredKcal: sumOfKnown([...counted.map((line) => line.factoredKcal), ...discards.map(({ factoredKcal }) => negative(factoredKcal))]),
    compared: {
      declared: compensatedSum([
        ...counted.map((line) => line.compared.declared),
        ...discards.map((one) => -comparedOfDiscard(one).declared),
      ]),
      factored: compensatedSum([
        ...counted.map((line) => line.compared.factored),
        ...discards.map((one) => -comparedOfDiscard(one).factored),
      ]),
    },
  };
}

/** Used cost of lines; nothing to buy costs nothing. */
export function costOfLines(lines: readonly LineFigures[]): Figure {
  if (lines.length === 0) return { amount: 0, gaps: [] };
  return figureOf(lines.map(({ at, usedCost }) => ({ at, amount: usedCost.amount, lacking: usedCost.gaps.length > 0 })));
}

/** A cooked weight that was measured when the lines came to another estimate: grams. */
export interface OutdatedWeight {
  readonly measured: number;
  readonly measuredFor: number;
  readonly now: number;
}

/** An estimate that lies further than this share from the one it was measured for is of other lines. */
const SAME_ESTIMATE = 0.01;

/**
 * What a part weighs cooked: as measured; by estimate where it was not; and where its lines have changed since it was measured, what
 * was measured in the proportion of the estimates (kitchen file, Part `measuredFor`).
 *
 * @param estimate grams by estimate now, at the recipe's servings
 */
export function cookedWeightOf(
  { cookedWeight, measuredFor }: Pick<Part, 'cookedWeight' | 'measuredFor'>,
  estimate: number,
): { readonly cooked: number; readonly estimated: boolean; readonly outdated: OutdatedWeight | undefined } {
  if (cookedWeight === undefined) return { cooked: estimate, estimated: true, outdated: undefined };
  if (measuredFor === undefined || Math.abs(estimate - measuredFor) <= SAME_ESTIMATE * measuredFor)
    return { cooked: cookedWeight, estimated: false, outdated: undefined };
  const cooked = (cookedWeight * estimate) / measuredFor;
  return { cooked, estimated: true, outdated: { measured: cookedWeight, measuredFor, now: estimate } };
}

/** Grams that a part would weigh cooked, by estimate, at the recipe's servings, whatever was measured. @throws as `partFigures` */
export function cookedEstimate(part: Part, recipe: Recipe, kitchen: Kitchen): number {
  const { cookedWeight: _, measuredFor: __, ...unmeasured } = part;
  // What a weight was measured for was an estimate by the recipe's own words.
  return partFigures(unmeasured, { kitchen, recipe, weighed: true, learns: false, within: [] }).cooked;
}

/** The yield that batches have taught of a part that states neither a weight nor a yield (kitchen file, "Learned yields"). */
function learnedOf(part: Part, { kitchen, recipe, learns = true }: PartContext): LearnedYield | undefined {
  if (!learns || part.cookedWeight !== undefined || part.yield !== undefined) return undefined;
  return kitchen.learnedYield(recipe.id, part.id);
}

/**
 * Cooked weight where none was measured (docs/reckoning.md, "Cooked weight"): grams eaten x the part's yield, stated or learned, or each line's food's yield,
 * less discards. Water never adds or takes nutrients, only weight.
 */
function estimatedCookedWeight(
  part: Part,
  counted: readonly LineFigures[],
  discards: readonly DiscardFigures[],
  learned: number | undefined,
): number {
  const usual = part.yield ?? learned;
  const eaten = counted.map(({ weights, of, line }) => {
    const grams = weights?.eaten ?? 0;
    return usual !== undefined ? grams * usual : grams * (of.kind === 'food' ? cookedPerEaten(of.resolved.food, line.cooking) : 1);
  });
  const discarded = discards.map(({ weights }) => -(weights?.eaten ?? 0));
  return Math.max(0, compensatedSum([...eaten, ...discarded]));
}

function lineFigures(line: Line, at: string, context: PartContext): LineFigures {
  if (line.food !== undefined) return foodLineFigures(line, line.food, at, context);
  return line.recipe === undefined ? unmatchedFigures(line, at) : partLineFigures(line, at, context);
}

function unmatchedFigures(line: Line, at: string): LineFigures {
  return {
    at,
    line,
    counted: line.optional !== true,
    of: { kind: 'unmatched', text: line.text ?? '' },
    weights: undefined,
    nutrients: noFigures(at),
    usedCost: { amount: undefined, gaps: [at] },
    factoredKcal: undefined,
    compared: { declared: 0, factored: 0 },
    purchases: [],
  };
}

/** Lines whose figures are kept: an edit changes one line of a recipe, and the others need not be worked out again. */
const MOST_REMEMBERED = 2000;

interface RememberedLine {
  readonly system: MeasuringSystem;
  readonly times: number;
  readonly figures: LineFigures;
}

const REMEMBERED = new WeakMap<Kitchen, Memo<Line, RememberedLine>>();

function rememberedIn(kitchen: Kitchen): Memo<Line, RememberedLine> {
  const ready = REMEMBERED.get(kitchen) ?? new Memo<Line, RememberedLine>(MOST_REMEMBERED);
  REMEMBERED.set(kitchen, ready);
  return ready;
}

function foodLineFigures(line: Line, foodId: string, at: string, { kitchen, recipe }: PartContext): LineFigures {
  const system = recipe.measures ?? kitchen.settings.measures;
  const times = timesWritten(recipe);
  const remembered = rememberedIn(kitchen);
  const before = remembered.get(line);
  if (before?.figures.at === at && before.system === system && before.times === times) return before.figures;
  const figures = freshFoodLineFigures(line, foodId, at, kitchen, system, times);
  remembered.set(line, { system, times, figures });
  return figures;
}

function freshFoodLineFigures(
  line: Line,
  foodId: string,
  at: string,
  kitchen: Kitchen,
  system: MeasuringSystem,
  times: number,
): LineFigures {
  const resolved = kitchen.resolvedFood(foodId);
  const weights = lineWeights(line, resolved.food, system, kitchen.packsOf(foodId), times);
  const nutrients = weights ? figuresOfGrams(at, weights.eaten, resolved, line.retention) : noFigures(at);
  const factoredKcal = weights && resolved.factoredKcal !== undefined ? weights.eaten * resolved.factoredKcal : undefined;
  return {
    at,
    line,
    counted: line.optional !== true,
    of: { kind: 'food', resolved },
    weights,
    nutrients,
    usedCost: usedCostOf(at, weights, resolved, kitchen),
    factoredKcal,
    compared: comparable(nutrients.energyKcal.amount, factoredKcal),
    purchases: weights ? [{ food: foodId, grams: weights.purchase }] : [],
  };
}

/**
 * A part of another recipe, by grams of its cooked weight: nutrients and used cost in proportion, the other recipe at its
 * own size (kitchen file, Line). What is not retained is paid for.
 */
function partLineFigures(line: Line, at: string, context: PartContext): LineFigures {
  const { kitchen } = context;
  const recipe = kitchen.recipe(line.recipe ?? '');
  const part = recipe?.parts.find(({ id }) => id === line.part);
  if (!recipe || !part) throw new UnknownPartError(line.recipe ?? '', line.part ?? '');
  const figures = partFigures(part, { ...context, recipe, weighed: true, learns: true });
  const weights = weighsSomething(figures.cooked) ? partLineWeights(line, timesWritten(context.recipe)) : undefined;
  const taken = weights ? weights.grams / figures.cooked : 0;
  const share = taken * (line.retained ?? 1);
  const scaled = (amount: number | undefined) => (weights && amount !== undefined ? amount * share : undefined);
  return {
    at,
    line,
    counted: line.optional !== true,
    of: { kind: 'part', recipe, part: figures, share },
    weights,
    nutrients: weights ? figuresOfShare(at, figures.nutrients, share) : noFigures(at),
    usedCost: weights
      ? { amount: scaledCost(figures.usedCost, taken), gaps: taken > 0 && figures.usedCost.gaps.length > 0 ? [at] : [] }
      : { amount: undefined, gaps: [at] },
    factoredKcal: scaled(figures.factoredKcal),
    compared: { declared: scaled(figures.compared.declared) ?? 0, factored: scaled(figures.compared.factored) ?? 0 },
    purchases: figures.lines
      .filter(({ counted }) => counted)
      .flatMap(({ purchases }) => purchases.map(({ food, grams }) => ({ food, grams: grams * taken }))),
  };
}

/** Whether a part weighs enough, in grams, that a share of it can be taken: of next to nothing every share would be beyond all numbers. */
export function weighsSomething(cooked: number): boolean {
  return cooked > 1e-9;
}

/** Weights of a line that takes a part of another recipe, by grams of its cooked weight; undefined without a mass unit. */
export function partLineWeights(line: Line, times: number): LineWeights | undefined {
  const unit = line.amount === undefined ? undefined : gramsOfMassUnit(line.unit ?? 'g');
  const grams = line.amount === undefined ? line.toTaste : unit === undefined ? undefined : midpointOf(line.amount) * times * unit;
  if (grams === undefined) return undefined;
  const { amount } = line;
  return {
    grams,
    purchase: grams,
    edible: grams,
    eaten: grams * (line.retained ?? 1),
    ...(amount !== undefined && typeof amount !== 'number' && unit !== undefined
      ? { range: [amount[0] * times * unit, amount[1] * times * unit] as const }
      : {}),
    method: line.method ?? (amount === undefined ? 'assumed' : 'scale'),
    halfWidth: amount === undefined ? 0 : relativeHalfWidth(amount),
  };
}

function discardFigures(discard: Discard, at: string, { kitchen, recipe }: PartContext): DiscardFigures {
  const resolved = kitchen.resolvedFood(discard.food);
  const system = recipe.measures ?? kitchen.settings.measures;
  // Thrown away as weighed: no refuse or liquid is taken off again.
  const asWritten: Line = { food: discard.food, amount: discard.amount, unit: discard.unit, as: 'EP' };
  const weights = lineWeights(asWritten, resolved.food, system, kitchen.packsOf(discard.food), timesWritten(recipe));
  return {
    at,
    discard,
    resolved,
    weights,
    nutrients: weights ? figuresOfGrams(at, weights.eaten, resolved) : noFigures(at),
    factoredKcal: weights && resolved.factoredKcal !== undefined ? weights.eaten * resolved.factoredKcal : undefined,
  };
}

/** Used cost of a line (docs/reckoning.md, "Cost"): purchase grams x price / pack grams. A free staple is 0 and needs no price. */
function usedCostOf(at: string, weights: LineWeights | undefined, resolved: ResolvedFood, kitchen: Kitchen): Figure {
  if (isFreeStaple(resolved.food, kitchen)) return { amount: 0, gaps: [] };
  if (weights?.purchase === 0) return { amount: 0, gaps: [] };
  const rate = kitchen.paidRate(resolved.food.id) ?? resolved.best?.rate;
  if (!weights || rate === undefined) return { amount: undefined, gaps: [at] };
  return { amount: weights.purchase * rate, gaps: [] };
}

/** Whether a food costs nothing under the kitchen's policy on pantry staples. */
export function isFreeStaple(food: Food, kitchen: Kitchen): boolean {
  return kitchen.settings.staples === 'free' && food.staple === true;
}

/** What a written amount is multiplied by: the servings, where amounts are written per serving. */
export function timesWritten(recipe: Recipe): number {
  return recipe.amountsPer === 'serving' ? recipe.servings : 1;
}

/** Whether a food's composition says nothing at all. */
export function hasNoComposition(resolved: ResolvedFood): boolean {
  return NUTRIENTS.every((nutrient) => resolved.available[nutrient] === undefined && resolved.total[nutrient] === undefined);
}

function takenAway(one: DiscardFigures): NutrientFigures {
  return eachKey((key) => {
    const { amount, gaps } = one.nutrients[key];
    return { amount: negative(amount), gaps };
  });
}

function comparable(declared: number | undefined, factored: number | undefined): ComparedEnergy {
  return declared === undefined || factored === undefined ? { declared: 0, factored: 0 } : { declared, factored };
}

function comparedOfDiscard(one: DiscardFigures): ComparedEnergy {
  return comparable(one.nutrients.energyKcal.amount, one.factoredKcal);
}

function negative(amount: number | undefined): number | undefined {
  return amount === undefined ? undefined : -amount;
}

function scaledCost(cost: Figure, share: number): number | undefined {
  return cost.amount === undefined ? undefined : cost.amount * share;
}

/** Sum of the known terms; undefined when none is known. */
export function sumOfKnown(terms: readonly (number | undefined)[]): number | undefined {
  return figureOf(terms.map((amount) => ({ at: '', amount, lacking: false }))).amount;
}
