import { numberFromText, type Amount } from '../quantity/index.js';

/** An amount read off the front of a text, and what follows it. */
export interface LeadingAmount {
  readonly amount: Amount;
  readonly rest: string;
}

const VULGAR = '¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞';
const NUMBER = `(?:\\d+(?:\\s+|\\s*&\\s*|\\s+and\\s+|-)\\d+\\s*[/⁄]\\s*\\d+|\\d+\\s*[${VULGAR}]|[${VULGAR}]|\\d+\\s*[/⁄]\\s*\\d+|\\d+(?:[.,]\\d+)*|[.,]\\d+)`;
const RANGE = new RegExp(`^(${NUMBER})\\s*(?:-|–|—|~|\\bto\\b|\\bor\\b)\\s*(${NUMBER})(?![\\d/])`, 'i');
/** Seventy per cent is no amount of anything. */
const SINGLE = new RegExp(`^(${NUMBER})(?![\\d/]|\\s*%)`);
const ABOUT = /^(?:about|up to|approx(?:imately)?\.?|around|roughly|ca\.?|circa|~|scant|generous)\s*/i;
const WORDS: readonly (readonly [RegExp, number])[] = [
  [/^half a dozen\s+/i, 6],
  [/^(?:a|one) dozen\s+/i, 12],
  [/^three[- ]quarters (?:of an? )?/i, 0.75],
  [/^(?:a |one )?quarter of an?\s+/i, 0.25],
  [/^(?:a |one )third of an?\s+/i, 1 / 3],
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
    const low = numberOf(range[1] ?? '');
    const high = numberOf(range[2] ?? '');
    if (low !== undefined && high !== undefined && low <= high)
      return { amount: low === high ? low : [low, high], rest: after(bare, range[0]) };
  }
  const single = SINGLE.exec(bare);
  const amount = single ? numberOf(single[1] ?? '') : undefined;
  if (single && amount !== undefined) return withAndAHalf(amount, after(bare, single[0]));
  for (const [pattern, number] of WORDS) {
    const word = pattern.exec(bare);
    if (word) return withAndAHalf(number, after(bare, word[0]));
  }
  return undefined;
}

/** A number with its whole and its fraction joined in any way, or without a whole. */
function numberOf(text: string): number | undefined {
  return numberFromText(text.replace(/(\d)\s*(?:&|\band\b|-)\s*(?=\d)/i, '$1 ').replace(/^[.,]/, '0.'));
}

/** "2 and a half", "½ a nutmeg": what follows a number and still belongs to it. */
function withAndAHalf(amount: number, rest: string): LeadingAmount {
  const more = /^and an? (half|quarter)\s+/i.exec(rest);
  if (more) return { amount: amount + (more[1]?.toLowerCase() === 'half' ? 0.5 : 0.25), rest: after(rest, more[0]) };
  return { amount, rest: amount < 1 ? rest.replace(/^(?:of )?an?\s+(?=\S)/i, '') : rest };
}

function after(text: string, taken: string): string {
  return text.slice(taken.length).trimStart();
}
