import { dataRecipe } from './dataRecipe.js';
import { evenText } from './evenText.js';
import { readPage } from './htmlText.js';
import { recipesAmong, recipesInData } from './pageData.js';
import type { ReadRecipe } from './readRecipe.js';
import { textRecipes } from './textRecipe.js';

/** More than any recipe, and any page worth reading, has. */
const MOST_LETTERS = 2_000_000;

/**
 * Reads the recipes a person has, in the order they stand: schema.org/Recipe data, a saved page that carries it as JSON-LD, microdata
 * or RDFa, a page without, or plain text with a list and a method. Nothing is invented: what is not said is undefined.
 *
 * @returns none where no list of ingredients is found
 */
export function readRecipes(text: string): readonly ReadRecipe[] {
  const given = text
    .slice(0, MOST_LETTERS)
    .replace(/^\ufeff/, '')
    .trim();
  if (/^(?:[[{]|\/[/*])/.test(given)) {
    const recipes = recipesInData([given]).flatMap((node) => dataRecipe(node, '') ?? []);
    // A text may begin with a bracket: "[For the rice]".
    if (recipes.length > 0 || /^[[{]\s*["{[}\]]/.test(given)) return recipes;
  }
  if (/<\/?[a-z][^<>]*>/i.test(given)) return fromPage(given);
  return textRecipes(given.split(/\r?\n|\r/).map((line) => evenText(line.replaceAll('\t', ' '))));
}

function fromPage(html: string): readonly ReadRecipe[] {
  const { data, marked, lines, title } = readPage(html);
  for (const nodes of [recipesInData(data), recipesAmong(marked)]) {
    const recipes = nodes.flatMap((node) => dataRecipe(node, title) ?? []);
    if (recipes.length > 0) return recipes;
  }
  return textRecipes(lines, title);
}
