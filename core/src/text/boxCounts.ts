import pluralize from 'pluralize';
import { ONES } from './saidNumber.js';

/** How many boxes a text says that a dish makes, and where. */
export interface BoxCount {
  readonly start: number;
  readonly end: number;
  readonly count: number;
  /** As it is written: "six boxes". */
  readonly words: string;
  /** The number alone, as it is written. */
  readonly number: string;
}

const NUMBERS: Readonly<Record<string, number>> = { ...ONES, 'a dozen': 12 };
/** What servings are called, whatever a recipe calls its own. */
const USUAL = ['box', 'serving', 'portion', 'container', 'meal'];

/**
 * Where a text says how many boxes a dish makes: "6 boxes", "six lunch boxes", "serves four", "a dozen containers". What one of the
 * boxes holds, or takes, is none of that: "2 of the boxes", "the first two boxes", "boxes 2 and 3".
 *
 * @param servingName what the recipe calls a serving
 */
export function boxCounts(text: string, servingName?: string): BoxCount[] {
  const names = [...new Set([...USUAL, ...(servingName === undefined ? [] : [servingName.toLowerCase()])])].flatMap((name) => [
    name,
    pluralize(name),
  ]);
  const number = `(\\d{1,3}|${Object.keys(NUMBERS).join('|')})`;
  const name = `(?:${names.map((one) => one.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&')).join('|')})`;
  const counted = new RegExp(`(?<![\\p{L}\\d.,/])${number} (?:[\\p{L}-]{1,20} ){0,2}?${name}(?![\\p{L}\\d])`, 'giu');
  const serves = new RegExp(`(?<![\\p{L}])serves ${number}(?!\\p{L}|\\d|[.,/]\\d)`, 'giu');
  return [...text.matchAll(counted), ...text.matchAll(serves)]
    .filter(({ 0: words, index }) => !PART_OF_THEM.test(text.slice(0, index)) && !OF_SOMETHING.test(words))
    .map(({ 0: words, 1: written = '', index }) => ({
      start: index,
      end: index + words.length,
      count: NUMBERS[written.toLowerCase()] ?? Number(written),
      words,
      number: written,
    }))
    .sort((a, b) => a.start - b.start);
}

/** A number that measures, or that counts something else: "a 500 g box", "2 of the boxes", "two to a box". */
const OF_SOMETHING =
  /^\S+ (?:g|kg|ml|l|oz|lb|cm|mm|min|minutes?|hours?|days?)\b| (?:of|to|in|into|for|per|each|every|and|or|with|from|a|an|the|this|that) /i;
/** What stands before a number that counts some of the boxes only. */
const PART_OF_THEM = /\b(?:first|last|other|next|these|those|another|each of|every|remaining|only)\s$/i;

/** A text with another number where it says how many boxes there are; words stay words where there is one. */
export function withBoxCount(text: string, { start, end, words, number }: BoxCount, count: number): string {
  // Above twelve a number is better read in figures.
  const word = count > 12 ? undefined : Object.entries(ONES).find(([, one]) => one === count)?.[0];
  const written = /\d/.test(number) || word === undefined ? String(count) : word;
  const cased = /^\p{Lu}/u.test(number) ? written.charAt(0).toUpperCase() + written.slice(1) : written;
  const told = words.replace(number, cased);
  const last = told.slice(told.lastIndexOf(' ') + 1);
  const agreed = /^serves /i.test(words) ? told : `${told.slice(0, told.length - last.length)}${pluralize(last, count)}`;
  return text.slice(0, start) + agreed + text.slice(end);
}
