import type { Line, Part, Recipe } from './recipe.js';
import { stepOf, type Step } from './step.js';

/**
 * A recipe that came without ids, or without some, with those its lines and steps had before: of a line that is the same, else of
 * one of the same food in the same part; of a step of the same words, else of the one at the same number. What nothing before is
 * like has none.
 *
 * @param before the same recipe, with ids
 */
export function carriedIds(before: Recipe, after: Recipe): Recipe {
  const parts = after.parts.map((part) => {
    const old = before.parts.find(({ id }) => id === part.id);
    return old && part.lines.some(({ id }) => id === undefined) ? { ...part, lines: carriedLines(old, part) } : part;
  });
  return { ...after, parts, ...(after.steps ? { steps: carriedSteps(before.steps ?? [], after.steps) } : {}) };
}

function carriedLines({ lines: old }: Part, { lines }: Part): Line[] {
  const taken = new Set(lines.flatMap(({ id }) => id ?? []));
  const idOf = carrying<Line>(old, taken);
  const exact = lines.map((line) => (line.id === undefined ? { ...line, ...idOf(line, contentOf) } : line));
  return exact.map((line) => (line.id === undefined ? { ...line, ...idOf(line, namedBy) } : line));
}

function carriedSteps(before: readonly Step[], after: readonly Step[]): Step[] {
  const old = before.map(stepOf);
  const next = after.map(stepOf);
  const taken = new Set(next.flatMap(({ id }) => id ?? []));
  const idOf = carrying(old, taken);
  const exact = next.map((step) => (step.id === undefined ? { ...step, ...idOf(step, ({ text }) => text) } : step));
  return exact.map((step, i) => {
    const id = old[i]?.id;
    if (step.id !== undefined || id === undefined || taken.has(id)) return step;
    taken.add(id);
    return { ...step, id };
  });
}

/** Takes the id of the first before that says the same and is not taken yet. */
function carrying<One extends { readonly id?: string }>(before: readonly One[], taken: Set<string>) {
  return (one: One, says: (one: One) => string | undefined): { readonly id?: string } => {
    const said = says(one);
    const id = said === undefined ? undefined : before.find((old) => old.id !== undefined && !taken.has(old.id) && says(old) === said)?.id;
    if (id === undefined) return {};
    taken.add(id);
    return { id };
  };
}

function contentOf({ id: _, scaling: _s, fit: _f, ...rest }: Line): string {
  return JSON.stringify(rest, Object.keys(rest).sort());
}

function namedBy({ food, recipe, part, text }: Line): string | undefined {
  if (food !== undefined) return `food ${food}`;
  return recipe === undefined ? text : `${recipe}/${part}`;
}
