import Big from 'big.js';

/** Money in a cell, and the currency it names; "$" is somebody's dollars. */
export interface CellMoney {
  readonly amount: Big;
  readonly currency: string | undefined;
}

const SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', '£': 'GBP', $: '$', '¥': 'JPY', zł: 'PLN', kč: 'CZK' };
/** Codes of currencies, that no other three letters are taken for one. */
const CODES = 'EUR|GBP|USD|CAD|AUD|NZD|CHF|SEK|NOK|DKK|PLN|CZK|HUF|JPY|SGD|ZAR|INR|MXN|BRL|TRY|RON|BGN|ISK';
const MARK = `(?:[€£$¥]|zł|kč|${CODES})`;
const MONEY = new RegExp(
  `^\\(?(-|−)? ?(${MARK})? ?(-|−)? ?(\\d[\\d.,' ]*)(-|−)? ?(${MARK})?\\)?(?! ?(?:kg|g|gr|mg|l|ml|cl|dl|lb|oz|st|pc)(?!\\p{L}))(?: ?[A-Z*#]{1,2})?$`,
  'iu',
);

/** Money as shops write it: "€ 1.45", "1,45 EUR", "-0.50", "0.50-", "(1.20)". */
export function cellMoney(text: string, decimal: '.' | ','): CellMoney | undefined {
  const plain = text.replace(/\s+/gu, ' ').trim();
  const found = MONEY.exec(plain);
  if (!found) return undefined;
  const digits = (found[4] ?? '').replace(/[' ]/g, '').replace(/[.,]$/, '');
  const bare =
    decimal === ',' && /,\d{1,4}$|^\d+$|\.\d{3}/.test(digits)
      ? digits.replace(/\./g, '').replace(',', '.')
      : digits.replace(/,(?=\d{3}\b)/g, '').replace(',', '.');
  if (!/^\d+(?:\.\d+)?$/.test(bare)) return undefined;
  const below = found[1] !== undefined || found[3] !== undefined || found[5] !== undefined || /^\(.*\)/.test(plain);
  return { amount: below ? new Big(bare).times(-1) : new Big(bare), currency: currencyOf(found[2] ?? found[6]) };
}

/** The currency a heading or cell names. */
export function currencyNamed(text: string): string | undefined {
  return currencyOf(new RegExp(`(?<![\\p{L}])${MARK}(?![\\p{L}])`, 'iu').exec(text)?.[0]);
}

function currencyOf(mark: string | undefined): string | undefined {
  return mark === undefined ? undefined : (SIGNS[mark.toLowerCase()] ?? mark.toUpperCase());
}

/** "$" is the kitchen's dollars where it counts in dollars. */
export function settled(currency: string | undefined, own: string): { readonly currency: string; readonly doubt?: string } {
  if (currency === undefined) return { currency: own };
  if (currency !== '$') return { currency };
  if (/^(?:USD|CAD|AUD|NZD|SGD|MXN)$/.test(own)) return { currency: own };
  return { currency: 'USD', doubt: '“$” is taken as US dollars' };
}
