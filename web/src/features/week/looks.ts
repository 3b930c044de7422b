import type { BoxPool, EveningMove, Person } from '@portiona/core';
import { dishTitle } from '../plan/planWords';

/** How a dish is shown on the page: the number of its colour and pattern, and what it is called where there is no room. */
export interface Look {
  readonly look: number;
  readonly short: string;
}

/** By recipe. */
export type Looks = ReadonlyMap<string, Look>;

/** A name of so many letters is short. */
const SHORT = 14;

/** Dishes of sessions come first, in the order they are cooked in, so that they look as in the session. */
export function looksOf(pools: readonly BoxPool[]): Looks {
  const key = ({ box, cooked }: BoxPool) => ('session' in box ? `0 ${cooked} ${String(box.dish).padStart(3, '0')}` : `1 ${cooked}`);
  const titles = new Map<string, string>();
  for (const { recipe, title } of [...pools].sort((a, b) => (key(a) < key(b) ? -1 : 1))) if (!titles.has(recipe)) titles.set(recipe, title);
  const shorts = [...titles.values()].map(shortName);
  return new Map(
    [...titles].map(([recipe, title], i) => {
      const short = shorts[i] ?? title;
      const alone = shorts.filter((one) => one === short).length === 1;
      return [recipe, { look: i + 1, short: alone ? short : dishTitle(title) }];
    }),
  );
}

/**
 * A dish in a word: "Egg and leek muffins" are muffins; "Beef shin and barley" is beef, since barley is beside it; what is cooked with it
 * is left out.
 */
export function shortName(title: string): string {
  const plain = dishTitle(title).split(/ with | in | on /)[0] ?? title;
  if (plain.length <= SHORT) return plain;
  const words = plain.split(' ');
  const [before, last = plain] = words.slice(-2);
  const word = before === 'and' || before === '&' ? (words[0] ?? plain) : last;
  return word.charAt(0).toUpperCase() + word.slice(1);
}

/** A letter for each person, or two where two begin alike. */
export function initialsOf(people: readonly Person[]): ReadonlyMap<string, string> {
  return new Map(
    people.map(({ id, name }) => {
      const alike = people.some((other) => other.id !== id && other.name.charAt(0) === name.charAt(0));
      return [id, alike ? name.slice(0, 2) : name.charAt(0)];
    }),
  );
}

/** What goes from one place to another, dish by dish: "2 soup, dal". */
export function movesText(moves: readonly EveningMove[], looks: Looks): string {
  const counts = new Map<string, number>();
  for (const { pool, count } of moves) counts.set(pool.recipe, (counts.get(pool.recipe) ?? 0) + count);
  return [...counts]
    .map(([recipe, count]) => `${count === 1 ? '' : `${count} `}${(looks.get(recipe)?.short ?? recipe).toLowerCase()}`)
    .join(', ');
}
