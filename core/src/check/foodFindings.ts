import { foodEnergyAgreement, likelySlip, NUTRIENT_DESCRIPTIONS, type Food } from '../food/index.js';
import { roundHalfAway } from '../quantity/index.js';
import { isFreeStaple, type FoodBasis, type Kitchen } from '../recipe/index.js';
import type { Finding } from './finding.js';

/** No price can be had for a food that must be bought. */
export function noPrice(basis: FoodBasis, kitchen: Kitchen): Finding[] {
  if (basis.best || basis.onlyStalePacks || isFreeStaple(basis.food, kitchen)) return [];
  return [
    {
      code: 'no-price',
      at: `food:${basis.food.id}`,
      severity: 'look',
      message: `${basis.food.name} has no current price in ${kitchen.settings.currency}. Add a pack; until then cost is "at least".`,
    },
  ];
}

/** Every price of a food is older than the kitchen allows. */
export function stalePrice(basis: FoodBasis, kitchen: Kitchen): Finding[] {
  if (!basis.onlyStalePacks || isFreeStaple(basis.food, kitchen)) return [];
  return [
    {
      code: 'stale-price',
      at: `food:${basis.food.id}`,
      severity: 'look',
      message: `Every price of ${basis.food.name} is older than ${kitchen.settings.maxPriceAge} days. Look the price up again.`,
    },
  ];
}

/** Declared and factored energy of a food disagree: one of its numbers is a slip. */
export function foodEnergyMismatch(food: Food): Finding[] {
  const agreement = foodEnergyAgreement(food);
  if (!agreement || agreement.agrees) return [];
  const { declared, factored, difference } = agreement;
  const slip = likelySlip(food);
  const hint = slip
    ? ` Check the ${NUTRIENT_DESCRIPTIONS[slip.nutrient].name.toLowerCase()}: ${slip.typed} would have to be ${roundHalfAway(slip.would, 0.1)}.`
    : '';
  return [
    {
      code: 'energy-mismatch',
      at: `food:${food.id}`,
      severity: 'wrong',
      message: `${food.name} declares ${Math.round(declared)} kcal per 100 g, its macros make ${Math.round(factored)}: ${Math.abs(Math.round(difference))} kcal too ${difference > 0 ? 'much' : 'little'}.${hint}`,
    },
  ];
}
