import { useMemo } from 'react';
import { FoodIndex, type TakeablePart } from '@portiona/core';
import { api, type TakeablePartDto } from '../../api/api.gen';

/** Every save of a recipe would ask for them anew, while one is typing: they are asked for when they are looked for. */
const parts = api.enhanceEndpoints({ endpoints: { takeableParts: { providesTags: [] } } });

/** Seconds for which parts once asked for are new enough. */
const NEW_ENOUGH = 20;

const NONE: readonly TakeablePartDto[] = [];

/** Parts of other recipes that a recipe can take lines of, and where to find them by their names. */
export interface PartsToTake {
  readonly all: readonly TakeablePart[];
  readonly index: FoodIndex<TakeablePart>;
}

/** @param recipe the one that is to take them @param skip nobody is looking for any */
export function useTakeableParts(recipe: string, skip = false): PartsToTake {
  const rows = parts.useTakeablePartsQuery({ for: recipe }, { skip, refetchOnMountOrArgChange: NEW_ENOUGH }).data ?? NONE;
  return useMemo(() => {
    const all = rows.map(asTakeablePart);
    return { all, index: new FoodIndex(all) };
  }, [rows]);
}

function asTakeablePart({ per100: { energyKcal, protein, usedCost }, ...part }: TakeablePartDto): TakeablePart {
  return {
    ...part,
    per100: { energyKcal: energyKcal ?? undefined, protein: protein ?? undefined, usedCost: usedCost ?? undefined },
  };
}
