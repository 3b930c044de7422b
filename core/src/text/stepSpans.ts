import type { Amount } from '../quantity/index.js';
import { ovenTemperature, type OvenTemperature } from './ovenTemperature.js';

/** Something a step says that is more than words: where in its text, and what. */
export type StepSpan = { readonly from: number; readonly to: number } & (
  | { readonly kind: 'time'; /** Minutes. */ readonly minutes: Amount }
  | { readonly kind: 'temperature'; readonly temperature: OvenTemperature }
  /** How a cook sees that it is done. */
  | { readonly kind: 'sign' }
);

const NUMBER = String.raw`(?:\d{1,5}(?:[.,]\d{1,5})?(?:\s?[½¼¾])?|[½¼¾]|half an|an|one|two|three)`;
/** The space within what is said of a time: places in the text count, so it is not squeezed first. */
const GAP = String.raw`\s{0,3}`;
const TIME = new RegExp(
  String.raw`(?<![\d°/.,])(${NUMBER})(?:${GAP}(?:-|–|to|or)${GAP}(${NUMBER}))?${GAP}(hours?|hrs?|h|minutes?|mins?|seconds?|secs?|s)\b(?:${GAP}(?:and${GAP})?(\d{1,5})${GAP}(?:minutes?|mins?)\b)?`,
  'gi',
);
const TEMPERATURE =
  /(?:(fan)\s{0,3}:?\s{0,3})?(?:(\d{2,3})\s{0,3}(?:°|º|degrees?)?\s{0,3}(C|F|celsius|fahrenheit)\b|\bgas(?:\s{0,3}mark)?\s{0,3}(\d½?|[¼½]))(?:\s{0,3}(fan)\b)?/gi;
const BETWEEN = /^(?:[/,(;]|or|,?\s?\()$/;
const SIGN = /\b(?:until|till)\b(?:(?!,\s{0,3}(?:about\s{0,3}|another\s{0,3})?\d|,\s{0,3}(?:then|and then)\b)[^.;])*/gi;
/** "25 min: squash soft": what stands behind a time and a colon says when it is done. */
const SIGN_BEHIND_TIME = /(?<=\b(?:h|hours?|min|mins|minutes?)(?:\s{1,3}(?:more|each|longer|in all))?\s{0,3}:\s{0,3})\S[^.;]*/gi;
const WORD_NUMBERS: Readonly<Record<string, number>> = { 'half an': 0.5, an: 1, one: 1, two: 2, three: 3 };
const FRACTIONS: Readonly<Record<string, number>> = { '¼': 0.25, '½': 0.5, '¾': 0.75 };

/**
 * What a step's text says of time, temperature and the sign that it is done, in order of where it stands. A sign may hold a
 * temperature ("until 74 °C in the middle").
 *
 * @example stepSpans('Roast at 200 °C, 25 min, until gold.') // temperature, time, sign
 */
export function stepSpans(text: string): StepSpan[] {
  return [...temperaturesIn(text), ...timesIn(text), ...signsIn(text)].sort((a, b) => a.from - b.from);
}

function timesIn(text: string): StepSpan[] {
  return [...text.matchAll(TIME)].map((found) => {
    const [whole, first = '', second, unit = '', minutes] = found;
    const times = minutesOfUnit(unit);
    const low = numberOf(first) * times + Number(minutes ?? 0);
    return {
      kind: 'time',
      from: found.index,
      to: found.index + whole.length,
      minutes: second === undefined ? low : [low, Math.max(low, numberOf(second) * times)],
    };
  });
}

function minutesOfUnit(unit: string): number {
  if (/^h/i.test(unit)) return 60;
  return /^m/i.test(unit) ? 1 : 1 / 60;
}

function numberOf(text: string): number {
  const word = WORD_NUMBERS[text.toLowerCase()];
  if (word !== undefined) return word;
  const fraction = FRACTIONS[text.at(-1) ?? ''];
  const whole = text.replace(/[¼½¾]/, '').trim().replace(',', '.');
  return (whole === '' ? 0 : Number(whole)) + (fraction ?? 0);
}

/** Temperatures that stand side by side, "200 °C / 390 °F (gas 6)", are one. */
function temperaturesIn(text: string): StepSpan[] {
  const groups: RegExpExecArray[][] = [];
  for (const found of text.matchAll(TEMPERATURE)) {
    const before = groups.at(-1);
    const last = before?.at(-1);
    const between = last && text.slice(last.index + last[0].length, found.index);
    if (before && between !== undefined && BETWEEN.test(between.trim())) before.push(found);
    else groups.push([found]);
  }
  return groups.map((group): StepSpan => {
    const [from, end] = [group[0]?.index ?? 0, (group.at(-1)?.index ?? 0) + (group.at(-1)?.[0].length ?? 0)];
    const open = (text.slice(from, end).match(/\(/g) ?? []).length > (text.slice(from, end).match(/\)/g) ?? []).length;
    const closing = open ? /^\s*\)/.exec(text.slice(end)) : null;
    return { kind: 'temperature', from, to: end + (closing?.[0].length ?? 0), temperature: ovenTemperature(group.map(said)) };
  });
}

function said([, fanBefore, degrees, scale, gas, fanAfter]: RegExpExecArray): Parameters<typeof ovenTemperature>[0][number] {
  const fan = fanBefore !== undefined || fanAfter !== undefined;
  if (gas !== undefined) return { in: 'gas', amount: numberOf(gas), fan };
  return { in: /^f/i.test(scale ?? '') ? 'F' : 'C', amount: Number(degrees), fan };
}

function signsIn(text: string): StepSpan[] {
  return [...text.matchAll(SIGN), ...text.matchAll(SIGN_BEHIND_TIME)].map((found) => ({
    kind: 'sign',
    from: found.index,
    to: found.index + found[0].trimEnd().length,
  }));
}
