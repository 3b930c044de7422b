import { measureOf, type Food } from '../food/index.js';
import { packGrams, type Pack } from '../price/index.js';
import { gramsOfKitchenWord, gramsOfMassUnit, isVolumeWord, millilitresOf, type MeasuringSystem } from '../quantity/index.js';
import type { Method } from './recipe.js';

/** What one of a line's unit comes to for its food. */
export interface WrittenUnit {
  /** Grams of one; undefined when no weight can be had. */
  readonly grams: number | undefined;
  /** What the grams are when the line does not say. */
  readonly as: 'AP' | 'EP';
  /** How it is measured when the line does not say. */
  readonly method: Method;
  /** Where the grams come from, for the working. */
  readonly from: 'mass' | 'measure' | 'density' | 'pack' | 'kitchen word' | 'nothing';
}

/**
 * What one of a unit weighs for a food (docs/reckoning.md, "Grams as written"): mass units exactly; a measure of the food itself before its
 * density; volumes by measuring system and density; a pack by its net weight; kitchen words by their usual weight.
 *
 * @param unit as in the kitchen file
 * @param packs of the food; only their net weights matter, never their price
 * @returns grams of one, undefined when none can be had (no density, packs of several sizes and none pinned)
 * @example writtenUnit('tbsp', rapeseedOil, 'au', []).grams // 18.4
 */
export function writtenUnit(unit: string, food: Food, system: MeasuringSystem, packs: readonly Pack[]): WrittenUnit {
  const mass = gramsOfMassUnit(unit);
  if (mass !== undefined) return { grams: mass, as: 'EP', method: 'scale', from: 'mass' };
  const measure = measureOf(food, unit);
  if (measure) return { grams: measure.grams, as: measure.edible ? 'EP' : 'AP', method: methodOfMeasure(unit), from: 'measure' };
  if (isVolumeWord(unit)) {
    const volume = millilitresOf(unit, system);
    const grams = volume === undefined || food.density === undefined ? undefined : volume * food.density;
    return { grams, as: 'EP', method: methodOfMeasure(unit), from: grams === undefined ? 'nothing' : 'density' };
  }
  if (unit === 'pack') return { grams: onePackGrams(packs, food), as: 'AP', method: 'pack', from: 'pack' };
  const word = gramsOfKitchenWord(unit);
  if (word !== undefined) return { grams: word, as: 'EP', method: 'eye', from: 'kitchen word' };
  return { grams: undefined, as: 'AP', method: 'count', from: 'nothing' };
}

/** Spoons, other volumes and counts are told apart by the unit's word, also where the food has a measure of that name. */
function methodOfMeasure(unit: string): Method {
  if (unit === 'tsp' || unit === 'tbsp') return 'spoon';
  return isVolumeWord(unit) ? 'cup' : 'count';
}

/** Net weight of "1 pack": the pinned pack's, else the packs' if they all have the same. */
function onePackGrams(packs: readonly Pack[], food: Food): number | undefined {
  const pinned = packs.filter((pack) => pack.pinned);
  const weights = (pinned.length > 0 ? pinned : packs).map((pack) => packGrams(pack, food));
  const [first] = weights;
  if (first === undefined) return undefined;
  return weights.every((grams) => grams !== undefined && Math.abs(grams - first) <= 1e-9 * first) ? first : undefined;
}
