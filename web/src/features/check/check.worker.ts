import {
  checkedRecipe,
  Kitchen,
  publishedDiffers,
  withReasons,
  type CardDrift,
  type CheckedRecipe,
  type KitchenContent,
  type Recipe,
} from '@portiona/core';

/** What the worker is given: the kitchen once, then dishes to check, each with what its published card says otherwise. */
export type CheckTask =
  | { readonly kitchen: KitchenContent }
  | { readonly id: number; readonly recipe: Recipe; readonly drift: readonly CardDrift[] };

/** What the worker says. */
export type CheckSaid = { readonly id: number; readonly checked: CheckedRecipe } | { readonly id: number; readonly failed: string };

let kitchen: Kitchen | undefined;

self.onmessage = ({ data }: MessageEvent<CheckTask>) => {
  if ('kitchen' in data) kitchen = new Kitchen(data.kitchen);
  else self.postMessage(answer(data.id, data.recipe, data.drift));
};

function answer(id: number, recipe: Recipe, drift: readonly CardDrift[]): CheckSaid {
  if (!kitchen) return { id, failed: 'the kitchen has not come yet' };
  try {
    const { open, left, outdated } = checkedRecipe(recipe, kitchen);
    const card = withReasons(publishedDiffers(drift), recipe, kitchen);
    const used = new Set(card.left.map(({ accepted }) => accepted));
    return {
      id,
      checked: { open: [...open, ...card.open], left: [...left, ...card.left], outdated: outdated.filter((one) => !used.has(one)) },
    };
  } catch (error) {
    return { id, failed: error instanceof Error ? error.message : String(error) };
  }
}
