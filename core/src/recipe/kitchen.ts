import {
  atwaterEnergy,
  gramsOfPrintedBasis,
  nutrientsPerGram,
  ruleSet,
  type CarbohydrateConvention,
  type Food,
  type NutrientsPerGram,
  type RuleSet,
} from '../food/index.js';
import { bestPack, candidatePacks, hasOnlyStalePacks, type CandidatePack, type Pack } from '../price/index.js';
import type { MeasuringSystem } from '../quantity/index.js';
import type { NamedBrief } from './brief.js';
import type { CardSettings } from './cardChoices.js';
import type { IndexFormula } from './indexFormula.js';
import type { KitchenVessel } from './kitchenVessel.js';
import type { LabelSheet } from './labelSheet.js';
import type { Recipe } from './recipe.js';

/** Whose advice on keeping cooked food the kitchen follows. */
export const GUIDELINES = ['uk', 'us'] as const;
export type Guideline = (typeof GUIDELINES)[number];

/** What holds for a whole kitchen. */
export interface Settings {
  /** ISO 4217. */
  readonly currency: string;
  readonly measures: MeasuringSystem;
  readonly rules: RuleSet;
  readonly staples: 'counted' | 'free';
  /** "Today" for choosing prices, ISO date. */
  readonly date: string;
  /** Days. */
  readonly maxPriceAge?: number;
  /** The kitchen's own figure of a serving. */
  readonly index?: IndexFormula;
  /** Briefs kept for the next dish. */
  readonly briefs?: readonly NamedBrief[];
  /** Left out: the US one under US rules, else the UK one, which is the stricter. */
  readonly guideline?: Guideline;
  readonly vessels?: readonly KitchenVessel[];
  /** Sheets of labels of the kitchen's own, beside those that ship. */
  readonly labelSheets?: readonly LabelSheet[];
  /** How its cards are signed and printed. */
  readonly card?: CardSettings;
  /** What a way to a shop is worth, major units of the currency. */
  readonly shoppingTrip?: number | string;
}

/** A yield taken from batches that measured it: cooked grams of a gram eaten. */
export interface LearnedYield {
  readonly batches: number;
  readonly mean: number;
  /** Standard deviation of the sample. */
  readonly sd: number;
}

/** Foods, packs and recipes with their settings: enough to compute every figure. */
export interface KitchenContent {
  readonly settings: Settings;
  readonly foods: readonly Food[];
  readonly packs: readonly Pack[];
  readonly recipes: readonly Recipe[];
  /** Yields learned from batches, by "recipe/part". */
  readonly learned?: ReadonlyMap<string, LearnedYield>;
  /** What was paid for a gram as purchased, by food, in major units: it stands in place of every pack's price. */
  readonly paid?: ReadonlyMap<string, number>;
}

/** A food that a recipe names and the kitchen does not hold. */
export class UnknownFoodError extends Error {
  constructor(readonly food: string) {
    super(`the kitchen holds no food "${food}"; add it or choose another`);
    this.name = 'UnknownFoodError';
  }
}

/** A recipe, or a part of one, that a line names and the kitchen does not hold. */
export class UnknownPartError extends Error {
  constructor(
    readonly recipe: string,
    readonly part: string,
  ) {
    super(`the kitchen holds no part "${part}" of a recipe "${recipe}"; add it or choose another`);
    this.name = 'UnknownPartError';
  }
}

/** What a food comes to, worked out once per kitchen: composition per gram, factored energy, prices. */
export interface ResolvedFood {
  readonly food: Food;
  readonly available: NutrientsPerGram;
  readonly total: NutrientsPerGram;
  /** kcal per gram from the macronutrients; undefined without protein, fat or carbohydrate. */
  readonly factoredKcal: number | undefined;
  readonly candidates: readonly CandidatePack[];
  readonly best: CandidatePack | undefined;
  readonly onlyStalePacks: boolean;
}

/** A kitchen made ready to compute with: look-ups by id, and each food's basis worked out when first asked for. */
export class Kitchen {
  readonly #foods: ReadonlyMap<string, Food>;
  readonly #packs: ReadonlyMap<string, readonly Pack[]>;
  readonly #recipes: ReadonlyMap<string, Recipe>;
  readonly #bases = new Map<string, ResolvedFood>();

  constructor(readonly content: KitchenContent) {
    this.#foods = new Map(content.foods.map((food) => [food.id, food]));
    this.#packs = byFood(content.packs);
    this.#recipes = new Map(content.recipes.map((recipe) => [recipe.id, recipe]));
  }

  get settings(): Settings {
    return this.content.settings;
  }

  /** The carbohydrate convention of the settings' rule set. */
  get convention(): CarbohydrateConvention {
    return ruleSet(this.settings.rules).carbohydrate;
  }

  food(id: string): Food | undefined {
    return this.#foods.get(id);
  }

  packsOf(food: string): readonly Pack[] {
    return this.#packs.get(food) ?? [];
  }

  recipe(id: string): Recipe | undefined {
    return this.#recipes.get(id);
  }

  /** What batches have taught of a part's yield. */
  learnedYield(recipe: string, part: string): LearnedYield | undefined {
    return this.content.learned?.get(`${recipe}/${part}`);
  }

  /** What was paid for a gram of a food; undefined where its packs price it. */
  paidRate(food: string): number | undefined {
    return this.content.paid?.get(food);
  }

  /** @throws UnknownFoodError */
  resolvedFood(id: string): ResolvedFood {
    const ready = this.#bases.get(id);
    if (ready) return ready;
    const food = this.#foods.get(id);
    if (!food) throw new UnknownFoodError(id);
    const candidates = candidatePacks(food, this.packsOf(id), this.settings);
    const grams = gramsOfPrintedBasis(food);
    const factored = atwaterEnergy(food);
    const resolved: ResolvedFood = {
      food,
      available: nutrientsPerGram(food, 'available'),
      total: nutrientsPerGram(food, 'total'),
      factoredKcal: grams && factored !== undefined ? factored / grams : undefined,
      candidates,
      best: bestPack(candidates),
      onlyStalePacks: hasOnlyStalePacks(food, this.packsOf(id), this.settings),
    };
    this.#bases.set(id, resolved);
    return resolved;
  }
}

function byFood(packs: readonly Pack[]): Map<string, Pack[]> {
  const packsOf = new Map<string, Pack[]>();
  for (const pack of packs) {
    const sofar = packsOf.get(pack.food);
    if (sofar) sofar.push(pack);
    else packsOf.set(pack.food, [pack]);
  }
  return packsOf;
}
