import { ENERGY_FACTORS } from '../food/index.js';
import { compensatedSum } from '../quantity/index.js';
import type { LineFigures } from './partFigures.js';
import type { NutrientFigures } from './nutrientAmounts.js';
import { servedOf, type RecipeFigures } from './recipeFigures.js';

/** What part of the energy one macronutrient brings, 0 to 1. */
export interface EnergyShare {
  readonly of: 'protein' | 'carbohydrate' | 'fat' | 'fibre';
  readonly share: number;
}

/**
 * Share of energy from each macronutrient, by the general factors (docs/reckoning.md, "Energy two ways") over their sum ("Ratios
 * and the kitchen's own figure"). Carbohydrate is the available one, whatever the kitchen shows; what is unknown counts as none.
 *
 * @returns shares from 0 to 1 that add up to 1; all 0 where there is nothing
 */
export function energyShares({ nutrients }: { readonly nutrients: NutrientFigures }): readonly EnergyShare[] {
  const grams = (key: keyof NutrientFigures) => nutrients[key].amount ?? 0;
  const kcal = [
    { of: 'protein', kcal: grams('protein') * ENERGY_FACTORS.protein.kcal },
    { of: 'carbohydrate', kcal: grams('carbohydrateAvailable') * ENERGY_FACTORS.availableCarbohydrate.kcal },
    { of: 'fat', kcal: grams('fat') * ENERGY_FACTORS.fat.kcal },
    { of: 'fibre', kcal: grams('fibre') * ENERGY_FACTORS.fibre.kcal },
  ] as const;
  const sum = kcal.reduce((total, one) => total + one.kcal, 0);
  return kcal.map(({ of, kcal: part }) => ({ of, share: sum > 0 ? part / sum : 0 }));
}

/**
 * Share of a batch's energy that comes from one of its lines, 0 to 1: the line's energy over that of all parts but the optional
 * ones (docs/reckoning.md, "Nutrients"). 0 for a line that is not counted or says nothing, and for a batch without energy.
 */
export function energyShareOfLine({ counted, nutrients }: Pick<LineFigures, 'counted' | 'nutrients'>, batchKcal: number): number {
  return counted && batchKcal > 0 ? (nutrients.energyKcal.amount ?? 0) / batchKcal : 0;
}

/** Known energy of a whole batch, kcal, its optional parts left out: what the shares of its lines are of. */
export function batchEnergy({ parts }: Pick<RecipeFigures, 'parts'>): number {
  return compensatedSum(parts.filter(({ part }) => servedOf(part) !== 'optional').map(({ nutrients }) => nutrients.energyKcal.amount ?? 0));
}
