import { followedSteps } from './step.js';
import { placeOf, type Line, type Recipe, type Variant, type VariantChange } from './recipe.js';

/**
 * The recipe that a variant's changes make of its base, without variants of its own. A change of a line that is not there changes
 * nothing.
 */
export function variantRecipe(recipe: Recipe, { changes }: Pick<Variant, 'changes'>): Recipe {
  const { variants: _, ...base } = recipe;
  const at = new Map(changes.flatMap((change) => ('at' in change ? [[change.at, change] as const] : [])));
  const next: Recipe = {
    ...base,
    parts: base.parts.map((part) => {
      const lines = part.lines.flatMap((line, i) => {
        const change = at.get(placeOf(part, i));
        if (!change) return [line];
        return 'out' in change ? [] : [change.line];
      });
      const added = changes.flatMap((change) => ('part' in change && 'line' in change && change.part === part.id ? [change.line] : []));
      const weighed = changes.find((change) => 'cookedWeight' in change && change.part === part.id);
      return {
        ...part,
        lines: [...lines, ...added],
        ...(weighed && 'cookedWeight' in weighed ? { cookedWeight: weighed.cookedWeight } : {}),
      };
    }),
  };
  return base.steps ? { ...next, steps: followedSteps(base.steps, movedPlaces(recipe, { changes }, next)) } : next;
}

/**
 * A variant made the base: the old base stays as a variant that undoes its changes, and the other variants keep to the lines they
 * are about; what they say of a line that is gone goes.
 *
 * @param index of the variant
 * @param nameOfOld what the old base is called among the variants
 */
export function promotedVariant(recipe: Recipe, index: number, nameOfOld: string): Recipe {
  const variant = recipe.variants?.[index];
  if (!variant) return recipe;
  const next = variantRecipe(recipe, variant);
  const moved = movedPlaces(recipe, variant, next);
  const others = (recipe.variants ?? []).filter((_, i) => i !== index);
  return {
    ...next,
    variants: [
      { name: nameOfOld, changes: undoing(recipe, variant, next, moved) },
      ...others.map((other) => ({ ...other, changes: followedChanges(other.changes, moved) })),
    ],
  };
}

/** Changes of a variant after lines have moved: each about the line it was about. */
export function followedChanges(changes: readonly VariantChange[], moved: ReadonlyMap<string, string | undefined>): VariantChange[] {
  return changes.flatMap((change): VariantChange[] => {
    if ('part' in change) return moved.has(change.part) && moved.get(change.part) === undefined ? [] : [change];
    const at = moved.get(change.at);
    return at === undefined ? [] : [{ ...change, at }];
  });
}

/** Where each line of the base stands in the variant; undefined for one that is left out. */
function movedPlaces(recipe: Recipe, { changes }: Pick<Variant, 'changes'>, next: Recipe): Map<string, string | undefined> {
  const out = new Set(changes.flatMap((change) => ('out' in change ? [change.at] : [])));
  const moved = new Map<string, string | undefined>();
  recipe.parts.forEach((part, p) => {
    const now = next.parts[p] ?? part;
    let stands = 0;
    moved.set(part.id, part.id);
    part.lines.forEach((_, i) => {
      const at = placeOf(part, i);
      moved.set(at, out.has(at) ? undefined : placeOf(now, stands));
      if (!out.has(at)) stands++;
    });
  });
  return moved;
}

function undoing(recipe: Recipe, { changes }: Variant, next: Recipe, moved: ReadonlyMap<string, string | undefined>): VariantChange[] {
  const before = new Map<string, { readonly line: Line; readonly part: string }>();
  for (const part of recipe.parts) part.lines.forEach((line, i) => before.set(placeOf(part, i), { line, part: part.id }));
  const addedSoFar = new Map<string, number>();
  return changes.flatMap((change): VariantChange[] => {
    if ('cookedWeight' in change) {
      const cookedWeight = recipe.parts.find(({ id }) => id === change.part)?.cookedWeight;
      return cookedWeight === undefined ? [] : [{ part: change.part, cookedWeight }];
    }
    if ('part' in change) {
      const part = next.parts.find(({ id }) => id === change.part);
      if (!part) return [];
      const added = changes.filter((one) => 'part' in one && 'line' in one && one.part === change.part).length;
      const nth = addedSoFar.get(change.part) ?? 0;
      addedSoFar.set(change.part, nth + 1);
      return [{ at: placeOf(part, part.lines.length - added + nth), out: true }];
    }
    const old = before.get(change.at);
    if (!old) return [];
    const at = moved.get(change.at);
    return at === undefined ? [{ part: old.part, line: old.line }] : [{ at, line: old.line }];
  });
}
