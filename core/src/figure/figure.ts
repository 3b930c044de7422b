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

/** The gaps of a figure that lacks nothing. */
export const NO_GAPS: readonly string[] = [];

/**
 * Adds terms: known amounts are summed, the places of lacking ones are kept. A known zero adds zero, an unknown adds a gap.
 *
 * @example figureOf([{ at: 'a/1', amount: 7, lacking: false }, { at: 'a/2', amount: undefined, lacking: true }])
 *   // { amount: 7, gaps: ['a/2'] }
 */
export function figureOf(terms: readonly Term[]): Figure {
  return addFigures(terms.map(({ at, amount, lacking }) => ({ amount, gaps: lacking ? [at] : NO_GAPS })));
}

/** Adds figures: amounts and gaps both. Compensated, so that their order does not show. */
export function addFigures(figures: readonly Figure[]): Figure {
  let sum = 0;
  let lost = 0;
  let known = false;
  let gaps: string[] | undefined;
  for (const figure of figures) {
    if (figure.gaps.length > 0) (gaps ??= []).push(...figure.gaps);
    const term = figure.amount;
    if (term === undefined) continue;
    known = true;
    const next = sum + term;
    lost += Math.abs(sum) >= Math.abs(term) ? sum - next + term : term - next + sum;
    sum = next;
  }
  return { amount: known ? sum + lost : undefined, gaps: gaps ?? NO_GAPS };
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
