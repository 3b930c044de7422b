import { compensatedSum } from '../quantity/index.js';

/** A sum that knows what it lacks: what is known of it, and the places whose share nobody knows. */
export interface Figure {
  /** The known part, unrounded; undefined when nothing of it is known. */
  readonly amount: number | undefined;
  /** Places ("part/line") whose share is unknown; the figure is "at least" while there are any. */
  readonly gaps: readonly string[];
}

/** A term of a figure: its place, what is known of it, and whether something is lacking. */
export interface Term {
  readonly at: string;
  readonly amount: number | undefined;
  readonly lacking: boolean;
}

export const NOTHING_KNOWN: Figure = { amount: undefined, gaps: [] };

/**
 * Adds terms: known amounts are summed, the places of lacking ones are kept. A known zero adds zero, an unknown adds a gap.
 *
 * @example figureOf([{ at: 'a/1', amount: 7, lacking: false }, { at: 'a/2', amount: undefined, lacking: true }])
 *   // { amount: 7, gaps: ['a/2'] }
 */
export function figureOf(terms: readonly Term[]): Figure {
  const known = terms.flatMap(({ amount }) => (amount === undefined ? [] : [amount]));
  return {
    amount: known.length === 0 ? undefined : compensatedSum(known),
    gaps: terms.filter(({ lacking }) => lacking).map(({ at }) => at),
  };
}

/** Adds figures: amounts and gaps both. */
export function addFigures(figures: readonly Figure[]): Figure {
  const known = figures.flatMap(({ amount }) => (amount === undefined ? [] : [amount]));
  return {
    amount: known.length === 0 ? undefined : compensatedSum(known),
    gaps: figures.flatMap(({ gaps }) => gaps),
  };
}

/**
 * A share of a figure; what it lacks, the share lacks too.
 *
 * @example shareOf({ amount: 10, gaps: ['a/2'] }, 0.2) // { amount: 2, gaps: ['a/2'] }
 */
export function shareOf(figure: Figure, share: number): Figure {
  return { amount: figure.amount === undefined ? undefined : figure.amount * share, gaps: figure.gaps };
}

/** Whether the figure must be printed with "at least". */
export function isAtLeast(figure: Figure): boolean {
  return figure.gaps.length > 0;
}
