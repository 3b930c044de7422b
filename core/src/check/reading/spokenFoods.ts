import type { Food } from '../../food/index.js';
import { firstAndRest, foodWords, IDLE, PIECES, UNSAID } from '../../match/index.js';
import { parseLineText } from '../../text/index.js';
import type { Kitchen, RecipeFigures } from '../../recipe/index.js';
import type { Stretch } from './stepReading.js';

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

/** Words of a text that stand together and are words of foods: "chopped fresh coriander". */
export interface FoodRun extends Stretch {
  /** As `foodWords` leaves them; the last says what it is. */
  readonly words: readonly string[];
  readonly head: string;
  /** The word before it that says what it is of: lemon, of its zest. */
  readonly of: string | undefined;
  /** What of it is said behind it: the clove of "garlic cloves". */
  readonly piece: string | undefined;
}

/** Said of what something is, and never what it is. */
const STATES = 'fresh dry canned frozen raw cooked ground whole powder smoked light ripe cold hot warm plain free large small'.split(' ');
/** A share of a food, called by the food it is of. */
const SHARES: ReadonlySet<string> = new Set(
  'zest juice peel rind stalk stem skin flesh core yolk white top frond root bone liquid brine seed leaf piece half head strip wedge cube slice chunk mixture mix'.split(
    ' ',
  ),
);
/** Alone they are what is being made, or what is done, and no food that is bought: "the sauce", "spread the onions", "the yolks". */
export const NO_FOOD_ALONE: ReadonlySet<string> = new Set(
  'soup sauce dressing gravy dip spread mixture mix seasoning salad curry stew salsa juice paste puree powder drink topping filling yolk white grit squash mash toast crumb marinade stuffing batter dough rub glaze syrup meat vegetable root seed zest peel stock broth water ice liquid'.split(
    ' ',
  ),
);
/** Words that stand in names of foods and say nothing of which it is. */
const SMALL: ReadonlySet<string> = new Set('straight of in to or and the a with about s for per no not any at on use type hen'.split(' '));

/** What a kitchen's foods are called, whatever recipe is looked at: read once, for as long as the foods are the same. */
class Shelf {
  readonly foods: readonly CalledFood[];
  readonly vocabulary: ReadonlySet<string>;
  /** Words that can say what something is: the last of what foods are called, and of which they are. */
  readonly heads: ReadonlySet<string>;
  /** Those of them that a name ends with. */
  readonly ends: ReadonlySet<string>;
  readonly #byHead = new Map<string, CalledFood[]>();

  constructor(foods: readonly Food[]) {
    this.foods = foods.map((food) => calledFood(food, []));
    this.vocabulary = new Set(this.foods.flatMap(({ words }) => [...words]));
    this.heads = new Set([...SHARES, ...this.foods.flatMap(headsOf)]);
    this.ends = new Set([...SHARES, ...this.foods.flatMap(({ callings }) => callings.map((calling) => calling.at(-1) ?? ''))]);
    for (const one of this.foods)
      for (const head of new Set(headsOf(one))) this.#byHead.set(head, [...(this.#byHead.get(head) ?? []), one]);
  }

  calledBy(head: string): readonly CalledFood[] {
    return this.#byHead.get(head) ?? [];
  }
}

const SHELVES = new WeakMap<readonly Food[], Shelf>();

function shelfOf(foods: readonly Food[]): Shelf {
  let shelf = SHELVES.get(foods);
  if (!shelf) SHELVES.set(foods, (shelf = new Shelf(foods)));
  return shelf;
}

/** Said of which of a kind a thing is: "sweet basil" is no sweet, and "hot pepper sauce" no hot. */
const WHICH: ReadonlySet<string> = new Set(
  'sweet hot mild red green white black brown yellow golden purple pink dark blue fine coarse thick thin full low half double single light baby wild new spring button flat curly english french italian greek indian thai american japanese plain self strong unsalted salted smooth crunchy whole soured sour boiling pouring heavy extra extravirgin bitter reduced skimmed semi firm silken soft hard natural pure mixed good fat fatfree wholemeal grated sliced chopped'.split(
    ' ',
  ),
);

/** How surely a word by itself means a food; 0: not at all. */
function rankOf(food: CalledFood, word: string): number {
  if (food.callings.some((calling) => calling.at(-1) === word)) return 3;
  if (headsOf(food).includes(word)) return 2;
  return food.words.has(word) && !WHICH.has(word) ? 1 : 0;
}

/** The last word of what it is called, and the first where that is a thing by itself: the chicken of a chicken breast. */
function headsOf({ callings }: Pick<CalledFood, 'callings'>): string[] {
  return callings.flatMap((calling) => {
    const [first = ''] = calling;
    return [calling.at(-1) ?? '', ...(WHICH.has(first) || STATES.includes(first) ? [] : [first])];
  });
}

/** Every food of a kitchen as texts may speak of it, the recipe's own with their lines. */
export class SpokenFoods {
  /** Foods that the recipe lists. */
  readonly listed: readonly CalledFood[];
  readonly #shelf: Shelf;
  readonly #own: ReadonlySet<string>;
  readonly #heads: ReadonlySet<string>;
  readonly #runs = new Map<string, FoodRun[]>();

