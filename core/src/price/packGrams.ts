import { edibleShare, measureOf, type Food } from '../food/index.js';
import { gramsOfMassUnit } from '../quantity/index.js';
import type { Pack } from './pack.js';

const MILLILITRES: { readonly [unit: string]: number } = { ml: 1, l: 1000 };

/**
 * Grams of a pack as purchased, liquid included (kitchen file, Pack). A count in an edible measure is brought back to
 * the weight as purchased.
 *
 * @returns grams; undefined when no weight can be had: a volume without density, a measure the food does not have
 * @example packGrams({ food: 'oil', net: 1, unit: 'l', … }, oilOfDensity092) // 920
 */
export function packGrams(pack: Pick<Pack, 'net' | 'unit'>, food: Food): number | undefined {
  const mass = gramsOfMassUnit(pack.unit);
  if (mass !== undefined) return pack.net * mass;
  const measure = measureOf(food, pack.unit);
  if (measure) return pack.net * (measure.edible ? measure.grams / edibleShare(food) : measure.grams);
  const volume = Object.hasOwn(MILLILITRES, pack.unit) ? MILLILITRES[pack.unit] : undefined;
  if (volume === undefined || food.density === undefined) return undefined;
  return pack.net * volume * food.density;
}
