import { countedIds, withIds, withoutLostReferences } from './lineIds.js';
import type { Line, Part, Recipe, Variant, VariantChange } from './recipe.js';
import { referenceTo, withEveryReference } from './walk.js';

/**
 * The recipe that a variant's changes make of its base, without variants of its own. A change of a line that is not there changes
 * nothing. Lines have ids, those of the base where they are of the base; what refers to a line that is left out falls away.
 */
export function variantRecipe(recipe: Recipe, { changes }: Pick<Variant, 'changes'>): Recipe {
  const { variants: _, ...base } = changed({ ...recipe, variants: [{ name: '', changes }] }, 0).next;
  return withoutLostReferences(base);
}

/**
 * A variant made the base: the old base stays as a variant that undoes its changes, and the other variants keep to the lines they
 * are about; what they say of a line that is gone goes.
 *
 * @param index of the variant
 * @param nameOfOld what the old base is called among the variants
 */
export function promotedVariant(recipe: Recipe, index: number, nameOfOld: string): Recipe {
  if (!recipe.variants?.[index]) return recipe;
  const { before, next, standsFor } = changed(recipe, index);
  const variant = before.variants?.[index] ?? { name: '', changes: [] };
  const others = (next.variants ?? []).filter((_, i) => i !== index);
  return withoutLostReferences({
    ...next,
    variants: [{ name: nameOfOld, changes: undoing(before, variant, standsFor) }, ...others],
  });
}

interface Changed {
  /** The recipe with ids for all its lines. */
  readonly before: Recipe;
  /** With the variant's lines in its parts, what refers to a line that has another in its place referring to that. */
  readonly next: Recipe;
  /** What refers to a line of the base, and what refers to the line in its place. */
  readonly standsFor: ReadonlyMap<string, string>;
}

function changed(recipe: Recipe, index: number): Changed {
  const before = withIds(recipe, countedIds());
  const changes = before.variants?.[index]?.changes ?? [];
  const at = new Map(changes.flatMap((change) => ('at' in change ? [[change.at, change] as const] : [])));
  const standsFor = new Map<string, string>();
  const parts = before.parts.map((part): Part => {
    const lines = part.lines.flatMap((line, i) => {
      const reference = referenceTo(part, line, i);
      const change = at.get(reference);
      if (!change) return [line];
      if ('out' in change) return [];
      const stands: Line = { ...change.line, id: change.line.id ?? line.id ?? '' };
      standsFor.set(reference, referenceTo(part, stands, i));
      return [stands];
    });
    const added = changes.flatMap((change) => ('part' in change && 'line' in change && change.part === part.id ? [change.line] : []));
    const weighed = changes.find((change) => 'cookedWeight' in change && change.part === part.id);
    const next = { ...part, lines: [...lines, ...added] };
    if (!weighed || !('cookedWeight' in weighed)) return next;
    // What is measured of the variant was measured as it is.
    const { measuredFor: _, ...measured } = next;
    return { ...measured, cookedWeight: weighed.cookedWeight };
  });
  return { before, next: withEveryReference({ ...before, parts }, (to) => standsFor.get(to) ?? to), standsFor };
}

/** What makes the base of the variant again. */
function undoing(base: Recipe, { changes }: Variant, standsFor: ReadonlyMap<string, string>): VariantChange[] {
  const lines = new Map(
    base.parts.flatMap((part) => part.lines.map((line, i) => [referenceTo(part, line, i), { line, part: part.id }] as const)),
  );
  return changes.flatMap((change): VariantChange[] => {
    if ('cookedWeight' in change) {
      const cookedWeight = base.parts.find(({ id }) => id === change.part)?.cookedWeight;
      return cookedWeight === undefined ? [] : [{ part: change.part, cookedWeight }];
    }
    if ('part' in change) {
      if (!base.parts.some(({ id }) => id === change.part)) return [];
      return [{ at: referenceTo({ id: change.part }, change.line, 0), out: true }];
    }
    const old = lines.get(change.at);
    if (!old) return [];
    if ('out' in change) return [{ part: old.part, line: old.line }];
    return [{ at: standsFor.get(change.at) ?? change.at, line: old.line }];
  });
}