  constructor(figures: RecipeFigures, kitchen: Kitchen) {
    this.#shelf = shelfOf(kitchen.content.foods);
    const lines = new Map<string, { readonly food: Food; readonly at: string; readonly text: string | undefined }[]>();
    for (const { at, of, line } of figures.lines) {
      if (of.kind !== 'food') continue;
      const { food } = of.resolved;
      lines.set(food.id, [...(lines.get(food.id) ?? []), { food, at, text: line.text }]);
    }
    this.listed = [...lines.values()].flatMap((all) => (all[0] ? [calledFood(all[0].food, all)] : []));
    this.#own = new Set(this.listed.flatMap(({ words }) => [...words]));
    this.#heads = new Set(this.listed.flatMap(headsOf));
  }

  /** Foods of the kitchen that no line lists, among them those that may be called by a word. */
  unlistedBy(head: string): readonly CalledFood[] {
    const own = new Set(this.listed.map(({ food }) => food.id));
    return this.#shelf.calledBy(head).filter(({ food }) => !own.has(food.id));
  }

  /** Where a text speaks of foods, in order. */
  runsIn(text: string): readonly FoodRun[] {
    let runs = this.#runs.get(text);
    if (!runs) this.#runs.set(text, (runs = this.#readRuns(text)));
    return runs;
  }

  #readRuns(text: string): FoodRun[] {
    const runs: FoodRun[] = [];
    let run: { word: string; from: number; to: number }[] = [];
    const close = () => {
      // "the sweetcorn back in": back bacon only begins so, and sweetcorn is listed.
      const listed = run.some(({ word }) => this.#heads.has(word));
      const made = runOf(run, (word) => this.#heads.has(word) || (listed ? this.#shelf.ends : this.#shelf.heads).has(word));
      if (made) runs.push(made);
      run = [];
    };
    for (const found of text.matchAll(/[\p{L}\p{M}]+(?:['’]s\b)?/gu)) {
      const word = wordOf(found[0]);
      const last = run.at(-1);
      if (last && !/^[\s-]{1,2}$/.test(text.slice(last.to, found.index))) close();
      if (word !== '' && (this.#knows(word) || isModifier(word)) && !SMALL.has(word))
        run.push({ word, from: found.index, to: found.index + found[0].length });
      else close();
    }
    close();
    return runs.filter(({ head }) => this.#knows(head));
  }

  #knows(word: string): boolean {
    return this.#shelf.vocabulary.has(word) || this.#own.has(word);
  }

  /** Listed foods that a run means, those of which most is said; none: it means another, or none. */
  meantBy({ words, head, of }: FoodRun): readonly CalledFood[] {
    // What is called so at the end of its name before what begins with it, and that before what only has the word in it.
    const by = (word: string) => {
      const ranked = this.listed.map((one) => ({ one, rank: rankOf(one, word) })).filter(({ rank }) => rank > 0);
      const most = Math.max(0, ...ranked.map(({ rank }) => rank));
      return ranked.filter(({ rank }) => rank === most).map(({ one }) => one);
    };
    const first = by(head);
    const candidates = first.length > 0 || of === undefined || !SHARES.has(head) ? first : by(of);
    const overlap = (one: CalledFood) => words.filter((word) => one.words.has(word)).length;
    const most = Math.max(0, ...candidates.map(overlap));
    return candidates.filter((one) => overlap(one) === most);
  }
}

interface Called {
  readonly words: readonly string[];
  readonly callings: readonly (readonly string[])[];
}

/** Names that were taken apart before: a kitchen is put together anew for every question, and its foods are called the same. */
const CALLED = new Map<string, Called>();
const MOST_CALLED = 60_000;

function namesApart({ name, names = [] }: Food): Called {
  const key = [name, ...names].join('\n');
  const known = CALLED.get(key);
  if (known) return known;
  if (CALLED.size >= MOST_CALLED) CALLED.clear();
  const apart = calledBy([name, ...names]);
  CALLED.set(key, apart);
  return apart;
}

function calledFood(food: Food, lines: readonly { readonly at: string; readonly text: string | undefined }[]): CalledFood {
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

function calledBy(names: readonly string[]): Called {
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

function isModifier(word: string): boolean {
  return IDLE.has(word) || PIECES.has(word) || STATES.includes(word);
}

function runOf(
  run: readonly { readonly word: string; readonly from: number; readonly to: number }[],
  isHead: (word: string) => boolean,
): FoodRun | undefined {
  // Pieces at the end are of what stands before them, and words of how it is got ready are no food by themselves.
  let end = run.length;
  const isTail = (word = '') => PIECES.has(word) || !isHead(word) || (IDLE.has(word) && !SHARES.has(word));
  while (end > 1 && isTail(run[end - 1]?.word)) end -= 1;
  const kept = run.slice(0, end);
  const [first, last] = [kept[0], kept.at(-1)];
  if (!first || !last) return undefined;
  return {
    words: kept.map(({ word }) => word),
    head: last.word,
    of: kept.length > 1 ? kept.at(-2)?.word : undefined,
    from: first.from,
    to: run.at(-1)?.to ?? last.to,
    piece: run.slice(end).find(({ word }) => PIECES.has(word))?.word,
  };
}
