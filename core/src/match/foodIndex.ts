import { distance } from 'fastest-levenshtein';
import type { Food } from '../food/index.js';
import { searchWords, type ParsedLine } from '../text/index.js';
import { FoodMatcher } from './foodMatcher.js';
import type { FoodReading } from './foodReading.js';

/** What is found by its names: a food, or something that is asked for like one. */
export type NamedThing = Pick<Food, 'id' | 'name' | 'names' | 'source' | 'state' | 'measures' | 'yields'>;

/** A food found for words, the better the nearer to 1. */
export interface FoodMatch<Thing extends NamedThing = Food> {
  readonly food: Thing;
  readonly score: number;
}

interface IndexedName<Thing extends NamedThing> {
  readonly food: Thing;
  readonly words: readonly string[];
  /** A name other than the food's own. */
  readonly other: boolean;
}

/** Words that tell foods apart too little to weigh. */
const WEAK: ReadonlySet<string> = new Set([
  'of',
  'the',
  'a',
  'an',
  'and',
  'or',
  'in',
  'with',
  'for',
  'fresh',
  'raw',
  'dry',
  'dried',
  'plain',
  'whole',
  'skinless',
  'boneless',
  'trimmed',
  'hen',
  's',
  'on',
]);
const WEAK_WEIGHT = 0.35;
const NONE: ReadonlySet<string> = new Set();
/** Most words whose likenesses are kept. */
const REMEMBERED = 2000;
/** Below this a match is a guess, not an answer. */
export const SURE_ENOUGH = 0.62;

/** Finds foods by words, tolerant of plurals, accents, word order and small slips. Made once per list of foods. */
export class FoodIndex<Thing extends NamedThing = Food> {
  readonly #names: readonly IndexedName<Thing>[];
  readonly #vocabulary: ReadonlySet<string>;
  readonly #athand: ReadonlySet<string>;
  readonly #foods: readonly Thing[];
  #matcher: FoodMatcher<Thing> | undefined;
  /** Words asked for before, with every known word like them: what is typed repeats with each key. */
  readonly #alike = new Map<string, ReadonlyMap<string, number>>();

  /** @param athand ids of foods that are bought or cooked with already: of two that fit, these go first */
  constructor(foods: readonly Thing[], athand: ReadonlySet<string> = NONE) {
    this.#athand = athand;
    this.#foods = foods;
    this.#names = foods.flatMap((food) =>
      [food.name, ...(food.names ?? [])].map((name, i) => ({ food, words: searchWords(name), other: i > 0 })),
    );
    this.#vocabulary = new Set(this.#names.flatMap(({ words }) => words));
  }

  /**
   * Foods for words, best first, each once.
   *
   * @param words as typed: "red lentils"
   * @param limit most foods returned
   */
  find(words: string, limit = 6): FoodMatch<Thing>[] {
    const asked = searchWords(words).map((word) => ({ word, alike: this.#wordsLike(word) }));
    if (asked.length === 0) return [];
    const best = new Map<string, FoodMatch<Thing>>();
    for (const name of this.#names) {
      const score = scoreOf(asked, name, this.#athand.has(name.food.id));
      const sofar = best.get(name.food.id);
      if (score > 0.35 && (!sofar || sofar.score < score)) best.set(name.food.id, { food: name.food, score });
    }
    return [...best.values()].sort((a, b) => b.score - a.score || a.food.name.length - b.food.name.length).slice(0, limit);
  }

  /** The food that a line's words mean, with how sure that is and why, or undefined where they fit none. */
  read(parsed: ParsedLine): FoodReading<Thing> | undefined {
    this.#matcher ??= new FoodMatcher(this.#foods, this.#athand);
    return this.#matcher.read(parsed);
  }

  #wordsLike(word: string): ReadonlyMap<string, number> {
    const before = this.#alike.get(word);
    if (before) return before;
    const alike = new Map(
      [...this.#vocabulary].flatMap((named) => (likeness(word, named) > 0 ? [[named, likeness(word, named)] as const] : [])),
    );
    if (this.#alike.size >= REMEMBERED) this.#alike.clear();
    this.#alike.set(word, alike);
    return alike;
  }

  /** Whether any food is named by the word. */
  names(word: string): boolean {
    return searchWords(word).every((bare) => this.#vocabulary.has(bare));
  }

  /** The one food the words mean, or undefined when none is sure enough. */
  best(words: string): Thing | undefined {
    const [first] = this.find(words, 1);
    return first && first.score >= SURE_ENOUGH ? first.food : undefined;
  }
}

interface AskedWord {
  readonly word: string;
  readonly alike: ReadonlyMap<string, number>;
}

/**
 * How much of what was asked the name says, and how little it says beside. A label of one's own goes before a table row,
 * the raw food before the cooked one.
 */
function scoreOf(asked: readonly AskedWord[], { food, words, other }: IndexedName<NamedThing>, athand: boolean): number {
  const said = words.map(() => 0);
  let weight = 0;
  let met = 0;
  asked.forEach(({ word, alike }, i) => {
    // The last word is what it is ("red LENTILS"); the ones before say which.
    const counts = weightOf(word) * (i === asked.length - 1 ? 1.5 : 1);
    let nearest = 0;
    let at = -1;
    words.forEach((named, j) => {
      const like = said[j] ? 0 : (alike.get(named) ?? 0);
      if (like > nearest) [nearest, at] = [like, j];
    });
    if (at >= 0) said[at] = nearest;
    weight += counts;
    met += counts * nearest;
  });
  if (met === 0) return 0;
  const named = words.reduce((sum, word) => sum + weightOf(word), 0);
  const covered = words.reduce((sum, word, j) => sum + weightOf(word) * (said[j] ?? 0), 0);
  const preferred =
    (athand ? 0.05 : 0) +
    (food.source === 'label' || food.source === 'lab' ? 0.02 : 0) -
    (other ? 0.005 : 0) -
    (food.state === 'cooked' ? 0.06 : 0);
  return 0.72 * (met / weight) + 0.28 * (covered / named) + preferred;
}

/** Words to find a food by, those left out that tell foods apart too little; all of them where there are no others. */
export function tellingWords(text: string): readonly string[] {
  const words = searchWords(text);
  const telling = words.filter((word) => !WEAK.has(word));
  return telling.length === 0 ? words : telling;
}

function weightOf(word: string): number {
  return WEAK.has(word) ? WEAK_WEIGHT : 1;
}

/** Whether a word typed may stand for another: begun, or with a slip or two. */
export function isLike(asked: string, named: string): boolean {
  return likeness(asked, named) > 0;
}

function likeness(asked: string, named: string): number {
  if (asked === named) return 1;
  if (asked.length >= 3 && named.startsWith(asked)) return 0.5 + 0.4 * (asked.length / named.length);
  const allowed = asked.length >= 8 ? 2 : asked.length >= 4 ? 1 : 0;
  if (allowed === 0 || Math.abs(asked.length - named.length) > allowed) return 0;
  const slips = distance(asked, named);
  return slips <= allowed ? 0.85 - 0.15 * slips : 0;
}
