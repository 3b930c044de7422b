import type { FigureKey, LineFigures, PartFigures } from '../recipe/index.js';
import { amountVariance, UNCERTAINTY_OF_METHOD, UNCERTAINTY_OF_SOURCE } from './uncertainty.js';

/** 95 % of a normal distribution lies within this many standard uncertainties. */
const COVERAGE = 1.96;

/** One independent source of error: what it moves the figure by, and its relative variance. */
interface ErrorTerm {
  moves: number;
  readonly variance: number;
}

/**
 * The 95 % band of one figure of a serving: value -/+ 1.96 u, never below 0 (domain page, 4.10). Independent errors add
 * in squares; one food used twice shares its composition error; shares of a part count as exact; a discard counts as a
 * measured line; a part of another recipe brings its errors along.
 *
 * @param parts the parts of the serving
 * @param key the figure
 * @returns low and high end in the figure's unit; undefined when nothing of it is known
 */
export function bandOf(parts: readonly PartFigures[], key: FigureKey): readonly [low: number, high: number] | undefined {
  const known = parts.filter(({ nutrients }) => nutrients[key].amount !== undefined);
  if (known.length === 0) return undefined;
  const figure = known.reduce((sum, { nutrients, share }) => sum + (nutrients[key].amount ?? 0) * share.share, 0);
  const spread = COVERAGE * standardUncertainty(parts, key);
  return [Math.max(0, figure - spread), figure + spread];
}

/** Standard uncertainty of one figure of a serving, in the figure's unit. */
export function standardUncertainty(parts: readonly PartFigures[], key: FigureKey): number {
  const terms = new Map<string, ErrorTerm>();
  for (const part of parts) collect(terms, part, key, part.share.share, '');
  let variance = 0;
  for (const { moves, variance: relative } of terms.values()) variance += moves ** 2 * relative;
  return Math.sqrt(variance);
}

function collect(terms: Map<string, ErrorTerm>, part: PartFigures, key: FigureKey, share: number, owner: string): void {
  for (const line of part.lines) if (line.counted) collectLine(terms, line, key, share, owner);
  for (const { at, basis, weights, nutrients } of part.discards) {
    const moves = -(nutrients[key].amount ?? 0) * share;
    if (!weights || moves === 0) continue;
    add(terms, `amount ${owner}${at}`, moves, amountVariance(weights.method, 0));
    add(terms, `food ${basis.food.id}`, moves, UNCERTAINTY_OF_SOURCE[basis.food.source ?? 'estimate'] ** 2);
  }
}

function collectLine(terms: Map<string, ErrorTerm>, line: LineFigures, key: FigureKey, share: number, owner: string): void {
  const { at, weights, nutrients, of } = line;
  const moves = (nutrients[key].amount ?? 0) * share;
  if (!weights || moves === 0) return;
  add(terms, `amount ${owner}${at}`, moves, amountVariance(weights.method, weights.halfWidth));
  if (of.kind === 'food') add(terms, `food ${of.basis.food.id}`, moves, UNCERTAINTY_OF_SOURCE[of.basis.food.source ?? 'estimate'] ** 2);
  if (of.kind === 'part') collect(terms, of.part, key, of.share * share, `${of.recipe.id}:`);
}

function add(terms: Map<string, ErrorTerm>, source: string, moves: number, variance: number): void {
  const term = terms.get(source);
  if (term) term.moves += moves;
  else terms.set(source, { moves, variance });
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
 * does not help are left out (domain page, 4.10).
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
