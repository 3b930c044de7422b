import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import type { RecipeState } from './recipeSlice';

/** The part of the store that this feature keeps. */
export interface WithRecipe {
  readonly recipe: RecipeState;
}
export type Dispatch = ThunkDispatch<WithRecipe, unknown, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<Dispatch>();

/** The recipe on the desk. */
export function useRecipeState(): RecipeState {
  return useSelector(({ recipe }: WithRecipe) => recipe);
}
