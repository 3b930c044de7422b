import { cookText, isVolumeWord, millilitresOf, midpointOf, plainText, roundHalfAway, type MeasuringSystem } from '../quantity/index.js';
import type { Line, LineWeights } from '../recipe/index.js';

const GRAMS_PER_OUNCE = 28.349523125;
const CUP = millilitresOf('cup', 'us') ?? 0;
const SPOON = millilitresOf('tbsp', 'us') ?? 0;

/**
 * A line's amount a second way, for readers who measure otherwise: metric weights in ounces and pounds, millilitres in US
 * cups, everything else in grams. Empty where a second way says nothing (below 10 g).
 *
 * @param weights of the line
 * @param system the recipe's, for its spoons and cups
 * @example secondMeasure({ amount: 300, unit: 'g' }, weights, 'metric') // '10 ½ oz'
 */
export function secondMeasure(line: Line, weights: LineWeights | undefined, system: MeasuringSystem): string {
  const { amount, unit } = line;
  if (amount === undefined) return weights ? `${plainText(weights.grams, 1)} g counted` : '';
  if (unit === 'g' || unit === 'kg') return weights ? imperialWeight(weights.grams) : '';
  if (unit === 'ml' || unit === 'l') return usVolume(midpointOf(amount) * (millilitresOf(unit, system) ?? 0));
  if (!weights || weights.grams < 10) return weights && unit !== undefined && isVolumeWord(unit) ? `${plainText(weights.grams, 0)} g` : '';
  const grams = `${gramsText(weights.grams)} g`;
  return unit === 'can' || unit === 'pack' || unit === 'jar' ? `${grams}, ${imperialWeight(weights.grams)}` : grams;
}

/** Grams a scale and a reader can follow: 1 g below 20, 5 g below 100, 10 g above. */
export function gramsText(grams: number): string {
  return plainText(roundHalfAway(grams, grams < 20 ? 1 : grams < 100 ? 5 : 10), 0);
}

function imperialWeight(grams: number): string {
  const ounces = grams / GRAMS_PER_OUNCE;
  if (ounces < 0.25) return '';
  if (ounces < 16) return `${cookText(roundHalfAway(ounces, ounces < 4 ? 0.25 : 0.5))} oz`;
  const whole = Math.floor(roundHalfAway(ounces) / 16);
  const rest = roundHalfAway(ounces) - whole * 16;
  return rest === 0 ? `${whole} lb` : `${whole} lb ${rest} oz`;
}

function usVolume(millilitres: number): string {
  if (millilitres < SPOON / 2) return '';
  if (millilitres < CUP / 4) return `${cookText(roundHalfAway(millilitres / SPOON, 0.5))} tbsp`;
  const cups = roundHalfAway(millilitres / CUP, 0.25);
  return `${cookText(cups)} ${cups > 1 ? 'cups' : 'cup'}`;
}
