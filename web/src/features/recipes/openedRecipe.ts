import { api, type OpenRecipeDto } from '../../api/api.gen';
import type { Dispatch } from './useRecipeState';

/**
 * A recipe as the server has it now. The answer is held until it is taken: one that nobody holds is let go when something else is
 * saved meanwhile, and would look like no answer.
 *
 * Rejects with the server's problem.
 */
export async function openedRecipe(id: string, dispatch: Dispatch): Promise<OpenRecipeDto> {
  const asked = dispatch(api.endpoints.openRecipe.initiate({ id }, { forceRefetch: true }));
  try {
    return await asked.unwrap();
  } finally {
    asked.unsubscribe();
  }
}
