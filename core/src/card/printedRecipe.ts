import { midpointOf, millilitresOf, snapAmount, type MeasuringSystem } from '../quantity/index.js';
import { lineWeights, timesWritten, withEveryLine, type CardUnits, type Kitchen, type Line, type Recipe } from '../recipe/index.js';
import { handyMeasure } from '../scale/index.js';

const GRAMS_PER_OUNCE = 28.349523125;
const GRAMS_PER_POUND = 16 * GRAMS_PER_OUNCE;
/** How far measuring another way may move the weight of a line, as a share of it: beyond, the line stays as it is written. */
const NEAR_ENOUGH = 0.06;

/**
 * A recipe in the measures that its card prints first: every weight and volume in grams and litres, or in ounces and US cups. What
 * measuring otherwise would move by more than 6 % of its weight, counts and spoons that are the same anywhere stay as they are
 * written (docs/reckoning.md, "Scaling": a card's figures are of the amounts it prints, so these go before them).
 */
export function inCardUnits(recipe: Recipe, units: CardUnits, kitchen: Kitchen): Recipe {
  if (units === 'written') return recipe;
  const from = recipe.measures ?? kitchen.settings.measures;
  const to: MeasuringSystem = units === 'us' ? 'us' : from === 'us' ? 'metric' : from;
  const times = timesWritten(recipe);
  const target: Recipe = { ...recipe, measures: to };
  return withEveryLine(target, (line) => {
    const measured = units === 'us' ? inUs(line, from, times, target, kitchen) : inMetric(line, from);
    // Spoons and cups differ from country to country: whatever keeps its unit has to weigh the same as before.
    const kept = sameWeight(line, measured, from, to, times, kitchen) ? measured : line;
    return sameWeight(line, kept, from, to, times, kitchen) ? kept : inGrams(line, from, kitchen);
  });
}

function inUs(line: Line, from: MeasuringSystem, times: number, recipe: Recipe, kitchen: Kitchen): Line {
  const { amount, unit } = line;
  if (amount === undefined || unit === undefined) return line;
  if (unit === 'g' || unit === 'kg') {
    const grams = midpointOf(amount) * (unit === 'kg' ? 1000 : 1) * times;
    // Below half an ounce no kitchen scale of ounces shows anything to go by.
    if (grams < 0.5 * GRAMS_PER_OUNCE) return line;
    const pounds = grams / GRAMS_PER_POUND;
    const asPounds = pounds >= 1 && Math.abs(snapAmount(pounds, 'lb') / pounds - 1) <= 0.02;
    return inUnit(line, asPounds ? 'lb' : 'oz', (unit === 'kg' ? 1000 : 1) / (asPounds ? GRAMS_PER_POUND : GRAMS_PER_OUNCE));
  }
  const own = millilitresOf(unit, from);
  const spoon = millilitresOf('tsp', 'us');
  if (own === undefined || spoon === undefined) return line;
  const spooned = inUnit(line, 'tsp', own / spoon);
  return handyMeasure(spooned, recipe, kitchen);
}

function inMetric(line: Line, from: MeasuringSystem): Line {
  const { amount, unit } = line;
  if (amount === undefined) return line;
  if (unit === 'oz') return inUnit(line, 'g', GRAMS_PER_OUNCE);
  if (unit === 'lb') return inUnit(line, 'g', GRAMS_PER_POUND);
  const own = unit === undefined || unit === 'tsp' || unit === 'tbsp' ? undefined : millilitresOf(unit, from);
  return own === undefined ? line : inUnit(line, 'ml', own);
}

/** In grams as it weighs, where any other measure would weigh otherwise. */
function inGrams(line: Line, from: MeasuringSystem, kitchen: Kitchen): Line {
  const one = gramsOf({ ...line, amount: 1 }, from, kitchen);
  return one === undefined ? line : inUnit(line, 'g', one);
}

function inUnit(line: Line, unit: string, factor: number): Line {
  const { amount } = line;
  if (amount === undefined) return line;
  const { also: _second, ...rest } = line;
  return { ...rest, unit, amount: typeof amount === 'number' ? amount * factor : [amount[0] * factor, amount[1] * factor] };
}

function sameWeight(was: Line, is: Line, from: MeasuringSystem, to: MeasuringSystem, times: number, kitchen: Kitchen): boolean {
  const before = gramsOf(was, from, kitchen);
  const snapped =
    is.amount === undefined || is.unit === undefined || is === was
      ? is
      : { ...is, amount: snapAmount(midpointOf(is.amount) * times, is.unit) / times };
  const after = gramsOf(snapped, to, kitchen);
  if (before === undefined || after === undefined) return before === after;
  return Math.abs(after - before) <= NEAR_ENOUGH * before;
}

/** Edible grams: what is bought in one measure and weighed out in another is not the same line. */
function gramsOf(line: Line, system: MeasuringSystem, kitchen: Kitchen): number | undefined {
  const food = line.food === undefined ? undefined : kitchen.food(line.food);
  return food && lineWeights(line, food, system, kitchen.packsOf(food.id))?.edible;
}
