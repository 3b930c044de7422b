import { lineText, type Food, type Line, type Recipe, movedLines, type LinePlace } from '@portiona/core';
import { insertLines } from './editRecipe';

/** Lines that something is to be done with together, in the order they stand. */
export type Selection = readonly LinePlace[];

/** A recipe changed, and where the lines it was done with stand now. */
export interface Selected {
  readonly recipe: Recipe;
  readonly selection: Selection;
}

/** Every line's place, from the top. */
export function placesOf(recipe: Recipe): LinePlace[] {
  return recipe.parts.flatMap(({ lines }, part) => lines.map((_, line) => ({ part, line })));
}

export function isSame(a: LinePlace, b: LinePlace): boolean {
  return a.part === b.part && a.line === b.line;
}

export function holds(selection: Selection, place: LinePlace): boolean {
  return selection.some((one) => isSame(one, place));
}

/** All lines from one to another, either way. */
export function between(recipe: Recipe, anchor: LinePlace, head: LinePlace): Selection {
  const all = placesOf(recipe);
  const [a, b] = [all.findIndex((one) => isSame(one, anchor)), all.findIndex((one) => isSame(one, head))];
  return a < 0 || b < 0 ? [] : all.slice(Math.min(a, b), Math.max(a, b) + 1);
}

/** One line more, or one less. */
export function toggled(recipe: Recipe, selection: Selection, place: LinePlace): Selection {
  const next = holds(selection, place) ? selection.filter((one) => !isSame(one, place)) : [...selection, place];
  return placesOf(recipe).filter((one) => holds(next, one));
}

/** The lines put, in their order, before the one that stands at a place now; behind the last line: at the end of its part. */
export function dropped(recipe: Recipe, selection: Selection, before: LinePlace): Selected {
  const taken = selection.filter(({ part, line }) => part === before.part && line < before.line).length;
  const to: LinePlace = { part: before.part, line: before.line - taken };
  return { recipe: movedLines(recipe, selection, to), selection: selection.map((_, i) => ({ part: to.part, line: to.line + i })) };
}

/** The lines one up or down, over the edges of parts; lines that stood apart stand together from then on. */
export function shifted(recipe: Recipe, selection: Selection, by: 1 | -1): Selected {
  const [first, last] = [selection[0], selection.at(-1)];
  if (!first || !last) return { recipe, selection };
  if (by === -1) {
    if (first.line > 0) return dropped(recipe, selection, { part: first.part, line: first.line - 1 });
    const above = recipe.parts[first.part - 1];
    return above ? dropped(recipe, selection, { part: first.part - 1, line: above.lines.length }) : { recipe, selection };
  }
  const lines = recipe.parts[last.part]?.lines.length ?? 0;
  if (last.line + 1 < lines) return dropped(recipe, selection, { part: last.part, line: last.line + 2 });
  return recipe.parts[last.part + 1] ? dropped(recipe, selection, { part: last.part + 1, line: 0 }) : { recipe, selection };
}

/** The same lines once more, behind the last of them. */
export function doubled(recipe: Recipe, selection: Selection): Selected {
  const last = selection.at(-1);
  if (!last) return { recipe, selection };
  const copies = linesAt(recipe, selection).map((line) => ({ ...line }));
  const to: LinePlace = { part: last.part, line: last.line + 1 };
  return { recipe: insertLines(recipe, to, copies), selection: copies.map((_, i) => ({ part: to.part, line: to.line + i })) };
}

/** The lines optional, or, where all of them are, counted again. */
export function madeOptional(recipe: Recipe, selection: Selection): Recipe {
  const all = linesAt(recipe, selection).every(({ optional }) => optional === true);
  return changed(recipe, selection, ({ optional: _, ...line }) => (all ? line : { ...line, optional: true }));
}

/** What is copied: the lines as text, as they would be typed. */
export function textOfLines(recipe: Recipe, selection: Selection, foods: ReadonlyMap<string, Food>): string {
  return linesAt(recipe, selection)
    .map((line) => line.text ?? lineText(line, foods.get(line.food ?? '')))
    .join('\n');
}

function linesAt(recipe: Recipe, selection: Selection): Line[] {
  return selection.flatMap(({ part, line }) => recipe.parts[part]?.lines[line] ?? []);
}

function changed(recipe: Recipe, selection: Selection, change: (line: Line) => Line): Recipe {
  const parts = recipe.parts.map((part, p) => ({
    ...part,
    lines: part.lines.map((line, l) => (holds(selection, { part: p, line: l }) ? change(line) : line)),
  }));
  return { ...recipe, parts };
}
