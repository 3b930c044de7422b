import { unitOf } from '../food/index.js';
import { isTableNutrient, nutrientOfTarget, type TableTarget, type TableUnit } from './tableTarget.js';

/** Units as headings and cells write them. A milligram before a gram: what is longest is taken first. */
const WRITTEN: readonly (readonly [TableUnit, string])[] = [
  ['kcal', 'kcal|kilocalories?|kcals|calories?|cal'],
  ['kJ', 'kj|kilojoules?'],
  ['g/ml', 'g/ml|g/cm3|kg/l|kg/dm3'],
  ['ug', 'µg|μg|ug|mcg|micrograms?|mikrogramm'],
  ['mg', 'mg|milligrams?|milligramm'],
  ['IU', 'i\\.?u\\.?|ie|u\\.?i\\.?'],
  ['g', 'g|grams?|gramm'],
  ['%', '%|percent|prozent|pct'],
];
const BY_PATTERN = WRITTEN.map(([unit, names]) => [unit, new RegExp(`(?<![\\p{L}\\d])(?:${names})(?![\\p{L}])`, 'iu')] as const);

/**
 * The unit that a heading states: in brackets, behind a comma or in a line of its own. What it is for ("per 100 g") is no unit.
 *
 * @example unitInHeading('Sodium (mg/100 g)') // 'mg'
 */
export function unitInHeading(heading: string): TableUnit | undefined {
  const bare = heading
    .replace(/(?:\/|\bper\b|\bpro\b|\bpour\b|\bpar\b|\bje\b|\bpor\b|\bin\b)\s*100\s*(?:g|ml|gram(?:s|m)?)\b/giu, ' ')
    .replace(/100\s*(?:g|ml)\b/giu, ' ')
    .replace(/_/g, ' ');
  return BY_PATTERN.find(([, pattern]) => pattern.test(bare))?.[0];
}

/** The unit written behind a figure in its cell. */
export function unitInCell(text: string): TableUnit | undefined {
  return BY_PATTERN.find(([, pattern]) => new RegExp(`^(?:${pattern.source})$`, 'iu').test(text))?.[0];
}

/** Grams of one unit of mass; of a percentage, per 100 g. */
const GRAMS: { readonly [unit in TableUnit]?: number } = { g: 1, mg: 1e-3, ug: 1e-6, '%': 1 };
/** One microgram of vitamin D is 40 international units (its definition: 1 IU = 0.025 µg cholecalciferol). */
const IU_PER_UG_VITAMIN_D = 40;

/**
 * What a figure in a unit is multiplied by to be in the unit the target is kept in (a nutrient's of the kitchen file; a share
 * for refuse; g/ml for density).
 *
 * @returns undefined where the unit cannot be the target's: kcal for protein
 * @example factorTo('sodium', 'g') // 1000
 */
export function factorTo(target: TableTarget, unit: TableUnit | undefined): number | undefined {
  if (target === 'energy') return unit === undefined || unit === 'kcal' || unit === 'kJ' ? 1 : undefined;
  if (target === 'refuse' || target === 'edible') return unit === '1' ? 1 : unit === undefined || unit === '%' ? 0.01 : undefined;
  if (target === 'density') return unit === undefined || unit === 'g/ml' ? 1 : undefined;
  if (!isTableNutrient(target)) return undefined;
  const nutrient = nutrientOfTarget(target, unit);
  const kept = unitOf(nutrient);
  if (unit === undefined || unit === kept) return 1;
  if (unit === 'IU') return target === 'vitaminD' ? 1 / IU_PER_UG_VITAMIN_D : undefined;
  const [from, to] = [GRAMS[unit], GRAMS[kept as TableUnit]];
  return from === undefined || to === undefined ? undefined : Math.round((from / to) * 1e12) / 1e12;
}

/** Units a target's figures may be in, the one it is kept in first. */
export function unitsFor(target: TableTarget): readonly TableUnit[] {
  if (target === 'energy') return ['kcal', 'kJ'];
  if (target === 'refuse' || target === 'edible') return ['%', '1'];
  if (target === 'density') return ['g/ml'];
  if (!isTableNutrient(target)) return [];
  const nutrient = nutrientOfTarget(target, undefined);
  const kept = unitOf(nutrient) as TableUnit;
  const others: TableUnit[] = target === 'vitaminD' ? ['mg', 'g', 'IU'] : ['g', 'mg', 'ug'];
  return [kept, ...others.filter((unit) => unit !== kept)];
}
