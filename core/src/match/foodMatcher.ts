import { distance } from 'fastest-levenshtein';
import type { NamedThing } from './foodIndex.js';
import { midpointOf } from '../quantity/index.js';
import { CONTAINERS, LONGEST_LINE, type ParsedLine } from '../text/index.js';
import { FORMS, GENERAL_HEADS, IDLE, LIKELY, PIECES, SOURCES, UNSAID } from './foodKnowledge.js';
import { alternativesOf } from './alternatives.js';
import { firstAndRest, foodWords } from './foodWords.js';
import { PART_SHARES, partMeasure, partOfFruit } from './fruitPart.js';
import { lengthMeasure } from './lengthMeasure.js';
import { hasMeasure } from './hasMeasure.js';
import { withoutUnit } from './withoutUnit.js';
import { USUAL } from './usualReadings.js';
import type { FoodReading } from './foodReading.js';

/** A name of a food taken apart. */
interface KnownName<Thing extends NamedThing> {
  readonly food: Thing;
  readonly words: ReadonlySet<string>;
  /** What it says that it is: the last word before its first comma. */
  readonly head: string;
  /** Words before the first comma of the food's own name; of another name, none. */
  readonly own: ReadonlySet<string>;
}

/** What is asked, taken apart. */
interface Asked {
  /** Words that the food must answer for. */
  readonly words: readonly string[];
  /** Words that may help to choose and are not missed: preparation, what stands behind "in". */
  readonly helping: ReadonlySet<string>;
  readonly head: string;
}

interface Candidate<Thing extends NamedThing> {
  readonly name: KnownName<Thing>;
  readonly missing: readonly string[];
  readonly extra: readonly string[];
  readonly cost: number;
}

/** Costs, in words: one that changes the thing, one that says which of them, one of a brand. */
const COST = { form: 2, unknown: 3, likely: 0.8, kin: 0.3, brand: 1.6, another: 4, noMeasure: 2.2, notCalledSo: 0.8 } as const;
/** What a food that is bought or cooked with already, and one with a label of one's own, is taken before. */
const PREFERRED = { athand: 2, label: 0.7 } as const;
/** Two that are no further apart are rivals. */
const A_TIE = 0.7;
/** From here on what the food says beyond the words is too much to be meant unsaid. */
const TOO_MUCH = 2;
const MOST_RIVALS = 5;
/** Fewer letters are no slip of another word: too many words are a letter apart. */
const SHORTEST_SLIP = 6;

/**
 * Finds the food that a line's words mean as English builds them: the last word before the comma says what it is, what stands before
 * says which. Made once per list of foods.
 */
export class FoodMatcher<Thing extends NamedThing> {
  readonly #byWord = new Map<string, KnownName<Thing>[]>();
  readonly #heads = new Set<string>();
  readonly #athand: ReadonlySet<string>;
  readonly #slips = new Map<string, string>();
  /** Every word of a food's names. */
  readonly #kin = new Map<string, Set<string>>();

  /** @param athand ids of foods that are bought or cooked with already */
  constructor(foods: readonly Thing[], athand: ReadonlySet<string>) {
    this.#athand = athand;
    for (const food of foods) {
      const kin = new Set<string>();
      this.#kin.set(food.id, kin);
      for (const text of [food.name, ...(food.names ?? [])]) {
        // What is in brackets explains a food's own name, and is no part of it; another name may say there where it is called so.
        const { first, rest } = firstAndRest(text === food.name ? text.replace(/\([^()]*\)/g, '') : text);
        const words = new Set([...first, ...rest]);
        for (const word of foodWords(text)) kin.add(word);
        const name = { food, words, head: first.at(-1) ?? '', own: new Set(text === food.name ? first : []) };
        this.#heads.add(name.head);
        for (const word of words) {
          const known = this.#byWord.get(word);
          if (known) known.push(name);
          else this.#byWord.set(word, [name]);
        }
      }
    }
  }

