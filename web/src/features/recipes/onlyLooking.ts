import { isAnyOf, type Middleware } from '@reduxjs/toolkit';
import type { MeDto } from '../../api/api.gen';
import { api } from '../../api/api.gen';
import { kitchenKey } from '../../api/kitchenAtHand';
import { recipeActions } from './recipeSlice';

const changes = isAnyOf(recipeActions.edited, recipeActions.undone, recipeActions.redone);

/** Told when a change was not taken, because whoever made it may only look. */
const listeners = new Set<() => void>();
export function onChangeNotTaken(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** A dish is changed by whoever may change it: what anybody else does to it is not taken, and that is said at once instead of after a save. */
export const onlyLooking: Middleware = (here) => {
  const select = api.endpoints.getMe.select();
  return (next) => (action) => {
    if (changes(action) && !mayEdit(select(here.getState() as never).data)) {
      for (const listener of listeners) listener();
      return undefined;
    }
    return next(action);
  };
};

function mayEdit(me: MeDto | undefined): boolean {
  return me?.kitchens.find(({ key }) => key === kitchenKey)?.rights.includes('edit') ?? true;
}
