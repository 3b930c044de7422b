import {
  cookedPerEaten,
  cookedWeightOf,
  divide,
  isFreeStaple,
  lineWeights,
  partLineWeights,
  servedOf,
  timesWritten,
  UnknownPartError,
  weighsSomething,
  CircularPartError,
  type Kitchen,
  type Line,
  type LineWeights,
  type Part,
  type Recipe,
} from '../recipe/index.js';
import { amountVariance } from '../sureness/index.js';

/** One food in one place of a recipe, reduced to what a serving's figures need of it. */
export interface Entry {
  readonly food: string;
  /** Grams eaten of it in the batch of its part; negative for a discard. */
  readonly eaten: number;
  /** Grams bought and paid for; 0 for a discard or a free staple. */
  readonly bought: number;
  readonly discard: boolean;
  /** Share of vitamins and minerals that survives. */
  readonly retention: number;
  /** What its amount depends on: names of the sources of error, with their relative variance. */
  readonly amounts: readonly AmountError[];
}

export interface AmountError {
  readonly name: string;
  readonly variance: number;
}

/** A part's entries, for the batch. */
export interface CompiledPart {
  readonly entries: readonly Entry[];
  /** Lines that are counted. */
  readonly lines: number;
  readonly cooked: number;
  /** Lines of which no weight is known: every figure lacks them. */
  readonly unweighed: number;
  /** Whether something is thrown away, so that a sum could fall below nothing. */
  readonly discards: boolean;
}

/** A part in the box, and a serving's share of it. */
export interface BoxedPart extends CompiledPart {
  readonly share: number;
  /** Grams of one serving. */
  readonly portion: number;
}

/** A recipe reduced to what its box comes to. */
export interface CompiledRecipe {
  readonly parts: readonly BoxedPart[];
  /** A part of another recipe throws something away: its own floor at nothing cannot be told apart here. */
  readonly needsTrace: boolean;
}

/**
 * Reduces a recipe to foods and grams, so that its figures follow from the foods' composition and price alone
 * (domain page, 4.1 to 4.7). Everything that the foods' weights decide is worked out here, once.
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function compiledRecipe(recipe: Recipe, kitchen: Kitchen): CompiledRecipe {
  const compiler = new Compiler(kitchen);
  const parts = recipe.parts
    .filter((part) => servedOf(part) === 'box')
    .map((part): BoxedPart => {
      const compiled = compiler.part(part, recipe, '', []);
      const { share, portion } = divide(part.portion, compiled.cooked, recipe.servings);
      return { ...compiled, share, portion };
    });
  return { parts, needsTrace: compiler.needsTrace };
}

class Compiler {
  needsTrace = false;

  constructor(readonly kitchen: Kitchen) {}

  part(part: Part, recipe: Recipe, owner: string, within: readonly string[]): CompiledPart {
    const key = `${recipe.id}/${part.id}`;
    if (within.includes(key)) throw new CircularPartError([...within, key]);
    const inside = [...within, key];
    const entries: Entry[] = [];
    let cooked = 0;
    let unweighed = 0;
    part.lines.forEach((line, i) => {
      if (line.optional === true) return;
      const at = `${owner}${part.id}/${i + 1}`;
      const added = line.food === undefined ? this.#partLine(line, recipe, at, inside) : this.#foodLine(line, line.food, recipe, at);
      if (!added) unweighed++;
      else {
        entries.push(...added.entries);
        cooked += added.eaten * (part.yield ?? added.cookedPerEaten);
      }
    });
    (part.discards ?? []).forEach((discard, i) => {
      const added = this.#foodLine({ ...discard, as: 'EP' }, discard.food, recipe, `${owner}${part.id}/discards/${i + 1}`);
      if (!added) unweighed++;
      else for (const entry of added.entries) entries.push({ ...entry, eaten: -entry.eaten, bought: 0, discard: true });
      cooked -= added?.eaten ?? 0;
    });
    const lines = part.lines.filter(({ optional }) => optional !== true).length;
    return {
      entries,
      lines,
      cooked: cookedWeightOf(part, Math.max(0, cooked)).cooked,
      unweighed,
      discards: (part.discards ?? []).length > 0,
    };
  }

  #foodLine(line: Line, food: string, recipe: Recipe, at: string) {
    const { kitchen } = this;
    const basis = kitchen.basisOf(food);
    const weights = lineWeights(
      line,
      basis.food,
      recipe.measures ?? kitchen.settings.measures,
      kitchen.packsOf(food),
      timesWritten(recipe),
    );
    if (!weights) return undefined;
    const entry: Entry = {
      food,
      eaten: weights.eaten,
      bought: isFreeStaple(basis.food, kitchen) ? 0 : weights.purchase,
      discard: false,
      retention: line.retention ?? 1,
      amounts: [amountError(at, weights)],
    };
    return { entries: [entry], eaten: weights.eaten, cookedPerEaten: cookedPerEaten(basis.food, line.cooking) };
  }

  #partLine(line: Line, recipe: Recipe, at: string, within: readonly string[]) {
    if (line.recipe === undefined) return undefined;
    const base = this.kitchen.recipe(line.recipe);
    const part = base?.parts.find(({ id }) => id === line.part);
    if (!base || !part) throw new UnknownPartError(line.recipe, line.part ?? '');
    const compiled = this.part(part, base, `${base.id}:`, within);
    const weights = weighsSomething(compiled.cooked) ? partLineWeights(line, timesWritten(recipe)) : undefined;
    if (!weights) return undefined;
    if (compiled.discards || compiled.unweighed > 0) this.needsTrace = true;
    const taken = weights.grams / compiled.cooked;
    const own = amountError(at, weights);
    return {
      entries: compiled.entries.map((entry): Entry => ({
        ...entry,
        eaten: entry.eaten * taken * (line.retained ?? 1),
        bought: entry.bought * taken,
        amounts: [...entry.amounts, own],
      })),
      eaten: weights.eaten,
      cookedPerEaten: 1,
    };
  }
}

function amountError(name: string, { method, halfWidth }: LineWeights): AmountError {
  return { name, variance: amountVariance(method, halfWidth) };
}
