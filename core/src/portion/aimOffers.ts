import type { BoxFigures } from '../batch/index.js';
import type { PartFigures } from '../recipe/index.js';
import { energyPerGram } from './portionFigures.js';

/** One way to bring a box to the energy it is to have: so much of it in all, or more or less of one part. */
export interface AimOffer {
  /** Undefined: of everything in it. */
  readonly part?: string;
  /** Grams more in each box, negative: fewer. */
  readonly grams: number;
  /** Grams of each part then. */
  readonly box: { readonly [part: string]: number };
  /** Grams that are missing for it over all boxes of the kind; 0: there is enough. */
  readonly short: number;
}

/** How a box stands to the energy it is to have. */
export interface AimState {
  /** kcal over the bound that it holds or misses; undefined where its energy is not known. */
  readonly state: 'met' | 'below' | 'above' | 'unknown';
  /** kcal to spare where it is met, that are lacking or too much where it is not. */
  readonly by: number;
  /** The bound spoken of. */
  readonly bound: number;
  readonly kind: 'atLeast' | 'atMost';
  readonly offers: readonly AimOffer[];
}

/**
 * Whether a box has the energy it is to have, and what would bring it there: all of it times a factor, or grams of one part more or
 * less. What is there limits it, and that is said.
 *
 * @param left grams of each part that no box holds
 * @returns undefined where nothing is aimed at
 */
export function aimState(
  { box: { aim, grams, count = 1 }, nutrients }: BoxFigures,
  parts: readonly PartFigures[],
  left: ReadonlyMap<string, number>,
): AimState | undefined {
  const { atLeast, atMost } = aim ?? {};
  const bound = atLeast ?? atMost;
  if (bound === undefined) return undefined;
  const energy = nutrients.energyKcal.amount;
  const kindOf = (kind: AimState['kind']) => kind;
  if (energy === undefined || nutrients.energyKcal.gaps.length > 0)
    return { state: 'unknown', by: 0, bound, kind: kindOf(atLeast === undefined ? 'atMost' : 'atLeast'), offers: [] };
  const offersTo = (target: number) => offersOf(target - energy, energy, grams, count, parts, left);
  if (atLeast !== undefined && energy < atLeast)
    return { state: 'below', by: atLeast - energy, bound: atLeast, kind: 'atLeast', offers: offersTo(atLeast) };
  if (atMost !== undefined && energy > atMost)
    return { state: 'above', by: energy - atMost, bound: atMost, kind: 'atMost', offers: offersTo(atMost) };
  const spare = Math.min(...[atLeast === undefined ? [] : [energy - atLeast], atMost === undefined ? [] : [atMost - energy]].flat());
  const tight = atMost !== undefined && atMost - energy === spare ? 'atMost' : 'atLeast';
  return { state: 'met', by: spare, bound: (tight === 'atMost' ? atMost : atLeast) ?? bound, kind: tight, offers: [] };
}

function offersOf(
  missing: number,
  energy: number,
  grams: { readonly [part: string]: number },
  count: number,
  parts: readonly PartFigures[],
  left: ReadonlyMap<string, number>,
): AimOffer[] {
  const offers: AimOffer[] = [];
  const lacking = (part: string, more: number) => Math.max(0, more * count - Math.max(0, left.get(part) ?? 0));
  if (energy > 0) {
    const factor = (energy + missing) / energy;
    const box = Object.fromEntries(Object.entries(grams).map(([part, one]) => [part, scaleGrams(one * factor, missing)]));
    const changes = Object.entries(box).map(([part, one]) => ({ part, more: one - (grams[part] ?? 0) }));
    offers.push({
      grams: changes.reduce((sum, { more }) => sum + more, 0),
      box,
      short: changes.reduce((sum, { part, more }) => sum + lacking(part, more), 0),
    });
  }
  for (const part of parts) {
    const perGram = energyPerGram(part);
    const now = grams[part.part.id] ?? 0;
    if (perGram <= 0) continue;
    const then = scaleGrams(now + missing / perGram, missing);
    if (then < 0) continue;
    offers.push({
      part: part.part.id,
      grams: then - now,
      box: { ...grams, [part.part.id]: then },
      short: lacking(part.part.id, then - now),
    });
  }
  return offers;
}

/** Whole grams, on the side of the bound that keeps it. */
function scaleGrams(grams: number, missing: number): number {
  return missing > 0 ? Math.ceil(grams - 1e-9) : Math.floor(grams + 1e-9);
}
