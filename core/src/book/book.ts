import { NUTRIENT_DESCRIPTIONS } from '../food/index.js';
import {
  figureKey,
  nutrientOfKey,
  perGramOf,
  recipeFigures,
  servedOf,
  type FigureKey,
  type FoodBasis,
  type Kitchen,
  type Recipe,
} from '../recipe/index.js';
import { standardUncertainty, UNCERTAINTY_OF_SOURCE } from '../sureness/index.js';
import { compiledRecipe } from './compiledRecipe.js';
import { emptyFigures, layoutOf, type Layout } from './layout.js';

/** Figures of one serving of each recipe of a book, recipe by recipe. */
export interface BookFigures {
  readonly keys: readonly FigureKey[];
  /** Grams, one a recipe. */
  readonly weight: Float64Array;
  /** Major units, one a recipe; NaN where no price at all is known. */
  readonly usedCost: Float64Array;
  /** Recipe by recipe, in the order of `keys`, in their units; NaN where nothing is known. */
  readonly nutrients: Float64Array;
  /** Standard uncertainty, in the same places: a 95 % band is 1.96 of it either way. */
  readonly uncertainty: Float64Array;
  /** Whether the figure is "at least": bit k for key k, the bit after the last key for the cost. */
  readonly atLeast: Uint32Array;
}

/** Bits of a number that say which keys are lacking; a book keeps fewer keys than that. */
const MOST_KEYS = 30;

/** The twelve figures that lists show and filter by, carbohydrate by the kitchen's convention. */
export function headlineKeys(kitchen: Kitchen): FigureKey[] {
  return HEADLINE.map((nutrient) => figureKey(nutrient, kitchen.convention));
}

const HEADLINE = [
  'energyKcal',
  'protein',
  'fat',
  'saturates',
  'carbohydrate',
  'sugars',
  'fibre',
  'sodium',
  'potassium',
  'calcium',
  'iron',
  'vitaminD',
] as const;

/**
 * Many recipes, reduced to arrays of numbers, so that all of them are computed again in milliseconds when a food's
 * composition or price changes. The formulas are those of `recipeFigures`, without the working; a test holds both together:
 * nutrients of a serving = sum over its boxed parts of the part's share x (grams eaten x per gram x retention) (domain page, 4.4
 * and 4.7), none below nothing; weight = sum of portions (4.6, 4.7); used cost = share x grams to buy x rate (4.8); uncertainty =
 * square root of the sum over sources of error of (moved amount)² x relative variance (4.10).
 */
export class Book {
  readonly keys: readonly FigureKey[];
  #kitchen: Kitchen;
  readonly #recipes: readonly Recipe[];
  readonly #foods = new Map<string, number>();
  readonly #perGram: Float64Array;
  readonly #lacking: Uint32Array;
  readonly #rates: Float64Array;
  readonly #foodVariance: Float64Array;
  readonly #survives: readonly boolean[];
  readonly #layout: Layout;
  readonly #traced: readonly number[];

  /**
   * @param keys figures to keep, at most 30; `headlineKeys` when left out
   * @throws UnknownFoodError, UnknownPartError, CircularPartError
   */
  constructor(recipes: readonly Recipe[], kitchen: Kitchen, keys: readonly FigureKey[] = headlineKeys(kitchen)) {
    if (keys.length > MOST_KEYS) throw new RangeError(`a book keeps ${MOST_KEYS} figures at most, not ${keys.length}`);
    this.keys = keys;
    this.#kitchen = kitchen;
    this.#recipes = recipes;
    this.#survives = keys.map((key) => NUTRIENT_DESCRIPTIONS[nutrientOfKey(key)].survivesInPart === true);
    const compiled = recipes.map((recipe) => compiledRecipe(recipe, kitchen));
    this.#traced = compiled.flatMap(({ needsTrace }, i) => (needsTrace ? [i] : []));
    this.#layout = layoutOf(compiled, (food) => this.#numberOf(food), keys.length);
    const size = this.#foods.size;
    this.#perGram = new Float64Array(size * keys.length);
    this.#lacking = new Uint32Array(size);
    this.#rates = new Float64Array(size);
    this.#foodVariance = new Float64Array(size);
    for (const food of this.#foods.keys()) this.#setFood(kitchen.basisOf(food));
  }

  /** Numbers of the recipes that hold the food, directly or in a part of another recipe. */
  recipesWith(food: string): number[] {
    const number = this.#foods.get(food);
    return number === undefined ? [] : this.#layout.recipesWith(number);
  }

  /**
   * Takes foods' compositions and prices from the kitchen as it is now. Their weights, measures and yields stay as they were
   * when the book was made: after a change of those, a new book is needed.
   */
  change(kitchen: Kitchen, foods: readonly string[]): void {
    this.#kitchen = kitchen;
    for (const food of foods) if (this.#foods.has(food)) this.#setFood(kitchen.basisOf(food));
  }

  /** Every figure of every recipe, from the foods as they stand, unrounded (domain page, 4.4, 4.7, 4.8 and 4.10, as said above). */
  figures(): BookFigures {
    const figures = emptyFigures(this.#recipes.length, this.keys);
    this.#layout.sum(figures, {
      perGram: this.#perGram,
      lacking: this.#lacking,
      rates: this.#rates,
      foodVariance: this.#foodVariance,
      survives: this.#survives,
    });
    for (const recipe of this.#traced) this.#trace(figures, recipe);
    return figures;
  }

  #numberOf(food: string): number {
    const known = this.#foods.get(food);
    if (known !== undefined) return known;
    this.#foods.set(food, this.#foods.size);
    return this.#foods.size - 1;
  }

  #setFood(basis: FoodBasis): void {
    const food = this.#foods.get(basis.food.id) ?? 0;
    let lacking = 0;
    this.keys.forEach((key, k) => {
      const perGram = perGramOf(basis, key);
      this.#perGram[food * this.keys.length + k] = perGram ?? 0;
      if (perGram === undefined) lacking |= 1 << k;
    });
    this.#lacking[food] = lacking;
    this.#rates[food] = basis.best?.rate ?? NaN;
    this.#foodVariance[food] = UNCERTAINTY_OF_SOURCE[basis.food.source ?? 'estimate'] ** 2;
  }

  /** The rare recipe that the arrays cannot hold is computed with its working. */
  #trace(figures: BookFigures, at: number): void {
    const recipe = this.#recipes[at];
    if (!recipe) return;
    const { perServing, parts } = recipeFigures(recipe, this.#kitchen);
    const boxed = parts.filter(({ part }) => servedOf(part) === 'box');
    const K = this.keys.length;
    let atLeast = perServing.usedCost.gaps.length > 0 ? 1 << K : 0;
    this.keys.forEach((key, k) => {
      const { amount, gaps } = perServing.nutrients[key];
      figures.nutrients[at * K + k] = amount ?? NaN;
      figures.uncertainty[at * K + k] = standardUncertainty(boxed, key);
      if (gaps.length > 0) atLeast |= 1 << k;
    });
    figures.weight[at] = perServing.weight;
    figures.usedCost[at] = perServing.usedCost.amount ?? NaN;
    figures.atLeast[at] = atLeast;
  }
}
