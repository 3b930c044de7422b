import { foodDoubts, type Food } from '../food/index.js';
import { isFreeStaple, type ResolvedFood, type Kitchen } from '../recipe/index.js';
import type { FigureFinding } from './finding.js';

/** What was paid for it stands in place of every pack. */
function isPaid({ food }: ResolvedFood, kitchen: Kitchen): boolean {
  return kitchen.paidRate(food.id) !== undefined;
}

/** No price can be had for a food that must be bought. */
export function noPrice(resolved: ResolvedFood, kitchen: Kitchen): FigureFinding[] {
  if (resolved.best || resolved.onlyStalePacks || isFreeStaple(resolved.food, kitchen) || isPaid(resolved, kitchen)) return [];
  return [
    {
      code: 'no-price',
      at: `food:${resolved.food.id}`,
      severity: 'look',
      message: `${resolved.food.name} has no current price in ${kitchen.settings.currency}. Add a pack; until then cost is "at least".`,
    },
  ];
}

/** Every price of a food is older than the kitchen allows. */
export function stalePrice(resolved: ResolvedFood, kitchen: Kitchen): FigureFinding[] {
  if (!resolved.onlyStalePacks || isFreeStaple(resolved.food, kitchen) || isPaid(resolved, kitchen)) return [];
  return [
    {
      code: 'stale-price',
      at: `food:${resolved.food.id}`,
      severity: 'look',
      message:
        kitchen.settings.maxPriceAge === undefined
          ? `Every price of ${resolved.food.name} was an offer that has ended. Look the price up again.`
          : `Every price of ${resolved.food.name} is older than ${kitchen.settings.maxPriceAge} days, or was an offer that has ended. Look the price up again.`,
    },
  ];
}

/** Declared and factored energy of a food disagree: one of its numbers is a slip. */
export function foodEnergyMismatch(food: Food): FigureFinding[] {
  return foodDoubts(food)
    .filter(({ code }) => code === 'energy-mismatch')
    .map(({ message }) => ({ code: 'energy-mismatch', at: `food:${food.id}`, severity: 'wrong', message: `${food.name}: ${message}` }));
}
