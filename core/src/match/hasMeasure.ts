import type { ParsedLine } from '../text/index.js';
import type { NamedThing } from './foodIndex.js';
import { lengthMeasure } from './lengthMeasure.js';

/** Whether the food is one that is counted as the line counts it: a bunch, a clove, a bare number of them. */
export function hasMeasure(food: NamedThing, { amount, unit, countWord, size, also, length }: ParsedLine): boolean {
  if (amount === undefined || also !== undefined) return true;
  if (length !== undefined) return lengthMeasure(food) !== undefined;
  const measures = Object.keys(food.measures ?? {});
  if (unit === undefined) {
    const wanted = countWord ?? 'piece';
    return measures.some((name) => name === wanted || BARE.has(name) || name.endsWith(` ${wanted}`) || name.endsWith(' piece'));
  }
  if (!COUNTED.has(unit)) return true;
  const sized = size ? `${size} ${unit}` : unit;
  return (
    measures.includes(unit) ||
    measures.includes(sized) ||
    SAME_MEASURE.some((same) => same.includes(unit) && same.some((one) => measures.includes(one)))
  );
}

/** Measures that a bare number counts as well as pieces. */
const BARE: ReadonlySet<string> = new Set(['piece', 'head', 'bulb', 'ear', 'fillet', 'slice', 'clove', 'stick', 'ball', 'leaf']);
const COUNTED: ReadonlySet<string> = new Set(
  'bunch sprig handful leaf clove stick stalk rib head bulb slice rasher fillet ball block can cube sheet nest ear scoop'.split(' '),
);
const SAME_MEASURE: readonly (readonly string[])[] = [
  ['stalk', 'stick', 'rib', 'sprig'],
  ['head', 'bulb', 'piece'],
  ['rasher', 'slice', 'strip'],
  ['ear', 'piece'],
  ['cube', 'piece'],
  ['fillet', 'piece'],
];
