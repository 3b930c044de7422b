import type { Programme } from './programme.js';
import type { AllowedChange } from './allowedChange.js';

/** Stretching a line by these shares costs so much a share: many small changes are rather made than one that spoils the dish. */
const SLOPES: readonly (readonly [share: number, cost: number])[] = [
  [0.1, 1],
  [0.15, 1.6],
  [Infinity, 3],
];
/** Nearer to 1 is 1: the solver's last digits. */
export const SAME_FACTOR = 1e-6;

/** What moving a line by a share of itself costs, either way alike. */
function costOf(share: number): number {
  let [left, cost] = [Math.abs(share), 0];
  for (const [length, slope] of SLOPES) {
    cost += slope * Math.min(length, left);
    left = Math.max(0, left - length);
  }
  return cost;
}

/** A factor that moves freely: a little dearer the further it goes. */
export function costlyChange(
  programme: Programme,
  x: string,
  name: string,
  weight: number,
  { low, high }: { readonly low: number; readonly high: number },
): void {
  const terms: [string, number][] = [[x, 1]];
  for (const [sign, reach, letter] of [
    [-1, high - 1, 'p'],
    [1, 1 - low, 'n'],
  ] as const) {
    let left = Math.max(0, reach);
    SLOPES.forEach(([share, cost], s) => {
      const length = Math.min(share, left);
      left -= length;
      if (length > 0) terms.push([programme.variable(`${letter}${name}s${s}`, 0, length, { cost: cost * weight }), sign]);
    });
  }
  programme.row(terms, '=', 1);
}

/**
 * A factor of whole steps: between two of them it costs in proportion, which is dearer than moving freely and so leaves the
 * solver less to search.
 */
export function wholeSteps(
  programme: Programme,
  x: string,
  name: string,
  weight: number,
  { step, least, most }: { readonly step: number; readonly least: number; readonly most: number },
): void {
  const k = programme.variable(`k${name}`, least, most, { whole: true });
  programme.row(
    [
      [x, 1],
      [k, -step],
    ],
    '=',
    0,
  );
  const cost = (count: number) => costOf(count * step - 1) * weight;
  // The cost is the highest of the lines through two neighbours: it curves upwards.
  const c = programme.variable(`c${name}`, 0, Infinity, { cost: 1 });
  for (let count = least; count < most; count++) {
    const slope = cost(count + 1) - cost(count);
    programme.row(
      [
        [c, 1],
        [k, -slope],
      ],
      '>=',
      cost(count) - slope * count,
    );
  }
  if (least === most) programme.row([[c, 1]], '>=', cost(least));
}

/** A factor within its bounds, at no cost. */
export function anywhere(
  programme: Programme,
  x: string,
  name: string,
  allowed: Exclude<AllowedChange, { readonly kind: 'stays' | 'with' }>,
): void {
  if (allowed.kind === 'free') {
    programme.row([[x, 1]], '>=', allowed.low);
    return programme.row([[x, 1]], '<=', allowed.high);
  }
  const k = programme.variable(`k${name}`, allowed.least, allowed.most, { whole: true });
  programme.row(
    [
      [x, 1],
      [k, -allowed.step],
    ],
    '=',
    0,
  );
}

interface Rounded {
  readonly found: number;
  readonly step: number;
  readonly low: number;
  readonly high: number;
  /** Steps further than the nearest below and above. */
  readonly reach: number;
}

/** A factor found, brought to a whole number of steps near it that its bounds allow; it stays where they allow none. */
export function roundings(programme: Programme, x: string, name: string, weight: number, { found, step, low, high, reach }: Rounded): void {
  if (Math.abs(found - 1) < SAME_FACTOR) return programme.row([[x, 1]], '=', 1);
  const below = Math.floor(found / step + SAME_FACTOR);
  const least = Math.max(1, below - reach, Math.ceil(low / step - SAME_FACTOR));
  const most = Math.min(below + 1 + reach, Math.floor(high / step + SAME_FACTOR));
  if (least > most) programme.row([[x, 1]], '=', found);
  else wholeSteps(programme, x, name, weight, { step, least, most });
}
