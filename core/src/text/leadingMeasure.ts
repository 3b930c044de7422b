import { gramsOfMassUnit, isVolumeWord, midpointOf, timesAmount, type Amount } from '../quantity/index.js';
import { fullnessFactor, fullnessOf, type Fullness } from './fullness.js';
import { leadingAmount } from './leadingNumber.js';
import { CONTAINERS, unitOfWord } from './unitAliases.js';

export type Size = 'small' | 'medium' | 'large';

/** An amount at the front of a text, and what stands behind it. */
export interface Measured {
  readonly amount: Amount;
  readonly plus?: readonly { readonly amount: number; readonly unit: string }[];
  readonly again?: readonly string[];
  readonly length?: number;
  readonly fullness?: Filling;
  readonly unit?: string;
  readonly size?: Size;
  readonly container?: string;
  /** The same amount a second way. */
  readonly also?: { readonly amount: number; readonly unit: string };
  readonly rest: string;
}

/** Stands for the food where an amount is read alone, since a unit counts things only where something follows it. */
export const NOTHING_MORE = '¶';

/** "1 tsp each cumin and coriander". */
export const OF_EACH = /((?:^| )[a-z]+) each:? (?=\S)/i;

/**
 * Amount and unit at the front, with "2 x 400 g" multiplied out and "1 lb 4 oz" added up.
 *
 * @param alone false for what stands behind "2 x": its container is counted there
 */
export function leadingMeasure(text: string, alone = true): Measured | undefined {
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

/** Whether a unit is of mass, or ml or l. */
export function isMassOrVolume(unit: string | undefined): boolean {
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
function withSlash(measured: Measured): Measured | undefined {
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
export function isSameMass({ amount, unit }: Measured, also: { readonly amount: number; readonly unit: string }): boolean {
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

/** A size before a food or its unit. */
export const SIZE = /^(small|medium|large)(?:-sized?)?\s+(?=\S)/i;

export function sizeOf(found: RegExpExecArray): Size {
  return (found[1] ?? '').toLowerCase() as Size;
}
