import pluralize from 'pluralize';
import { numberWord, SAID_NUMBER, saidNumber } from '../../text/index.js';
import { sentenceAt } from '../reading/stepReading.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

interface Counted {
  readonly count: number;
  readonly from: number;
  readonly to: number;
  readonly words: string;
  /** Only some of the boxes, by where they go. */
  readonly some: boolean;
}

const HEAD_NAMES = ['box', 'lunchbox', 'serving', 'portion', 'container', 'meal', 'lunch', 'dinner', 'supper', 'breakfast'];
const STEP_NAMES = ['box', 'lunchbox', 'serving', 'portion', 'container', 'tub', 'jar', 'bowl', 'tupperware'];
/** In a step, containers count where something is divided over them. */
const DIVIDES =
  /\b(?:divid|shar|split|pack|fill|spoon|ladle|portion|distribut|pour|scoop|layer|box up|transfer|decant|into|between|among|amongst|over|across|each of)\p{L}*/iu;
/** What is mixed in two bowls makes no two bowls. */
const MIXES = /\b(?:mix|whisk|beat|stir|toss|combine|soak|marinate|sift)\p{L}*/iu;
const PLACES = String.raw`(?:for|in|into|to|go(?:es)? (?:in|into)|until|till) (?:the |your )?(?:fridge|freezer|tomorrow|tonight|today|now|later|eat|freeze|next day|weekend|monday|tuesday|wednesday|thursday|friday|saturday|sunday|week)`;
const SOME_BEHIND = new RegExp(String.raw`^ (?:\p{L}+ )?${PLACES}\b`, 'iu');
const SOME_BEFORE =
  /\b(?:freeze|chill|refrigerate|thaw|defrost|eat|keep|put|leave|move|take|spare|set aside|first|last|other|next|these|those|another|remaining|only)(?: the| out)?\s$/i;
/** "two boxes a day" */
const RATE_BEHIND = /^ (?:a|per|each|every) (?:day|week|person|head|meal|night)\b/i;
const PLACED = new RegExp(String.raw`(?<![\p{L}\d.,/])(?<number>${SAID_NUMBER}) ${PLACES}\b`, 'giu');

/** A text that says how many boxes the dish makes, and it makes another number. */
export function countDiffers(ground: CheckGround): Finding[] {
  const { recipe } = ground;
  const own = recipe.servingName?.toLowerCase();
  const heads = ground.headTexts.flatMap(({ at, text }) =>
    differing(at, text, countsIn(text, own ? [...HEAD_NAMES, own] : HEAD_NAMES, true), recipe.servings),
  );
  const steps = ground.steps.flatMap(({ at, text }) => {
    const counts = countsIn(text, own ? [...STEP_NAMES, own] : STEP_NAMES, false).filter(({ from, some }) => {
      const sentence = sentenceAt(text, from);
      const before = text.slice(sentence.from, from);
      return some || DIVIDES.test(before) || (/\bin (?:the |your )?$/i.test(before) && !MIXES.test(before));
    });
    return differing(at, text, counts, recipe.servings);
  });
  return [...heads, ...steps];

  function differing(at: string, text: string, counts: readonly Counted[], servings: number): Finding[] {
    const whole = counts.filter(({ some }) => !some);
    if (counts.some(({ count }) => same(count, servings)) || same(sumOf(counts), servings)) return [];
    // Several numbers in one text may count different things; one that says less may be some of them.
    // "One box" speaks of any of them.
    const wrong = whole.find(({ count }) => count !== 1) ?? (counts.length > 1 && whole.length === 0 ? counts[0] : undefined);
    if (!wrong) return [];
    const made = pluralize(recipe.servingName ?? 'serving', servings, true);
    return [
      {
        code: 'count-differs',
        at,
        severity: 'wrong',
        message: `“${wrong.words}” is said here, and the dish makes ${made}. Readers shop and divide by this number.`,
        ...mendOf(at, text, wrong, servings),
      },
    ];
  }
}

function mendOf(at: string, text: string, { from, to, words }: Counted, servings: number): Pick<Finding, 'mend'> {
  if (at.startsWith('step/')) return {};
  const [number = ''] = new RegExp(`^(?:serves |feeds |makes |for )?${SAID_NUMBER}`, 'i').exec(words) ?? [];
  const said = number.replace(new RegExp(`${SAID_NUMBER}$`, 'i'), (written) => countText(written, servings));
  const noun = words.slice(number.length);
  return {
    mend: {
      kind: 'text',
      at,
      words: `Say ${countText(number.toLowerCase(), servings)}`,
      text: text.slice(0, from) + said + plural(noun, servings) + text.slice(to),
    },
  };
}

/** Written as the number in its place was: in words where it was, with its capital. */
function countText(written: string, count: number): string {
  const word = /\d/.test(written) ? undefined : numberWord(count);
  if (word === undefined) return String(count);
  return /^\p{Lu}/u.test(written) ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

function plural(noun: string, count: number): string {
  const last = noun.slice(noun.lastIndexOf(' ') + 1);
  return last === '' ? noun : noun.slice(0, noun.length - last.length) + pluralize(last, count);
}

function countsIn(text: string, names: readonly string[], head: boolean): Counted[] {
  const all = [...new Set(names)].flatMap((name) => [name, pluralize(name)]).map((one) => one.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&'));
  const start = String.raw`(?<![\p{L}\d.,/])`;
  // "two lunch boxes", "5 boxes"; not "one of the boxes", "a 500 g box", "two to a box".
  const counted = new RegExp(
    `${start}(?<number>${SAID_NUMBER})[ -](?!(?:g|kg|ml|l|oz|lb|cm|mm|min|minutes?|hours?|days?|degrees?)\\b)(?:(?!of\\b|to\\b|in\\b|into\\b|for\\b|per\\b|each\\b|every\\b|and\\b|or\\b|with\\b|from\\b|a\\b|an\\b|the\\b|this\\b|that\\b)[\\p{L}-]{1,20} ){0,2}?(?:${all.join('|')})(?![\\p{L}\\d-])`,
    'giu',
  );
  const serves = head
    ? new RegExp(
        `${start}(?:serves|feeds|makes|enough for|(?<=portions |boxes |servings )for) (?:about )?(?<number>${SAID_NUMBER})(?![\\p{L}\\d-]|[.,/]\\d| (?:g|kg|ml|l|days?|nights?|minutes?|koftas|meatballs)\\b)(?! \\p{L}+s\\b(?<!${all.join('|')}))`,
        'giu',
      )
    : undefined;
  const found = [...text.matchAll(counted), ...(serves ? text.matchAll(serves) : [])].map((one) => {
    const [before, behind] = [text.slice(0, one.index), text.slice(one.index + one[0].length)];
    return {
      count: saidNumber(one.groups?.number ?? ''),
      from: one.index,
      to: one.index + one[0].length,
      words: one[0],
      some: SOME_BEHIND.test(behind) || SOME_BEFORE.test(before) || RATE_BEHIND.test(behind),
    };
  });
  const placed = [...text.matchAll(PLACED)]
    .filter((one) => !found.some(({ from, to }) => from <= one.index && one.index < to))
    .map((one) => ({
      count: saidNumber(one.groups?.number ?? ''),
      from: one.index,
      to: one.index + one[0].length,
      words: one[0],
      some: true,
    }));
  return [...found, ...placed].sort((a, b) => a.from - b.from);
}

function sumOf(counts: readonly Counted[]): number {
  return counts.reduce((sum, { count }) => sum + count, 0);
}

function same(a: number, b: number): boolean {
  return Math.abs(a - b) < 1e-9;
}
