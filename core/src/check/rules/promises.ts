import { boxBand, type Band } from '../../uncertainty/index.js';
import { lastDigitOf, SAID_NUMBER, saidNumber } from '../../text/index.js';
import { shownFigure } from '../../recipe/index.js';
import { nutrientRow, type LabelNutrient } from '../../food/index.js';
import type { Figure } from '../../figure/index.js';
import type { CheckGround } from '../checkGround.js';
import type { Finding } from '../finding.js';

type PromisedFigure = LabelNutrient | 'net carbohydrate' | 'usedCost';

/** What a figure of a serving is promised to be, as a text says it. */
interface Promised {
  readonly figure: PromisedFigure;
  readonly is: 'at most' | 'below' | 'at least' | 'above' | 'about';
  readonly amount: number;
  /** The lower end, where a range is promised. */
  readonly least: number | undefined;
  /** How the number is written: its last digit says how exactly it is meant. */
  readonly digits: string;
  readonly words: string;
  /** The same with the words of its limit. */
  readonly said: string;
  /** Where it stands, the words of its limit with it. */
  readonly from: number;
  readonly to: number;
}

/** Words of each figure; the unit before "of" is grams unless it says otherwise. */
const NUTRIENT_WORDS: readonly (readonly [Exclude<PromisedFigure, 'usedCost'>, string])[] = [
  ['saturates', 'saturates|saturated fats?|sat fat'],
  ['addedSugars', 'added sugars?'],
  ['protein', 'proteins?'],
  ['net carbohydrate', 'net carbs?'],
  ['carbohydrate', 'carbs?|carbohydrates?'],
  ['fat', 'fats?'],
  ['fibre', 'fib(?:re|er)s?'],
  ['sugars', 'sugars?'],
  ['salt', 'salt'],
  ['sodium', 'sodium'],
];
const LIMIT: readonly (readonly [RegExp, Promised['is']])[] = [
  // "none above 500 kcal" is a limit from above, whatever "above" says alone.
  [
    /\b(?:none|no one|nothing|never|not one|no \p{L}+)(?: (?:of them|is|are|has|have|goes|comes)){0,2} (?:above|over|more than|exceed(?:s|ing)?)\s?$/iu,
    'at most',
  ],
  [
    /\b(?:none|no one|nothing|never|not one|no \p{L}+)(?: (?:of them|is|are|has|have|goes|comes)){0,2} (?:below|under|less than|short of)\s?$/iu,
    'at least',
  ],
  [/\b(?:tops? out|max(?:es)? out|capped|caps? out|stays?) (?:at|below|under)\s?$/i, 'at most'],
  [/(?:\bno more than|\bat most|\bup to|\bmax(?:imum|\.)?(?: of)?|\bnot more than|≤)\s?$/i, 'at most'],
  [/(?:\bunder|\bbelow|\bless than|\bfewer than|<)\s?$/i, 'below'],
  [/(?:\bat least|\bno less than|\bnot less than|\bmin(?:imum|\.)?(?: of)?|≥)\s?$/i, 'at least'],
  [/(?:\bover|\babove|\bmore than|>)\s?$/i, 'above'],
];
const LIMIT_BEHIND: readonly (readonly [RegExp, Promised['is']])[] = [
  [/^[\s,]{0,2}(?:or less|or under|or fewer|or below|at most|max(?:imum)?\b|tops\b)/i, 'at most'],
  [/^[\s,]{0,2}(?:or more|or over|or better|at least|plus\b)/i, 'at least'],
];
const SAYS_MONEY = /^(?:a|per|each|the|for each|every) ?(?:box|serving|portion|bowl|jar|meal|lunch|head|plate|each)?/i;
/** Said of something else than a serving. */
const NOT_A_SERVING =
  /\b(?:per|for each|in(?: every)?) 100 ?(?:g|ml|grams?)\b|\b(?:whole|entire) (?:batch|pot|tray|pan|lot|dish)\b|\bfor the (?:lot|batch|pot|tray|week)\b|\bfor all (?:of them|\w+)\b|\bthe batch\b/i;
/** Right behind the number it is of all the boxes; elsewhere it is said of minutes. */
const IN_ALL = /^ ?(?:\p{L}+ ){0,2}(?:all told|in all|altogether|for the lot)\b/iu;
const CURRENCY = String.raw`(?:€|£|\$|eur\b|gbp\b|usd\b)`;
const CURRENCY_WORDS = String.raw`(?:euros?|pounds?|dollars?|quid|bucks)`;
const CENTS = String.raw`(?:cents?|pence|p(?=\b))`;

/** A figure of a serving that title or lead promise and that is not so, or is so only perhaps. */
export function promises(ground: CheckGround): Finding[] {
  return ground.headTexts.flatMap(({ at, text }) =>
    promisedIn(text, ground).flatMap((promised) => {
      const judged = judge(promised, ground);
      return judged ? [{ ...judged, at, ...mendOf(promised, at, text, ground) }] : [];
    }),
  );
}

