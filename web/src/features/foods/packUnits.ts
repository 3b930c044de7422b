import type { Food } from '@portiona/core';

/** Units a pack of a food may be in: those of every food, and its own measures. */
export function unitsOf(food: Food): string[] {
  return [...new Set(['g', 'kg', 'ml', 'l', 'oz', 'lb', 'piece', ...Object.keys(food.measures ?? {})])];
}
