import type { FigureKey } from '../recipe/index.js';
import type { BookFigures } from './book.js';
import type { CompiledRecipe, Entry } from './compiledRecipe.js';

/** What the foods of a book bring: per food, and per food and key. */
export interface FoodNumbers {
  /** Amount in one gram, 0 where unknown. */
  readonly perGram: Float64Array;
  /** Bit k: key k is unknown. */
  readonly lacking: Uint32Array;
  /** Cost of a gram, NaN where no price is known. */
  readonly rates: Float64Array;
  /** Relative variance of the composition. */
  readonly foodVariance: Float64Array;
  /** By key: whether only a share of it may survive cooking. */
  readonly survives: readonly boolean[];
}

/** Figures of so many recipes, nothing in them yet. */
export function emptyFigures(recipes: number, keys: readonly FigureKey[]): BookFigures {
  return {
    keys,
    weight: new Float64Array(recipes),
    usedCost: new Float64Array(recipes),
    nutrients: new Float64Array(recipes * keys.length),
    uncertainty: new Float64Array(recipes * keys.length),
    atLeast: new Uint32Array(recipes),
  };
}

/**
 * Lays compiled recipes out in arrays, one number after another: what is read together lies together. Errors that several
 * entries share (a food used twice, an amount of another recipe's part) have a slot each; an error of one entry alone is
 * added on the spot.
 *
 * @param numberOf gives each food its number
 */
export function layoutOf(recipes: readonly CompiledRecipe[], numberOf: (food: string) => number, keys: number): Layout {
  const count = (of: (recipe: CompiledRecipe) => number) => recipes.reduce((sum, recipe) => sum + of(recipe), 0);
  const layout = new Layout(
    recipes.length,
    count(({ parts }) => parts.length),
    count(({ parts }) => parts.reduce((sum, { entries }) => sum + entries.length, 0)),
    keys,
  );
  for (const recipe of recipes) layout.add(recipe, numberOf);
  return layout;
}

export class Layout {
  // By recipe: where its parts begin, its weight, whether some of its cost is known without any price, where its slots begin.
  readonly #partsFrom: Int32Array;
  readonly #weight: Float64Array;
  readonly #costKnown: Uint8Array;
  readonly #slotsFrom: Int32Array;
  // By part: where its entries begin, lines without weight, whether its sums have a floor at nothing.
  readonly #entriesFrom: Int32Array;
  readonly #unweighed: Int32Array;
  readonly #floor: Uint8Array;
  // By entry: food, grams of a serving eaten and bought, retention, own relative variance, whether the food is nobody else's.
  readonly #food: Int32Array;
  readonly #eaten: Float64Array;
  /** Whether anything is eaten at all: a share of very little may come to 0. */
  readonly #isEaten: Uint8Array;
  readonly #bought: Float64Array;
  readonly #retention: Float64Array;
  readonly #ownVariance: Float64Array;
  readonly #foodAlone: Uint8Array;
  /** By entry: where its slots begin in `#slots`. */
  readonly #sharedFrom: Int32Array;
  readonly #slots: number[] = [];
  /** By slot: a food's number, or -1 with the variance beside it. */
  readonly #slotFood: number[] = [];
  readonly #slotVariance: number[] = [];
  #recipes = 0;
  #parts = 0;
  #entries = 0;
  #mostSlots = 0;

  constructor(
    recipes: number,
    parts: number,
    entries: number,
    readonly keys: number,
  ) {
    this.#partsFrom = new Int32Array(recipes + 1);
    this.#weight = new Float64Array(recipes);
    this.#costKnown = new Uint8Array(recipes);
    this.#slotsFrom = new Int32Array(recipes + 1);
    this.#entriesFrom = new Int32Array(parts + 1);
    this.#unweighed = new Int32Array(parts);
    this.#floor = new Uint8Array(parts);
    this.#food = new Int32Array(entries);
    this.#eaten = new Float64Array(entries);
    this.#isEaten = new Uint8Array(entries);
    this.#bought = new Float64Array(entries);
    this.#retention = new Float64Array(entries);
    this.#ownVariance = new Float64Array(entries);
    this.#foodAlone = new Uint8Array(entries);
    this.#sharedFrom = new Int32Array(entries + 1);
  }

