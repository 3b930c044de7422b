import Big from 'big.js';

/** Currencies whose minor unit is not a hundredth (ISO 4217). */
const MINOR_DIGITS: { readonly [currency: string]: number } = {
  BIF: 0,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  ISK: 0,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  PYG: 0,
  RWF: 0,
  UGX: 0,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
  BHD: 3,
  IQD: 3,
  JOD: 3,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  TND: 3,
};

/**
 * Digits of a currency's minor unit.
 *
 * @example minorDigits('JPY') // 0
 */
export function minorDigits(currency: string): number {
  return MINOR_DIGITS[currency] ?? 2;
}

const SIGNS: { readonly [currency: string]: string } = { EUR: '€', GBP: '£', USD: '$', JPY: '¥' };

/**
 * How a currency is written before an amount: its sign, or its code where the sign would not be understood.
 *
 * @example currencySign('SEK') // 'SEK'
 */
export function currencySign(currency: string): string {
  return SIGNS[currency] ?? currency;
}

/**
 * A price as an exact decimal.
 *
 * @param price major units, as the kitchen file has it
 * @throws Error from the decimal library when the text is no number (the reader refuses such a price before)
 */
export function exactPrice(price: number | string): Big {
  return new Big(price);
}

/**
 * How far a price lies from one before, as a share of that one: 0.25 is a quarter dearer; exact until the last step.
 *
 * @returns undefined where the price before was nothing
 */
export function shareDearer(before: number | string, now: number | string): number | undefined {
  const was = exactPrice(before);
  return was.eq(0) ? undefined : exactPrice(now).div(was).minus(1).toNumber();
}

/**
 * An amount of money as a card prints it: rounded once, half away from zero, to the currency's minor unit, no currency.
 *
 * @param amount major units
 * @example moneyText(1.355, 'EUR') // '1.36'
 */
export function moneyText(amount: number, currency: string): string {
  return new Big(amount.toPrecision(12)).round(minorDigits(currency), Big.roundHalfUp).toFixed(minorDigits(currency));
}