  /** The food a line means, or undefined where its words fit none. */
  read(parsed: ParsedLine): FoodReading<Thing> | undefined {
    // What is longer than any line is none.
    if (parsed.foodWords.length > LONGEST_LINE) return undefined;
    const reading = this.#readFood(parsed);
    if (reading?.food.state === 'dry' && /\b(?:cooked|boiled)\b/i.test(parsed.note ?? '') && !parsed.cooked)
      return { ...reading, sureness: 'unsure', reason: 'it may be weighed cooked' };
    if (reading && parsed.length !== undefined && !lengthMeasure(reading.food))
      return {
        ...reading,
        sureness: 'unsure',
        reason: `nobody has said what ${Number(parsed.length.toPrecision(3))} cm of it weigh: it counts as a piece`,
      };
    if (reading && withoutUnit(parsed, reading.food))
      return {
        ...reading,
        sureness: 'unsure',
        reason: `“${Number(midpointOf(parsed.amount ?? 0).toPrecision(6))}” has no unit: it is taken as grams`,
      };
    const called = reading && this.#calledToo(parsed, reading);
    if (called) return called;
    const more = MORE.exec(parsed.foodWords)?.[1] ?? MORE.exec(`, ${parsed.note ?? ''}`)?.[1] ?? MIXED_WITH.exec(parsed.note ?? '')?.[1];
    // A number that was written is never dropped unsaid.
    return reading && more !== undefined ? { ...reading, sureness: 'unsure', reason: `“${more.trim()}” is not counted` } : reading;
  }

