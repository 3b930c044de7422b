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

/** The measure of a food that is made of a fruit: "juice of 1 lemon". */
export function partMeasure({ measures = {} }: Pick<NamedThing, 'measures'>, part: string): string | undefined {
  return Object.keys(measures).find((name) => name.startsWith(`${part} of 1 `));
}
