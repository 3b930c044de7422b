import { useMemo } from 'react';
import { FoodIndex, type ReusablePart } from '@portiona/core';
import { api, type ReusablePartDto } from '../../api/api.gen';

/** Every save of a recipe would ask for them anew, while one is typing: they are asked for when they are looked for. */
const parts = api.enhanceEndpoints({ endpoints: { reusableParts: { providesTags: [] } } });

/** Seconds for which parts once asked for are new enough. */
const NEW_ENOUGH = 20;

const NONE: readonly ReusablePartDto[] = [];

/** Parts of other recipes that a recipe can take lines of, and where to find them by their names. */
export interface PartsToTake {
  readonly all: readonly ReusablePart[];
  readonly index: FoodIndex<ReusablePart>;
}

/** @param recipe the one that is to take them @param skip nobody is looking for any */
export function useReusableParts(recipe: string, skip = false): PartsToTake {
  const rows = parts.useReusablePartsQuery({ for: recipe }, { skip, refetchOnMountOrArgChange: NEW_ENOUGH }).data ?? NONE;
  return useMemo(() => {
    const all = rows.map(asReusablePart);
    return { all, index: new FoodIndex(all) };
  }, [rows]);
}

function asReusablePart({ per100: { energyKcal, protein, usedCost }, ...part }: ReusablePartDto): ReusablePart {
  return {
    ...part,
    per100: { energyKcal: energyKcal ?? undefined, protein: protein ?? undefined, usedCost: usedCost ?? undefined },
  };
}
