import { mapped } from './mapped.js';
import type { Line, Part, Recipe, Variant } from './recipe.js';
import { stepFrom, stepOf, type Step } from './step.js';
import { placedLines, placeOf, referenceTo, withEveryReference } from './walk.js';

/** There in every browser and in Node.js. */
declare const crypto: { getRandomValues(into: Uint8Array): Uint8Array };

/** Ids that lines and steps are given here, and that no file shows: a file has numbers in their place. */
const GIVEN = /^[ls]--[a-z0-9]+$/;
const LETTERS = 'abcdefghijklmnopqrstuvwxyz0123456789';
const GIVEN_LENGTH = 8;

/** An id that no line or step has had before. */
export function freshId(kind: 'l' | 's'): string {
  const chosen = crypto.getRandomValues(new Uint8Array(GIVEN_LENGTH));
  return `${kind}--${[...chosen].map((byte) => LETTERS[byte % LETTERS.length]).join('')}`;
}

/** Ids in order, for a recipe that is worked with and not kept. */
export function countedIds(): NewId {
  let count = 0;
  return (kind) => `${kind}--${++count}`;
}

/**
 * Where each line stands that may be referred to, by every way of referring to it: `part/number`, and `part/id` where it has one.
 *
 * @returns places as `placeOf` writes them
 */
export function placesByReference(recipe: Pick<Recipe, 'parts'>): Map<string, string> {
  const places = new Map<string, string>();
  for (const { part, line, at } of placedLines(recipe)) {
    places.set(at, at);
    if (line.id !== undefined) places.set(`${part.id}/${line.id}`, at);
  }
  return places;
}

/** What refers to each line, by its id where it has one, by every way of referring to it. */
export function idsByReference(recipe: Pick<Recipe, 'parts'>): Map<string, string> {
  const ids = new Map<string, string>();
  for (const { part, line, l, at } of placedLines(recipe)) {
    const reference = referenceTo(part, line, l);
    ids.set(at, reference);
    ids.set(reference, reference);
  }
  return ids;
}

/**
 * The recipe with an id for every line and step, and every reference to a line by its id: it follows the line wherever that goes.
 * Ids that are there stay, but for one used twice in a part, which stays with the first. The same object where nothing lacks one.
 */
export function withIds(recipe: Recipe, newId: NewId = freshId): Recipe {
  const parts = mappedParts(recipe.parts, newId);
  const variants = mappedVariants(recipe.variants, parts, newId);
  const steps = mappedSteps(recipe.steps, newId);
  const same = parts === recipe.parts && variants === recipe.variants && steps === recipe.steps;
  const next = same ? recipe : { ...recipe, parts, ...(variants ? { variants } : {}), ...(steps ? { steps } : {}) };
  // Numbers are those of the lines as they were written: the order is the same.
  const ids = idsByReference(next);
  return withEveryReference(next, (to) => ids.get(to) ?? to);
}

type NewId = (kind: 'l' | 's') => string;

/** Ids of one part, or of a method: who has none, or one that another has already, is given a free one. */
class Ids {
  readonly #seen = new Set<string>();
  readonly #taken: Set<string>;

  constructor(
    taken: Iterable<string>,
    readonly kind: 'l' | 's',
    readonly newId: NewId,
  ) {
    this.#taken = new Set(taken);
  }

