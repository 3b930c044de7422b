import { midpointOf } from '../quantity/index.js';
import type { ParsedLine } from '../text/index.js';
import type { NamedThing } from './foodIndex.js';

/** Behind the words, so many of a thing are rather grams: who writes in columns leaves the unit out. */
const MOST_BEHIND = 30;
/** So many of what is not counted are grams, in front as well. */
const MOST_UNCOUNTED = { behind: 15, before: 100 } as const;
/** No dish takes more of one thing, grams. */
const MOST_GRAMS = 10_000;

/**
 * Whether a number that has no unit can hardly be a count of the food: "carrots 400", "basmati rice, 300", "400 onions". It is taken as
 * grams then, and said to be.
 */
export function withoutUnit(parsed: ParsedLine, { measures = {} }: NamedThing): boolean {
  const { amount, unit, countWord, size, also, plus, length, container, perServing } = parsed;
  if (amount === undefined || unit !== undefined || size !== undefined || also || plus) return false;
  if (length !== undefined || container !== undefined || perServing) return false;
  const number = midpointOf(amount);
  const counted = Object.entries(measures);
  const [, grams] =
    counted.find(([name]) => name === countWord || name.endsWith(` ${countWord}`)) ?? counted.find(([name]) => COUNTED.test(name)) ?? [];
  if (grams === undefined) return number >= MOST_UNCOUNTED[parsed.behind ? 'behind' : 'before'];
  return number * grams > MOST_GRAMS || (parsed.behind === true && number >= MOST_BEHIND);
}

/** Measures that a bare number counts. */
const COUNTED = /(?:^|\s)(?:piece|head|bulb|ear|fillet|slice|clove|stick|ball|leaf)$/;
