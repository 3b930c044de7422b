import { placeOf, type Line, type Recipe } from './recipe.js';
import { followedSteps, mentionsIn, stepOf } from './step.js';
import { followedChanges } from './variant.js';

/**
 * A recipe whose lines have moved, with what refers to lines by place (ratios, lines in step when a dish is made to fit, changes
 * of variants, ingredients mentioned in steps) pointing at the same lines as before. What referred to a line that is gone goes with it.
 *
 * @param before the recipe the references are right in
 * @param after the same lines at other places; a line is known by identity
 */
export function keptReferences(before: Recipe, after: Recipe): Recipe {
  const mentions = before.steps?.some((step) => stepOf(step).part !== undefined || mentionsIn(stepOf(step).text).length > 0) === true;
  if (!mentions && !before.variants?.length && !before.parts.some(({ lines }) => lines.some(refers))) return after;
  const now = new Map<Line, string>();
  for (const part of after.parts) part.lines.forEach((line, i) => now.set(line, placeOf(part, i)));
  const moved = new Map<string, string | undefined>();
  for (const part of before.parts) {
    part.lines.forEach((line, i) => moved.set(placeOf(part, i), now.get(line)));
    moved.set(part.id, after.parts.some(({ id }) => id === part.id) ? part.id : undefined);
  }
  if ([...moved].every(([from, to]) => from === to)) return after;
  return {
    ...after,
    parts: after.parts.map((part) => ({ ...part, lines: part.lines.map((line) => referring(line, moved)) })),
    ...(after.variants ? { variants: after.variants.map((one) => ({ ...one, changes: followedChanges(one.changes, moved) })) } : {}),
    ...(after.steps ? { steps: followedSteps(after.steps, moved) } : {}),
  };
}

function refers({ scaling, fit }: Line): boolean {
  return (typeof scaling === 'object' && 'ratioTo' in scaling) || (typeof fit?.bound === 'object' && 'withLine' in fit.bound);
}

function referring(line: Line, moved: ReadonlyMap<string, string | undefined>): Line {
  return refers(line) ? withBound(withRatio(line, moved), moved) : line;
}

function withRatio(line: Line, moved: ReadonlyMap<string, string | undefined>): Line {
  const { scaling, ...rest } = line;
  if (typeof scaling !== 'object' || !('ratioTo' in scaling)) return line;
  const ratioTo = moved.get(scaling.ratioTo);
  return ratioTo === undefined ? rest : { ...line, scaling: { ...scaling, ratioTo } };
}

function withBound(line: Line, moved: ReadonlyMap<string, string | undefined>): Line {
  const { fit, ...rest } = line;
  const bound = fit?.bound;
  if (fit === undefined || typeof bound !== 'object' || !('withLine' in bound)) return line;
  const withLine = moved.get(bound.withLine);
  if (withLine !== undefined) return { ...line, fit: { ...fit, bound: { withLine } } };
  return fit.weight === undefined ? rest : { ...rest, fit: { weight: fit.weight } };
}
