import type { Food } from '../../food/index.js';
import { IDLE, PIECES } from '../../match/index.js';
import type { Kitchen, RecipeFigures } from '../../recipe/index.js';
import { calledFood, headsOf, SMALL, STATES, WHICH, wordsIn, type CalledFood } from './calledFood.js';
import type { Stretch } from './stepReading.js';

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

/** A share of a food, called by the food it is of. */
const SHARES: ReadonlySet<string> = new Set(
  'zest juice peel rind stalk stem skin flesh core yolk white top frond root bone liquid brine seed leaf piece half head strip wedge cube slice chunk mixture mix'.split(
    ' ',
  ),
);
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

/** How surely a word by itself means a food; 0: not at all. */
function rankOf(food: CalledFood, word: string): number {
  if (food.callings.some((calling) => calling.at(-1) === word)) return 3;
  if (headsOf(food).includes(word)) return 2;
  return food.words.has(word) && !WHICH.has(word) ? 1 : 0;
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
    for (const found of wordsIn(text)) {
      const { word, from } = found;
      const last = run.at(-1);
      if (last && !/^[\s-]{1,2}$/.test(text.slice(last.to, from))) close();
      if (word !== '' && (this.#knows(word) || isModifier(word)) && !SMALL.has(word)) run.push(found);
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
