import type { Figure, Kitchen, LineFigures } from '@portiona/core';
import type { Column } from './columns';

/** What a line's share of the energy is drawn of. */
const SPLIT = ['energyKcal', 'protein', 'carbohydrateAvailable', 'fat', 'fibre'] as const;

/**
 * Whether two computations of one line say the same of it in its words and its share. At every key all lines are computed anew, and
 * a row whose line says the same is left as it is: whatever a row comes to show has to be held together here.
 */
export function readsTheSame(a: LineFigures | undefined, b: LineFigures | undefined): boolean {
  if (!a || !b) return a === b;
  return (
    a.counted === b.counted &&
    isOfTheSame(a.of, b.of) &&
    a.weights?.purchase === b.weights?.purchase &&
    a.weights?.edible === b.weights?.edible &&
    a.weights?.eaten === b.weights?.eaten &&
    SPLIT.every((nutrient) => a.nutrients[nutrient].amount === b.nutrients[nutrient].amount)
  );
}

/** Whether they come to the same in the columns beside it. */
export function comesToTheSame(
  a: LineFigures | undefined,
  b: LineFigures | undefined,
  columns: readonly Column[],
  kitchen: Kitchen,
): boolean {
  if (!a || !b) return a === b;
  const same = (one: Figure, other: Figure) => one.amount === other.amount && one.gaps.length === other.gaps.length;
  return columns.every((column) => same(column.ofLine(a, kitchen), column.ofLine(b, kitchen)));
}

function isOfTheSame(a: LineFigures['of'], b: LineFigures['of']): boolean {
  if (a.kind === 'food' && b.kind === 'food') return a.resolved.food === b.resolved.food;
  if (a.kind === 'part' && b.kind === 'part') return a.recipe === b.recipe;
  return a.kind === b.kind;
}
