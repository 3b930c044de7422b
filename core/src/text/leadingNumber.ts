import { numberFromText, type Amount } from '../quantity/index.js';

/** An amount read off the front of a text, and what follows it. */
export interface LeadingAmount {
  readonly amount: Amount;
  readonly rest: string;
}

const VULGAR = '¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞';
const NUMBER = `(?:\\d+\\s+\\d+\\s*[/⁄]\\s*\\d+|\\d+\\s*[${VULGAR}]|[${VULGAR}]|\\d+\\s*[/⁄]\\s*\\d+|\\d+(?:[.,]\\d+)*)`;
const RANGE = new RegExp(`^(${NUMBER})\\s*(?:-|–|—|\\bto\\b|\\bor\\b)\\s*(${NUMBER})(?![\\d/])`, 'i');
const SINGLE = new RegExp(`^(${NUMBER})(?![\\d/])`);
const ABOUT = /^(?:about|approx(?:imately)?\.?|around|roughly|ca\.?|circa|~|scant|generous)\s*/i;
const WORDS: readonly (readonly [RegExp, number])[] = [
  [/^half an?\s+/i, 0.5],
  [/^half\s+(?=\S)/i, 0.5],
  [/^a (?:few)\s+/i, 3],
  [/^a couple (?:of )?/i, 2],
  [/^a quarter (?:of an? )?/i, 0.25],
  [/^(?:an?|one)\s+(?=\S)/i, 1],
  [/^two\s+/i, 2],
  [/^three\s+/i, 3],
  [/^four\s+/i, 4],
  [/^five\s+/i, 5],
  [/^six\s+/i, 6],
  [/^seven\s+/i, 7],
  [/^eight\s+/i, 8],
  [/^nine\s+/i, 9],
  [/^ten\s+/i, 10],
  [/^a dozen\s+/i, 12],
  [/^twelve\s+/i, 12],
];

/**
 * Reads an amount off the front of a text: "1 1/2 cups", "2–3 leeks", "½ tsp", "half an onion", "about 300 g".
 *
 * @returns undefined when the text does not begin with an amount
 * @example leadingAmount('4 to 6 sprigs thyme') // { amount: [4, 6], rest: 'sprigs thyme' }
 */
export function leadingAmount(text: string): LeadingAmount | undefined {
  const bare = text.trimStart().replace(ABOUT, '');
  const range = RANGE.exec(bare);
  if (range) {
    const low = numberFromText(range[1] ?? '');
    const high = numberFromText(range[2] ?? '');
    if (low !== undefined && high !== undefined && low <= high)
      return { amount: low === high ? low : [low, high], rest: after(bare, range[0]) };
  }
  const single = SINGLE.exec(bare);
  const amount = single ? numberFromText(single[1] ?? '') : undefined;
  if (single && amount !== undefined) return { amount, rest: after(bare, single[0]) };
  for (const [pattern, number] of WORDS) {
    const word = pattern.exec(bare);
    if (word) return { amount: number, rest: after(bare, word[0]) };
  }
  return undefined;
}

function after(text: string, taken: string): string {
  return text.slice(taken.length).trimStart();
}
