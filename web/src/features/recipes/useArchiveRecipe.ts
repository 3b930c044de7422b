import { api, useArchiveRecipeMutation, useRestoreRecipeMutation, type ListedRecipeDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { useAppDispatch } from './useRecipeState';

/** Puts a recipe away, with a way back; says so where readers lose its card. */
export function useArchiveRecipe({ id, title }: ListedRecipeDto) {
  const [archive] = useArchiveRecipeMutation();
  const [restore] = useRestoreRecipeMutation();
  const say = useToast();
  const dispatch = useAppDispatch();
  return async () => {
    try {
      // Readers who have its address find nothing there: that is said.
      const [cards, address] = await Promise.all([
        dispatch(api.endpoints.listPublishedCards.initiate(undefined, { subscribe: false, forceRefetch: true })).unwrap(),
        dispatch(api.endpoints.getReadersAddress.initiate(undefined, { subscribe: false, forceRefetch: true })).unwrap(),
      ]);
      const isRead = address.on && cards.some(({ recipe, takenBack }) => recipe === id && takenBack === null);
      await archive({ id }).unwrap();
      say(`“${title}” is put away.${isRead ? ' Its card is gone from the readers’ address too.' : ''}`, {
        label: 'Undo',
        run: () => void restore({ id }),
      });
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
}
