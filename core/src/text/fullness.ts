/** How full a spoon or a cup is. */
export type Fullness = 'scant' | 'generous' | 'rounded' | 'heaped';

/**
 * What of a level measure one holds that is not level. Reckoned from shapes: a spoon's bowl is a cap half as deep as its radius, a
 * heap on it a cone at the angle at which dry powders rest (35 degrees; 0.86 of the bowl), a rounded one a cap of half that height;
 * a cup is a cylinder half again as deep as its radius. Scant and generous are what kitchens mean by them: a little under, a little over.
 */
const FACTORS: Readonly<Record<Fullness, { readonly spoon: number; readonly cup: number }>> = {
  scant: { spoon: 0.9, cup: 0.95 },
  generous: { spoon: 1.15, cup: 1.05 },
  rounded: { spoon: 1.5, cup: 1.1 },
  heaped: { spoon: 1.85, cup: 1.15 },
};
const WORDS: Readonly<Record<string, Fullness>> = {
  scant: 'scant',
  scanty: 'scant',
  generous: 'generous',
  good: 'generous',
  big: 'generous',
  rounded: 'rounded',
  heaped: 'heaped',
  heaping: 'heaped',
};
const SPOONS: ReadonlySet<string> = new Set(['tsp', 'tbsp']);

/** How full a word says a measure is; undefined for "level" and for words that say nothing of it. */
export function fullnessOf(word: string): Fullness | undefined {
  return WORDS[word.toLowerCase()];
}

/**
 * Level measures in one that is so full.
 *
 * @returns undefined for a unit that is filled to no rim: a pinch, a gram
 * @example fullnessFactor('heaped', 'tbsp') // 1.85
 */
export function fullnessFactor(fullness: Fullness, unit: string | undefined): number | undefined {
  if (unit !== undefined && SPOONS.has(unit)) return FACTORS[fullness].spoon;
  return unit === 'cup' ? FACTORS[fullness].cup : undefined;
}
