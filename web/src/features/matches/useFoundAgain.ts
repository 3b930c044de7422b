import { useMemo } from 'react';
import { FoodIndex, openLines, triedAgain, type Food, type FoundAgain, type Recipe } from '@portiona/core';
import { useTableFoodsQuery, type SavedFoodDto } from '../../api/api.gen';
import type { LoadedKitchen } from '../kitchen/useKitchen';

/** Lines that would find a food now, or another one, and which rows of tables they would take. */
export interface FoundSince {
  readonly found: readonly FoundAgain[];
  /** Rows of imported tables that are not at hand yet, by id. */
  readonly rows: ReadonlyMap<string, SavedFoodDto>;
}

const NO_ROWS: readonly SavedFoodDto[] = [];

/** Lines without a food and lines in doubt, tried against the foods at hand and the rows of tables that they may mean. */
export function useFoundAgain(recipe: Recipe, here: LoadedKitchen): FoundSince {
  const open = useMemo(() => openLines(recipe).length, [recipe]);
  const inTables = useTableFoodsQuery({ id: recipe.id }, { skip: open === 0 }).data ?? NO_ROWS;
  const { index, byId, rows } = useMemo(() => withRows(here, inTables), [here, inTables]);
  const { measures } = here.kitchen.settings;
  return useMemo(() => ({ found: triedAgain(recipe, index, byId, measures), rows }), [recipe, index, byId, measures, rows]);
}

function withRows(here: LoadedKitchen, inTables: readonly SavedFoodDto[]) {
  const rows = new Map(inTables.filter(({ id }) => !here.foodsById.has(id)).map((row) => [row.id, row]));
  if (rows.size === 0) return { index: here.index, byId: here.foodsById, rows };
  const further = [...rows.values()].map(({ document }): Food => document);
  const foods = [...here.foods, ...further];
  return {
    index: new FoodIndex(foods, new Set(here.foods.map(({ id }) => id))),
    byId: new Map(foods.map((food) => [food.id, food])),
    rows,
  };
}
