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
  const words = wordsOf(title);
  const named = words.flatMap((word) => {
    const plain = foods.map(plainName);
    // What a food is stands last in its name; "chicken" of "chicken thighs" will do where nothing is a chicken.
    const found = [plain.filter((name) => wordsOf(name).at(-1) === word), plain.filter((name) => wordsOf(name).includes(word))].find(
      (those) => those.length > 0,
    );
    const shared = (name: string) => wordsOf(name).filter((one) => words.includes(one)).length;
    const [best] = found?.toSorted((a, b) => shared(b) - shared(a)) ?? [];
    return best === undefined ? [] : [shortName(best, word)];
  });
  if (named.length > 0) return { names: [...new Set(named)].slice(0, MOST), from: 'title' };
  const [first] = foods;
  return { names: first === undefined ? [] : [capital(plainName(first))], from: 'list' };
}

/** Words of a text, each as one of its kind: "leeks" and "leek" are the same. */
function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 2 && !OTHER.has(word))
    .map((word) => pluralize.singular(word));
}

/** A food's name without what is said of it: up to a comma, or to what it lies in. @example 'Chickpeas in water, drained' → 'Chickpeas' */
function plainName(food: string): string {
  return (/^[^,(]*?(?=,|\(| (?:in|with|of|from|for) |$)/u.exec(food)?.[0] ?? food).trim();
}

/** A food as an index has it: the word of the title alone where its name is long. */
function shortName(plain: string, word: string): string {
  const words = plain.split(/\s+/);
  return capital(words.length <= 3 ? plain : (words.find((one) => wordsOf(one).includes(word)) ?? word));
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
