import pluralize from 'pluralize';
import { compensatedSum } from '../quantity/index.js';
import type { PartFigures, Vessel } from '../recipe/index.js';

/** How full kinds of vessel may be (docs/reckoning.md, "Scaling"); the slow cooker's upper bound of "half to two thirds". */
export const FILL_LIMITS = { 'slow cooker': 2 / 3, pot: 0.8, 'oven dish': 0.85, 'pressure cooker': 2 / 3 } as const;

/** A batch split over the vessels there are. */
export interface VesselFit {
  /** Times that they are filled, one after another, 1 or more. */
  readonly batches: number;
  /** Vessels used at once. */
  readonly vessels: number;
  /** Millilitres in each. */
  readonly each: number;
  /** Share of the capacity each fills. */
  readonly fill: number;
  /** What the method must say; empty when it fits at once. */
  readonly says: string;
}

/**
 * Fits a volume into the vessels there are: over their fill limit it is shared by more of them, and then cooked in several batches,
 * all of them filled alike; and the method says so.
 *
 * @param millilitres of the batch; cooked weight stands for it at about 1 g per ml
 * @throws RangeError for a vessel that may hold nothing
 * @example fitVessel(5200, { name: 'slow cooker', capacity: 4500, fillLimit: 2 / 3 }).batches // 2
 */
export function fitVessel(millilitres: number, { name, capacity, fillLimit, count = 1 }: Vessel): VesselFit {
  const room = capacity * fillLimit;
  if (!(room > 0)) throw new RangeError(`the ${name} may hold ${room} ml; give it a capacity and a fill limit above 0`);
  const needed = Math.max(1, Math.ceil(millilitres / room - 1e-9));
  const batches = Math.ceil(needed / count);
  const vessels = Math.ceil(needed / batches);
  const each = millilitres / (batches * vessels);
  return { batches, vessels, each, fill: each / capacity, says: splitText(batches, vessels, name, fillLimit) };
}

function splitText(batches: number, vessels: number, name: string, fillLimit: number): string {
  const limit = `${vessels === 1 ? `the ${name} is` : 'each is'} filled to ${Math.round(fillLimit * 100)} % at most`;
  if (batches === 1) return vessels === 1 ? '' : `Share it between ${vessels} ${pluralize(name, vessels)}: ${limit}.`;
  const at = vessels === 1 ? '' : ` of ${vessels} ${pluralize(name, vessels)}`;
  return `Cook in ${batches} batches${at}: ${limit}.`;
}

/**
 * Millilitres that a part takes in its vessel: raw or cooked, whichever is more, at 1 g per ml (docs/reckoning.md, "Scaling").
 */
export function partVolume({ lines, cooked }: PartFigures): number {
  return Math.max(cooked, compensatedSum(lines.map(({ counted, weights }) => (counted ? (weights?.edible ?? 0) : 0))));
}

/**
 * Servings that fill the vessels once, by the volume one serving takes.
 *
 * @param perServing millilitres of one serving, above 0
 * @returns whole servings, 0 when not one fits
 * @example servingsInVessel(520, { name: 'pot', capacity: 5000, fillLimit: 0.8 }) // 7
 */
export function servingsInVessel(perServing: number, { capacity, fillLimit, count = 1 }: Vessel): number {
  return Math.floor((capacity * fillLimit * count) / perServing + 1e-9);
}
