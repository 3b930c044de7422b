import type { Recipe, ReusablePart } from '@portiona/core';
import type { DishDto, ReusablePartDto } from './subRecipes.dto.js';
import type { UpstreamChangesDto } from './upstreamChanges.dto.js';

export function toReusablePart({ per100, ...part }: ReusablePart): ReusablePartDto {
  return {
    ...part,
    per100: { energyKcal: per100.energyKcal ?? null, protein: per100.protein ?? null, usedCost: per100.usedCost ?? null },
  };
}

export function toDish(dish: Recipe, taken: ReadonlyMap<string, number>, { before, now }: UpstreamChangesDto): DishDto {
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