  /**
   * What a bracket behind the words makes of them: it says which ("chicken (thighs)"), calls the same food by another name
   * ("coriander (cilantro)"), or another food, which explains the words before it and is asked about ("tomato sauce (ketchup)").
   */
  #calledToo({ called, foodWords: words, ...parsed }: ParsedLine, reading: FoodReading<Thing>): FoodReading<Thing> | undefined {
    if (called === undefined || alternativesOf(called).length > 1) return undefined;
    const asked = foodWords(called);
    if (asked.some((word) => FORMS.has(word) || IDLE.has(word) || !this.#byWord.has(word))) return undefined;
    const isSure = reading.sureness !== 'unsure';
    for (const joined of [`${words} ${called}`, `${called} ${words}`]) {
      const both = this.#readOne(joined, { ...parsed, foodWords: joined });
      if (both && both.sureness !== 'unsure' && (!isSure || both.food.id === reading.food.id)) return both;
    }
    const other = this.#readOne(called, { ...parsed, foodWords: called });
    if (!other) return undefined;
    if (other.food.id === reading.food.id)
      return isSure ? undefined : { ...reading, sureness: 'usual', reason: `it is called “${called}” too` };
    return {
      ...other,
      sureness: 'unsure',
      reason: `“${words}” is another food than “${called}”`,
      rivals: [reading.food, ...other.rivals.filter(({ id }) => id !== reading.food.id)].slice(0, MOST_RIVALS),
    };
  }

  #readFood(parsed: ParsedLine): FoodReading<Thing> | undefined {
    const part = partOfFruit(parsed.note);
    if (part !== undefined) {
      const reading = this.#readOne(`${parsed.foodWords} ${part}`, parsed);
      if (reading && reading.sureness !== 'unsure' && partMeasure(reading.food, part)) return reading;
      const whole = this.#readCooked(parsed.foodWords, parsed);
      if (whole)
        return { ...whole, sureness: 'unsure', reason: `only its ${part} is meant: ${100 * PART_SHARES[part]} % of it is counted` };
    }
    const [text, ...others] = alternativesOf(parsed.foodWords);
    if (text === undefined) return undefined;
    const reading = this.#readCooked(text, parsed);
    if (reading && parsed.ofEach && (others.length > 0 || parsed.note !== undefined))
      return { ...reading, sureness: 'unsure', reason: 'the line names several, each of the amount' };
    if (others.length === 0) return reading;
    const other = others.map((one) => this.#readOne(one, parsed)).find((one) => one !== undefined);
    if (!reading) return other && { ...other, sureness: 'unsure', reason: `“${text}” fits none` };
    if (!other || other.food.id === reading.food.id) return reading;
    return {
      ...reading,
      sureness: 'unsure',
      reason: 'the line leaves a choice',
      rivals: [other.food, ...reading.rivals].slice(0, MOST_RIVALS),
    };
  }

  #readOne(text: string, parsed: ParsedLine): FoodReading<Thing> | undefined {
    const asked = this.#askedFor(text, parsed);
    if (!asked) return undefined;
    const exactly = USUAL.get(asked.words.join(' '));
    // Words that say only how, and not what, mean nothing by themselves.
    if (!exactly && asked.words.every((word) => COLOURS.has(word) || isIdle(word))) return undefined;
    const usual = exactly ?? USUAL.get(asked.words.filter((word) => !IDLE.has(word) || PIECES.has(word)).join(' '));
    const plain = this.#bestOf(asked, parsed) ?? this.#asGround(text, asked, parsed);
    // A bunch of it decides what its name leaves open.
    if (plain && plain.sureness !== 'unsure' && (DECIDING.has(parsed.unit ?? '') || parsed.length !== undefined) && !usual?.sure)
      return plain;
    if (
      usual === undefined ||
      (plain?.sureness === 'same' && (usual.sure || exactly === undefined || this.#isSaidBehind(plain.food, asked)))
    )
      return plain;
    const { first: words, rest } = firstAndRest(usual.meant);
    if (
      SPOONFULS.has(parsed.unit ?? '') &&
      words.includes('fresh') &&
      !asked.words.some((word) => word === 'fresh' || word === 'leaf') &&
      usual.sure
    )
      return plain;
    const helping = new Set([...asked.helping, ...asked.words, ...rest]);
    const meant = this.#bestOf({ words, helping, head: words.at(-1) ?? '' }, parsed);
    if (!meant || (meant.sureness === 'unsure' && usual.sure)) return plain;
    // "2 peppers" are no seasoning.
    if (plain && !hasMeasure(meant.food, parsed) && hasMeasure(plain.food, parsed)) return plain;
    const rivals = [...(plain && plain.food.id !== meant.food.id ? [plain.food] : []), ...(plain?.rivals ?? [])];
    const others = rivals.filter(({ id }) => id !== meant.food.id).slice(0, MOST_RIVALS);
    if (usual.sure) return { ...meant, sureness: 'usual', reason: 'the usual reading', rivals: others };
    // One of the person's own is nearer than what is usual elsewhere.
    if (plain && plain.sureness !== 'unsure' && this.#athand.has(plain.food.id)) return plain;
    return { ...meant, sureness: 'unsure', reason: 'it may be of several kinds', rivals: others };
  }

  /** Whether what stands behind "in" or a comma names the food: "sardines in tomato sauce". */
  #isSaidBehind({ id }: Thing, { words, helping }: Asked): boolean {
    const kin = this.#kin.get(id) ?? NONE;
    return [...helping].some((word) => kin.has(word) && !words.includes(word) && !isIdle(word));
  }

  /** "turmeric powder" is ground turmeric, where no food is called a powder. */
  #asGround(text: string, { head }: Asked, parsed: ParsedLine): FoodReading<Thing> | undefined {
    const ground = head === 'powder' ? /^(.*\S) powder$/i.exec(text)?.[1] : undefined;
    const reading = ground === undefined ? undefined : this.#readOne(`ground ${ground}`, parsed);
    return reading?.sureness === 'unsure' ? undefined : reading;
  }

  /** "roasted squash" is squash, weighed roasted, where no food is called so and the squash says what roasting leaves of it. */
  #readCooked(text: string, parsed: ParsedLine): FoodReading<Thing> | undefined {
    const reading = this.#readOne(text, parsed);
    const { cooking } = parsed;
    if (!cooking?.before || (reading && reading.sureness !== 'unsure')) return reading;
    const before = this.#readOne(text.replace(cooking.word, '').trim(), parsed);
    return before?.food.yields?.[cooking.method] === undefined ? reading : before;
  }

