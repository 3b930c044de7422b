import type { Food, FoodIndex } from '@portiona/core';

/** Foods that words find, at most forty; all of them where nothing is asked. */
export function foundFoods(foods: readonly Food[], index: FoodIndex | undefined, words: string): readonly Food[] {
  if (words.trim() === '' || !index) return foods;
  return index.find(words, 40).map(({ food }) => food);
}
