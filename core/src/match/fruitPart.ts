import type { NamedThing } from './foodIndex.js';

/** What is asked of a fruit that is counted: its juice or its zest alone. */
export function partOfFruit(note = ''): 'juice' | 'zest' | undefined {
  const [, asked] =
    /^(?:finely |freshly )?(?:grated |squeezed )?(juice|zest|rind|peel)(?: only)?$|^(juiced|zested)$/i.exec(note.trim()) ?? [];
  if (asked === undefined) return undefined;
  return asked.toLowerCase() === 'juice' ? 'juice' : 'zest';
}

/** The measure of a food that is made of a fruit: "juice of 1 lemon". */
export function partMeasure({ measures = {} }: Pick<NamedThing, 'measures'>, part: string): string | undefined {
  return Object.keys(measures).find((name) => name.startsWith(`${part} of 1 `));
}
