import { useEffect, useRef } from 'react';
import { useToast } from '../../ui/Toasts';
import { openedRecipe } from '../recipes/openedRecipe';
import { recipeActions, type RecipeState } from '../recipes/recipeSlice';
import { useAppDispatch } from '../recipes/useRecipeState';
import { listen } from './liveEvents';

/**
 * Has the dish at hand show what somebody else saves of it. Work of one's own that is not saved yet is left alone: its save tells of the
 * other's, and one chooses.
 */
export function useLiveRecipe(id: string, state: RecipeState): void {
  const dispatch = useAppDispatch();
  const say = useToast();
  const here = useRef(state);
  useEffect(() => {
    here.current = state;
  }, [state]);
  useEffect(() => {
    let asking = false;
    let again: string | undefined;
    const take = async (by: string) => {
      if (asking) {
        again = by;
        return;
      }
      asking = true;
      try {
        const opened = await openedRecipe(id, dispatch);
        const { id: open, saveState, revision } = here.current;
        if (open !== id || saveState !== 'saved' || opened.revision <= revision) return;
        dispatch(recipeActions.changedElsewhere(opened));
        if (by !== '') say(`${by} changed this dish. You see it as it is now; undo leads back to how you saw it.`);
      } catch {
        // It is found out at the next save.
      } finally {
        asking = false;
        const next = again;
        again = undefined;
        if (next !== undefined) void take(next);
      }
    };
    return listen({
      deed: ({ does, to, by }) => {
        if (does === 'saveRecipe' && to === `recipes/${id}`) void take(by.name);
      },
      missed: () => void take(''),
    });
  }, [id, dispatch, say]);
}
