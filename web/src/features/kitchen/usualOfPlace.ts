import type { KitchenDto } from '../../api/api.gen';

/** What a kitchen of a place most likely reckons by. */
export type UsualOfPlace = Pick<KitchenDto, 'currency' | 'measures' | 'rules'>;

const EURO = 'AT BE CY DE EE ES FI FR GR HR IE IT LT LU LV MT NL PT SI SK'.split(' ');
const OTHERS: Readonly<Record<string, UsualOfPlace>> = {
  US: { currency: 'USD', measures: 'us', rules: 'us' },
  CA: { currency: 'CAD', measures: 'metric', rules: 'us' },
  GB: { currency: 'GBP', measures: 'metric', rules: 'eu' },
  AU: { currency: 'AUD', measures: 'au', rules: 'eu' },
  NZ: { currency: 'NZD', measures: 'metric', rules: 'eu' },
  CH: { currency: 'CHF', measures: 'metric', rules: 'eu' },
  SE: { currency: 'SEK', measures: 'metric', rules: 'eu' },
  NO: { currency: 'NOK', measures: 'metric', rules: 'eu' },
  DK: { currency: 'DKK', measures: 'metric', rules: 'eu' },
  PL: { currency: 'PLN', measures: 'metric', rules: 'eu' },
  CZ: { currency: 'CZK', measures: 'metric', rules: 'eu' },
};

/**
 * What is proposed to a new kitchen by the language its browser asks pages in: a guess for the person to look over.
 *
 * @param language a language tag: its region decides
 * @returns what is proposed, and whether the tag names a region it goes by
 * @example usualOfPlace('en-AU').usual.measures // 'au'
 */
export function usualOfPlace(language: string): { readonly usual: UsualOfPlace; readonly known: boolean } {
  const region = /-([a-z]{2})\b/i.exec(language)?.[1]?.toUpperCase() ?? '';
  const usual = OTHERS[region];
  if (usual) return { usual, known: true };
  return { usual: { currency: 'EUR', measures: 'metric', rules: 'eu' }, known: EURO.includes(region) };
}
