import type { CookingMethod } from '../food/index.js';
import { gramsOfMassUnit, midpointOf, timesAmount, type Amount } from '../quantity/index.js';
import { cookingWord } from './cookingWord.js';
import { leadingAmount } from './leadingNumber.js';
import { CONTAINERS, unitOfWord } from './unitAliases.js';

export type Size = 'small' | 'medium' | 'large';

/** An ingredient line taken apart; nothing in it is matched to a food yet. */
export interface ParsedLine {
  readonly amount?: Amount;
  /** The kitchen file's word; absent for a bare count ("3 leeks"). */
  readonly unit?: string;
  readonly size?: Size;
  /** The same amount a second way: "(14 oz)", or the count where grams are written as well. */
  readonly also?: { readonly amount: number; readonly unit: string };
  /** Words for the food: "red lentils". */
  readonly foodWords: string;
  /** Count word at the end of the food's words ("garlic cloves"), a unit if the food has that measure. */
  readonly countWord?: string;
  /** Prep note: "finely diced". */
  readonly note?: string;
  readonly toTaste: boolean;
  readonly optional: boolean;
  readonly cooked: boolean;
  /** How it is cooked: "roasted" before the food says that it is weighed so, behind the comma that it will be. */
  readonly cooking?: { readonly method: CookingMethod; readonly word: string; readonly before: boolean };
}

/** Characters of an ingredient line, at most: more are no line. */
export const LONGEST_LINE = 500;

interface Measured {
  readonly amount: Amount;
  readonly unit?: string;
  readonly size?: Size;
  readonly rest: string;
}

/**
 * Takes an ingredient line apart: amount, unit, food words, note.
 *
 * Fractions, mixed numbers, decimals with comma or point, ranges, "2 x 400 g cans", "1 can (400 g)", "2 lb 4 oz",
 * "salt, to taste", units long and short; the note begins at the first comma.
 *
 * @example parseLineText('1 ½ cups leeks, sliced') // { amount: 1.5, unit: 'cup', foodWords: 'leeks', note: 'sliced', … }
 */
export function parseLineText(text: string): ParsedLine {
  // What is longer than any ingredient is none: it is words, and nothing is read out of it.
  if (text.length > LONGEST_LINE && text.trim().length > LONGEST_LINE)
    return { foodWords: text, toTaste: false, optional: false, cooked: false };
  // From here on a space is one space: every expression below rests on it.
  const bare = text
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^[-–•*·▪] /, '')
    // The number of a line in a numbered list is no amount.
    .replace(/^\d{1,3}[.)] (?=\S)/, '');
  const toTaste = /\b(?:to taste|as needed|q\.s\.)/i.test(bare);
  const optional = /[(,] ?optional\b/i.test(bare);
  const cooked = /\b(?:cooked weight|weighed cooked)\b/i.test(bare);
  const cleaned = bare
    .replace(/,? ?(?:or |plus (?:more|extra) )?\(?\b(?:to taste|as needed|q\.s\.)\)?/gi, '')
    .replace(/[(,] ?optional\)?/gi, '')
    .replace(/\(?\b(?:cooked weight|weighed cooked)\b\)?/gi, '')
    .trim();
  const ordered = amountFirst(cleaned);
  const measured = leadingMeasure(ordered);
  const named = nameAndNote(measured?.rest ?? ordered);
  return {
    ...(measured ? amountsOf(measured, named.bracketed) : {}),
    ...named.words,
    ...(measured && measured.unit === undefined ? named.counted : {}),
    toTaste,
    optional,
    cooked,
    ...cookingOf(named.words),
  };
}

