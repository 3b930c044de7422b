import { fitRecipe, Kitchen, Programme, solveWith, type FitAnswer, type KitchenContent, type Recipe, type Solver } from '@portiona/core';
import highs from 'highs';
import wasmUrl from 'highs/runtime?url';

/** What the worker is given: the kitchen once, then recipes to be made to fit their briefs. */
export type FitTask = { readonly kitchen: KitchenContent } | { readonly id: number; readonly recipe: Recipe };

/** What the worker says. */
export type FitSaid =
  | { readonly id: number; readonly answer: FitAnswer; readonly milliseconds: number }
  | { readonly id: number; readonly failed: string };

/** The package types its default export as the module itself. */
const load = highs as unknown as (options: { locateFile: () => string }) => Promise<Solver>;
const solver = load({ locateFile: () => wasmUrl }).then(warmed);
let kitchen: Kitchen | undefined;

/** The browser compiles the solver when it is first used: a small programme takes that from the first answer. */
function warmed(loaded: Solver): Solver {
  const small = new Programme();
  const [x, y] = [small.variable('x', 0, 5, { cost: 1, whole: true }), small.variable('y', 0, 9, { cost: 1 })];
  small.row(
    [
      [x, 1],
      [y, 2],
    ],
    '>=',
    3,
  );
  solveWith(loaded)(small.text());
  return loaded;
}

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
