import { placedLines, type Recipe } from '../recipe/index.js';
import { parseLineText } from '../text/index.js';
import type { FoodIndex } from './foodIndex.js';

/**
 * Lines that have had a food since before anyone was asked about it, and whose words leave a doubt or mean another food today: places,
 * "part/line". What a person agreed to, or was asked about, is none of them.
 */
export function neverAsked(recipe: Recipe, index: FoodIndex): readonly string[] {
  return placedLines(recipe).flatMap(({ at, line }) => {
    if (line.food === undefined || line.text === undefined || line.agreed !== undefined) return [];
    const reading = index.read(parseLineText(line.text));
    return reading && reading.food.id === line.food && reading.sureness !== 'unsure' ? [] : [at];
  });
}