/** What is asked of a fruit before its number, words that say no amount, and amounts written behind the food, put in the usual order. */
function amountFirst(text: string): string {
  const of = /^(?:the )?((?:finely |freshly )?(?:grated |squeezed )?(?:zest|juice|rind|peel)(?: and (?:zest|juice))?) of (?=\S)(.*)$/i.exec(
    text,
  );
  if (of?.[2] !== undefined && leadingAmount(of[2])) return `${of[2]}, ${of[1] ?? ''}`;
  const some = text.replace(/^some\s+(?=\S)/i, '').replace(/(?<=\w)-sized? (?:piece|knob|chunk) of /i, ' of ');
  const unsaid = /^(?:generous|good|big|small|large|heaped|scant)\s+(\S+)\s+of\s/i.exec(some);
  if (unsaid && unitOfWord(unsaid[1] ?? '')) return `1 ${some}`;
  return leadingAmount(some) ? some : amountBehind(some);
}

/** "red lentils 300 g", "garlic, 4 cloves, crushed", "carrots (2 large)", "onion x 2": a bare number must be set off. */
function amountBehind(text: string): string {
  for (const { 0: between, index } of text.matchAll(BEFORE_AMOUNT)) {
    const food = text.slice(0, index);
    // The word just before it, not one before another comma, is what there is so much of.
    if (!/\p{L}/u.test(food.slice(Math.max(...[...',:('].map((mark) => food.lastIndexOf(mark))) + 1))) continue;
    const behind = text.slice(index + between.length);
    const end = behind.search(/[,)]/);
    const amount = end < 0 ? behind : behind.slice(0, end);
    return amountSetOff(text, { food, between, amount, rest: end < 0 ? '' : behind.slice(behind[end] === ')' ? end + 1 : end) });
  }
  return text;
}

