import { known } from './composition.js';
import type { Food, PrintedNutrients } from './food.js';

/** Kilocalories and kilojoules of one gram (Regulation (EU) 1169/2011, annex XIV). */
export const ENERGY_FACTORS = {
  protein: { kcal: 4, kj: 17 },
  availableCarbohydrate: { kcal: 4, kj: 17 },
  fat: { kcal: 9, kj: 37 },
  fibre: { kcal: 2, kj: 8 },
  alcohol: { kcal: 7, kj: 29 },
  polyols: { kcal: 2.4, kj: 10 },
} as const;

export type EnergyUnit = 'kcal' | 'kj';

/**
 * Energy of a food worked out from its macronutrients (docs/reckoning.md, "Energy two ways"): 4 protein + 4 (available carbohydrate -
 * polyols) + 9 fat + 2 fibre + 7 alcohol + 2.4 polyols.
 *
 * Unknown fibre, alcohol or polyols count as none here.
 *
 * @param unit kcal, or kj with the factors 17, 17, 37, 8, 29, 10
 * @returns energy for the food's printed basis; undefined without protein, fat or carbohydrate
 * @example atwaterEnergy({ id: 'x', name: 'Spread', nutrients: { protein: 12, fat: 70, carbohydrate: 3, fibre: 0 } }) // 690
 */
export function atwaterEnergy(food: Food, unit: EnergyUnit = 'kcal'): number | undefined {
  const nutrients: PrintedNutrients = food.nutrients ?? {};
  const protein = known(nutrients.protein);
  const fat = known(nutrients.fat);
  const carbohydrate = known(nutrients.carbohydrate);
  if (protein === undefined || fat === undefined || carbohydrate === undefined) return undefined;
  const fibre = known(nutrients.fibre) ?? 0;
  const alcohol = known(nutrients.alcohol) ?? 0;
  const polyols = known(nutrients.polyols) ?? 0;
  const available = food.carbohydrateIs === 'total' ? Math.max(0, carbohydrate - fibre) : carbohydrate;
  return (
    ENERGY_FACTORS.protein[unit] * protein +
    ENERGY_FACTORS.availableCarbohydrate[unit] * Math.max(0, available - polyols) +
    ENERGY_FACTORS.fat[unit] * fat +
    ENERGY_FACTORS.fibre[unit] * fibre +
    ENERGY_FACTORS.alcohol[unit] * alcohol +
    ENERGY_FACTORS.polyols[unit] * polyols
  );
}
