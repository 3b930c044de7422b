import type { CarbohydrateConvention, LabelNutrient } from '../food/index.js';
import { keptFigure, servedOf, type FigureKey, type PartFigures, type RecipeFigures } from '../recipe/index.js';
import { errorModelOf } from './errorModel.js';
import { amountVariance, UNCERTAINTY_OF_METHOD } from './uncertainty.js';

/** 95 % of a normal distribution lies within this many standard uncertainties. */
export const COVERAGE = 1.96;

/** Low and high end, in the figure's unit. */
export type Band = readonly [low: number, high: number];

/**
 * The 95 % band of one figure of a serving: value -/+ 1.96 u, never below 0 (docs/reckoning.md, "How sure it is"). Independent errors add
 * in squares; one food used twice shares its composition error; shares of a part count as exact, but for one that is taken by eye; a discard counts as a
 * measured line; a part of another recipe brings its errors along.
 *
 * @param parts the parts of the serving
 * @param key the figure
 * @returns low and high end in the figure's unit; undefined when nothing of it is known
 */
export function bandOf(parts: readonly PartFigures[], key: FigureKey): Band | undefined {
  return bandAround(parts, key, standardUncertainty(parts, key));
}

/** The same, of a standard uncertainty that is known already. */
export function bandAround(parts: readonly PartFigures[], key: FigureKey, uncertainty: number): Band | undefined {
  const known = parts.filter(({ nutrients }) => nutrients[key].amount !== undefined);
  if (known.length === 0) return undefined;
  const figure = known.reduce((sum, { nutrients, share }) => sum + (nutrients[key].amount ?? 0) * share.share, 0);
  const spread = COVERAGE * uncertainty;
  return [Math.max(0, figure - spread), figure + spread];
}

/**
 * Standard uncertainty of one figure of a serving, in the figure's unit: what each source of error moves, in squares. A range
 * adds its half-width / sqrt 3 (docs/reckoning.md, "How sure it is").
 */
export function standardUncertainty(parts: readonly PartFigures[], key: FigureKey): number {
  return standardUncertainties(parts, [key])[0] ?? 0;
}

/** The same of several figures, in their order, the serving taken apart once. */
export function standardUncertainties(parts: readonly PartFigures[], keys: readonly FigureKey[]): number[] {
  const { sources, contributions } = errorModelOf(parts, keys);
  return keys.map((_, k) => {
    const moved = new Float64Array(sources.length);
    for (const { moves, sources: of } of contributions) for (const source of of) moved[source] = (moved[source] ?? 0) + (moves[k] ?? 0);
    const variance = sources.reduce(
      (sum, { relative, halfWidth }, i) => sum + (moved[i] ?? 0) ** 2 * (relative ** 2 + halfWidth ** 2 / 3),
      0,
    );
    return Math.sqrt(variance);
  });
}

/** A line worth weighing, and what weighing it would do. */
export interface WeighNext {
  readonly at: string;
  /** Variance of a serving's energy that a 1 % scale would save, kcal squared. */
  readonly saved: number;
  /** Half the 95 % band of a serving's energy now and after, kcal. */
  readonly now: number;
  readonly after: number;
}

/**
 * The lines whose weighing at 1 % takes most off the variance of a serving's energy, largest first; lines that weighing
 * does not help are left out (docs/reckoning.md, "How sure it is").
 */
export function weighNext(parts: readonly PartFigures[]): WeighNext[] {
  const variance = standardUncertainty(parts, 'energyKcal') ** 2;
  const rows = parts.flatMap((part) =>
    part.lines.flatMap(({ at, counted, weights, nutrients }) => {
      const energy = (nutrients.energyKcal.amount ?? 0) * part.share.share;
      if (!counted || !weights) return [];
      const saved = energy ** 2 * (amountVariance(weights.method, weights.halfWidth) - UNCERTAINTY_OF_METHOD.scale ** 2);
      const after = COVERAGE * Math.sqrt(Math.max(0, variance - saved));
      return saved > 1e-12 * variance ? [{ at, saved, now: COVERAGE * Math.sqrt(variance), after }] : [];
    }),
  );
  return rows.sort((a, b) => b.saved - a.saved);
}

/**
 * The 95 % band of a figure of the box, as people read it: salt in grams, carbohydrate by the kitchen's convention
 * (docs/reckoning.md, "How sure it is"). The same as `bandOf` of the kept figure.
 */
export function boxBand(figure: LabelNutrient, { parts }: RecipeFigures, convention: CarbohydrateConvention): Band | undefined {
  const { key, shown } = keptFigure(figure, convention);
  const band = bandOf(
    parts.filter(({ part }) => servedOf(part) === 'box'),
    key,
  );
  return band && [shown(band[0]), shown(band[1])];
}
