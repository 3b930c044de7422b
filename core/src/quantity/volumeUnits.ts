import type { MeasuringSystem } from './measuringSystem.js';

/** A unit of volume. Words that mean different things are qualified by system; the setting decides what the bare word means. */
export interface VolumeUnit {
  readonly name: string;
  /** The bare word in kitchen files. */
  readonly word: string;
  /** Absent: the same in every system. */
  readonly system?: MeasuringSystem;
  readonly millilitres: number;
  readonly source: string;
}

const US = 'US customary, from the gallon of 231 cubic inches';
const METRIC = 'metric kitchen measures';
const AU = 'Australian Standard AS 1325';
const IMPERIAL = 'UK Weights and Measures Act, from the gallon of 4.54609 l';

/** Every volume unit, as data. A fluid ounce, pint or quart has no metric or Australian row: it is refused there. */
export const VOLUME_UNITS: readonly VolumeUnit[] = [
  { name: 'ml', word: 'ml', millilitres: 1, source: 'SI' },
  { name: 'l', word: 'l', millilitres: 1000, source: 'SI' },
  { name: 'cupUs', word: 'cup', system: 'us', millilitres: 236.5882365, source: US },
  { name: 'tbspUs', word: 'tbsp', system: 'us', millilitres: 14.78676478, source: US },
  { name: 'tspUs', word: 'tsp', system: 'us', millilitres: 4.92892159, source: US },
  { name: 'flozUs', word: 'floz', system: 'us', millilitres: 29.57352956, source: US },
  { name: 'pintUs', word: 'pint', system: 'us', millilitres: 473.176473, source: US },
  { name: 'quartUs', word: 'quart', system: 'us', millilitres: 946.352946, source: US },
  { name: 'cupMetric', word: 'cup', system: 'metric', millilitres: 250, source: METRIC },
  { name: 'tbspMetric', word: 'tbsp', system: 'metric', millilitres: 15, source: METRIC },
  { name: 'tspMetric', word: 'tsp', system: 'metric', millilitres: 5, source: METRIC },
  { name: 'cupAu', word: 'cup', system: 'au', millilitres: 250, source: AU },
  { name: 'tbspAu', word: 'tbsp', system: 'au', millilitres: 20, source: AU },
  { name: 'tspAu', word: 'tsp', system: 'au', millilitres: 5, source: AU },
  { name: 'flozImperial', word: 'floz', system: 'imperial', millilitres: 28.4130625, source: IMPERIAL },
  { name: 'pintImperial', word: 'pint', system: 'imperial', millilitres: 568.26125, source: IMPERIAL },
  { name: 'cupImperial', word: 'cup', system: 'imperial', millilitres: 284.130625, source: IMPERIAL },
  { name: 'tbspImperial', word: 'tbsp', system: 'imperial', millilitres: 17.7581641, source: IMPERIAL },
  { name: 'tspImperial', word: 'tsp', system: 'imperial', millilitres: 5.91938802, source: IMPERIAL },
  { name: 'quartImperial', word: 'quart', system: 'imperial', millilitres: 1136.5225, source: IMPERIAL },
];

const WORDS: ReadonlySet<string> = new Set(VOLUME_UNITS.map((unit) => unit.word));
const MILLILITRES: ReadonlyMap<string, number> = new Map(
  VOLUME_UNITS.map((unit) => [`${unit.system ?? ''}/${unit.word}`, unit.millilitres]),
);

/** Whether the word names a volume in any measuring system. */
export function isVolumeWord(word: string): boolean {
  return WORDS.has(word);
}

/**
 * Millilitres of one volume unit.
 *
 * @param word bare unit word ("cup")
 * @param system the measuring system it is meant in
 * @returns millilitres of one, or undefined: no such unit, or none in that system ("pint" in metric)
 * @example millilitresOf('tbsp', 'au') // 20
 */
export function millilitresOf(word: string, system: MeasuringSystem): number | undefined {
  return MILLILITRES.get(`${system}/${word}`) ?? MILLILITRES.get(`/${word}`);
}
