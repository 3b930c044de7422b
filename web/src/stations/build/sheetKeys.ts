import type { Line, Recipe, LinePlace } from '@portiona/core';
import { nudgedLine, replaceLine, replacePart } from '../../features/recipes/editRecipe';
import { doubled, shifted } from '../../features/recipes/selection';
import type { Caret } from './caret';

/** The new recipe, and where the caret goes. */
export interface KeyResult {
  readonly recipe?: Recipe;
  readonly caret?: Caret;
}

/** What a key does in the sheet: the new recipe, and where the caret goes. */
export function keyAction(event: React.KeyboardEvent, caret: Caret, recipe: Recipe): KeyResult | undefined {
  const { key, altKey, ctrlKey, metaKey } = event;
  const place: LinePlace = caret;
  const line = recipe.parts[caret.part]?.lines[caret.line];
  if (key === 'Enter' && !altKey && !ctrlKey) return { caret: { ...place, line: caret.empty ? caret.line : caret.line + 1, empty: true } };
  if ((key === 'ArrowUp' || key === 'ArrowDown') && (ctrlKey || metaKey) && !altKey && !caret.empty)
    return { recipe: nudgedLine(recipe, place, (key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1)), caret };
  if ((key === 'ArrowUp' || key === 'ArrowDown') && altKey && !caret.empty) {
    const moved = shifted(recipe, [place], key === 'ArrowUp' ? -1 : 1);
    return { recipe: moved.recipe, caret: { ...(moved.selection[0] ?? place), empty: false } };
  }
  if (key === 'ArrowUp' || key === 'ArrowDown') return stepTo(recipe, caret, key === 'ArrowUp' ? -1 : 1);
  if (!line || caret.empty) return undefined;
  if (key === 'Enter' && altKey)
    return line.agreed === false ? { recipe: replaceLine(recipe, place, { ...line, agreed: true }) } : undefined;
  if (key.toLowerCase() === 'd' && (ctrlKey || metaKey)) {
    const { recipe: next, selection } = doubled(recipe, [place]);
    return { recipe: next, caret: { ...(selection[0] ?? place), empty: false } };
  }
  if (key.toLowerCase() === 'o' && altKey) return { recipe: replaceLine(recipe, place, toggledOptional(line)) };
  if (key.toLowerCase() === 't' && altKey)
    return { recipe: replacePart(recipe, caret.part, { served: recipe.parts[caret.part]?.served === 'table' ? undefined : 'table' }) };
  return undefined;
}

function toggledOptional(line: Line): Line {
  const { optional, ...rest } = line;
  return optional ? rest : { ...rest, optional: true };
}

/** The row above or below, over the edges of parts; every part ends in an empty row. */
function stepTo(recipe: Recipe, caret: Caret, by: 1 | -1): KeyResult | undefined {
  const spots: Caret[] = recipe.parts.flatMap((part, p) => [
    ...part.lines.map((_, l) => ({ part: p, line: l, empty: false })),
    { part: p, line: part.lines.length, empty: true },
  ]);
  const at = spots.findIndex(
    ({ part, line, empty }) => part === caret.part && line === caret.line && (empty === caret.empty || caret.empty),
  );
  const next = spots[at + by];
  return next ? { caret: next } : undefined;
}
