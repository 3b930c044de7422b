import { normalForm } from '../quantity/index.js';
import { searchWords } from '../text/index.js';
import { SAME_WORDS, SPELLINGS } from './foodKnowledge.js';

/**
 * Words of a food's name or of what is asked for, in order, so that different spellings are the same words: "Half-fat crème fraîche"
 * is light, creme, fraiche; "93 % lean" is 7%, and ground beef is beef mince.
 */
export function foodWords(text: string): string[] {
  let plain = normalForm(text, 'NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/['’]s\b/g, '')
    .replace(/['’]/g, '')
    .replace(/(\d)\s*%/g, '$1%')
    .replace(/\b(\d{1,2})\s*\/\s*(\d{1,2})\b/g, (all: string, lean: string, fat: string) =>
      Number(lean) + Number(fat) === 100 ? `${fat}%` : all,
    )
    .replace(/[^a-z0-9%&.,]+/g, ' ')
    .replace(/[.,](?!\d)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  // "leg of lamb" is a lamb's leg, "juice of a lime" lime juice.
  plain = plain.replace(/^([a-z ]+?) of (?:the |an? )?([a-z ]+)$/, '$2 $1');
  for (const [written, meant] of SPELLINGS) plain = plain.replace(written, meant);
  return plain.split(' ').flatMap((word) => {
    if (word === '' || word === '&') return [];
    const lean = /^(\d+(?:[.,]\d+)?)%lean$/.exec(word);
    if (lean) return [`${100 - Number(lean[1]?.replace(',', '.'))}%`];
    if (/^\d/.test(word)) return word.endsWith('%') ? [word] : [];
    return searchWords(word).map((one) => SAME_WORDS.get(one) ?? one);
  });
}

/** Where a name's first words end: what stands behind is of it, not it. */
const TAIL = /(?<!\bbone) (?:in|with(?! skin)|from|on|for|without|per|made (?:with|from|of)) |[,(:;]| (?:\+|plus|&) /i;

/**
 * The words that say what a thing is and those that say more of it: "Tuna, canned in water" is tuna, and then canned, water.
 *
 * @returns `first` up to the first comma, bracket or "in"; `rest` what follows
 */
export function firstAndRest(text: string): { readonly first: string[]; readonly rest: string[] } {
  const plain = text.replace(/\s+/g, ' ').trim();
  const at = TAIL.exec(plain);
  const first = foodWords(at ? plain.slice(0, at.index) : plain);
  if (first.length === 0) return { first: foodWords(plain), rest: [] };
  return { first, rest: at ? foodWords(plain.slice(at.index).replace(/^ ?(?:in|with|from|on|for|per|made (?:with|from|of)) /i, ' ')) : [] };
}
