import { fitRecipe, Kitchen, solveWith, type FitAnswer, type KitchenContent, type Recipe } from '@portiona/core';
import { solver } from './solver';

/** What the worker is given: the kitchen once, then recipes to be made to fit their briefs. */
export type FitTask = { readonly kitchen: KitchenContent } | { readonly id: number; readonly recipe: Recipe };

/** What the worker says. */
export type FitSaid =
  | { readonly id: number; readonly answer: FitAnswer; readonly milliseconds: number }
  | { readonly id: number; readonly failed: string };

let kitchen: Kitchen | undefined;

self.onmessage = ({ data }: MessageEvent<FitTask>) => {
  if ('kitchen' in data) kitchen = new Kitchen(data.kitchen);
  else void answer(data.id, data.recipe);
};

async function answer(id: number, recipe: Recipe): Promise<void> {
  try {
    const solve = solveWith(await solver);
    if (!kitchen) return;
    const start = performance.now();
    const found = fitRecipe(recipe, recipe.brief ?? {}, kitchen, solve);
    self.postMessage({ id, answer: found, milliseconds: performance.now() - start } satisfies FitSaid);
  } catch (error) {
    self.postMessage({ id, failed: error instanceof Error ? error.message : String(error) } satisfies FitSaid);
  }
}
