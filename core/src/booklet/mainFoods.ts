import type { CardContent } from '../card/index.js';
import pluralize from 'pluralize';

/** Foods that a dish is indexed under, at most, where nobody has said. */
const MOST = 3;
/** Words that name no food by themselves. */
const OTHER = new Set('and with in of on the a an or from for to into over under two three one night early box boxes'.split(' '));

/** What a dish is indexed under, and who said so. */
export interface MainFoods {
  readonly names: readonly string[];
  /** Its recipe says so; else its title names them, or they stand first in its list. */
  readonly from: 'recipe' | 'title' | 'list';
}

/** What of a card says what is in it. */
interface Named extends Pick<CardContent, 'title'> {
  readonly sections: readonly { readonly lines: readonly { readonly food: string }[] }[];
}

/**
 * The foods that a dish is looked for under: those its recipe says; else those of its ingredients that its title names; where it names
 * none, the ingredient that stands first, which is the one that a list begins with.
 *
 * @example mainFoods(eggAndLeekMuffins) // { names: ['Eggs', 'Leeks'], from: 'title' }
 */
export function mainFoods({ title, sections }: Named, indexedUnder: readonly string[] = []): MainFoods {
  const said = indexedUnder.map((name) => name.trim()).filter((name) => name !== '');
  if (said.length > 0) return { names: [...new Set(said.map(capital))], from: 'recipe' };
  const foods = sections.flatMap(({ lines }) => lines.map(({ food }) => food)).filter((food) => food.trim() !== '');
  const named = wordsOf(title).flatMap((word) => {
    const found = foods.find((food) => wordsOf(food).includes(word));
    return found === undefined ? [] : [nameOf(found, word)];
  });
  if (named.length > 0) return { names: [...new Set(named)].slice(0, MOST), from: 'title' };
  const [first] = foods;
  return { names: first === undefined ? [] : [capital(first.split(',')[0] ?? first)], from: 'list' };
}

/** Words of a text, each as one of its kind: "leeks" and "leek" are the same. */
function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 2 && !OTHER.has(word))
    .map((word) => pluralize.singular(word));
}

/** A food as an index has it: up to its comma, or the word of the title alone where it is long. */
function nameOf(food: string, word: string): string {
  const plain = (food.split(',')[0] ?? food).trim();
  const short = plain.split(/\s+/).length <= 3 ? plain : (plain.split(/\s+/).find((one) => wordsOf(one).includes(word)) ?? word);
  return capital(short);
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
