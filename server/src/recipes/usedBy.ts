import type { Line, Recipe } from '@portiona/core';

/** Ids of the foods that a recipe's lines, discards and variants name, each once. */
export function foodsOf(recipe: Recipe): string[] {
  const discarded = recipe.parts.flatMap(({ discards = [] }) => discards.map(({ food }) => food));
  return [...new Set([...linesOf(recipe).flatMap(({ food }) => food ?? []), ...discarded])];
}

/** Ids of the recipes whose parts a recipe takes, each once; not of those these are built on. */
export function basesOf(recipe: Recipe): string[] {
  return [...new Set(linesOf(recipe).flatMap((line) => line.recipe ?? []))];
}

/** Ids of the parts of a base that a recipe's lines and variants take, each once. */
export function partsTaken(recipe: Recipe, base: string): string[] {
  return [...new Set(linesOf(recipe).flatMap((line) => (line.recipe === base ? (line.part ?? []) : [])))];
}

function linesOf({ parts, variants = [] }: Recipe): Line[] {
  return [
    ...parts.flatMap(({ lines }) => lines),
    ...variants.flatMap(({ changes }) => changes.flatMap((change) => ('line' in change ? change.line : []))),
  ];
}
