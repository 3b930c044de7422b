import { compensatedSum, midpointOf, roundHalfAway, timesAmount } from '../quantity/index.js';
import {
  cookedEstimate,
  cookedWeightOf,
  countedIds,
  lineAt,
  lineWeights,
  placedLines,
  placeOf,
  placesByReference,
  timesWritten,
  variantRecipe,
  weighsSomething,
  withIds,
  type Discard,
  type Kitchen,
  type Line,
  type LineWeights,
  type Part,
  type Portion,
  type Recipe,
  type Scaling,
  type Variant,
} from '../recipe/index.js';

/** A recipe at another size. */
export interface ScaledRecipe {
  /** Amounts for the batch at the new number of servings. */
  readonly recipe: Recipe;
  /** Grams as written under the proportional rule, by place, for lines with another rule and a weight. */
  readonly proportional: ReadonlyMap<string, number>;
}

/** Lines whose ratios go round in a circle. */
export class CircularRatioError extends Error {
  constructor(readonly at: string) {
    super(`${at} is a ratio of a line that depends on it again; give one of them another rule`);
    this.name = 'CircularRatioError';
  }
}

/**
 * A recipe scaled to a number of servings, each line by its own rule (docs/reckoning.md, "Scaling"). Cooked weights and pieces
 * made follow in proportion; portions per serving stay. Its variants are scaled as the dish is: each as it would be made.
 *
 * @param servings 1 or more; the recipe's own number returns it as it is
 * @throws CircularRatioError
 */
export function scaledRecipe(recipe: Recipe, servings: number, kitchen: Kitchen): ScaledRecipe {
  if (servings === recipe.servings) return { recipe, proportional: new Map() };
  // A variant's lines are found again by their ids.
  const written = recipe.variants ? withIds(recipe, countedIds()) : recipe;
  const scaler = new LineScaler(written, servings / recipe.servings, kitchen);
  const { variants } = written;
  return {
    recipe: {
      ...withMeasuredFor(scaler.scaled(servings), written, kitchen),
      ...(variants ? { variants: variants.map((variant) => scaledVariant(variant, written, servings, kitchen)) } : {}),
    },
    proportional: scaler.proportional(),
  };
}

/**
 * What cooked weights were measured for, at the new size: they stand to the estimate there as they did before, so that what is out of
 * date stays so, by as much (kitchen file, Part `measuredFor`: first to the lines as they are, then scaled).
 */
function withMeasuredFor(scaled: Recipe, recipe: Recipe, kitchen: Kitchen): Recipe {
  if (recipe.parts.every(({ measuredFor }) => measuredFor === undefined)) return scaled;
  return {
    ...scaled,
    parts: scaled.parts.map((part, p) => {
      const old = recipe.parts[p];
      if (!old || part.measuredFor === undefined) return part;
      const { measuredFor, cookedWeight: _, ...unmeasured } = part;
      const [before, after] = [cookedEstimate(old, recipe, kitchen), cookedEstimate(part, scaled, kitchen)];
      if (!weighsSomething(before)) return unmeasured;
      if (weighsSomething(after)) return { ...part, measuredFor: (measuredFor * after) / before };
      return { ...unmeasured, cookedWeight: (cookedWeightOf(old, before).cooked * scaled.servings) / recipe.servings };
    }),
  };
}

/** A variant whose lines and cooked weights are those of its own dish, scaled. */
function scaledVariant(variant: Variant, recipe: Recipe, servings: number, kitchen: Kitchen): Variant {
  const factor = servings / recipe.servings;
  const made = new LineScaler(variantRecipe(recipe, variant), factor, kitchen).scaled(servings);
  const standing = new Map(placedLines(recipe).map(({ part, line }) => [`${part.id}/${line.id}`, line]));
  return {
    ...variant,
    changes: variant.changes.map((change) => {
      if ('cookedWeight' in change) return { ...change, cookedWeight: change.cookedWeight * factor };
      if (!('line' in change)) return change;
      const part = 'part' in change ? change.part : (change.at.split('/')[0] ?? '');
      const id = change.line.id ?? ('at' in change ? standing.get(change.at)?.id : undefined);
      const scaled = id === undefined ? undefined : lineAt(made, `${part}/${id}`);
      // One that stands in another's place goes by the other's id: it has none of its own.
      return scaled ? { ...change, line: change.line.id === undefined ? withoutId(scaled) : scaled } : change;
    }),
  };
}

function withoutId({ id: _, ...line }: Line): Line {
  return line;
}

/** Works out each line's factor once, ratios after what they refer to. */
class LineScaler {
  readonly #factors = new Map<string, number | 'pending'>();
  readonly #byPlace = new Map<string, { readonly part: Part; readonly line: Line; readonly weights: LineWeights | undefined }>();
  readonly #places: ReadonlyMap<string, string>;

  constructor(
    readonly recipe: Recipe,
    readonly factor: number,
    kitchen: Kitchen,
  ) {
    this.#places = placesByReference(recipe);
    for (const { part, line, at } of placedLines(recipe)) this.#byPlace.set(at, { part, line, weights: weightsOf(line, recipe, kitchen) });
  }

