import { isAnyOf, type Middleware } from '@reduxjs/toolkit';
import type { MeDto } from '../../api/api.gen';
import { api } from '../../api/api.gen';
import { kitchenKey } from '../../api/kitchenAtHand';
import { tellNotTaken } from '../account/changesNotTaken';
import { recipeActions } from './recipeSlice';

const changes = isAnyOf(recipeActions.edited, recipeActions.undone, recipeActions.redone);

/** A dish is changed by whoever may change it: what anybody else does to it is not taken, and that is said at once instead of after a save. */
export const onlyLooking: Middleware = (here) => {
  const select = api.endpoints.getMe.select();
  return (next) => (action) => {
    if (changes(action) && !mayEdit(select(here.getState() as never).data)) {
      tellNotTaken();
      return undefined;
    }
    return next(action);
  };
};

function mayEdit(me: MeDto | undefined): boolean {
  return me?.kitchens.find(({ key }) => key === kitchenKey)?.rights.includes('edit') ?? true;
}
