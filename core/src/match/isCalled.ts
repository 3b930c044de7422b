import type { NamedThing } from './foodIndex.js';
import { firstAndRest, foodWords } from './foodWords.js';

/**
 * Whether words call a food by its own name, in whatever order and number: then nobody has to be told what it is counted as.
 *
 * @example isCalled({ id: 'lentils-red-dry', name: 'Lentils, red, dry' }, 'red lentils') // true
 */
export function isCalled(food: NamedThing, text: string): boolean {
  const said = new Set(foodWords(text));
  return firstAndRest(food.name).first.every((word) => said.has(word));
}
