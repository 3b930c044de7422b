import type { NamedThing } from './foodIndex.js';

/** What is asked of a fruit that is counted: its juice or its zest alone. */
export function partOfFruit(note = ''): 'juice' | 'zest' | undefined {
  const [, one, other] =
    /^(?:finely |freshly )?(?:grated |squeezed )?(juice|zest|rind|peel)(?: only)?$|^(?:finely )?(juiced|zested)(?: only)?$/i.exec(
      note.trim(),
    ) ?? [];
  const asked = one ?? other;
  if (asked === undefined) return undefined;
  return asked.toLowerCase().startsWith('juice') ? 'juice' : 'zest';
}

/**
 * What of a fruit's edible weight its juice or its zest is, where the pantry has neither: the middle of what lemon, lime and orange of the
 * starter pantry give by its own measures (juice 0.77, 0.5, 0.6; zest 0.1, 0.05, 0.05).
 */
export const PART_SHARES: Readonly<Record<'juice' | 'zest', number>> = { juice: 0.6, zest: 0.05 };

/** The measure of a food that is made of a fruit: "juice of 1 lemon". */
export function partMeasure({ measures = {} }: Pick<NamedThing, 'measures'>, part: string): string | undefined {
  return Object.keys(measures).find((name) => name.startsWith(`${part} of 1 `));
}
