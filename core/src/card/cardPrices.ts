import { servedOf, type RecipeFigures } from '../recipe/index.js';

/** Of when the prices of a card are: ISO dates of the newest and oldest used, and how many foods are at an offer, where any is. */
export interface CardPrices {
  readonly newest: string;
  readonly oldest: string;
  readonly offers?: number;
}

/** ISO dates of the newest and the oldest price that a recipe's cost rests on, and how many foods of it are at an offer; undefined without any. */
export function pricesOf({ parts }: RecipeFigures): CardPrices | undefined {
  let newest: string | undefined;
  let oldest: string | undefined;
  const offers = new Set<string>();
  for (const { part, lines } of parts) {
    if (servedOf(part) === 'optional') continue;
    for (const { counted, of } of lines) {
      const pack = counted && of.kind === 'food' ? of.resolved.best?.pack : undefined;
      if (pack === undefined) continue;
      const { seen, food, promotion } = pack;
      if (promotion) offers.add(food);
      if (newest === undefined || seen > newest) newest = seen;
      if (oldest === undefined || seen < oldest) oldest = seen;
    }
  }
  return newest === undefined || oldest === undefined ? undefined : { newest, oldest, ...(offers.size > 0 ? { offers: offers.size } : {}) };
}
