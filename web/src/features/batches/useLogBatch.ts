import { newUuid } from '../../api/newUuid';
import { useNavigate } from 'react-router';
import type { Batch, Recipe } from '@portiona/core';
import { useCreateBatchMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { dayOf } from '../../ui/timeText';
import { useToast } from '../../ui/Toasts';

/** Logs a batch of a dish, cooked today until it is said otherwise, and goes to where it is written up. */
export function useLogBatch(): (recipe: Recipe) => Promise<void> {
  const [create] = useCreateBatchMutation();
  const navigate = useNavigate();
  const say = useToast();
  return async (recipe) => {
    const date = dayOf(new Date());
    const document: Batch = { id: `b-${date}-${newUuid().slice(0, 8)}`, recipe: recipe.id, date, servings: recipe.servings };
    try {
      const { id } = await create({ newBatchDto: { document } }).unwrap();
      await navigate(`/batches/${recipe.id}?batch=${id}&edit=${id}`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
}