  /** The same object where it keeps its id. */
  given<One extends { readonly id?: string }>(one: One): One {
    if (one.id !== undefined && !this.#seen.has(one.id)) {
      this.#seen.add(one.id);
      return one;
    }
    let id = this.newId(this.kind);
    while (this.#taken.has(id)) id = this.newId(this.kind);
    this.#taken.add(id);
    return { ...one, id };
  }

  /** What others have: nobody here may have it too. */
  reserve(ids: Iterable<string>): this {
    for (const id of ids) this.#seen.add(id);
    return this;
  }
}

function mappedParts(parts: readonly Part[], newId: NewId): readonly Part[] {
  return mapped(parts, (part) => {
    const ids = new Ids(
      part.lines.flatMap(({ id }) => id ?? []),
      'l',
      newId,
    );
    const lines = mapped(part.lines, (line) => ids.given(line));
    return lines === part.lines ? part : { ...part, lines };
  });
}

/** Lines that a variant adds have ids of their own; one that stands in another's place goes by the other's where it has none. */
function mappedVariants(variants: readonly Variant[] | undefined, parts: readonly Part[], newId: NewId): readonly Variant[] | undefined {
  if (!variants) return variants;
  const own = new Map(parts.map((part) => [part.id, part.lines.flatMap(({ id }) => id ?? [])]));
  return mapped(variants, (variant) => {
    const byPart = new Map<string, Ids>();
    const changes = mapped(variant.changes, (change) => {
      if (!('part' in change) || !('line' in change)) return change;
      const there = own.get(change.part) ?? [];
      const ids = byPart.get(change.part) ?? new Ids(there, 'l', newId).reserve(there);
      byPart.set(change.part, ids);
      const line = ids.given(change.line);
      return line === change.line ? change : { ...change, line };
    });
    return changes === variant.changes ? variant : { ...variant, changes };
  });
}

function mappedSteps(steps: readonly Step[] | undefined, newId: NewId): readonly Step[] | undefined {
  if (!steps) return steps;
  const ids = new Ids(
    steps.flatMap((step) => stepOf(step).id ?? []),
    's',
    newId,
  );
  return mapped(steps, (step) => {
    const one = stepOf(step);
    const next = ids.given(one);
    return next === one ? step : next;
  });
}

/**
 * The recipe as a file has it: without the ids that were given here, and with the numbers of those lines where they are referred
 * to. What a file brought without ids goes out as it came.
 */
export function withNumbers(recipe: Recipe): Recipe {
  const numbers = new Map<string, string>();
  for (const { part, line, at } of placedLines(recipe))
    if (line.id !== undefined && GIVEN.test(line.id)) numbers.set(`${part.id}/${line.id}`, at);
  const next = withEveryReference(recipe, (to) => numbers.get(to) ?? to);
  return {
    ...next,
    parts: next.parts.map((part) => ({ ...part, lines: part.lines.map(withoutGiven) })),
    ...(next.variants
      ? {
          variants: next.variants.map((variant) => ({
            ...variant,
            changes: variant.changes.map((change) => ('line' in change ? { ...change, line: withoutGiven(change.line) } : change)),
          })),
        }
      : {}),
    ...(next.steps ? { steps: next.steps.map((step) => stepFrom(withoutGiven(stepOf(step)))) } : {}),
  };
}

function withoutGiven<Named extends Pick<Line, 'id'>>(one: Named): Named {
  if (one.id === undefined || !GIVEN.test(one.id)) return one;
  const { id: _, ...rest } = one;
  return rest as Named;
}

/**
 * The recipe without what refers to a line or a part that is not there: a ratio and a bound fall away, a variant's change too,
 * and of a mention the words stay.
 */
export function withoutLostReferences(recipe: Recipe): Recipe {
  const there = new Set(placesByReference(recipe).keys());
  for (const { id } of recipe.parts) there.add(id);
  // A variant's own lines may be referred to among themselves.
  const own = new Set<string>();
  for (const { changes } of recipe.variants ?? [])
    for (const change of changes)
      if ('part' in change && 'line' in change && change.line.id !== undefined) own.add(`${change.part}/${change.line.id}`);
  return withEveryReference(recipe, (to, kind) =>
    there.has(to) || ((kind === 'ratio' || kind === 'in step') && own.has(to)) ? to : undefined,
  );
}

/** The line that a reference of either kind leads to; undefined where there is none. */
export function lineAt(recipe: Pick<Recipe, 'parts'>, reference: string): Line | undefined {
  for (const part of recipe.parts) {
    if (!reference.startsWith(`${part.id}/`)) continue;
    const rest = reference.slice(part.id.length + 1);
    return part.lines.find((line, l) => line.id === rest || placeOf(part, l) === reference);
  }
  return undefined;
}
