import { useOutletContext } from 'react-router';
import type { Recipe } from '@portiona/core';
import type { LoadedKitchen } from '../features/kitchen/useKitchen';
import type { PanelName } from '../working/panelName';
import type { CheckHere } from '../features/check/useCheck';
import type { FiguresHere } from '../features/recipes/useFigures';

/** What a station works with: the recipe, the kitchen it is computed in, and its figures. */
export interface StationContext {
  readonly recipe: Recipe;
  readonly here: LoadedKitchen;
  readonly computed: FiguresHere;
  /** What Check finds, a moment behind what is typed. */
  readonly check: CheckHere;
  /** Opens the working of a figure. */
  readonly showWorking: (figure: PanelName) => void;
}

/** The context of the station being stood at. */
export const useStation = () => useOutletContext<StationContext>();
