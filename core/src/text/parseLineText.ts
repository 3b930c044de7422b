import type { CookingMethod } from '../food/index.js';
import { gramsOfMassUnit, isVolumeWord, midpointOf, timesAmount, type Amount } from '../quantity/index.js';
import { fullnessFactor, fullnessOf, type Fullness } from './fullness.js';
import { cookingWord } from './cookingWord.js';
import { leadingAmount } from './leadingNumber.js';
import { ordinaryText } from './ordinaryText.js';
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
  /** The amount said once more, or twice: "10 oz", "2 cups". No note, which would stay when the amount is another. */
  readonly again?: readonly string[];
  /** What is added to the amount in another unit: "2 tbsp plus 1 tsp". How much that is in all depends on the food and the measures. */
  readonly plus?: readonly { readonly amount: number; readonly unit: string }[];
  /** Centimetres that each piece is long: "a 5 cm piece of ginger". */
  readonly length?: number;
  /** How full the spoon or cup is, where it is not level. */
  readonly fullness?: Filling;
  /** The amount is of each serving: "2 eggs per box". */
  readonly perServing?: boolean;
  /** "each": the amount is of several things, each. */
  readonly ofEach?: boolean;
  /** What weighed food comes in: "400 g can tomatoes" is 400 g, in a can. */
  readonly container?: string;
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

/** "1 tsp each cumin and coriander". */
const OF_EACH = /((?:^| )[a-z]+) each:? (?=\S)/i;
/** As much as one likes. */
const TO_TASTE = /\b(?:to (?:your )?(?:taste|liking)|as needed|q\.s\.)/i;
/** Behind an amount it is a note of what may be added. */
const MORE_TO_TASTE = /,? ?\(?\bplus (?:more|extra) (?:to taste|as needed)\)?/gi;
/** "2 eggs per box", "100 g rice (per serving)". */
const PER_SERVING = /,? ?\(?\b(?:per|for each|in each) (?:box|serving|portion|person|bowl|lunch|meal)\)?(?=,|$)/i;
/** Said in front, in brackets, behind a comma or a dash. */
const OPTIONAL = /^optional:? |(?:[(,:]|\s[-–—]) ?optional\)?|\(optional\)/i;
/** Characters of an ingredient line, at most: more are no line. */
export const LONGEST_LINE = 500;

