import { useMemo } from 'react';
import {
  CircularPartError,
  findingsOf,
  recipeFigures,
  UnknownFoodError,
  UnknownPartError,
  type Finding,
  type Recipe,
  type RecipeFigures,
} from '@portiona/core';
import type { LoadedKitchen } from '../kitchen/useKitchen';

/** A recipe's figures, or why there are none. */
export type FiguresHere =
  | { readonly ok: true; readonly figures: RecipeFigures; readonly findings: readonly Finding[] }
  | { readonly ok: false; readonly reason: string };

/** Every figure of a recipe, computed in the page by core as it is typed. */
export function useFigures(recipe: Recipe | undefined, here: LoadedKitchen | undefined): FiguresHere | undefined {
  return useMemo(() => (recipe && here ? figuresOf(recipe, here) : undefined), [recipe, here]);
}

function figuresOf(recipe: Recipe, { kitchen }: LoadedKitchen): FiguresHere {
  try {
    const figures = recipeFigures(recipe, kitchen);
    return { ok: true, figures, findings: findingsOf(figures, kitchen) };
  } catch (error) {
    if (error instanceof UnknownFoodError || error instanceof UnknownPartError || error instanceof CircularPartError)
      return { ok: false, reason: error.message };
    throw error;
  }
}
