import { SAID_NUMBER, saidNumber } from './saidNumber.js';

/** A time that a text says, and where. Minutes; both ends are the same where it is no range. */
export interface SaidTime {
  readonly from: number;
  readonly to: number;
  readonly low: number;
  readonly high: number;
  /** "a 30-minute dinner": it says what kind of thing it is. */
  readonly joined: boolean;
}

const UNIT = '(?<unit>hours?|hrs?|h|minutes?|mins?|seconds?|secs?)';
const NUMBERED = new RegExp(
  String.raw`(?<![\d°/.,\p{L}])(?<low>${SAID_NUMBER}|an?(?= (?:hour|minute)))(?:\s?(?:-|–|to|or)\s?(?<high>${SAID_NUMBER}))?(?<gap>\s{0,2}-?)${UNIT}(?!\p{L})(?:\s{1,2}(?:and\s)?(?<more>${SAID_NUMBER})(?:\s{0,2}(?:minutes?|mins?)(?!\p{L}))?|(?<part> and a (?:half|quarter)))?`,
  'giu',
);
const PHRASES: readonly (readonly [RegExp, number])[] = [
  [/\bhalf an hour\b|\bhalf-hour\b/gi, 30],
  [/\b(?:three|3) quarters of an hour\b/gi, 45],
  [/(?<!three |3 )\ba? ?quarter of an hour\b/gi, 15],
];

/**
 * Times in a text in order of where they stand, in figures and in words: "25 min", "1 1/2 hours", "half an hour", "forty-five minutes".
 *
 * @example saidTimes('an hour and a half in all') // [{ low: 90, high: 90, … }]
 */
export function saidTimes(text: string): SaidTime[] {
  const phrases = PHRASES.flatMap(([words, minutes]) =>
    [...text.matchAll(words)].map(({ 0: said, index }) => ({
      from: index,
      to: index + said.length,
      low: minutes,
      high: minutes,
      joined: false,
    })),
  );
  const numbered = [...text.matchAll(NUMBERED)].flatMap((found): SaidTime[] => {
    const { low = '', high, gap = '', unit = '', more, part } = found.groups ?? {};
    const times = minutesOf(unit);
    // "1 h 20" is an hour more; "25 minutes, 4 boxes" says nothing of the kind.
    const added = more !== undefined && times === 60 ? saidNumber(more) : part === undefined ? 0 : part.endsWith('half') ? 30 : 15;
    const to = found.index + found[0].length - (more !== undefined && times !== 60 ? lengthBehind(found[0], unit) : 0);
    const first = /^an?$/i.test(low) ? 1 : saidNumber(low);
    const least = first * times + added;
    return [
      {
        from: found.index,
        to,
        low: least,
        high: high === undefined ? least : Math.max(least, saidNumber(high) * times + added),
        joined: gap.endsWith('-'),
      },
    ];
  });
  return [...phrases, ...numbered.filter((one) => !phrases.some(({ from, to }) => one.from < to && from < one.to))].sort(
    (a, b) => a.from - b.from,
  );
}

function lengthBehind(whole: string, unit: string): number {
  return whole.length - (whole.toLowerCase().indexOf(unit.toLowerCase()) + unit.length);
}

function minutesOf(unit: string): number {
  if (/^h/i.test(unit)) return 60;
  return /^m/i.test(unit) ? 1 : 1 / 60;
}
