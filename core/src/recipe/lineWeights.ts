import { edibleShare, yieldOf, type CookingMethod, type Food } from '../food/index.js';
import { midpointOf, relativeHalfWidth, type MeasuringSystem } from '../quantity/index.js';
import type { Pack } from '../price/index.js';
import type { Line, Method } from './recipe.js';
import { writtenUnit, type WrittenUnit } from './writtenGrams.js';

/** A line from what is written to what is eaten, all in grams of the batch. */
export interface LineWeights {
  /** As written: as purchased or edible, in the line's own state. */
  readonly grams: number;
  /** As purchased: what must be bought. */
  readonly purchase: number;
  /** Edible, in the state of the composition. */
  readonly edible: number;
  readonly eaten: number;
  /** Both ends of a range, as written. */
  readonly range?: readonly [low: number, high: number];
  readonly method: Method;
  /** Half-width of the range over its midpoint; 0 without one. */
  readonly halfWidth: number;
  readonly unit?: WrittenUnit;
}

/**
 * A line's weights (docs/reckoning.md, "Grams as written" to "Grams eaten"): as written -> edible, by refuse and draining (AP to
 * EP; the line's own loss in place of the food's refuse) and by the food's yield where amount and composition are in different states -> eaten, by the retained share.
 *
 * @param times multiplies the written amount: the servings, for amounts written per serving; not for `toTaste`
 * @returns undefined when no weight can be had: the line has no figure
 */
export function lineWeights(line: Line, food: Food, system: MeasuringSystem, packs: readonly Pack[], times = 1): LineWeights | undefined {
  const written = writtenAmount(line, food, system, packs, times);
  if (!written) return undefined;
  const { grams, unit } = written;
  const as = line.as ?? unit?.as ?? 'EP';
  const { inFoodsState, bought } = acrossStates(line, food);
  const eatable = edibleShare(asTrimmed(line, food));
  const edible = grams * inFoodsState * (as === 'AP' ? eatable : 1);
  const purchase = grams * bought * (as === 'AP' ? 1 : 1 / eatable);
  const amount = line.amount;
  return {
    grams,
    purchase,
    edible,
    eaten: edible * (line.retained ?? 1),
    ...(amount !== undefined && typeof amount !== 'number' && unit?.grams !== undefined
      ? { range: [amount[0] * times * unit.grams, amount[1] * times * unit.grams] as const }
      : {}),
    method: line.method ?? unit?.method ?? 'assumed',
    halfWidth: amount === undefined ? 0 : relativeHalfWidth(amount),
    ...(unit ? { unit } : {}),
  };
}

/** The food as a line trims it: its own loss takes the place of the food's refuse. */
export function asTrimmed({ loss }: Pick<Line, 'loss'>, food: Food): Food {
  return loss === undefined ? food : { ...food, refuse: loss };
}

/**
 * Grams as written of an amount in a unit.
 *
 * @returns undefined when no weight can be had
 */
function writtenAmount(line: Line, food: Food, system: MeasuringSystem, packs: readonly Pack[], times: number) {
  if (line.amount === undefined) return line.toTaste === undefined ? undefined : { grams: line.toTaste, unit: undefined };
  const unit = writtenUnit(line.unit ?? 'g', food, system, packs);
  return unit.grams === undefined ? undefined : { grams: midpointOf(line.amount) * times * unit.grams, unit };
}

/**
 * Factors from grams as written to grams in the state of the composition, and to grams as bought (kitchen file, `state`):
 * a cooked amount of an uncooked food is divided by its yield, an uncooked amount of a cooked food multiplied; what is
 * bought is then the weight before cooking.
 */
function acrossStates(line: Line, food: Food): { inFoodsState: number; bought: number } {
  const foodCooked = food.state === 'cooked';
  const lineCooked = line.state === undefined ? foodCooked : line.state === 'cooked';
  const cookingYield = yieldOf(food, line.cooking);
  if (lineCooked && !foodCooked) return { inFoodsState: 1 / cookingYield, bought: 1 / cookingYield };
  if (!lineCooked && foodCooked) return { inFoodsState: cookingYield, bought: 1 };
  return { inFoodsState: 1, bought: 1 };
}

/** Grams eaten to grams cooked: the food's yield by the line's cooking, 1 where its composition is already of the cooked food. */
export function cookedPerEaten(food: Food, cooking?: CookingMethod): number {
  return food.state === 'cooked' ? 1 : yieldOf(food, cooking);
}
