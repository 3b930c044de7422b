import { useNavigate } from 'react-router';
import { cutText } from '@portiona/core';
import { useCreateRecipeMutation, type ListedRecipeDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { underFreeId } from '../../api/underFreeId';
import { useToast } from '../../ui/Toasts';
import { openedRecipe } from './openedRecipe';
import { useAppDispatch } from './useRecipeState';

/** Characters of a title, at most. */
const LONGEST_TITLE = 200;

/** Makes a copy of a recipe, and goes there. */
export function useCopyRecipe(recipe: ListedRecipeDto) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [create] = useCreateRecipeMutation();
  const say = useToast();
  return async () => {
    try {
      const open = await openedRecipe(recipe.id, dispatch);
      const title = cutText(`${recipe.title}, copy`, LONGEST_TITLE);
      const { number: _, ...document } = open.document;
      const { id } = await underFreeId(title, [recipe.id], (free) =>
        create({ newRecipeDto: { document: { ...document, id: free, title } } }).unwrap(),
      );
      await navigate(`/recipes/${id}/build`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
}
