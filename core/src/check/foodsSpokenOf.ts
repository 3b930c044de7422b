import { foodsOf, recipesUnder, type Kitchen, type Recipe } from '../recipe/index.js';
import { namesApart, wordsIn, type NamedFood } from './reading/calledFood.js';
import { stepReadings } from './reading/stepReading.js';

/**
 * Which foods of a pantry make a difference to what Check finds in some recipes, besides those that they list: those that could be meant by
 * a word of theirs, and for each word that foods have in their names one food that has it. Check finds the same with them as with the whole
 * pantry, which need not be read then.
 *
 * @param recipes that are checked
 * @param kitchen them, all that they are built on, and the foods that those list
 * @param pantry names of every food of the pantry
 * @returns ids, in the pantry's order
 */
export function foodsSpokenOf(recipes: readonly Recipe[], kitchen: Kitchen, pantry: readonly NamedFood[]): string[] {
  const said = wordsOf(recipes, kitchen);
  const isSaid = (word: string): boolean => said.has(word);
  const covered = new Set<string>();
  const taken = new Set<string>();
  const take = (id: string, words: readonly string[]): void => {
    taken.add(id);
    for (const word of words) covered.add(word);
  };
  const others: NamedFood[] = [];
  for (const food of pantry) {
    const { words, heads } = namesApart(food);
    if (heads.some(isSaid)) take(food.id, words);
    else if (words.some(isSaid)) others.push(food);
  }
  // That a word stands in some food's name is all that is asked of the others.
  for (const food of others) {
    const { words } = namesApart(food);
    if (words.some((word) => said.has(word) && !covered.has(word))) take(food.id, words);
  }
  for (const { id } of kitchen.content.foods) taken.delete(id);
  return pantry.flatMap(({ id }) => (taken.has(id) ? [id] : []));
}

/** Every word that Check may read in recipes: what is written anywhere in them, steps as they are read, and names of what they list. */
function wordsOf(recipes: readonly Recipe[], kitchen: Kitchen): ReadonlySet<string> {
  const words = new Set<string>();
  const read = (text: string): void => {
    for (const { word } of wordsIn(text)) words.add(word);
  };
  const readAll = (value: unknown): void => {
    if (typeof value === 'string') read(value);
    else if (Array.isArray(value)) value.forEach(readAll);
    else if (typeof value === 'object' && value !== null) Object.values(value).forEach(readAll);
  };
  for (const recipe of new Set(recipes.flatMap((one) => [one, ...recipesUnder(one, kitchen)]))) {
    readAll(recipe);
    for (const { text } of stepReadings(recipe, kitchen)) read(text);
    for (const id of foodsOf(recipe)) {
      const food = kitchen.food(id);
      if (food) [food.name, ...(food.names ?? [])].forEach(read);
    }
  }
  return words;
}
