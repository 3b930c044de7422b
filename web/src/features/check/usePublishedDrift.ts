import type { CardDrift } from '@portiona/core';
import { useListPublishedCardsQuery } from '../../api/api.gen';

const NONE: readonly CardDrift[] = [];

/** What the published card of a recipe says otherwise than it would be printed, as of when the list was asked for; none where it holds. */
export function usePublishedDrift(recipeId: string): readonly CardDrift[] {
  const { drift } = useListPublishedCardsQuery(undefined, {
    refetchOnMountOrArgChange: true,
    selectFromResult: ({ data }) => ({ drift: data?.find(({ recipe }) => recipe === recipeId)?.drift ?? NONE }),
  });
  return drift;
}
