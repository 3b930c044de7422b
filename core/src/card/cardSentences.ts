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
  return words.replace(/([\d¼½¾⅓⅔]) (?=(?:k?g|m?l|min|minutes?|h|hours?|tbsp|tsp|cups?|cm|cloves?|°[CF])(?![\p{L}\d]))/gu, '$1\u00a0');
}

/** The lead of a card: the developer's own, or boxes and minutes where there is none. */
export function leadOf(card: CardContent): string {
  if (card.lead !== '') return card.lead;
  const minutes = [
    ...(card.activeMinutes === undefined ? [] : [`${card.activeMinutes} minutes at the stove`]),
    ...(card.totalMinutes === undefined ? [] : [`${card.totalMinutes} in all`]),
  ];
  return [`Makes ${card.servingsText}.`, ...(minutes.length > 0 ? [`${minutes.join(', ')}.`] : [])].join(' ');
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
  const { allergensInBox, allergensAtTable, allergensMaybe = [], cautions } = card;
  const inBox = allergensInBox.length > 0 ? `Contains ${allergensInBox.join(', ')}.` : 'No listed allergen in the box.';
  const atTable = allergensAtTable.length > 0 ? ` At the table: ${allergensAtTable.join(', ')}.` : '';
  const maybe = allergensMaybe.length > 0 ? ` May contain traces of ${allergensMaybe.join(', ')}.` : '';
  const rounding = { us: 'US rounding', eu: 'EU rounding', plain: 'plain rounding' }[card.rules];
  return [`${inBox}${atTable}${maybe}`, ...cautions.cooking, `Rounded (${rounding}), so figures may not add up.`, ...cautions.always].join(
    ' ',
  );
}
