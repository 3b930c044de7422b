import type { SaidTime } from '../../text/index.js';
import { sentenceAt, type StepReading } from './stepReading.js';

/** What a time in a step is a time of. */
export type TimeOf = 'heat' | 'rest' | 'hands' | 'unknown';

/** Words that say heat is on: what is done to food, and what it stands on or in. */
const HEAT =
  /\b(?:simmer|boil|roast|bak(?:e|ing)|fry|fries|frying|saut[eé]|soften|sweat|brown|sear|grill|broil|griddl|char\b|brais|stew|poach|steam|toast|reduc|bubbl|carameli[sz]|cook|air[- ]?fr|microwav|pressure|barbecu|blanch|parboil|scrambl|wilt|oven|slow cooker|(?:on|over|at) (?:a )?(?:low|medium|high|gentle|moderate|full)|(?:low|medium|high|gentle) heat)\p{L}*/giu;
/** Heat is off, or was never on. */
const REST =
  /\b(?:rest|stand|stood|soak|chill|cool|marinat|leav|left|sit|sat|prove|proving|rise|rising|freez|fridge|refrigerat|thaw|defrost|infus|steep|set aside|brin(?:e|ing)|salt(?:ed)? and|off the heat|(?:turn|switch)(?:ed)? off|drain|press(?! cook|ure)|keep warm|come up to|(?:steam|pat|air) dry)\p{L}*/giu;
/** A lid is on, over heat or not: what was said before it decides. */
const COVER = /\bcover\b/giu;
/** The cook's hands are bound as long as it lasts. */
const HANDS =
  /\b(?:knead(?:ing)?|whisk(?:ing)?|beat(?:ing)?|chop(?:ping)?|dic(?:e|ing)|slic(?:e|ing)|peel(?:ing)?|grat(?:e|ing)|shap(?:e|ing)|roll(?:ing)?|form(?:ing)?|trim(?:ming)?|assembl(?:e|ing)|mash(?:ing)?|fold(?:ing)?|fill(?:ing)?|stir(?:ring)? (?:all the time|constantly|continuously|without stopping|throughout|the whole time)|stir-?fr(?:y|ying))\b/giu;
const PREHEAT =
  /\b(?:pre-?heat|heat|warm)\p{L}* (?:up )?(?:the |your |an? )?(?:\p{L}+ )?(?:oven|grill|broiler|air fryer|pan|griddle|slow cooker)\b/giu;

/** Foods, tins and sauces that are called by what heat does. */
const CALLED_BY_HEAT =
  /\b(?:brown (?:sugar|rice|onions?|lentils?|bread|sauce|basmati|mushrooms?|mustard)|(?:barbecue|bbq) sauce|baking (?:powder|soda|trays?|sheets?|paper|tins?|dish(?:es)?|parchment)|cooking (?:spray|water|oil|liquid|juices)|roasting (?:tins?|trays?|dish(?:es)?|juices)|frying pans?|griddle pans?|stewing (?:beef|steak)|the (?:stew|roast|toast|grill pan|curry)\b|stir-?fry (?:mix|sauce|vegetables)|toast(?=,| and)|steam(?:ing)? (?:stops|escapes|dies)|oven ?(?:gloves?|proof)\p{L}*|boiling(?= (?:salted |hot )?(?:water|stock|milk)|,| hot)|(?<=, )boiling)/giu;

interface Said {
  readonly of: TimeOf;
  readonly at: number;
  readonly word: string;
}

/**
 * What a time in a step is a time of, by the word of doing that stands nearest before it in its sentence, else behind it.
 *
 * @example timeOfWords('Rest 5 min off the heat') // 'rest'
 */
export function whatTimeIsOf(step: StepReading, time: SaidTime): TimeOf {
  const { from, to } = sentenceAt(step.text, time.from);
  const blind = withoutNames(step.text);
  const [before, behind] = [blind.slice(from, time.from), blind.slice(time.to, to)];
  if (/^\s{0,2}(?:of\s)?(?:off the heat|off heat)\b/i.test(behind)) return 'rest';
  const last = saidIn(before).at(-1) ?? saidIn(behind)[0];
  if (last) return last.of;
  // "Shape them; about 15 minutes": it is of what stands before.
  const earlier = sentenceAt(step.text, Math.max(0, from - 2));
  return from > 0 ? (saidIn(blind.slice(earlier.from, earlier.to)).at(-1)?.of ?? 'unknown') : 'unknown';
}

/** Whether a text says that heat is on. */
export function saysHeat(text: string): boolean {
  return withoutNames(text).search(HEAT) >= 0;
}

/** The text with blanks where it only warms an oven up, or names a thing by its heat. */
function withoutNames(text: string): string {
  const blank = (said: string) => ' '.repeat(said.length);
  return text.replace(PREHEAT, blank).replace(CALLED_BY_HEAT, blank);
}

function saidIn(text: string): Said[] {
  const of = (words: RegExp, what: TimeOf) => [...text.matchAll(words)].map((found) => ({ of: what, at: found.index, word: found[0] }));
  const all = [...of(HEAT, 'heat'), ...of(REST, 'rest'), ...of(HANDS, 'hands')].sort(
    (a, b) => a.at - b.at || b.word.length - a.word.length,
  );
  // "the drained beans", "roasted peppers": what was done to them before is nothing that is done now.
  const done = all.filter(({ word }) => !/(?:ed|fried)$/i.test(word) || /^(?:turned|switched|salted)/i.test(word));
  const said = done.length > 0 ? done : all;
  const covers = of(COVER, 'rest').filter(({ at }) => !said.some((one) => one.of === 'heat' && one.at < at));
  // "stir-fry" is read once, and as the longer of the two.
  return [...said, ...covers]
    .sort((a, b) => a.at - b.at)
    .filter((one, i, sorted) => i === 0 || one.of !== 'heat' || one.at >= (sorted[i - 1]?.at ?? 0) + (sorted[i - 1]?.word.length ?? 0));
}

/** Times that add nothing to how long a dish takes: said of a moment, of the end of a time, or by when something is to be done. */
const NO_LENGTH =
  /\b(?:last|final|first|within|after|every|about every|halfway|before|under|in under|up to|by the|for another way|the other|at least every)\s(?:the\s)?(?:about\s)?$/i;
const BEFORE = /^\s(?:before|in advance|ahead|earlier|from now|old|later|away|or so before)\b/i;

/** Whether a time in a text is how long something takes. */
export function isLength(text: string, time: SaidTime): boolean {
  return !NO_LENGTH.test(text.slice(0, time.from)) && !BEFORE.test(text.slice(time.to));
}
