/** A unit of mass: its word in kitchen files and what one of it weighs. */
export interface MassUnit {
  readonly word: string;
  /** Grams of one unit. */
  readonly grams: number;
  readonly source: string;
}

/** Every mass unit, as data. Exact by definition, none measured. */
export const MASS_UNITS: readonly MassUnit[] = [
  { word: 'g', grams: 1, source: 'SI' },
  { word: 'kg', grams: 1000, source: 'SI' },
  { word: 'mg', grams: 0.001, source: 'SI' },
  { word: 'oz', grams: 28.349523125, source: 'international avoirdupois ounce, exact' },
  { word: 'lb', grams: 453.59237, source: 'international avoirdupois pound, exact' },
];

const GRAMS_BY_WORD: ReadonlyMap<string, number> = new Map(MASS_UNITS.map((unit) => [unit.word, unit.grams]));

/**
 * Grams of one mass unit.
 *
 * @param word unit word as in the kitchen file ("kg")
 * @returns grams of one, or undefined when the word names no mass unit
 * @example gramsOfMassUnit('lb') // 453.59237
 */
export function gramsOfMassUnit(word: string): number | undefined {
  return GRAMS_BY_WORD.get(word);
}
