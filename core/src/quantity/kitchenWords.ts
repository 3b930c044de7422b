/** A kitchen word: an amount taken by eye, with its usual weight where the food has no measure of that name. */
export interface KitchenWord {
  readonly word: string;
  /** Usual grams of one. */
  readonly grams: number;
  readonly basis: string;
}

/**
 * Usual weights of kitchen words. All are conventions for an amount taken by eye (30 % uncertainty goes with them),
 * rounded from the volumes cooks commonly give for them.
 */
export const KITCHEN_WORDS: readonly KitchenWord[] = [
  { word: 'pinch', grams: 0.4, basis: '1/16 tsp of fine salt' },
  { word: 'dash', grams: 0.6, basis: '1/8 tsp of a liquid' },
  { word: 'splash', grams: 5, basis: 'about a teaspoon of a liquid' },
  { word: 'glug', grams: 15, basis: 'about a tablespoon of oil' },
  { word: 'drizzle', grams: 7, basis: 'about half a tablespoon of oil' },
  { word: 'knob', grams: 15, basis: 'about a tablespoon of butter' },
  { word: 'handful', grams: 30, basis: 'leaves or nuts in a cupped hand' },
  { word: 'turn', grams: 0.1, basis: 'one turn of a pepper mill' },
  { word: 'spray', grams: 0.25, basis: 'one second of an oil spray' },
];

const GRAMS_BY_WORD: ReadonlyMap<string, number> = new Map(KITCHEN_WORDS.map((row) => [row.word, row.grams]));

/**
 * Usual grams of one kitchen word, for a food that has no measure of that name.
 *
 * @param word "pinch", "handful", …
 * @returns grams of one, or undefined when it is no kitchen word
 * @example gramsOfKitchenWord('knob') // 15
 */
export function gramsOfKitchenWord(word: string): number | undefined {
  return GRAMS_BY_WORD.get(word);
}