interface Measured {
  readonly amount: Amount;
  readonly plus?: ParsedLine['plus'];
  readonly again?: ParsedLine['again'];
  readonly length?: number;
  readonly fullness?: Filling;
  readonly unit?: string;
  readonly size?: Size;
  readonly container?: string;
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
  const bare = ordinaryText(text.replace(/\s+/g, ' ').trim());
  const perServing = PER_SERVING.test(bare);
  const toTaste = TO_TASTE.test(bare);
  const optional = OPTIONAL.test(bare);
  const cooked = /\b(?:cooked weight|weighed cooked)\b/i.test(bare);
  const cleaned = bare
    .replace(MORE_TO_TASTE, ', plus more to taste')
    .replace(/(?<!more ?),? ?(?:or )?\(?\b(?:to (?:your )?(?:taste|liking)|as needed|q\.s\.)\)?/gi, '')
    .replace(OPTIONAL, ' ')
    .replace(PER_SERVING, '')
    .replace(/\(?\b(?:cooked weight|weighed cooked)\b\)?/gi, '')
    .trim();
  const ordered = amountFirst(cleaned);
  const measured = leadingMeasure(ordered);
  const named = nameAndNote(measured?.rest ?? ordered);
  const again = [...(measured?.again ?? []), ...named.again];
  return {
    ...(measured ? amountsOf(measured, named.bracketed) : {}),
    ...(measured?.container === undefined ? {} : { container: measured.container }),
    ...(again.length > 0 ? { again } : {}),
    ...(measured?.plus ? { plus: measured.plus } : {}),
    ...(measured?.length === undefined ? {} : { length: measured.length }),
    ...(measured?.fullness ? { fullness: measured.fullness } : {}),
    ...(perServing && measured ? { perServing } : {}),
    ...(OF_EACH.test(ordered) ? { ofEach: true } : {}),
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
  return leadingAmount(some) ? some : amountBehind(measureBehind(some));
}

/** "soy sauce splash", "salt, a pinch": a measure without a number behind the food is one of it. */
function measureBehind(text: string): string {
  const found = /^([^,(]+?),? (?:an? )?(splash|pinch|dash|drizzle|handful|knob|glug|sprinkle|squeeze)$/i.exec(text);
  return found ? `1 ${found[2] ?? ''} ${found[1] ?? ''}` : text;
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
    const rest = end < 0 ? '' : behind.slice(behind[end] === ')' ? end + 1 : end);
    const setOff = amountSetOff(text, { food, between, amount, rest });
    if (setOff !== text) return setOff;
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
  // "brown rice - 1 1/2 cups dry": how it is then is said behind the amount.
  const state = / (dry|raw|uncooked|cooked|drained)$/i.exec(amount.trim())?.[1];
  const bare = state === undefined ? amount.trim() : amount.trim().slice(0, -state.length).trim();
  const measured = leadingMeasure(`${bare} ${NOTHING_MORE}`);
  if (!measured || measured.rest !== NOTHING_MORE || midpointOf(measured.amount) === 0) return text;
  const setOff = between.trim() !== '' || measured.unit !== undefined;
  return setOff ? `${bare} ${food.trim()}${state === undefined ? '' : `, ${state}`}${rest}` : text;
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
  const long = pieceOfLength(first);
  if (long) return long;
  const unit = unitAtFront(sizeBehind(first.rest).replace(OF_EACH, '$1 '));
  if (!unit) return { amount: first.amount, rest: first.rest };
  const measured = {
    amount: timesAmount(first.amount, unit.times),
    unit: unit.unit,
    rest: unit.rest,
    ...(unit.size ? { size: unit.size } : {}),
    ...fullnessIn(text, first.rest, unit),
  };
  return withSecondMass(measured) ?? withSum(measured) ?? withSlash(measured) ?? (alone ? withContainer(measured) : measured);
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
  if (container && CONTAINERS.has(container.unit)) return { ...measured, rest: container.rest, container: container.unit };
  return { ...measured, rest: measured.rest.replace(WRAPPING, '') };
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

const LENGTH =
  /^-? ?(cm|centimet(?:re|er)s?|mm|millimet(?:re|er)s?|inch(?:es)?|in|[″"])\.?(?:[- ]long)?[- ](?:(?:fat|large|small|thick|fresh|long|good) )?(?:(piece|knob|chunk|length|hunk|section|stick|thumb|nub|nugget)s? )?(?:of )?(?:the )?(?=\S)/i;
/** Centimetres in one, by the first letters of what they are called. */
const CENTIMETRES: readonly (readonly [RegExp, number])[] = [
  [/^c/i, 1],
  [/^m/i, 0.1],
  [/^(?:i|″|")/i, 2.54],
];

/** "5 cm piece of ginger", "2-inch piece", "1 inch ginger": one piece so long. Slices and cubes so thick are no length of a piece. */
function pieceOfLength({ amount, rest }: { readonly amount: Amount; readonly rest: string }): Measured | undefined {
  // "5cm/2in piece": the inches say it again.
  const once = rest.replace(/^(-? ?(?:cm|mm)) ?\/ ?(?:\d|[½¼¾])[\d/.½¼¾ ]{0,5}-?(?:in|inch|inches|″|")(?=[- ])/i, '$1');
  const found = LENGTH.exec(once);
  if (!found) return undefined;
  const [all, unit = '', piece] = found;
  const behind = once.slice(all.length);
  // "2 in the pot" and "1 in 3" are no inches; "2 cm thick slices" says how thick.
  if ((unit.toLowerCase() === 'in' && piece === undefined) || /^(?:thick|cubes?|dice|slices?|rounds?|pieces?,)\b/i.test(behind))
    return undefined;
  const [, centimetres = 1] = CENTIMETRES.find(([letters]) => letters.test(unit)) ?? [];
  return { amount: 1, length: Number((midpointOf(amount) * centimetres).toPrecision(6)), rest: behind };
}

/** The word for how full a spoon or a cup is, before its number or behind it. */
/** The word for how full a spoon or a cup is, before its number or behind it. */
/** How full a spoon or cup is, and how many level ones that makes. */
export interface Filling {
  readonly how: Fullness;
  readonly times: number;
}

/** The word for how full a spoon or a cup is, before its number or behind it; a dessertspoon is a spoon, though it counts as so many ml. */
function fullnessIn(
  text: string,
  rest: string,
  { unit, said, word }: { readonly unit: string; readonly said?: string; readonly word: string },
): Pick<Measured, 'fullness'> {
  const before = /^(scant|generous|heaped|heaping|rounded) /i.exec(text.slice(0, text.length - rest.length))?.[1];
  const how =
    fullnessOf(before ?? '') ??
    (said ?? '')
      .split(' ')
      .map(fullnessOf)
      .find((one) => one !== undefined);
  const times = how === undefined ? undefined : fullnessFactor(how, /^d[a-z]*s/i.test(word) ? 'tsp' : unit);
  return how === undefined || times === undefined ? {} : { fullness: { how, times } };
}

/** "2 tbsp plus 1 tsp vinegar", "1 cup + 2 tbsp": one amount, the second part kept in its own unit. */
function withSum(measured: Measured): Measured | undefined {
  const plus: { amount: number; unit: string }[] = [];
  let { rest } = measured;
  for (let sign = PLUS.exec(rest); sign && plus.length < MOST_SUMMED; sign = PLUS.exec(rest)) {
    const next = leadingAmount(rest.slice(sign[0].length));
    const unit = next && unitAtFront(next.rest);
    if (!next || !unit || !(isVolumeWord(unit.unit) || gramsOfMassUnit(unit.unit) !== undefined)) break;
    plus.push({ amount: midpointOf(next.amount) * unit.times, unit: unit.unit });
    rest = unit.rest;
  }
  if (plus.length === 0 || !(isVolumeWord(measured.unit ?? '') || isMassOrVolume(measured.unit))) return undefined;
  return { ...measured, plus, rest };
}

const PLUS = /^(?:plus|and|\+|&) /i;
const MOST_SUMMED = 3;

/** "300 g / 10 oz / 2 cups lentils": what stands behind a stroke is the same amount again. */
function withSlash(measured: Measured): (Measured & { readonly also: NonNullable<ParsedLine['also']> }) | undefined {
  const slash = /^(?:\/|or (?:about )?) ?/i.exec(measured.rest);
  const second = slash && leadingAmount(measured.rest.slice(slash[0].length));
  const unit = second && unitAtFront(second.rest);
  if (!second || !unit) return undefined;
  const also = { amount: midpointOf(second.amount) * unit.times, unit: unit.unit };
  // "12 oz or 340 g" says the same twice; "2 cups or 500 g" may leave a choice.
  if (!slash[0].startsWith('/') && !isSameMass(measured, also)) return undefined;
  const third = /^\/ ?/.exec(unit.rest);
  const more = third && leadingAmount(unit.rest.slice(third[0].length));
  const moreUnit = more && unitAtFront(more.rest);
  if (!third || !moreUnit) return { ...measured, rest: unit.rest, also };
  const said = unit.rest.slice(third[0].length, unit.rest.length - moreUnit.rest.length).trim();
  return { ...measured, rest: moreUnit.rest, again: [said], also };
}

/** Whether two masses are the same but for how they were rounded. */
function isSameMass({ amount, unit }: Measured, also: { readonly amount: number; readonly unit: string }): boolean {
  const [one, other] = [midpointOf(amount) * (gramsOfMassUnit(unit ?? '') ?? NaN), also.amount * (gramsOfMassUnit(also.unit) ?? NaN)];
  return Math.abs(one - other) <= 0.15 * Math.max(one, other);
}

function unitAtFront(text: string): { unit: string; times: number; rest: string; size?: Size; said?: string; word: string } | undefined {
  const size = SIZE.exec(text);
  const unsized = size ? text.slice(size[0].length) : text;
  const spoken = unsized.replace(
    /^(?:(?:heaped|heaping|level|rounded|scant|generous|good|big|fat|plump|juicy|tiny|small(?= (?:bunch|handful|pack|jar|tub|tin|can|bag)))\s+)*(?:heaped|heaping|level|rounded|scant|generous|good|big|fat|plump|juicy|tiny)\s+(?=\S)/i,
    '',
  );
  const words = /^(fl\.?\s*oz\.?|fluid ounces?|[^\s(),/]+)\s*/i.exec(spoken);
  if (!words) return undefined;
  const word = (words[1] ?? '').replace(/^fl\.?\s*oz\.?$/i, 'floz').replace(/^fluid (ounces?)$/i, 'fluid-$1');
  const unit = unitOfWord(word);
  if (!unit) return undefined;
  const rest = spoken.slice(words[0].length).replace(/^of(?: the)?(?: mill(?: of)?)?\s+/i, '');
  // "2 cloves" alone is the spice, not two of a unit of nothing.
  const said = unsized.slice(0, unsized.length - spoken.length).trim();
  return rest === '' ? undefined : { ...unit, rest, word, ...(size ? { size: sizeOf(size) } : {}), ...(said === '' ? {} : { said }) };
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
  const each = bracketed.inAll ? 1 : bracketed.each || (unit !== undefined && CONTAINERS.has(unit)) ? midpointOf(amount) : 1;
  return { amount: timesAmount(bracketed.amount, each), unit: bracketed.unit, also: { amount: midpointOf(amount), unit: unit ?? 'piece' } };
}

/** An amount in brackets, or first behind the comma: of all, or of each. */
interface Bracketed extends Measured {
  readonly each: boolean;
  /** Said to be of all: "2 cans (about 480 g drained)", "2 tins (2 x 400 g)". */
  readonly inAll: boolean;
  /** What else is said of it: "drained". */
  readonly aside?: string;
}

function bracketedAmount(text: string): Bracketed | undefined {
  const aside = /\b(?:drained|cooked|raw|peeled|trimmed|net)(?: weight)?$/i.exec(text)?.[0];
  const amount = (aside === undefined ? text : text.slice(0, -aside.length)).replace(/\b(?:each|apiece|in total|total)\b/i, '').trim();
  const measured = leadingMeasure(`${amount} ${NOTHING_MORE}`);
  if (measured?.unit === undefined || measured.rest !== NOTHING_MORE) return undefined;
  const each = /\b(?:each|apiece)\b/i.test(text);
  const inAll = !each && (/\btotal\b|^\d+ ?[x×]/i.test(text) || (aside !== undefined && /^(?:about|approx|around|roughly)/i.test(text)));
  return { ...measured, each, inAll, ...(aside === undefined ? {} : { aside }) };
}

/** "10 oz / 300 g", "15 oz, about 2 cups": each the same amount; grams are what is counted; the others are kept as they stand, but for masses that only say it again. */
function equivalents(inside: string): { readonly counted: Bracketed; readonly others: readonly string[] } | undefined {
  const said = inside.split(/ ?[,;/] ?| or /i).map((one) => one.trim());
  if (said.length < 2 || said.length > 3) return undefined;
  const read = said.map((one) => bracketedAmount(one));
  const at = Math.max(
    0,
    read.findIndex((one) => one?.unit === 'g' || one?.unit === 'kg'),
  );
  const counted = read[at];
  return counted && read.every((one) => one !== undefined)
    ? {
        counted,
        others: said.filter(
          (_, i) =>
            i !== at && !(read[i]?.unit !== undefined && isSameMass(counted, { amount: midpointOf(read[i].amount), unit: read[i].unit })),
        ),
      }
    : undefined;
}

/** What a food is for, said without a comma. */
const FOR_WHAT = / ((?:plus (?:extra|more) )?(?:for (?:\w+ing|the \w+|garnish)|to (?:serve|garnish|finish)))$/i;

/** Adjectives that stand before a comma and belong to the food behind it: "boneless, skinless chicken thighs". */
const LEADING =
  /^(?:(?:(?:very|finely|roughly|coarsely|thinly|lightly|freshly|extra|low|reduced|full|free|good|high)[ -])?(?:[a-z]+(?:(?<!se)ed|less|-free|-fat)|free-range|bone-in|skin-on|fresh|ripe|lean|raw|large|small|medium|thick|thin|firm|soft|hot|cold|dry|plain|organic|young|tender|sweet|mild|white|red|green|brown|yellow|black|dark|light)(?: |$))+$/i;

/** Where the food's words end: the first comma, bracket or dash behind something that is more than adjectives. */
function firstComma(text: string): number {
  for (let from = 0; ;) {
    const at = text.slice(from).search(/[,;]|\s[-–—]\s/);
    if (at < 0) return -1;
    const before = text
      .slice(0, from + at)
      .replace(/,/g, '')
      .replace(/\s+/g, ' ')
      .trim();
    const more = /^, ?\S+(?: \S+)*/.exec(text.slice(from + at));
    if (text[from + at] !== ',' || !more || !LEADING.test(before) || LEADING.test(more[0].replace(/[, ]+/g, ' ').trim())) return from + at;
    from += at + 1;
  }
}

function nameAndNote(text: string) {
  let bracketed: Bracketed | undefined;
  const again: string[] = [];
  const asides: string[] = [];
  const before: string[] = [];
  const comma = text.search(/[,;]|\s[-–—]\s/);
  const plain = text.replace(/\(([^()]*)\)/g, (_, inside: string, at: number) => {
    const said = comma < 0 || at < comma ? before : asides;
    const several = equivalents(inside);
    if (several && !bracketed) {
      bracketed = several.counted;
      again.push(...several.others);
      return ' ';
    }
    const measured = bracketedAmount(inside);
    if (measured && !bracketed) {
      bracketed = measured;
      if (measured.aside !== undefined) said.push(measured.aside);
    } else if (measured) return ' ';
    else said.push(inside.trim());
    return ' ';
  });
  const end = firstComma(plain);
  const whole = (end < 0 ? plain : plain.slice(0, end))
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^of\s+/i, '');
  const forWhat = end < 0 ? FOR_WHAT.exec(whole) : null;
  const named = forWhat ? whole.slice(0, forWhat.index) : whole;
  const said =
    end < 0
      ? (forWhat?.[1] ?? '')
      : plain
          .slice(end)
          .replace(/^[\s,;–—-]+/, '')
          .replace(/\s+/g, ' ')
          .trim();
  // "1 swede, about 500 g, peeled": the first word behind the comma may be how much it is.
  const [first = '', ...others] = said.split(/,\s*/);
  const weighed = bracketed === undefined ? bracketedAmount(first) : undefined;
  if (weighed && isMassOrVolume(weighed.unit)) bracketed = weighed;
  const note = [...before, bracketed === weighed && weighed ? others.join(', ') : said, ...asides].filter(Boolean).join(', ');
  const size = SIZE.exec(named);
  const words = size ? named.slice(size[0].length) : named;
  const last = /^(.*\S)\s+(\S+)$/.exec(words.replace(/\s(?:in|with|from|on) .*$/i, ''));
  const countWord = last ? unitOfWord(last[2] ?? '') : undefined;
  return {
    bracketed,
    again,
    words: {
      foodWords: words,
      ...(note === '' ? {} : { note }),
      ...(size ? { size: sizeOf(size) } : {}),
    },
    counted: countWord && gramsOfMassUnit(countWord.unit) === undefined ? { countWord: countWord.unit } : {},
  };
}
