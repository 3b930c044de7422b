import type { CookingMethod } from '../food/index.js';

/** Words that say how a food is cooked, each with the method whose yield it takes. */
const WORDS: readonly (readonly [RegExp, CookingMethod])[] = [
  [/\b(?:oven-)?roast(?:ed)?\b|\bbaked\b/i, 'roasted'],
  [/\b(?:par-?)?boiled\b|\bsimmered\b|\bpoached\b|\bcooked in water\b/i, 'boiled'],
  [/\b(?:char-?)?grilled\b|\bbarbecued\b|\bgriddled\b|\bbroiled\b/i, 'grilled'],
  [/\bsaut[eé]+d\b|\bsweated\b|\bsoftened\b|\bpan-fried\b|\bstir-fried\b/i, 'sauteed'],
  [/\bbraised\b|\bstewed\b|\bslow-cooked\b/i, 'braised'],
  [/\b(?:deep-)?fried\b|\bair-fried\b/i, 'fried'],
  [/\bsteamed\b/i, 'steamed'],
];

/**
 * The cooking method a text tells of.
 *
 * @example cookingWord('boiled until tender') // { method: 'boiled', word: 'boiled' }
 */
export function cookingWord(text: string): { readonly method: CookingMethod; readonly word: string } | undefined {
  for (const [pattern, method] of WORDS) {
    const found = pattern.exec(text);
    if (found) return { method, word: found[0] };
  }
  return undefined;
}
