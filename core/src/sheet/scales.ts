/** How large text may be set, the largest first: as usual is 1. Below the last of them it would be too small to read. */
export const SCALES = [1.2, 1.16, 1.12, 1.08, 1.04, 1, 0.97, 0.94, 0.91, 0.88] as const;

/** Least share of its last page that a card fills. */
export const LEAST_FILLED = 1 / 3;

/** Pages from which on smaller text saves nobody anything: a card of so many is set as usual, or nearly so. */
const LONG = 4;

/** A card laid out at a scale: how many pages it takes, and how full the last one is. */
export interface Tried {
  readonly scale: number;
  readonly pages: number;
  /** Share of the last page that is filled. */
  readonly lastFilled: number;
}

/**
 * The best of the scales: as few pages as any of them takes, of these the largest text; where there is more than one page, the last is
 * a third full at least.
 *
 * @param layAt lays out at a scale
 */
export function bestScale<Laid extends Tried>(layAt: (scale: number) => Laid, scales: readonly number[] = SCALES): Laid {
  const usual = scales.includes(1) ? 1 : (scales[0] ?? 1);
  const tried = new Map<number, Laid>();
  const laid = (scale: number) => {
    const known = tried.get(scale) ?? layAt(scale);
    tried.set(scale, known);
    return known;
  };
  const least = laid(Math.min(...scales)).pages;
  if (least >= LONG) {
    const near = scales.toSorted((a, b) => Math.abs(a - 1) - Math.abs(b - 1));
    const full = near.find((scale) => laid(scale).lastFilled >= LEAST_FILLED);
    return laid(full ?? usual);
  }
  const wellFilled = scales.filter((scale) => laid(scale).pages === least).map(laid);
  const good = wellFilled.find(({ pages, lastFilled }) => pages === 1 || lastFilled >= LEAST_FILLED);
  // One page more, well filled, rather than a line or two on a page of their own.
  const more = scales.map(laid).find(({ pages, lastFilled }) => pages > least && lastFilled >= LEAST_FILLED);
  return good ?? more ?? wellFilled[0] ?? laid(usual);
}
