import { bestPack, candidatePacks, per100gOf, type Food, type Kitchen } from '@portiona/core';
import { numberText, priceText } from '../../ui/numberText';

/** What tells candidates apart: energy and protein in 100 g, and what a kilogram costs, where that is shown. */
export function foodGlance(food: Food, kitchen: Kitchen, showsCosts: boolean): string {
  const { energyKcal, protein } = per100gOf(food, kitchen.convention);
  const best = bestPack(candidatePacks(food, kitchen.packsOf(food.id), kitchen.settings));
  return [
    energyKcal === undefined ? 'energy unknown' : `${numberText(energyKcal, 0)} kcal`,
    protein === undefined ? 'protein unknown' : `${numberText(protein, 1)} g protein in 100 g`,
    ...(showsCosts ? [best ? `${priceText(best.perKg, kitchen.settings.currency)} a kg` : 'no price'] : []),
  ].join(', ');
}
