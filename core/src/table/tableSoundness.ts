import { foodEnergyAgreement, type Food } from '../food/index.js';

/** How well the figures of a table hold together, as it is mapped and as it might be. */
export interface TableSoundness {
  /** Foods whose energy and macronutrients are all known. */
  readonly compared: number;
  /** Of them, those that agree within the check's tolerance. */
  readonly agree: number;
  /** Of them, those that would agree were carbohydrate of the other convention. */
  readonly agreeOtherwise: number;
}

/** A share of foods in disagreement that says the mapping is wrong, not the foods. */
const DOUBTFUL = 0.15;

/**
 * Holds the energy of a table's foods against their macronutrients (docs/reckoning.md, "Energy two ways"), as mapped and with the
 * other meaning of carbohydrate: a column taken for the wrong thing or in the wrong unit shows here at once.
 */
export function tableSoundness(foods: readonly Omit<Food, 'id'>[]): TableSoundness {
  let compared = 0;
  let agree = 0;
  let agreeOtherwise = 0;
  for (const food of foods) {
    const as = (carbohydrateIs: Food['carbohydrateIs']) => foodEnergyAgreement({ ...food, id: 'x', carbohydrateIs });
    const now = as(food.carbohydrateIs);
    if (!now) continue;
    compared++;
    if (now.agrees) agree++;
    if (as(food.carbohydrateIs === 'total' ? 'available' : 'total')?.agrees) agreeOtherwise++;
  }
  return { compared, agree, agreeOtherwise };
}

/**
 * What the soundness of a table says in words; empty where it holds together.
 *
 * @example soundnessText({ compared: 100, agree: 40, agreeOtherwise: 97 })
 */
export function soundnessText({ compared, agree, agreeOtherwise }: TableSoundness): string {
  if (compared === 0) return 'Energy cannot be checked: map energy, protein, fat and carbohydrate.';
  const wrong = compared - agree;
  if (agreeOtherwise - agree > compared * 0.05 && wrong / compared > 0.05)
    return `In ${wrong} of ${compared} foods energy and macronutrients disagree; with carbohydrate of the other kind (fibre in it or not) only ${compared - agreeOtherwise} would. Change what the carbohydrate column is.`;
  if (wrong / compared > DOUBTFUL)
    return `In ${wrong} of ${compared} foods energy and macronutrients disagree: is a unit or a column another than thought?`;
  return '';
}
