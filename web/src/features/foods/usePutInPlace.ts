import { Kitchen, swapEffect, type Recipe } from '@portiona/core';
import { api } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { openedRecipe } from '../recipes/openedRecipe';
import { useAppDispatch } from '../recipes/useRecipeState';

/** Puts one food in another's place in a recipe, as it is saved; the toast takes it back while nobody has saved it since. */
export function usePutInPlace(kitchen: Kitchen) {
  const dispatch = useAppDispatch();
  const say = useToast();
  const save = (id: string, revision: number, document: Recipe) =>
    dispatch(api.endpoints.saveRecipe.initiate({ id, saveRecipeDto: { revision, document: document } })).unwrap();
  return async (id: string, from: string, to: string): Promise<void> => {
    const told = (error: unknown) => say(problemText(problemOf(error)));
    try {
      const opened = await openedRecipe(id, dispatch);
      const { document, revision } = opened;
      const recipes = [document, ...opened.subRecipes];
      const effect = swapEffect(document, from, to, new Kitchen({ ...kitchen.content, recipes }));
      if (!effect) return;
      const saved = await save(id, revision, effect.swapped);
      say(`“${document.title}” is made with ${kitchen.food(to)?.name ?? to} now, gram for gram.`, {
        label: 'Undo',
        run: () => void save(id, saved.revision, document).catch(told),
      });
    } catch (error) {
      told(error);
    }
  };
}
