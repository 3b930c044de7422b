import { useCallback, useEffect, useMemo, useState } from 'react';
import type { NamedBrief } from '@portiona/core';
import { useGetKitchenQuery, useJudgeRecipesMutation, type BriefVerdictDto } from '../../api/api.gen';

const NO_BRIEFS: readonly NamedBrief[] = [];

/** Recipes seen through one of the kitchen's briefs: those that miss it are left out. */
export function useBriefFilter() {
  const briefs = useGetKitchenQuery().data?.briefs;
  const kept = useMemo(() => briefs ?? NO_BRIEFS, [briefs]);
  const [chosen, choose] = useState('');
  const [judge, { data }] = useJudgeRecipesMutation();
  useEffect(() => {
    const brief = kept.find(({ name }) => name === chosen)?.brief;
    if (brief) void judge({ briefDto: { brief: brief } });
  }, [kept, chosen, judge]);
  const verdicts = useMemo(() => new Map((data ?? []).map(({ id, verdict }) => [id, verdict])), [data]);
  const verdictOf = useCallback(
    (id: string): BriefVerdictDto['verdict'] | undefined => (chosen === '' ? undefined : verdicts.get(id)),
    [chosen, verdicts],
  );
  return { kept, chosen, choose, verdictOf };
}
