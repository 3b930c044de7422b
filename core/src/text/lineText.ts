import type { Food } from '../food/index.js';
import { cookText, midpointOf, type Amount } from '../quantity/index.js';
import type { Line } from '../recipe/index.js';
import pluralize from 'pluralize';
import { parseLineText } from './parseLineText.js';

/** A line in a reader's words: its amount, what it is, and how it is prepared. */
export interface LineWords {
  /** "300 g", "2", "4 to 6 sprigs", "to taste"; empty for a line without amount. */
  readonly amount: string;
  readonly food: string;
  readonly note: string;
}

/**
 * A line's words: the food as typed, the amount from the structure, so that a scaled line reads right.
 *
 * @param food the line's food, for its name where nothing was typed
 */
export function lineWords(line: Line, food: Food | undefined): LineWords {
  const parsed = line.text === undefined ? undefined : parseLineText(line.text);
  const named = parsed?.foodWords ?? readableName(food?.name ?? line.part ?? '');
  return {
    amount:
      line.amount === undefined
        ? line.food || line.recipe
          ? 'to taste'
          : ''
        : amountWords(line.amount, line.unit ?? 'g', parsed?.countWord),
    food: named,
    note: line.note ?? '',
  };
}

/**
 * A line as text, the way it would be typed.
 *
 * @example lineText({ food: 'leek', amount: 3, unit: 'piece', note: 'trimmed' }, leek) // '3 leeks, trimmed'
 */
export function lineText(line: Line, food: Food | undefined): string {
  const { amount, food: named, note } = lineWords(line, food);
  const measured = amount === 'to taste' ? `${named}, to taste` : `${amount} ${named}`.trim();
  return note === '' ? measured : `${measured}, ${note}`;
}

/** Amount and unit in words: "300 g", "1 ½ cups", "4 to 6 sprigs"; a count of pieces is the bare number, "2 large" a count of large ones. */
export function amountWords(amount: Amount, unit: string, countWord?: string): string {
  const number = typeof amount === 'number' ? cookText(amount) : `${cookText(amount[0])} to ${cookText(amount[1])}`;
  const [, centimetres] = /^piece, (\d{1,3}(?:\.\d{1,2})?) cm$/.exec(unit) ?? [];
  if (centimetres !== undefined) return lengthWords(amount, Number(centimetres));
  const [, size = '', thing = unit] = /^(small |large )?(.*)$/.exec(unit) ?? [];
  if (thing === 'piece' || (thing === countWord && size === '')) return `${number} ${size}`.trim();
  return `${number} ${unitWords(unit, midpointOf(amount) > 1)}`;
}

/** Pieces of a length as the length they come to: two pieces of 2.5 cm are "5 cm". */
function lengthWords(amount: Amount, centimetres: number): string {
  const long = (pieces: number) => String(Number((pieces * centimetres).toFixed(1)));
  return typeof amount === 'number' ? `${long(amount)} cm` : `${long(amount[0])} to ${long(amount[1])} cm`;
}

/** What a pack holds, as shops say it: "2.5 kg", "2 jars"; pieces are said to be pieces, since no food's name follows. */
export function packWords(net: number, unit: string): string {
  return `${net} ${unitWords(unit, net > 1)}`;
}

function unitWords(unit: string, many: boolean): string {
  if (/^(?:g|kg|mg|oz|lb|ml|l|tsp|tbsp)$/.test(unit)) return unit;
  if (unit === 'floz') return 'fl oz';
  // What is done to it ("cup, chopped") is said elsewhere.
  const [word = unit] = unit.split(',');
  return many ? pluralize(word) : word;
}

/** "Red lentils, dry" reads "red lentils" in a line. */
function readableName(name: string): string {
  const head = name.split(',')[0] ?? name;
  return head.charAt(0).toLowerCase() + head.slice(1);
}
