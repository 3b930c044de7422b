import { useMemo } from 'react';
import { FoodIndex, Kitchen, reusableParts, type Food, type Pack, type Recipe, type Settings, type ReusablePart } from '@portiona/core';
import {
  useGetKitchenQuery,
  useListFoodsQuery,
  useListPacksQuery,
  type KitchenDto,
  type LearnedYieldDto,
  type SavedFoodDto,
} from '../../api/api.gen';

/** The kitchen as the page knows it: enough to compute every figure without asking again. */
export interface LoadedKitchen {
  readonly kitchen: Kitchen;
  readonly foods: readonly Food[];
  readonly foodsById: ReadonlyMap<string, Food>;
  readonly index: FoodIndex;
  /** Parts of the recipes that the one at hand is built on, and where to find them by their names. */
  readonly parts: readonly ReusablePart[];
  readonly partIndex: FoodIndex<ReusablePart>;
}

const NO_RECIPES: readonly Recipe[] = [];
const NO_ROWS: readonly never[] = [];

/**
 * Foods, packs and settings, made ready to compute with. Undefined until they are loaded.
 *
 * @param bases other recipes that the one at hand takes parts of
 * @param learned yields that batches have taught of them
 */
export function useKitchen(
  subRecipes: readonly Recipe[] = NO_RECIPES,
  learned: readonly LearnedYieldDto[] = NO_ROWS,
): LoadedKitchen | undefined {
  const settings = useGetKitchenQuery().data;
  const foodRows = useListFoodsQuery().data;
  const packRows = useListPacksQuery().data;
  const foods = useFoods(foodRows ?? NO_ROWS);
  const packs = useMemo(() => (packRows ?? NO_ROWS).map((row): Pack => row.document), [packRows]);
  const index = useMemo(() => new FoodIndex(foods, new Set(packs.map(({ food }) => food))), [foods, packs]);
  const foodsById = useMemo(() => new Map(foods.map((food) => [food.id, food])), [foods]);
  const kitchen = useMemo(
    () =>
      settings &&
      new Kitchen({
        settings: settingsOf(settings),
        ...{ foods, packs, recipes: subRecipes },
        learned: new Map(learned.map(({ of, batches, mean, sd }) => [of, { batches, mean, sd }])),
      }),
    [settings, foods, packs, subRecipes, learned],
  );
  return useMemo(() => {
    if (!kitchen || !foodRows || !packRows) return undefined;
    const parts = subRecipes.flatMap((base) => partsOf(base, kitchen));
    return { kitchen, foods, foodsById, index, parts, partIndex: new FoodIndex(parts) };
  }, [kitchen, foodRows, packRows, foods, foodsById, index, subRecipes]);
}

/** Parts of a base; none where a food of it is not at hand yet, which the figures of the dish then say. */
function partsOf(base: Recipe, kitchen: Kitchen): ReusablePart[] {
  try {
    return reusableParts(base, kitchen);
  } catch {
    return [];
  }
}

function useFoods(rows: readonly SavedFoodDto[]): readonly Food[] {
  return useMemo(() => rows.map((row): Food => row.document), [rows]);
}

function settingsOf({ name: _, empty: __, begun: ___, briefs: ____, ...settings }: KitchenDto): Settings {
  return settings;
}