/** What may be said instead: about what the figure is. */
function mendOf(promised: Promised, at: string, text: string, ground: CheckGround): Pick<Finding, 'mend'> {
  const { amount, gaps } = figureOf(promised.figure, ground);
  if (amount === undefined || gaps.length > 0) return {};
  const { figure, words, digits, from, to } = promised;
  // Pence are another unit than the figure; what an "or less" behind it says would stay.
  if (/\b(?:pence|cents?|p)$/i.test(words)) return {};
  if (LIMIT_BEHIND.some(([behind]) => behind.test(text.slice(to)))) return {};
  const number =
    figure === 'usedCost'
      ? amount.toFixed(2)
      : figure === 'energyKcal' || figure === 'energyKj'
        ? String(Math.round(amount / 10) * 10)
        : String(Math.round(amount));
  const said = `about ${words.replace(digits, number).replace(/^.*\+/, (more) => more.replace('+', ''))}`;
  const cased = from === 0 ? said.charAt(0).toUpperCase() + said.slice(1) : said;
  if (/\babout $/i.test(text.slice(0, from)))
    return {
      mend: { kind: 'text', at, words: `Say ${number}`, text: text.slice(0, from) + cased.replace(/^about /i, '') + text.slice(to) },
    };
  return { mend: { kind: 'text', at, words: `Say about ${number}`, text: text.slice(0, from) + cased + text.slice(to) } };
}

function judge(promised: Promised, ground: CheckGround): Omit<Finding, 'at'> | undefined {
  const { amount, gaps } = figureOf(promised.figure, ground);
  if (amount === undefined) return undefined;
  const said = `“${promised.said}”`;
  const is = `${textOf(amount, promised)}`;
  if (!keeps(promised, amount)) {
    // What is lacking can only add to a figure.
    if (gaps.length > 0 && (promised.is === 'at least' || promised.is === 'above' || (promised.is === 'about' && amount < promised.amount)))
      return undefined;
    return {
      code: 'promise-broken',
      severity: 'wrong',
      message: `${said} is promised, and a ${ground.recipe.servingName ?? 'serving'} has ${is}. Change the words, or the dish.`,
    };
  }
  if (promised.is === 'about') return undefined;
  const band = bandOf(promised.figure, ground);
  if (!band || (keeps(promised, band[0]) && keeps(promised, band[1]))) return undefined;
  return {
    code: 'promise-unsure',
    severity: 'look',
    message: `${said} is promised. The figure, ${is}, keeps it, but it is only known to lie between ${textOf(band[0], promised)} and ${textOf(band[1], promised)}. Weigh what is unsure, or promise less.`,
  };
}

function keeps({ is, amount: limit, least, digits }: Promised, amount: number): boolean {
  const noise = 1e-9 * Math.max(1, Math.abs(limit));
  if (least !== undefined)
    return amount >= least - 0.5 * lastDigitOf(digits) - noise && amount <= limit + 0.5 * lastDigitOf(digits) + noise;
  if (is === 'at most') return amount <= limit + noise;
  if (is === 'below') return amount < limit;
  if (is === 'at least') return amount >= limit - noise;
  if (is === 'above') return amount > limit;
  return Math.abs(amount - limit) <= Math.max(0.5 * lastDigitOf(digits), 0.02 * limit) + noise;
}

function figureOf(figure: PromisedFigure, { figures, kitchen }: CheckGround): Figure {
  const { perServing } = figures;
  if (figure === 'usedCost') return perServing.usedCost;
  if (figure === 'net carbohydrate') return shownFigure('carbohydrate', perServing.nutrients, 'available');
  return shownFigure(figure, perServing.nutrients, kitchen.convention);
}

function bandOf(figure: PromisedFigure, { figures, kitchen }: CheckGround): Band | undefined {
  if (figure === 'usedCost') return undefined;
  if (figure === 'net carbohydrate') return boxBand('carbohydrate', figures, 'available');
  return boxBand(figure, figures, kitchen.convention);
}

function textOf(amount: number, { figure, digits }: Promised): string {
  if (figure === 'usedCost') return amount.toFixed(2);
  const { unit } = nutrientRow(figure === 'net carbohydrate' ? 'carbohydrate' : figure);
  const decimals = lastDigitOf(digits) < 1 || amount < 10 ? 1 : 0;
  return `${amount.toFixed(decimals)} ${unit}`;
}

