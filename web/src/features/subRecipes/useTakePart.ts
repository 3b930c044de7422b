import type { ReusablePart } from '@portiona/core';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import { openedRecipe } from '../recipes/openedRecipe';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch, useRecipeState } from '../recipes/useRecipeState';

/** Brings the recipe that a part belongs to to hand, with those it is built on: then a line can take it. False where it cannot be had; it is said. */
export function useTakePart(): (part: ReusablePart) => Promise<boolean> {
  const dispatch = useAppDispatch();
  const { subRecipes } = useRecipeState();
  const say = useToast();
  return async ({ recipe }) => {
    if (subRecipes.some(({ id }) => id === recipe)) return true;
    try {
      const found = await openedRecipe(recipe, dispatch);
      dispatch(recipeActions.subRecipesKnown([found.document, ...found.subRecipes]));
      return true;
    } catch (error) {
      say(problemText(problemOf(error)));
      return false;
    }
  };
}
