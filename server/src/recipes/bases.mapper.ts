import type { Recipe, TakeablePart } from '@portiona/core';
import type { DishDto, TakeablePartDto } from './bases.dto.js';
import type { BasisDto } from './basis.dto.js';

export function toTakeablePart({ per100, ...part }: TakeablePart): TakeablePartDto {
  return {
    ...part,
    per100: { energyKcal: per100.energyKcal ?? null, protein: per100.protein ?? null, usedCost: per100.usedCost ?? null },
  };
}

export function toDish(dish: Recipe, taken: ReadonlyMap<string, number>, { before, now }: BasisDto): DishDto {
  return {
    id: dish.id,
    title: dish.title,
    servings: dish.servings,
    servingName: dish.servingName ?? 'serving',
    taken: [...taken].map(([part, grams]) => ({ part, grams })),
    before,
    now,
  };
}
