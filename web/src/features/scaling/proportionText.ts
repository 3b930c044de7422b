import { midpointOf, type Line } from '@portiona/core';
import { numberText } from '../../ui/numberText';

/** What a line would be in proportion: counted as it is written, weighed in grams. */
export function proportionText({ amount, unit }: Line, factor: number, grams: number): string {
  const weighed = `${numberText(grams, grams < 10 ? 1 : 0)} g`;
  if (amount === undefined || unit === undefined || unit === 'g' || unit === 'kg') return weighed;
  const counted = midpointOf(amount) * factor;
  return `${numberText(counted, Number.isInteger(counted) ? 0 : 1)}${unit === 'piece' ? '' : ` ${unit}`}, ${weighed}`;
}
