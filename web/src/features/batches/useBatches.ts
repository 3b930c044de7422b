import { newUuid } from '../../api/newUuid';
import { useMemo } from 'react';
import { taughtKitchen, type BatchEdit, type Kitchen } from '@portiona/core';
import { useEditBatchMutation, type OpenBatchDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import type { LoadedKitchen } from '../kitchen/useKitchen';

/** The kitchen that a batch is computed in: with the recipes it draws on, and what its dish's batches have taught. */
export function useBatchKitchen(here: LoadedKitchen | undefined, opened: OpenBatchDto | undefined): Kitchen | undefined {
  return useMemo(() => {
    if (!here || !opened) return undefined;
    // What was put away since it was cooked is not at hand, and counted all the same.
    const away = opened.foods.filter(({ id }) => !here.foodsById.has(id));
    return taughtKitchen({ ...here.kitchen.content, foods: [...here.foods, ...away], recipes: opened.recipes }, opened.siblings);
  }, [here, opened]);
}

/** Says one thing of a batch: it is kept once, and what cannot be is told. */
export function useBatchEdit(id: string): (edit: BatchEdit) => Promise<boolean> {
  const [send] = useEditBatchMutation();
  const say = useToast();
  return async (edit) => {
    try {
      const { refused } = await send({ id, batchEditsDto: { edits: [{ id: newUuid(), edit }] } }).unwrap();
      if (refused[0]) say(`That cannot be kept: ${refused[0].because}.`);
      return refused.length === 0;
    } catch (error) {
      say(problemText(problemOf(error)));
      return false;
    }
  };
}
