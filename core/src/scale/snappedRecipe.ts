import { midpointOf, snapAmount, type Amount } from '../quantity/index.js';
import { recipeFigures, timesWritten, withEveryLine, type Kitchen, type Line, type Recipe, type RecipeFigures } from '../recipe/index.js';

/** One line's amount made measurable. */
export interface SnapDrift {
  readonly at: string;
  readonly from: Amount;
  readonly to: Amount;
  /** (to - from) / from. */
  readonly drift: number;
}

/** A recipe in amounts that people can measure. */
export interface SnappedAmounts {
  readonly recipe: Recipe;
  /** Lines whose amount changed. */
  readonly lines: readonly SnapDrift[];
}

/** A recipe in amounts that people can measure, and what that changes. */
export interface SnappedRecipe extends SnappedAmounts {
  /** Figures of the recipe as printed: what readers will weigh. */
  readonly figures: RecipeFigures;
  /** What snapping adds to one serving: kcal, grams, major units; undefined where unknown. */
  readonly perServing: {
    readonly energyKcal: number | undefined;
    readonly protein: number | undefined;
    readonly usedCost: number | undefined;
  };
}

/**
 * Snaps every amount to what people can measure (docs/reckoning.md, "Scaling"). Amounts "to taste" and parts of other recipes
 * taken by weight are snapped in grams; ranges at both ends; the lines of variants as the dish's own.
 */
export function snappedAmounts(recipe: Recipe): SnappedAmounts {
  const times = timesWritten(recipe);
  const lines: SnapDrift[] = [];
  const snapped = withEveryLine(recipe, (line, where) => {
    const next = snappedLine(line, times);
    const [from, to] = [line.amount ?? line.toTaste, next.amount ?? next.toTaste];
    if (from === undefined || to === undefined || Math.abs(midpointOf(to) - midpointOf(from)) <= 1e-9 * midpointOf(from)) return line;
    if ('at' in where) lines.push({ at: where.at, from, to, drift: midpointOf(to) / midpointOf(from) - 1 });
    return next;
  });
  return { recipe: snapped, lines };
}

/**
 * Snaps every amount, and computes the figures again from what the card will print (docs/reckoning.md, "Scaling").
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function snappedRecipe(recipe: Recipe, kitchen: Kitchen): SnappedRecipe {
  const snapped = snappedAmounts(recipe);
  const before = recipeFigures(recipe, kitchen).perServing;
  const figures = recipeFigures(snapped.recipe, kitchen);
  const after = figures.perServing;
  return {
    ...snapped,
    figures,
    perServing: {
      energyKcal: difference(before.nutrients.energyKcal.amount, after.nutrients.energyKcal.amount),
      protein: difference(before.nutrients.protein.amount, after.nutrients.protein.amount),
      usedCost: difference(before.usedCost.amount, after.usedCost.amount),
    },
  };
}

/** An amount written per serving is measured per batch: it is snapped there, and brought back. */
function snappedLine(line: Line, times: number): Line {
  const { amount, unit = 'g' } = line;
  if (amount === undefined) return line.toTaste === undefined ? line : { ...line, toTaste: snapAmount(line.toTaste, 'g') };
  const snap = (one: number) => snapAmount(one * times, unit) / times;
  return { ...line, amount: typeof amount === 'number' ? snap(amount) : [snap(amount[0]), snap(amount[1])] };
}

function difference(before: number | undefined, after: number | undefined): number | undefined {
  return before === undefined || after === undefined ? undefined : after - before;
}
