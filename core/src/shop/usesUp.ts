import { compensatedSum } from '../quantity/index.js';
import { computedFigures, servedOf, type Kitchen, type Recipe } from '../recipe/index.js';

/** A dish that takes of what is left. */
export interface UsesUp {
  readonly recipe: string;
  /** What it takes of what is left is worth, major units, at the rates that used cost is reckoned by. */
  readonly worth: number;
  readonly foods: readonly {
    readonly food: string;
    /** Grams as purchased that it takes of what is left. */
    readonly takes: number;
    /** All of it. */
    readonly all: boolean;
  }[];
}

/**
 * Dishes by what they would take of what is left over, at their own size: what uses up most money first. One that cannot be computed
 * takes nothing.
 *
 * @param left grams as purchased, by food
 * @param without recipes that are cooked already
 */
export function usesUp(
  left: ReadonlyMap<string, number>,
  recipes: readonly Recipe[],
  kitchen: Kitchen,
  without: ReadonlySet<string> = new Set(),
): UsesUp[] {
  return recipes
    .flatMap((recipe): UsesUp[] => {
      if (without.has(recipe.id)) return [];
      const computed = computedFigures(recipe, kitchen);
      if (!computed.ok) return [];
      const needs = new Map<string, number>();
      for (const { part, lines } of computed.made.parts)
        if (servedOf(part) !== 'optional')
          for (const { counted, purchases } of lines)
            for (const { food, grams } of counted ? purchases : []) needs.set(food, (needs.get(food) ?? 0) + grams);
      const foods = [...needs].flatMap(([food, grams]) => {
        const there = left.get(food) ?? 0;
        const takes = Math.min(there, grams);
        return takes > 0 ? [{ food, takes, all: takes >= there * (1 - 1e-9) }] : [];
      });
      const worth = compensatedSum(foods.map(({ food, takes }) => takes * (kitchen.resolvedFood(food).best?.rate ?? 0)));
      return foods.length === 0 ? [] : [{ recipe: recipe.id, worth, foods }];
    })
    .sort((a, b) => b.worth - a.worth || b.foods.length - a.foods.length || (a.recipe < b.recipe ? -1 : 1));
}