  /** The recipe at the new size, its amounts for the batch; its variants as they are. */
  scaled(servings: number): Recipe {
    const { recipe, factor } = this;
    return {
      ...recipe,
      servings,
      amountsPer: 'batch',
      parts: recipe.parts.map((part) => ({
        ...part,
        lines: part.lines.map((line, i) => this.#scaledLine(line, placeOf(part, i))),
        ...(part.discards ? { discards: part.discards.map((discard) => scaledDiscard(discard, recipe, servings)) } : {}),
        ...(part.cookedWeight === undefined ? {} : { cookedWeight: part.cookedWeight * factor }),
        ...(part.portion ? { portion: scaledPortion(part.portion, factor) } : {}),
      })),
    };
  }

  #scaledLine(line: Line, at: string): Line {
    const factor = this.#factorOf(at);
    const written = timesWritten(this.recipe);
    const weights = this.#byPlace.get(at)?.weights;
    const fromNothing = isRatio(line.scaling) && weights !== undefined && weights.edible === 0;
    if (fromNothing) return { ...line, amount: this.#ratioGrams(line.scaling, at), unit: 'g', as: 'EP' };
    return {
      ...line,
      ...(line.amount === undefined ? {} : { amount: timesAmount(line.amount, written * factor) }),
      ...(line.toTaste === undefined ? {} : { toTaste: line.toTaste * factor }),
      ...(line.also ? { also: { ...line.also, amount: line.also.amount * written * factor } } : {}),
    };
  }

  proportional(): Map<string, number> {
    const grams = new Map<string, number>();
    for (const [at, { line, weights }] of this.#byPlace)
      if ((line.scaling ?? 'proportional') !== 'proportional' && weights) grams.set(at, weights.grams * this.factor);
    return grams;
  }

  #factorOf(at: string): number {
    const known = this.#factors.get(at);
    if (known === 'pending') throw new CircularRatioError(at);
    if (known !== undefined) return known;
    this.#factors.set(at, 'pending');
    const factor = this.#ruleFactor(at);
    this.#factors.set(at, factor);
    return factor;
  }

  #ruleFactor(at: string): number {
    const entry = this.#byPlace.get(at);
    const rule = entry?.line.scaling ?? 'proportional';
    if (!entry || rule === 'proportional') return this.factor;
    if (rule === 'fixed') return 1;
    if (rule === 'whole') return wholeFactor(entry.line, timesWritten(this.recipe), this.factor);
    if ('damped' in rule) return this.factor ** rule.damped;
    if ('evaporation' in rule) return evaporationFactor(entry.weights, rule.evaporation.perBatch, this.factor);
    const grams = this.#ratioGrams(rule, at);
    return grams === undefined || !entry.weights || entry.weights.edible === 0 ? this.factor : grams / entry.weights.edible;
  }

  /** Edible grams a ratio asks for: a share of another line, or of a part's other lines, at the new size. */
  #ratioGrams(rule: Scaling | undefined, at: string): number | undefined {
    if (!isRatio(rule)) return undefined;
    const to = this.#places.get(rule.ratioTo);
    const targets = [...this.#byPlace].filter(
      ([place, { part, line }]) => place !== at && (place === to || (part.id === rule.ratioTo && line.optional !== true)),
    );
    const edible = targets.flatMap(([place, { weights }]) => (weights ? [weights.edible * this.#factorOf(place)] : []));
    return edible.length === 0 ? undefined : rule.share * compensatedSum(edible);
  }
}

function isRatio(rule: Scaling | undefined): rule is { readonly ratioTo: string; readonly share: number } {
  return typeof rule === 'object' && 'ratioTo' in rule;
}

/** Nearest whole amount, at least 1, half away from zero. */
function wholeFactor(line: Line, written: number, factor: number): number {
  const amount = line.amount === undefined ? (line.toTaste ?? 0) : midpointOf(line.amount) * written;
  return amount === 0 ? factor : Math.max(1, roundHalfAway(amount * factor)) / amount;
}

/** What is absorbed follows in proportion; what one pan boils off does not. */
function evaporationFactor(weights: LineWeights | undefined, perBatch: number, factor: number): number {
  if (!weights || weights.grams === 0) return factor;
  return Math.max(0, (weights.grams - perBatch) * factor + perBatch) / weights.grams;
}

function scaledDiscard(discard: Discard, recipe: Recipe, servings: number): Discard {
  return { ...discard, amount: (discard.amount * timesWritten(recipe) * servings) / recipe.servings };
}

function scaledPortion(portion: Portion, factor: number): Portion {
  return 'made' in portion ? { ...portion, made: portion.made * factor } : portion;
}

function weightsOf(line: Line, recipe: Recipe, kitchen: Kitchen): LineWeights | undefined {
  const food = line.food === undefined ? GRAMS_ONLY : kitchen.food(line.food);
  if (!food) return undefined;
  return lineWeights(line, food, recipe.measures ?? kitchen.settings.measures, kitchen.packsOf(food.id), timesWritten(recipe));
}

/** A part of another recipe is taken by mass: it weighs like a food without refuse. */
const GRAMS_ONLY = { id: '', name: '' };