  add({ parts }: CompiledRecipe, numberOf: (food: string) => number): void {
    const recipe = this.#recipes++;
    const timesFood = countsOf(parts, ({ food }) => [food]);
    const timesAmount = countsOf(parts, ({ amounts }) => amounts.map(({ name }) => name));
    const slotOf = new Map<string, number>();
    const slot = (name: string, food: number, variance: number) => {
      const known = slotOf.get(name);
      if (known !== undefined) return known;
      const next = slotOf.size;
      slotOf.set(name, next);
      this.#slotFood.push(food);
      this.#slotVariance.push(variance);
      return next;
    };
    for (const part of parts) {
      for (const entry of part.entries) {
        const at = this.#entries++;
        const food = numberOf(entry.food);
        const own = entry.amounts.filter(({ name }) => timesAmount.get(name) === 1);
        const alone = timesFood.get(entry.food) === 1;
        this.#food[at] = food;
        this.#eaten[at] = entry.eaten * part.share;
        this.#isEaten[at] = entry.eaten === 0 ? 0 : 1;
        this.#bought[at] = entry.bought * part.share;
        this.#retention[at] = entry.retention;
        this.#ownVariance[at] = own.reduce((sum, { variance }) => sum + variance, 0);
        this.#foodAlone[at] = alone ? 1 : 0;
        if (!alone) this.#slots.push(slot(`food ${entry.food}`, food, 0));
        for (const { name, variance } of entry.amounts)
          if (!own.some((one) => one.name === name)) this.#slots.push(slot(name, -1, variance));
        this.#sharedFrom[at + 1] = this.#slots.length;
        if (entry.bought === 0 && !entry.discard) this.#costKnown[recipe] = 1;
      }
      const p = this.#parts++;
      this.#entriesFrom[p + 1] = this.#entries;
      this.#unweighed[p] = part.unweighed;
      this.#floor[p] = part.discards ? 1 : 0;
      this.#weight[recipe] = (this.#weight[recipe] ?? 0) + part.portion;
      if (part.lines === 0) this.#costKnown[recipe] = 1;
    }
    if (parts.length === 0) this.#costKnown[recipe] = 0;
    this.#partsFrom[recipe + 1] = this.#parts;
    this.#slotsFrom[recipe + 1] = this.#slotFood.length;
    this.#mostSlots = Math.max(this.#mostSlots, slotOf.size);
  }

