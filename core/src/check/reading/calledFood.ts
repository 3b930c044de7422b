import type { Food } from '../../food/index.js';
import { firstAndRest, foodWords, UNSAID } from '../../match/index.js';
import { parseLineText } from '../../text/index.js';

/** A food as texts may speak of it. */
export interface CalledFood {
  readonly food: Food;
  /** Every word of its names and of the lines that are of it. */
  readonly words: ReadonlySet<string>;
  /** What it is called, each as the words that have to be said. */
  readonly callings: readonly (readonly string[])[];
  /** Lines of it, as "part/number"; none: it is in the kitchen only. */
  readonly lines: readonly string[];
}

/** Said of what something is, and never what it is. */
export const STATES = 'fresh dry canned frozen raw cooked ground whole powder smoked light ripe cold hot warm plain free large small'.split(
  ' ',
);
/** Alone they are what is being made, or what is done, and no food that is bought: "the sauce", "spread the onions", "the yolks". */
export const NO_FOOD_ALONE: ReadonlySet<string> = new Set(
  'soup sauce dressing gravy dip spread mixture mix seasoning salad curry stew salsa juice paste puree powder drink topping filling yolk white grit squash mash toast crumb marinade stuffing batter dough rub glaze syrup meat vegetable root seed zest peel stock broth water ice liquid'.split(
    ' ',
  ),
);
/** Words that stand in names of foods and say nothing of which it is. */
export const SMALL: ReadonlySet<string> = new Set(
  'straight of in to or and the a with about s for per no not any at on use type hen'.split(' '),
);

/** Said of which of a kind a thing is: "sweet basil" is no sweet, and "hot pepper sauce" no hot. */
export const WHICH: ReadonlySet<string> = new Set(
  'sweet hot mild red green white black brown yellow golden purple pink dark blue fine coarse thick thin full low half double single light baby wild new spring button flat curly english french italian greek indian thai american japanese plain self strong unsalted salted smooth crunchy whole soured sour boiling pouring heavy extra extravirgin bitter reduced skimmed semi firm silken soft hard natural pure mixed good fat fatfree wholemeal grated sliced chopped'.split(
    ' ',
  ),
);

/** The last word of what it is called, and the first where that is a thing by itself: the chicken of a chicken breast. */
export function headsOf({ callings }: Pick<CalledFood, 'callings'>): string[] {
  return callings.flatMap((calling) => {
    const [first = ''] = calling;
    return [calling.at(-1) ?? '', ...(WHICH.has(first) || STATES.includes(first) ? [] : [first])];
  });
}

/** A food's names, apart from all else that is known of it. */
export type NamedFood = Pick<Food, 'id' | 'name' | 'names'>;

interface Called {
  readonly words: readonly string[];
  readonly callings: readonly (readonly string[])[];
  /** As `headsOf`. */
  readonly heads: readonly string[];
}

/** Names that were taken apart before: a kitchen is put together anew for every question, and its foods are called the same. */
const CALLED = new Map<string, Called>();
const MOST_CALLED = 60_000;

/** Words of a food's names, what it is called by them, and which of them can say what something is. */
export function namesApart({ name, names = [] }: Pick<Food, 'name' | 'names'>): Called {
  const key = names.length === 0 ? name : [name, ...names].join('\n');
  const known = CALLED.get(key);
  if (known) return known;
  if (CALLED.size >= MOST_CALLED) CALLED.clear();
  const by = calledBy([name, ...names]);
  const apart = { ...by, heads: headsOf(by) };
  CALLED.set(key, apart);
  return apart;
}

/** A food with what its lines call it. */
export function calledFood(food: Food, lines: readonly { readonly at: string; readonly text: string | undefined }[]): CalledFood {
  const own = namesApart(food);
  const texts = lines.flatMap(({ text }) => (text === undefined ? [] : [parseLineText(text).foodWords]));
  const byLines = calledBy(texts);
  return {
    food,
    words: new Set([...own.words, ...byLines.words]),
    callings: [...own.callings, ...byLines.callings],
    lines: lines.map(({ at }) => at),
  };
}

function calledBy(names: readonly string[]): Omit<Called, 'heads'> {
  return {
    words: names.flatMap(foodWords).filter((word) => !SMALL.has(word) && !/\d/.test(word)),
    callings: names.flatMap(callingsOf),
  };
}

/** "Parmesan-style cheese, hard" is parmesan; "Rice, basmati, white" is rice, and basmati rice. */
function callingsOf(name: string): string[][] {
  const { first, rest } = firstAndRest(name);
  const plain = first.filter((word) => !SMALL.has(word) && word !== 'style' && !/\d/.test(word));
  if (plain.length === 0) return [];
  const bare = plain.filter((word) => !STATES.includes(word));
  // A hot sauce is no sauce by itself, and canned soup no soup: what is left has to say what it is.
  const says = bare.length > 1 || (bare[0] !== undefined && !NO_FOOD_ALONE.has(bare[0]));
  const callings = [plain, ...(says && bare.length < plain.length ? [bare] : [])];
  const narrowing = rest.find((word) => !SMALL.has(word) && !STATES.includes(word) && !/\d/.test(word) && !UNSAID.has(word));
  if (narrowing !== undefined) callings.push([narrowing, ...plain]);
  if (/-style\b/.test(name) && first[0] !== undefined) callings.push([first[0]]);
  return callings;
}

/** Words met before, as `foodWords` leaves them: steps say the same few hundred again and again. */
const MET = new Map<string, string>();
const MOST_MET = 20_000;

/** A word of a text as foods' words are written; empty where it is none. */
export function wordOf(written: string): string {
  const known = MET.get(written);
  if (known !== undefined) return known;
  if (MET.size >= MOST_MET) MET.clear();
  const [word = ''] = foodWords(written.replace(/-/g, ' '));
  MET.set(written, word);
  return word;
}

/** The words of a text, where they stand. */
export function wordsIn(text: string): { readonly word: string; readonly from: number; readonly to: number }[] {
  return [...text.matchAll(/[\p{L}\p{M}]+(?:['’]s\b)?/gu)].map((found) => ({
    word: wordOf(found[0]),
    from: found.index,
    to: found.index + found[0].length,
  }));
}