/** Where a number stands behind words: behind a comma, a colon, a bracket, a dash, a times sign, or nothing but a space. */
const BEFORE_AMOUNT = /(?: ?[,:(] ?| [-–—] | [x×] ?| )(?=\d|[¼½¾⅓⅔⅛]|half\b)/giu;

/** An amount behind the food put before it, where it is one and is set off. */
function amountSetOff(
  text: string,
  { food, between, amount, rest }: { readonly [piece in 'food' | 'between' | 'amount' | 'rest']: string },
): string {
  const measured = leadingMeasure(`${amount.trim()} ${NOTHING_MORE}`);
  if (!measured || measured.rest !== NOTHING_MORE || midpointOf(measured.amount) === 0) return text;
  const setOff = between.trim() !== '' || measured.unit !== undefined;
  return setOff ? `${amount.trim()} ${food.trim()}${rest}` : text;
}

function cookingOf({ foodWords, note = '' }: { readonly foodWords: string; readonly note?: string }): Pick<ParsedLine, 'cooking'> {
  const before = cookingWord(foodWords);
  const after = before ? undefined : cookingWord(note);
  if (before) return { cooking: { ...before, before: true } };
  return after ? { cooking: { ...after, before: false } } : {};
}

/** Stands for the food where an amount is read alone, since a unit counts things only where something follows it. */
const NOTHING_MORE = '¶';

/**
 * Amount and unit at the front, with "2 x 400 g" multiplied out and "1 lb 4 oz" added up.
 *
 * @param alone false for what stands behind "2 x": its container is counted there
 */
function leadingMeasure(text: string, alone = true): (Measured & { readonly also?: ParsedLine['also'] }) | undefined {
  const first = leadingAmount(text);
  if (!first) return undefined;
  const times = /^[x×]\s*/i.exec(first.rest);
  const inner = times ? leadingMeasure(first.rest.slice(times[0].length), false) : undefined;
  // "2 x onion": as many of them.
  if (times && !inner) return leadingMeasure(`${text.slice(0, text.length - first.rest.length)} ${first.rest.slice(times[0].length)}`);
  if (inner) {
    const container = unitAtFront(inner.rest);
    const count = midpointOf(first.amount);
    return {
      ...inner,
      amount: timesAmount(inner.amount, count),
      ...(container && CONTAINERS.has(container.unit)
        ? { rest: container.rest, also: { amount: count, unit: container.unit } }
        : { rest: inner.rest.replace(WRAPPING, '') }),
    };
  }
  const unit = unitAtFront(sizeBehind(first.rest));
  if (!unit) return { amount: first.amount, rest: first.rest };
  const measured = {
    amount: timesAmount(first.amount, unit.times),
    unit: unit.unit,
    rest: unit.rest,
    ...(unit.size ? { size: unit.size } : {}),
  };
  return withSecondMass(measured) ?? withSlash(measured) ?? (alone ? withContainer(measured) : measured);
}

/** What weighed food comes in, where it is no unit of its own: "125 g balls mozzarella". */
const WRAPPING = /^(?:balls?|pouch(?:es)?|trays?|nets?|logs?|tubes?)\s+(?:of\s+)?(?=\S)/i;

/** "1 (14 oz) can tomatoes": the size of a can behind it. */
function sizeBehind(text: string): string {
  const [, size, word = '', rest = ''] = /^(\([^()]*\)) ?(\S+) (.*)$/.exec(text) ?? [];
  return size !== undefined && CONTAINERS.has(unitOfWord(word)?.unit ?? '') ? `${word} ${size} ${rest}` : text;
}

/** "400 g tin of tomatoes": what it comes in says nothing more. */
function withContainer(measured: Measured): Measured {
  if (!isMassOrVolume(measured.unit)) return measured;
  const container = unitAtFront(measured.rest);
  return { ...measured, rest: container && CONTAINERS.has(container.unit) ? container.rest : measured.rest.replace(WRAPPING, '') };
}

function isMassOrVolume(unit: string | undefined): boolean {
  return unit !== undefined && (gramsOfMassUnit(unit) !== undefined || unit === 'ml' || unit === 'l');
}

/** "1 lb 4 oz": two masses in a row are one amount. */
function withSecondMass(measured: Measured): Measured | undefined {
  const grams = gramsOfMassUnit(measured.unit ?? '');
  if (grams === undefined || typeof measured.amount !== 'number') return undefined;
  const next = leadingAmount(measured.rest.replace(/^(?:and|plus|\+)\s+/i, ''));
  const unit = next && unitAtFront(next.rest);
  const more = unit && gramsOfMassUnit(unit.unit);
  if (!next || !unit || more === undefined || typeof next.amount !== 'number') return undefined;
  return { amount: measured.amount + (next.amount * unit.times * more) / grams, unit: measured.unit, rest: unit.rest };
}

/** "300 g / 10 oz lentils": the second is the same amount again. */
function withSlash(measured: Measured): (Measured & { readonly also: NonNullable<ParsedLine['also']> }) | undefined {
  const slash = /^\/\s*/.exec(measured.rest);
  const second = slash && leadingAmount(measured.rest.slice(slash[0].length));
  const unit = second && unitAtFront(second.rest);
  if (!second || !unit) return undefined;
  return { ...measured, rest: unit.rest, also: { amount: midpointOf(second.amount) * unit.times, unit: unit.unit } };
}

function unitAtFront(text: string): { unit: string; times: number; rest: string; size?: Size } | undefined {
  const size = SIZE.exec(text);
  const spoken = (size ? text.slice(size[0].length) : text).replace(
    /^(?:heaped|heaping|level|rounded|scant|generous|good|big)\s+(?=\S)/i,
    '',
  );
  const words = /^(fl\.?\s*oz\.?|fluid ounces?|[^\s(),/]+)\s*/i.exec(spoken);
  if (!words) return undefined;
  const word = (words[1] ?? '').replace(/^fl\.?\s*oz\.?$/i, 'floz').replace(/^fluid (ounces?)$/i, 'fluid-$1');
  const unit = unitOfWord(word);
  if (!unit) return undefined;
  const rest = spoken.slice(words[0].length).replace(/^of(?: the)?(?: mill(?: of)?)?\s+/i, '');
  // "2 cloves" alone is the spice, not two of a unit of nothing.
  return rest === '' ? undefined : { ...unit, rest, ...(size ? { size: sizeOf(size) } : {}) };
}

const SIZE = /^(small|medium|large)(?:-sized?)?\s+(?=\S)/i;

function sizeOf(found: RegExpExecArray): Size {
  return (found[1] ?? '').toLowerCase() as Size;
}

/** The amount with what stands in brackets behind it: grams count, and the other is kept beside them. */
function amountsOf(
  measured: Measured & { readonly also?: ParsedLine['also'] },
  bracketed: Bracketed | undefined,
): Pick<ParsedLine, 'amount' | 'unit' | 'also' | 'size'> {
  const { amount, unit, size, also } = measured;
  const own = { amount, ...(unit === undefined ? {} : { unit }), ...(size ? { size } : {}) };
  if (also || !bracketed?.unit) return also ? { ...own, also } : own;
  if (isMassOrVolume(unit) || !isMassOrVolume(bracketed.unit))
    return { ...own, also: { amount: midpointOf(bracketed.amount), unit: bracketed.unit } };
  const each = bracketed.each || (unit !== undefined && CONTAINERS.has(unit)) ? midpointOf(amount) : 1;
  return { amount: timesAmount(bracketed.amount, each), unit: bracketed.unit, also: { amount: midpointOf(amount), unit: unit ?? 'piece' } };
}

/** An amount in brackets, or first behind the comma: of all, or of each. */
interface Bracketed extends Measured {
  readonly each: boolean;
}

function bracketedAmount(text: string): Bracketed | undefined {
  const measured = leadingMeasure(`${text.replace(/\b(?:each|apiece|in total)\b/i, '').trim()} ${NOTHING_MORE}`);
  return measured?.unit !== undefined && measured.rest === NOTHING_MORE
    ? { ...measured, each: /\b(?:each|apiece)\b/i.test(text) }
    : undefined;
}

/** What a food is for, said without a comma. */
const FOR_WHAT = / ((?:plus (?:extra|more) )?(?:for (?:\w+ing|the \w+|garnish)|to (?:serve|garnish|finish)))$/i;

function nameAndNote(text: string) {
  let bracketed: Bracketed | undefined;
  const asides: string[] = [];
  const plain = text.replace(/\(([^()]*)\)/g, (_, inside: string) => {
    const measured = bracketedAmount(inside);
    if (measured) bracketed ??= measured;
    else asides.push(inside.trim());
    return ' ';
  });
  const comma = plain.search(/[,;]|\s[-–—]\s/);
  const whole = (comma < 0 ? plain : plain.slice(0, comma))
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^of\s+/i, '');
  const forWhat = comma < 0 ? FOR_WHAT.exec(whole) : null;
  const named = forWhat ? whole.slice(0, forWhat.index) : whole;
  const said =
    comma < 0
      ? (forWhat?.[1] ?? '')
      : plain
          .slice(comma)
          .replace(/^[\s,;–—-]+/, '')
          .replace(/\s+/g, ' ')
          .trim();
  // "1 swede, about 500 g, peeled": the first word behind the comma may be how much it is.
  const [first = '', ...others] = said.split(/,\s*/);
  const weighed = bracketed === undefined ? bracketedAmount(first) : undefined;
  if (weighed && isMassOrVolume(weighed.unit)) bracketed = weighed;
  const note = [bracketed === weighed && weighed ? others.join(', ') : said, ...asides].filter(Boolean).join(', ');
  const size = SIZE.exec(named);
  const words = size ? named.slice(size[0].length) : named;
  const last = /^(.*\S)\s+(\S+)$/.exec(words);
  const countWord = last ? unitOfWord(last[2] ?? '') : undefined;
  return {
    bracketed,
    words: {
      foodWords: words,
      ...(note === '' ? {} : { note }),
      ...(size ? { size: sizeOf(size) } : {}),
    },
    counted: countWord && gramsOfMassUnit(countWord.unit) === undefined ? { countWord: countWord.unit } : {},
  };
}