  /** Numbers of the recipes that hold a food. */
  recipesWith(food: number): number[] {
    const found: number[] = [];
    for (let recipe = 0; recipe < this.#recipes; recipe++) {
      const to = this.#entriesFrom[this.#partsFrom[recipe + 1] ?? 0] ?? 0;
      for (let e = this.#entriesFrom[this.#partsFrom[recipe] ?? 0] ?? 0; e < to; e++)
        if (this.#food[e] === food) {
          found.push(recipe);
          break;
        }
    }
    return found;
  }

  /**
   * Adds everything up. Long and flat on purpose: this is the one loop that must keep up with a bare one, so it allocates
   * nothing and looks each number up once.
   */
  sum(into: BookFigures, foods: FoodNumbers): void {
    const K = this.keys;
    const { perGram, lacking, rates, foodVariance, survives } = foods;
    const { nutrients, uncertainty, usedCost, weight, atLeast } = into;
    const food = this.#food;
    const eaten = this.#eaten;
    const isEaten = this.#isEaten;
    const bought = this.#bought;
    const retention = this.#retention;
    const ownVariance = this.#ownVariance;
    const foodAlone = this.#foodAlone;
    const sharedFrom = this.#sharedFrom;
    const entriesFrom = this.#entriesFrom;
    const slots = Int32Array.from(this.#slots);
    const allKeys = 2 ** K - 1;
    const allGaps = 2 ** (K + 1) - 1;
    const sums = new Float64Array(K);
    const variances = new Float64Array(K);
    const moved = new Float64Array(this.#mostSlots * K);
    weight.set(this.#weight);
    for (let recipe = 0; recipe < this.#recipes; recipe++) {
      const out = recipe * K;
      let known = 0;
      let gaps = 0;
      let cost = 0;
      let costKnown = this.#costKnown[recipe] === 1;
      variances.fill(0);
      const firstSlot = this.#slotsFrom[recipe]!;
      const slotCount = this.#slotsFrom[recipe + 1]! - firstSlot;
      if (slotCount > 0) moved.fill(0, 0, slotCount * K);
      for (let p = this.#partsFrom[recipe]!; p < this.#partsFrom[recipe + 1]!; p++) {
        sums.fill(0);
        if (this.#unweighed[p]! > 0) gaps = allGaps;
        const to = entriesFrom[p + 1]!;
        for (let e = entriesFrom[p]!; e < to; e++) {
          const f = food[e]!;
          const grams = eaten[e]!;
          const base = f * K;
          const lacks = lacking[f]!;
          known |= ~lacks;
          if (isEaten[e] === 1) gaps |= lacks;
          const buys = bought[e]!;
          if (buys !== 0) {
            const rate = rates[f]!;
            if (rate === rate) {
              cost += buys * rate;
              costKnown = true;
            } else gaps |= 1 << K;
          }
          const variance = ownVariance[e]! + (foodAlone[e] === 1 ? foodVariance[f]! : 0);
          const kept = retention[e]!;
          if (kept === 1)
            for (let k = 0; k < K; k++) {
              const move = grams * perGram[base + k]!;
              sums[k] = sums[k]! + move;
              variances[k] = variances[k]! + move * move * variance;
            }
          else
            for (let k = 0; k < K; k++) {
              const move = grams * perGram[base + k]! * (survives[k] ? kept : 1);
              sums[k] = sums[k]! + move;
              variances[k] = variances[k]! + move * move * variance;
            }
          for (let s = sharedFrom[e]!; s < sharedFrom[e + 1]!; s++) {
            const slot = slots[s]! * K;
            for (let k = 0; k < K; k++)
              moved[slot + k] = moved[slot + k]! + grams * perGram[base + k]! * (kept !== 1 && survives[k] ? kept : 1);
          }
        }
        const floor = this.#floor[p] === 1;
        for (let k = 0; k < K; k++) {
          const sum = sums[k]!;
          nutrients[out + k] = nutrients[out + k]! + (floor && sum < 0 ? 0 : sum);
        }
      }
      for (let s = 0; s < slotCount; s++) {
        const shared = this.#slotFood[firstSlot + s]!;
        const variance = shared < 0 ? this.#slotVariance[firstSlot + s]! : foodVariance[shared]!;
        for (let k = 0; k < K; k++) {
          const move = moved[s * K + k]!;
          variances[k] = variances[k]! + move * move * variance;
        }
      }
      for (let k = 0; k < K; k++) uncertainty[out + k] = Math.sqrt(variances[k]!);
      if ((known & allKeys) !== allKeys) for (let k = 0; k < K; k++) if (((known >> k) & 1) === 0) nutrients[out + k] = NaN;
      usedCost[recipe] = costKnown ? cost : NaN;
      atLeast[recipe] = gaps;
    }
  }
}

/** How many entries of a recipe name each thing. */
function countsOf(parts: CompiledRecipe['parts'], names: (entry: Entry) => readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { entries } of parts)
    for (const entry of entries) for (const name of names(entry)) counts.set(name, (counts.get(name) ?? 0) + 1);
  return counts;
}
