import type { Vessel } from '../recipe/index.js';

/** How full kinds of vessel may be (domain page, section 6); the slow cooker's upper bound of "half to two thirds". */
export const FILL_LIMITS = { 'slow cooker': 2 / 3, pot: 0.8, 'oven dish': 0.85, 'pressure cooker': 2 / 3 } as const;

/** A batch split over a vessel. */
export interface VesselFit {
  /** Fillings of the vessel, 1 or more. */
  readonly batches: number;
  /** Millilitres in each. */
  readonly each: number;
  /** Share of the capacity each fills. */
  readonly fill: number;
  /** What the method must say; empty when it fits at once. */
  readonly says: string;
}

/**
 * Fits a volume into a vessel: over its fill limit the batch is split into equal fillings, and the method says so.
 *
 * @param millilitres of the batch; cooked weight stands for it at about 1 g per ml
 * @throws RangeError for a vessel that may hold nothing
 * @example fitVessel(5200, { name: 'slow cooker', capacity: 4500, fillLimit: 2 / 3 }).batches // 2
 */
export function fitVessel(millilitres: number, { name, capacity, fillLimit }: Vessel): VesselFit {
  const room = capacity * fillLimit;
  if (!(room > 0)) throw new RangeError(`the ${name} may hold ${room} ml; give it a capacity and a fill limit above 0`);
  const batches = Math.max(1, Math.ceil(millilitres / room - 1e-9));
  const each = millilitres / batches;
  const says = batches === 1 ? '' : `Cook in ${batches} batches: the ${name} is filled to ${Math.round(fillLimit * 100)} % at most.`;
  return { batches, each, fill: each / capacity, says };
}

/**
 * Servings that fill a vessel once, by the volume one serving takes.
 *
 * @param perServing millilitres of one serving, above 0
 * @returns whole servings, 0 when not one fits
 * @example servingsInVessel(520, { name: 'pot', capacity: 5000, fillLimit: 0.8 }) // 7
 */
export function servingsInVessel(perServing: number, { capacity, fillLimit }: Vessel): number {
  return Math.floor((capacity * fillLimit) / perServing + 1e-9);
}
