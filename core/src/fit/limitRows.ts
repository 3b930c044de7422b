import { USUAL_WITHIN } from '../brief/index.js';
import type { Target } from '../recipe/index.js';
import type { Band } from '../uncertainty/index.js';
import type { Programme, Terms } from './programme.js';

/** Limits are kept by this share more: twice what the solver lets a row be out by, so that no arithmetic decides a verdict. */
export const SAFE = 2e-6;
/** A share of "about" that stays to aim at, however wide the band is. */
const LEAST_ROOM = 0.2;

/** A figure of a serving as the programme sees it. */
export interface LimitedFigure {
  readonly moved: Terms;
  /** Of the figure, beside what the variables give. */
  readonly constant: number;
  /** Of missing it by a whole share of the target; Infinity: it may not be missed. */
  readonly price: number;
  readonly name: string;
}

/** Rows that keep a figure within an aim, in shares of the target so that all rows are of one size. */
export function limitRows(programme: Programme, { moved, constant, price, name }: LimitedFigure, aim: Aim, scale: number): void {
  const terms: Terms = moved.map(([variable, slope]) => [variable, slope / scale]);
  const miss: Terms = Number.isFinite(price) ? [[programme.variable(`${name}miss`, 0, Infinity, { cost: price }), 1]] : [];
  if (aim.high !== undefined)
    programme.row([...terms, ...miss.map(([variable]) => [variable, -1] as const)], '<=', (aim.high - constant) / scale);
  if (aim.low !== undefined) programme.row([...terms, ...miss], '>=', (aim.low - constant) / scale);
}

/** Bounds a figure is to come within. */
export interface Aim {
  readonly low?: number;
  readonly high?: number;
}

/** Where a figure is to come to: within its limits, and where bands count with room for the band beside it. */
export function aimOf({ is, amount: limit, within = USUAL_WITHIN }: Target, amount: number, band: Band | undefined): Aim {
  const [below, above] = band ? [amount - band[0], band[1] - amount] : [0, 0];
  const safe = Math.abs(limit) * SAFE;
  if (is === 'at most') return { high: limit - above - safe };
  if (is === 'at least') return { low: limit + below + safe };
  const room = limit * within;
  const left = (side: number) => Math.max(room - side, room * LEAST_ROOM) - safe;
  return { low: limit - left(below), high: limit + left(above) };
}
