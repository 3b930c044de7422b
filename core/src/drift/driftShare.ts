import type { CardDrift } from '../card/index.js';
import type { CardTolerances, ToleratedFigure } from '../recipe/index.js';

const NUMBER = /-?\d+(?:\.\d+)?/g;

/**
 * How far a printed figure moved, over what was printed: 0.04 is four hundredths more. Undefined for what is no figure, and where
 * more than its number changed: "24 g" that became "at least 24 g" did not move, it became unknown.
 */
export function driftShare({ figure, was, is }: CardDrift): number | undefined {
  if (figure === undefined) return undefined;
  const [before, after] = [was.match(NUMBER) ?? [], is.match(NUMBER) ?? []];
  if (before.length !== 1 || after.length !== 1 || was.replace(NUMBER, '') !== is.replace(NUMBER, '')) return undefined;
  const [from, to] = [Number(before[0]), Number(after[0])];
  return from === 0 ? undefined : (to - from) / from;
}

/** Figures that are tolerated as far as another one is. */
const AS_OTHER: { readonly [figure in NonNullable<CardDrift['figure']>]?: ToleratedFigure } = { energyKj: 'energyKcal', sodium: 'salt' };

/** What reads otherwise on a published card, parted by what the kitchen lets pass. */
export interface Judged {
  readonly drift: readonly CardDrift[];
  /** Moved, and no further than the kitchen tolerates. */
  readonly within: readonly CardDrift[];
}

/** Parts what drifted from what moved no further than the kitchen tolerates. Words, and figures that became unknown, are never tolerated. */
export function toleratedDrift(found: readonly CardDrift[], tolerances: CardTolerances = {}): Judged {
  const passes = (drift: CardDrift) => {
    const share = driftShare(drift);
    if (share === undefined || drift.figure === undefined) return false;
    const percent = tolerances[(AS_OTHER[drift.figure] ?? drift.figure) as ToleratedFigure] ?? 0;
    // A hair for how shares come out of decimal figures.
    return Math.abs(share) * 100 <= percent + 1e-9;
  };
  return { drift: found.filter((one) => !passes(one)), within: found.filter(passes) };
}
