import { midpointOf, snapStep, timesAmount, type Amount } from '../quantity/index.js';
import { placeOf, placesByReference, timesWritten, withEveryLine, type Line, type Recipe } from '../recipe/index.js';
import { lineText } from '../text/index.js';

/** A line's amount changed. */
export interface LineChange {
  readonly at: string;
  /** New amount over old. */
  readonly factor: number;
  /** As written; grams assumed for what is "to taste". */
  readonly from: Amount;
  readonly to: Amount;
  readonly unit: string;
}

/** The recipe with lines' amounts multiplied, by place: what was measured of the whole stays as it was measured. */
export function withFactors(recipe: Recipe, factors: ReadonlyMap<string, number>): Recipe {
  if ([...factors.values()].every((factor) => factor === 1)) return recipe;
  return {
    ...recipe,
    parts: recipe.parts.map((part) => ({
      ...part,
      lines: part.lines.map((line, i) => timesLine(line, factors.get(placeOf(part, i)) ?? 1)),
    })),
  };
}

/** The changes that factors come to, in the lines' own units, for the amounts as written. */
export function changesOf(recipe: Recipe, factors: ReadonlyMap<string, number>): LineChange[] {
  return recipe.parts.flatMap((part) =>
    part.lines.flatMap((line, i) => {
      const at = placeOf(part, i);
      const factor = factors.get(at) ?? 1;
      const from = line.amount ?? line.toTaste;
      if (Math.abs(factor - 1) < SAME || from === undefined) return [];
      return [{ at, factor, from, to: cleanAmount(timesAmount(from, factor)), unit: line.amount === undefined ? 'g' : (line.unit ?? 'g') }];
    }),
  );
}

/**
 * The recipe with some changes taken: each line says its new amount, in its structure and in its text. What stands in a changed
 * line's place in a variant changes by the same factor.
 */
export function withChanges(recipe: Recipe, changes: readonly LineChange[]): Recipe {
  const byPlace = new Map(changes.map((change) => [change.at, change]));
  const places = placesByReference(recipe);
  return withEveryLine(recipe, (line, where) => {
    if ('at' in where) {
      const change = byPlace.get(where.at);
      return change ? worded(changedTo(line, change.to, change.factor)) : line;
    }
    const stands = recipe.variants?.[where.variant]?.changes[where.change];
    const change = stands && 'at' in stands ? byPlace.get(places.get(stands.at) ?? '') : undefined;
    const amount = line.amount ?? line.toTaste;
    return change && amount !== undefined ? worded(changedTo(line, cleanAmount(timesAmount(amount, change.factor)), change.factor)) : line;
  });
}

function changedTo(line: Line, to: Amount, factor: number): Line {
  return {
    ...line,
    ...(line.amount === undefined ? { toTaste: midpointOf(to) } : { amount: to }),
    ...(line.also ? { also: { ...line.also, amount: clean(line.also.amount * factor) } } : {}),
  };
}

/** A line whose text, where it has one, says what it holds. */
export function worded(line: Line): Line {
  return line.text === undefined ? line : { ...line, text: lineText(line, undefined) };
}

/** Smaller changes are the solver's last digits. */
const SAME = 1e-6;

/**
 * The step in which a person gives and takes a little of something, in the amount's unit: finer than what a card prints.
 *
 * @param batch amount for the batch
 * @returns undefined for a unit that counts or measures by its own shares: halves then
 */
export function practicalStep(batch: number, unit: string): number {
  if (unit === 'g' || unit === 'ml') return batch < 1 ? 0.1 : batch < 10 ? 0.5 : batch < 50 ? 1 : batch < 500 ? 5 : 10;
  if (unit === 'kg' || unit === 'l') return practicalStep(batch * 1000, 'g') / 1000;
  if (unit === 'mg') return 10;
  if (unit === 'oz' || unit === 'floz' || unit === 'tsp' || unit === 'cup') return 0.25;
  return unit === 'lb' ? 0.05 : 0.5;
}

/** Steps of a line, in which a person gives and takes a little of it, as a factor of its amount; undefined where there is none of it. */
export function stepFactor(line: Line, recipe: Recipe): number | undefined {
  const batch = batchAmount(line, recipe);
  return batch === 0 ? undefined : practicalStep(batch, unitOf(line)) / batch;
}

/**
 * Steps of a line that a card would print it in, as a factor of its amount; undefined where there is none of it.
 *
 * @param factor the amount is to be about so many times what it is
 * @param share of the step
 */
export function printedStepFactor(line: Line, recipe: Recipe, factor: number, share = 1): number | undefined {
  const batch = batchAmount(line, recipe);
  return batch === 0 ? undefined : (snapStep(batch * factor, unitOf(line)) * share) / batch;
}

function batchAmount(line: Line, recipe: Recipe): number {
  return line.amount === undefined ? (line.toTaste ?? 0) : midpointOf(line.amount) * timesWritten(recipe);
}

function unitOf(line: Line): string {
  return line.amount === undefined ? 'g' : (line.unit ?? 'g');
}

function timesLine(line: Line, factor: number): Line {
  if (factor === 1) return line;
  return {
    ...line,
    ...(line.amount === undefined ? {} : { amount: timesAmount(line.amount, factor) }),
    ...(line.toTaste === undefined ? {} : { toTaste: line.toTaste * factor }),
    ...(line.also ? { also: { ...line.also, amount: line.also.amount * factor } } : {}),
  };
}

function cleanAmount(amount: Amount): Amount {
  return typeof amount === 'number' ? clean(amount) : [clean(amount[0]), clean(amount[1])];
}

/** Freed of the last digits that a factor leaves: 0.30000000000000004 is 0.3. */
function clean(amount: number): number {
  return Number(amount.toPrecision(10));
}
