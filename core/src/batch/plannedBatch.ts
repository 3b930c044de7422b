import { lineWeights, placedLines, type Kitchen, type Recipe } from '../recipe/index.js';
import type { Batch } from './batch.js';
import { batchedRecipe } from './batchedRecipe.js';

/** What a batch was to be, before anything was measured. */
export interface PlannedBatch {
  /** Its variant, at its size; amounts of the whole batch. */
  readonly recipe: Recipe;
  /** Edible grams of each line, by place; undefined where nobody knows. */
  readonly grams: ReadonlyMap<string, number | undefined>;
}

/** @throws as `batchedRecipe`; RangeError for a recipe that is not there */
export function plannedBatch(batch: Batch, kitchen: Kitchen): PlannedBatch {
  const then = batch.then ?? kitchen.recipe(batch.recipe);
  if (!then) throw new RangeError(`the kitchen holds no recipe "${batch.recipe}"`);
  const { lines: _, parts: __, discards: ___, boxes: ____, leftTo: _____, paid: ______, ...plan } = batch;
  const { recipe } = batchedRecipe(plan, then, kitchen);
  const system = recipe.measures ?? kitchen.settings.measures;
  const grams = new Map(
    placedLines(recipe).map(({ at, line }) => {
      const food = line.food === undefined ? undefined : kitchen.food(line.food);
      return [at, food && lineWeights(line, food, system, kitchen.packsOf(food.id))?.edible] as const;
    }),
  );
  return { recipe, grams };
}
