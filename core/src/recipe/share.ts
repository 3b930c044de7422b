import type { Portion } from './recipe.js';

/** How a part is divided: one serving's share of it, in weight, and what is left. */
export interface Share {
  /** Of the whole part, 0 or more. */
  readonly share: number;
  /** Grams of one serving. */
  readonly portion: number;
  /** Grams left over; 0 when short. */
  readonly surplus: number;
  /** Grams missing; 0 when it suffices. */
  readonly shortfall: number;
}

/**
 * Divides a part over the servings (docs/reckoning.md, "Portions"). Equal: 1 / servings. Grams: portion / cooked weight. Pieces and
 * volume: each / made. What is not shared out is surplus; a shortfall is reported and the figures stand.
 *
 * @param cooked cooked weight of the part, grams
 * @example divide({ by: 'grams', grams: 300 }, 1650, 5).surplus // 150
 */
export function divide(portion: Portion | undefined, cooked: number, servings: number): Share {
  const share = shareOfOne(portion ?? { by: 'equal' }, cooked, servings);
  const left = (1 - share * servings) * cooked;
  const noise = 1e-9 * cooked;
  return {
    share,
    portion: portion?.by === 'grams' ? portion.grams : cooked * share,
    surplus: left > noise ? left : 0,
    shortfall: shortfallOf(portion, cooked, servings, left, noise),
  };
}

function shareOfOne(portion: Portion, cooked: number, servings: number): number {
  switch (portion.by) {
    case 'equal':
      return 1 / servings;
    case 'grams':
      return cooked > 0 ? portion.grams / cooked : 0;
    case 'pieces':
    case 'volume':
      return portion.each / portion.made;
  }
}

function shortfallOf(portion: Portion | undefined, cooked: number, servings: number, left: number, noise: number): number {
  if (portion?.by === 'grams' && cooked <= 0) return portion.grams * servings;
  return left < -noise ? -left : 0;
}