const NUMBER = `(?<number>${SAID_NUMBER}|an?(?= (?:euro|pound|dollar|quid)\\b))(?<more>\\+)?`;
const START = String.raw`(?<![\p{L}\d.,/])`;
const ENERGY = new RegExp(`${START}${NUMBER}[\\s-]{0,2}(?<unit>kcals?|kilocalories|calories|cals?|calorie|kj|kilojoules)(?!\\p{L})`, 'giu');
/** Of each nutrient: whether it is spoken of at all, "30 g of protein", and "protein: 30 g". */
const NUTRIENTS = NUTRIENT_WORDS.map(([nutrient, words]) => ({
  nutrient,
  spokenOf: new RegExp(words, 'iu'),
  phrases: [
    new RegExp(`${START}${NUMBER}[\\s-]{0,2}(?<unit>g|grams?|mg|milligrams?)(?!\\p{L})(?: of)?[\\s-](?:${words})(?![\\p{L}-])`, 'giu'),
    new RegExp(`(?<![\\p{L}-])(?:${words})(?::| of) ${NUMBER}\\s?(?<unit>g|mg)(?!\\p{L})`, 'giu'),
  ],
}));
const MONEY = [
  new RegExp(`${START}(?<sign>${CURRENCY})\\s?${NUMBER}(?!\\s?(?:kg|g|ml|l)\\b)`, 'giu'),
  new RegExp(`${START}${NUMBER}\\s?(?<sign>${CURRENCY}|${CURRENCY_WORDS}|${CENTS})`, 'giu'),
];

/** Every promise of a figure of a serving in a text. */
function promisedIn(text: string, ground: CheckGround): Promised[] {
  const energy = [...text.matchAll(ENERGY)].map((found): [RegExpMatchArray, PromisedFigure, number] => [
    found,
    /^k(?:j|ilojoule)/i.test(found.groups?.unit ?? '') ? 'energyKj' : 'energyKcal',
    1,
  ]);
  const spokenOf = NUTRIENTS.filter((one) => one.spokenOf.test(text));
  const nutrients = [0, 1].flatMap((phrase) =>
    spokenOf.flatMap(({ nutrient, phrases }) =>
      [...text.matchAll(phrases[phrase] as RegExp)].map((found): [RegExpMatchArray, PromisedFigure, number] => [
        found,
        nutrient,
        /^m/i.test(found.groups?.unit ?? '') ? (nutrient === 'sodium' ? 1 : 0.001) : nutrient === 'sodium' ? 1000 : 1,
      ]),
    ),
  );
  const money = MONEY.flatMap((phrase) => [...text.matchAll(phrase)]).map((found): [RegExpMatchArray, PromisedFigure, number] => [
    found,
    'usedCost',
    /^(?:c|p)(?!ound)/i.test(found.groups?.sign ?? '') ? 0.01 : 1,
  ]);
  // "under 2.50 a box": money without its currency is a limit with decimals, of one of them.
  const bare = [
    ...text.matchAll(
      new RegExp(
        `(?<=\\b(?:under|below|less than|no more than|at most|costs?(?: at most| under| less than)?|for) )${NUMBER}(?= (?:a|per|each|the) (?:box|serving|portion|bowl|jar|meal|lunch|head|${escaped(ground.recipe.servingName)})\\b| each\\b)`,
        'giu',
      ),
    ),
  ]
    .filter((found) => /[.,]\d{2}$/.test(found.groups?.number ?? '') || /\bcosts?\b/i.test(text.slice(0, found.index)))
    .map((found): [RegExpMatchArray, PromisedFigure, number] => [found, 'usedCost', 1]);
  return [...energy, ...nutrients, ...money, ...bare].flatMap(([found, figure, times]) => {
    const at = found.index ?? 0;
    const [before, behind] = [text.slice(0, at), text.slice(at + found[0].length)];
    const sentence = `${before.slice(lastStop(before))}${found[0]}${behind.slice(0, firstStop(behind))}`;
    if ((NOT_A_SERVING.test(sentence) || IN_ALL.test(behind)) && !SAYS_MONEY.test(behind.trimStart())) return [];
    if (/\b(?:per|in) 100 ?(?:g|ml)\b/i.test(sentence)) return [];
    const digits = found.groups?.number ?? '';
    const limit =
      (found.groups?.more === '+' ? 'at least' : undefined) ??
      LIMIT.find(([words]) => words.test(before))?.[1] ??
      LIMIT_BEHIND.find(([words]) => words.test(behind))?.[1] ??
      'about';
    const limitWords = LIMIT.map(([words]) => words.exec(before)?.[0]).find((one) => one !== undefined) ?? '';
    const limitFrom = at - limitWords.length;
    // "400 to 450 kcal", "between 400 and 450"
    const [, low] = new RegExp(`(${SAID_NUMBER})\\s?(?:-|–|to|and)\\s?$`, 'iu').exec(before) ?? [];
    const least =
      low === undefined || limit !== 'about' || (/and\s?$/.test(before) && !/\bbetween\b/i.test(before))
        ? undefined
        : saidNumber(low) * times;
    return [
      {
        figure,
        is: limit,
        amount: (/^an?$/i.test(digits) ? 1 : saidNumber(digits)) * times,
        least,
        digits,
        words: found[0].trim(),
        said: text.slice(limitFrom, at + found[0].length).trim(),
        from: limitFrom,
        to: at + found[0].length,
      },
    ];
  });
}

function lastStop(text: string): number {
  return Math.max(text.lastIndexOf('. '), text.lastIndexOf('; '), text.lastIndexOf('! '), -1) + 1;
}

function firstStop(text: string): number {
  const at = text.search(/[.;!](?:\s|$)/);
  return at < 0 ? text.length : at;
}

function escaped(name = 'serving'): string {
  return name.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&');
}
