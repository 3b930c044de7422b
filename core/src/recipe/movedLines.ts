import { freshId, withoutLostReferences } from './lineIds.js';
import type { Line, Recipe } from './recipe.js';
import { referenceTo, withEveryReference } from './walk.js';

/** A line's place in a recipe: index of its part, and of the line in it. */
export interface LinePlace {
  readonly part: number;
  readonly line: number;
}

/** The recipe without some lines; what referred to them falls away. */
export function withoutLines(recipe: Recipe, places: readonly LinePlace[]): Recipe {
  const isOut = (part: number, line: number) => places.some((place) => place.part === part && place.line === line);
  const parts = recipe.parts.map((part, p) => ({ ...part, lines: part.lines.filter((_, l) => !isOut(p, l)) }));
  return withoutLostReferences({ ...recipe, parts });
}

/**
 * The recipe with lines taken out of where they are and put, in their order, before a line of what is left. What refers to a line
 * that comes into another part follows it there; one whose id is taken there gets another.
 */
export function movedLines(recipe: Recipe, places: readonly LinePlace[], to: LinePlace): Recipe {
  const target = recipe.parts[to.part];
  if (!target) return recipe;
  const isTaken = (part: number, line: number) => places.some((place) => place.part === part && place.line === line);
  const ids = new Set(target.lines.flatMap(({ id }) => id ?? []));
  const moved = new Map<string, string>();
  const taken = recipe.parts.flatMap((part, p) =>
    part.lines.flatMap((line, l): Line[] => {
      if (!isTaken(p, l)) return [];
      if (p === to.part || line.id === undefined) return [line];
      const own = ids.has(line.id) ? { ...line, id: freshId('l') } : line;
      ids.add(own.id ?? '');
      moved.set(referenceTo(part, line, l), referenceTo(target, own, l));
      return [own];
    }),
  );
  const parts = recipe.parts.map((part, p) => {
    const left = part.lines.filter((_, l) => !isTaken(p, l));
    return p === to.part ? { ...part, lines: [...left.slice(0, to.line), ...taken, ...left.slice(to.line)] } : { ...part, lines: left };
  });
  return withEveryReference({ ...recipe, parts }, (reference) => moved.get(reference) ?? reference);
}