  #askedFor(text: string, parsed: ParsedLine): Asked | undefined {
    // A comma among the food's words stands between adjectives.
    const { first, rest } = firstAndRest(text.replace(/,/g, ' '));
    const squeezed = parsed.unit === 'squeeze' && first.at(-1) !== 'juice' ? ['juice'] : [];
    const inCan = parsed.unit === 'can' || parsed.also?.unit === 'can' || parsed.container === 'can' ? ['canned'] : [];
    const percent = foodWords(parsed.note ?? '').filter((word) => word.endsWith('%') || word === 'fatfree' || word === 'lowsalt');
    const said = formsBehind(parsed.note);
    const words = [...first, ...squeezed, ...inCan, ...rest.filter((word) => word.endsWith('%')), ...percent, ...said].map((word) =>
      this.#spelt(word),
    );
    const head = words[first.length + squeezed.length - 1];
    if (head === undefined) return undefined;
    const state = parsed.cooked || parsed.cooking?.before ? ['cooked'] : [];
    return { words, head, helping: new Set([...rest, ...foodWords(parsed.note ?? ''), ...state]) };
  }

  /** A word, or the known one that it was meant to be, a letter apart. */
  #spelt(word: string): string {
    if (word.length < SHORTEST_SLIP || this.#byWord.has(word) || FORMS.has(word) || SOURCES.has(word) || IDLE.has(word)) return word;
    const before = this.#slips.get(word);
    if (before !== undefined) return before;
    let meant = word;
    for (const known of this.#byWord.keys())
      if (
        known.length >= SHORTEST_SLIP - 1 &&
        Math.abs(known.length - word.length) <= 1 &&
        known[0] === word[0] &&
        distance(known, word) === 1
      ) {
        meant = known;
        break;
      }
    if (this.#slips.size > 2000) this.#slips.clear();
    this.#slips.set(word, meant);
    return meant;
  }

  /** Whether a word is in the names of one food alone: "gochujang" is the paste. */
  #isOnlyOf(word: string, food: Thing): boolean {
    return !SOURCES.has(word) && !FORMS.has(word) && (this.#byWord.get(word) ?? []).every((name) => name.food.id === food.id);
  }

  #bestOf(asked: Asked, parsed: ParsedLine): FoodReading<Thing> | undefined {
    let { words } = asked;
    // A piece at the end, a word of preparation, or at last one that no food is called by, stands aside for the word before it.
    for (let aside: string[] = []; words.length > 0;) {
      const head = words.filter((word) => !word.endsWith('%') && !isFormBehind(word, asked)).at(-1) ?? words.at(-1) ?? '';
      const found = this.#candidates({ ...asked, words, head }, aside, parsed);
      if (found.length > 0) return this.#reading(found, parsed);
      if (!isIdle(head)) {
        if (GENERAL_HEADS.has(head) || SOURCES.has(head) || this.#heads.has(head)) return undefined;
        // One word that nobody knows may be left over; forms are held against the food.
        if (!FORMS.has(head) && aside.some((word) => !isIdle(word) && !FORMS.has(word))) return undefined;
      }
      aside = [...aside, head];
      const at = words.lastIndexOf(head);
      words = [...words.slice(0, at), ...words.slice(at + 1)];
    }
    return undefined;
  }

  #candidates(asked: Asked, aside: readonly string[], parsed: ParsedLine): Candidate<Thing>[] {
    const best = new Map<string, Candidate<Thing>>();
    for (const name of this.#byWord.get(asked.head) ?? []) {
      const candidate = this.#weigh(name, asked, aside, parsed);
      const sofar = candidate && best.get(name.food.id);
      if (candidate && (!sofar || candidate.cost < sofar.cost)) best.set(name.food.id, candidate);
    }
    const all = [...best.values()];
    // What is called in so many words is meant before what a word of them is passed over for: "extra-firm tofu", "natural peanut butter".
    const said = new Set([...asked.words, ...aside]);
    const isCalledSo = ({ name }: Candidate<Thing>) => name.words.size === said.size && [...said].every((word) => name.words.has(word));
    const passesOver = ({ name }: Candidate<Thing>) => [...said].some((word) => !name.words.has(word));
    const called = all.some(isCalledSo) && all.map((one) => (passesOver(one) ? { ...one, cost: one.cost + COST.notCalledSo } : one));
    // Of two that are called so alike, the one whose own name it is goes before: sugar snap peas are no mangetout.
    const isOwn = (name: KnownName<Thing>) => name.own.size === said.size && [...said].every((word) => name.own.has(word));
    const least = Math.min(...(called || all).map(({ cost }) => cost));
    const owners = new Set((called || all).filter(({ name, cost }) => cost === least && isOwn(name)).map(({ name }) => name.food.id));
    const ranked = (called || all).map((one) =>
      owners.size === 0 || owners.has(one.name.food.id) ? one : { ...one, cost: one.cost + COST.notCalledSo },
    );
    return ranked.sort((a, b) => a.cost - b.cost || a.name.food.name.length - b.name.food.name.length);
  }

  #weigh(name: KnownName<Thing>, asked: Asked, aside: readonly string[], parsed: ParsedLine): Candidate<Thing> | undefined {
    const says = new Set([...asked.words, ...aside]);
    // What the food says that it is has to be what is asked for: an onion is no onion powder, milk chocolate no chocolate milk.
    const isNamed = name.head === asked.head || (IMPLIED.has(name.head) && !FORMS.has(asked.head) && !isIdle(asked.head));
    if (!isNamed && (asked.words.some((word) => word !== asked.head && !isIdle(word)) || !this.#isOnlyOf(asked.head, name.food)))
      return undefined;
    const inCans = name.words.has('canned') || name.food.measures?.can !== undefined;
    const isBy = (word: string) => (word === 'canned' && inCans) || (word === 'cooked' && name.food.state === 'cooked');
    const isPlant = PLANT_MEASURES.some((measure) => name.food.measures?.[measure] !== undefined);
    const unsaid = asked.words.filter(
      (word) => !name.words.has(word) && !isBy(word) && !(isIdle(word) && (isPlant || !PLANT_PARTS.has(word))),
    );
    const kin = this.#kin.get(name.food.id) ?? NONE;
    const missing = unsaid.filter((word) => !kin.has(word));
    if (!isNamed && missing.length > 0) return undefined;
    const unexplained = aside.filter(
      (word) => !name.words.has(word) && !isBy(word) && !(isIdle(word) && (isPlant || !PLANT_PARTS.has(word))),
    );
    // With a word left over, it has to be the thing itself, not one that is only called after it.
    if (unexplained.length > 0 && name.head !== asked.head) return undefined;
    // What is called after another thing that the pantry or anybody knows is another thing.
    if (missing.some((word) => SOURCES.has(word) || (!FORMS.has(word) && this.#heads.has(word)))) return undefined;
    const met = asked.words.filter((word) => word !== asked.head && !FORMS.has(word) && !isIdle(word) && name.words.has(word));
    const alters = missing.filter((word) => !word.endsWith('%') && word !== 'canned');
    const isBase = met.length > 0 || [...name.words].every((word) => says.has(word) || UNSAID.has(word) || LIKELY.has(word));
    if (GENERAL_HEADS.has(asked.head) && alters.length > 0 && (!isBase || alters.some((word) => !FORMS.has(word)))) return undefined;
    const extra = [...name.words].filter((word) => !says.has(word) && !asked.helping.has(word));
    const spoonful = SPOONFULS.has(parsed.unit ?? '');
    let brands = 0;
    let cost = unexplained.length * COST.unknown + (unsaid.length - missing.length) * COST.kin;
    for (const word of missing) cost += FORMS.has(word) || word.endsWith('%') ? COST.form : COST.unknown;
    cost += percentApart(missing, extra);
    for (const word of extra) {
      if (UNSAID.has(word)) continue;
      if (word === 'whole' && WHOLE_BIRDS.has(name.head)) cost += COST.another;
      else if (
        LIKELY.has(word) ||
        word.endsWith('%') ||
        (inCans && PACKED_IN.has(word)) ||
        (spoonful && SPICE_FORMS.has(word)) ||
        IMPLIED.has(word)
      )
        cost += COST.likely;
      else if (FORMS.has(word) || SOURCES.has(word) || this.#heads.has(word)) cost += COST.another;
      else brands++;
    }
    if (brands > 0) cost += COST.brand;
    if (name.food.state === 'cooked' && !says.has('cooked') && !asked.helping.has('cooked')) cost += COST.another;
    if (!hasMeasure(name.food, parsed)) cost += COST.noMeasure;
    return { name, missing: [...missing, ...unexplained], extra, cost };
  }

  #reading(found: readonly Candidate<Thing>[], parsed: ParsedLine): FoodReading<Thing> | undefined {
    const preferred = (one: Candidate<Thing>) =>
      one.cost - (this.#athand.has(one.name.food.id) ? PREFERRED.athand : 0) - (one.name.food.source === 'label' ? PREFERRED.label : 0);
    const [first, ...rest] = [...found].sort((a, b) => preferred(a) - preferred(b));
    if (!first) return undefined;
    const { food } = first.name;
    const near = rest.filter(
      (one) => one.cost <= first.cost + A_TIE && (preferred(one) <= preferred(first) + A_TIE || isOtherState(food, one.name.food)),
    );
    const rivals = (near.length > 0 ? near : rest).slice(0, MOST_RIVALS).map(({ name }) => name.food);
    const counted = hasMeasure(food, parsed);
    const tellsMore = first.extra.filter((word) => !UNSAID.has(word) && !word.endsWith('%'));
    const doubt =
      first.missing.length > 0
        ? `${quoted(first.missing)} is not in its name`
        : near.length > 0
          ? `${near[0]?.name.food.name} fits as well`
          : first.cost - (counted ? 0 : COST.noMeasure) >= TOO_MUCH
            ? tellsMore.length === 0
              ? `it counts as ${food.state ?? 'another'}`
              : `the line does not say ${quoted(tellsMore)}`
            : counted
              ? undefined
              : CONTAINERS.has(parsed.unit ?? '') || parsed.unit === undefined
                ? undefined
                : `it says nothing of what a ${parsed.unit} weighs`;
    if (doubt !== undefined) return { food, sureness: 'unsure', reason: doubt, rivals };
    if (tellsMore.length === 0) return { food, sureness: 'same', reason: '', rivals };
    return { food, sureness: 'usual', reason: 'nothing else fits as well', rivals };
  }
}

/** Classes of things that names say and people leave out: "basmati" is rice, "cheddar" is cheese. */
const IMPLIED: ReadonlySet<string> = new Set(['cheese', 'rice', 'lettuce', 'pasta', 'fillet', 'stalk', 'leaf', 'nut']);
/** Asked for by their name alone, a piece of them may be meant as well. */
const WHOLE_BIRDS: ReadonlySet<string> = new Set(['chicken', 'turkey', 'duck', 'goose', 'rabbit']);
const SPOONFULS: ReadonlySet<string> = new Set(['tsp', 'tbsp', 'pinch', 'dash']);
const SPICE_FORMS: ReadonlySet<string> = new Set(['ground', 'dry', 'leaf', 'fresh']);

/** A second amount behind the food: "egg + 1 yolk", ", plus 1 tsp for the tin". */
const MORE = /[\s,]((?:\+|plus|and|&) ?(?:\d|[½¼¾⅓⅔]|an? (?=\S+ of)|one |two |half )[^,;]*)/i;
/** An amount that is mixed in; water has no figures. */
const MIXED_WITH =
  /\b(?:mixed|dissolved|whisked|blended|combined|diluted|made up) (?:with|in|into|to) ((?:\d|[½¼¾⅓⅔]|an? )(?![^,;]*\bwater\b)[^,;]*)/i;
/** Measures that only the fresh plant is counted in. */
const DECIDING: ReadonlySet<string> = new Set(['bunch', 'sprig', 'handful', 'leaf', 'clove', 'head', 'stalk', 'stick', 'bulb']);
/** What canned food lies in. */
const PACKED_IN: ReadonlySet<string> = new Set(['water', 'juice', 'oil']);
/** Parts of a plant that are another thing than the plant, but where leaves and stalks are what is eaten of it. */
const PLANT_PARTS: ReadonlySet<string> = new Set(['leaf', 'leave', 'stem', 'frond', 'stalk', 'head']);
const PLANT_MEASURES = ['leaf', 'sprig', 'bunch', 'handful', 'stalk', 'stick', 'head', 'spear', 'floret', 'small leaf'];
const COLOURS: ReadonlySet<string> = new Set(['red', 'white', 'black', 'brown', 'yellow', 'pink', 'purple']);
const NONE: ReadonlySet<string> = new Set();

/** Where a share of fat is asked that no food has, the nearest goes before: a hundredth of a cost for each per cent apart. */
function percentApart(missing: readonly string[], extra: readonly string[]): number {
  const [wanted, has] = [missing, extra].map((words) => words.map((word) => /^(\d+(?:\.\d+)?)%$/.exec(word)?.[1]).find(Boolean));
  return wanted === undefined || has === undefined ? 0 : Math.abs(Number(wanted) - Number(has)) / 100;
}

function isIdle(word: string): boolean {
  return IDLE.has(word) || PIECES.has(word);
}

/** A form that the note added behind the words is not what the line is of. */
function isFormBehind(word: string, asked: Asked): boolean {
  return word !== asked.head && asked.words.indexOf(word) > asked.words.lastIndexOf(asked.head);
}

/** Fresh and dry, raw and cooked of one thing: what is at hand is no reason to take the one for the other. */
function isOtherState(one: NamedThing, other: NamedThing): boolean {
  if (one.state === undefined || other.state === undefined || one.state === other.state) return false;
  return TOLD_APART.has(one.state) || TOLD_APART.has(other.state);
}
const TOLD_APART: ReadonlySet<string> = new Set(['dry', 'cooked']);

/** Forms said behind the comma, alone or with words of preparation: "chicken thighs, boneless, skinless". */
function formsBehind(note = ''): string[] {
  return note.split(/[,;()]/).flatMap((segment) => {
    const words = foodWords(segment);
    const forms = words.filter((word) => BEHIND.has(word));
    return forms.length > 0 && words.every((word) => BEHIND.has(word) || IDLE.has(word)) && !/\bor\b/i.test(segment) ? forms : [];
  });
}
const BEHIND: ReadonlySet<string> = new Set(
  `boneless skinless skinon shellon bonein canned frozen unsalted salted smoked light fullfat wholemeal unsweetened dry raw vegan
  red green yellow brown white black orange floury waxy sweet hot mild`.split(/\s+/),
);

function quoted(words: readonly string[]): string {
  return words.map((word) => `“${word}”`).join(', ');
}
