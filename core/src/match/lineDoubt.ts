import { parseLineText } from '../text/index.js';
import type { Line } from '../recipe/index.js';
import type { FoodIndex, NamedThing } from './foodIndex.js';

/** Why it is not sure that a line's words mean the food that it is counted as. */
export interface LineDoubt<Thing extends NamedThing = NamedThing> {
  /** In a sentence's words: "“smoked” is not in its name". */
  readonly reason: string;
  /** What else it could be, likeliest first. */
  readonly rivals: readonly Thing[];
}

/**
 * Why a line that nobody agreed to is in doubt, by the foods that are there now.
 *
 * @returns undefined where there is no doubt: the line was sure, or somebody agreed to it
 */
export function lineDoubt<Thing extends NamedThing>(line: Line, index: FoodIndex<Thing>): LineDoubt<Thing> | undefined {
  if (line.food === undefined || line.text === undefined || line.agreed !== false) return undefined;
  const reading = index.read(parseLineText(line.text));
  if (reading?.food.id === line.food)
    return { reason: reading.sureness === 'unsure' ? reading.reason : 'nobody agreed to it yet', rivals: reading.rivals };
  if (!reading) return { reason: 'its words fit no food', rivals: [] };
  return { reason: `its words mean ${reading.food.name}`, rivals: [reading.food] };
}
