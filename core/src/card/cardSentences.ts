import type { CardContent } from './cardContent.js';

/**
 * A measure that is not torn apart at the end of a line: its spaces do not break.
 *
 * @example unbroken('2 lb 7 oz; buy 450 g') // only the space after the semicolon may break
 */
export function unbroken(measure: string): string {
  return measure.replace(/(?<!;) /g, '\u00a0');
}

/**
 * Words in which no number is torn from its unit at the end of a line.
 *
 * @example numbersKept('simmer 8 min') // the space before "min" does not break
 */
export function numbersKept(words: string): string {
  return words
    .replace(/ \/ (?=-?\d)/g, '\u00a0/\u00a0')
    .replace(/(\d) (?=[¼½¾⅓⅔⅛⅜⅝⅞])/g, '$1\u00a0')
    .replace(/([\d¼½¾⅓⅔]) (?=(?:k?g|m?l|min|minutes?|h|hours?|tbsp|tsp|cups?|cm|cloves?|°[CF])(?![\p{L}\d]))/gu, '$1\u00a0');
}

/**
 * When the prices of a card are of.
 *
 * @example cardPriceText(card) // 'prices of 3 Nov 2026, oldest 20 Sep'
 */
export function cardPriceText({ prices }: Pick<CardContent, 'prices'>): string {
  if (!prices) return '';
  const oldest =
    prices.oldest === prices.newest ? '' : `, oldest ${dayText(prices.oldest, prices.oldest.slice(0, 4) !== prices.newest.slice(0, 4))}`;
  const offers = prices.offers === undefined ? '' : `, ${prices.offers} of them ${prices.offers === 1 ? 'an offer' : 'offers'}`;
  return `prices of ${dayText(prices.newest, true)}${oldest}${offers}`;
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/**
 * An ISO date as people write it.
 *
 * @example dayText('2026-11-03', true) // '3 Nov 2026'
 */
export function dayText(date: string, withYear: boolean): string {
  const [year, month, day] = date.split('-');
  return `${Number(day)} ${MONTHS[Number(month) - 1] ?? ''}${withYear ? ` ${year}` : ''}`;
}

/** What stands at the foot of every card: allergens, how it was cooked safely, what the figures are. */
export function cardSmallPrint(card: CardContent): string {
  const { cautions, chosen } = card;
  const rounding = { us: 'US rounding', eu: 'EU rounding', plain: 'plain rounding' }[card.rules];
  if (chosen?.cautions === 'short')
    return [allergenText(card), ...cautions.cooking.filter((one) => one.startsWith(THERMOMETER)), SHORT_CAUTION].join(' ');
  return [allergenText(card), ...cautions.cooking, `Rounded (${rounding}), so figures may not add up.`, ...cautions.always].join(' ');
}

/** How the sentence begins that says how hot the middle has to be: no card is without it. */
const THERMOMETER = 'Check with a thermometer';
const SHORT_CAUTION =
  'Rounded estimates for healthy adults, not medical advice; check the labels of what you buy. Who sells food follows local food law.';

/** What is in the box, at the table, and may be in it, of what must be named. */
export function allergenText({ allergensInBox, allergensAtTable, allergensMaybe = [] }: CardContent): string {
  const inBox = allergensInBox.length > 0 ? `Contains ${allergensInBox.join(', ')}.` : 'No listed allergen in the box.';
  const atTable = allergensAtTable.length > 0 ? ` At the table: ${allergensAtTable.join(', ')}.` : '';
  const maybe = allergensMaybe.length > 0 ? ` May contain traces of ${allergensMaybe.join(', ')}.` : '';
  return `${inBox}${atTable}${maybe}`;
}

/** A fact of a dish, and what it is of: "5 boxes" "of 647 g". */
export interface CardFact {
  readonly said: string;
  readonly of: string;
  /** It stands at the end of its line: what the others are not about. */
  readonly last?: boolean;
}

/** Servings with their weight, minutes, and what it is cooked and put up in: what has its place on every card, whatever the lead says. */
export function cardFacts({
  servingsText,
  weight,
  activeMinutes,
  totalMinutes,
  equipment = [],
  boxes = '',
}: CardContent): readonly CardFact[] {
  return [
    { said: servingsText, of: `of ${weight.text} ${weight.unit}` },
    ...(activeMinutes === undefined ? [] : [{ said: minutesText(activeMinutes), of: 'at the stove' }]),
    ...(totalMinutes === undefined ? [] : [{ said: minutesText(totalMinutes), of: 'in all' }]),
    ...(equipment.length > 0
      ? [{ said: equipment.join(', '), of: boxes, last: true }]
      : boxes === ''
        ? []
        : [{ said: boxes, of: 'to put it up in', last: true }]),
  ];
}

/** @example minutesText(135) // '2 h 15 min' */
function minutesText(minutes: number): string {
  if (minutes < 120) return `${minutes} min`;
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)} h${rest === 0 ? '' : ` ${rest} min`}`;
}
