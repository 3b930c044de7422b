import { compensatedSum } from '../quantity/index.js';
import { computedFigures, servedOf, type Kitchen, type Recipe } from '../recipe/index.js';

/** A dish that takes of what is left. */
export interface UsesUp {
  readonly recipe: string;
  /** What it takes of what is left is worth, major units, at the rates that used cost is reckoned by. */
  readonly worth: number;
  /** Of that, what would spoil: it has a day. */
  readonly perishable: number;
  /** The first day that something of it is to be used by; ISO. */
  readonly before?: string;
  readonly foods: readonly {
    readonly food: string;
    /** Grams as purchased that it takes of what is left. */
    readonly takes: number;
    /** All of it. */
    readonly all: boolean;
  }[];
}

/**
 * Dishes by what they would take of what is left over, at their own size: what takes most of what spoils first, then what uses up most
 * money. One that cannot be computed
 * takes nothing.
 *
 * @param left grams as purchased, by food
 * @param without recipes that are cooked already
 * @param days by food, the day it is to be used by, where it has one
 */
export function usesUp(
  left: ReadonlyMap<string, number>,
  recipes: readonly Recipe[],
  kitchen: Kitchen,
  without: ReadonlySet<string> = new Set(),
  days: ReadonlyMap<string, string> = new Map(),
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
      const worthOf = (some: typeof foods) =>
        compensatedSum(some.map(({ food, takes }) => takes * (kitchen.resolvedFood(food).best?.rate ?? 0)));
      const spoils = foods.filter(({ food }) => days.has(food));
      const [before] = spoils.map(({ food }) => days.get(food)).sort();
      return foods.length === 0
        ? []
        : [{ recipe: recipe.id, worth: worthOf(foods), perishable: worthOf(spoils), foods, ...(before === undefined ? {} : { before }) }];
    })
    .sort((a, b) => b.perishable - a.perishable || b.worth - a.worth || b.foods.length - a.foods.length || (a.recipe < b.recipe ? -1 : 1));
}
