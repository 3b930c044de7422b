import { normalForm } from '../quantity/index.js';
import pluralize from 'pluralize';
import type { Food } from '../food/index.js';

/**
 * Words to find a name by: bare of case, accents and plural, a percentage one word.
 *
 * @example searchWords('Crème fraîche, 30 % fat') // ['creme', 'fraiche', '30%', 'fat']
 */
export function searchWords(text: string): string[] {
  return normalForm(text, 'NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/(\d) %/g, '$1%')
    .split(/[^a-z0-9%]+/)
    .filter(Boolean)
    .map(singularOf);
}

/** Words met before: a pantry says the same few thousand again and again. */
const SINGULARS = new Map<string, string>();
const MOST_REMEMBERED = 20_000;
/** Longer than a word of any language that is written in letters; it has no plural. */
const LONGEST_WORD = 60;

function singularOf(word: string): string {
  if (word.length > LONGEST_WORD) return word;
  const known = SINGULARS.get(word);
  if (known !== undefined) return known;
  if (SINGULARS.size >= MOST_REMEMBERED) SINGULARS.clear();
  const singular = pluralize.singular(word);
  SINGULARS.set(word, singular);
  return singular;
}

/** Every word a food is found by, its own name first. */
export function searchTextOf({ name, names = [] }: Pick<Food, 'name' | 'names'>): string {
  return [name, ...names].flatMap(searchWords).join(' ');
}
