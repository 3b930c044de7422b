import { currencySign, moneyText, roundHalfAway, type Figure } from '@portiona/core';

/** Grouping for the eye only; the figure behind stays as it is. */
const grouped = new Map<number, Intl.NumberFormat>();

/** A number to a fixed count of decimals, thousands set apart: 1,125. */
export function numberText(amount: number, decimals: number): string {
  let format = grouped.get(decimals);
  if (!format) {
    format = new Intl.NumberFormat('en-GB', { minimumFractionDigits: decimals, maximumFractionDigits: decimals });
    grouped.set(decimals, format);
  }
  return format.format(roundHalfAway(amount, 10 ** -decimals));
}

/** A figure of the docket: three significant digits where they say something, never more than one decimal. */
export function docketText(amount: number): string {
  return numberText(amount, amount < 99.95 ? 1 : 0);
}

/** Money as the card prints it, with the currency's sign. */
export function priceText(amount: number, currency: string): string {
  return `${currencySign(currency)} ${moneyText(amount, currency)}`;
}

/** A share, 0 to 1, in whole percent or to so many decimals: 12 %. */
export function percentText(share: number, decimals = 0): string {
  return `${numberText(share * 100, decimals)} %`;
}

/** A change with its sign: +6 %, −3 %. */
export function signedPercent(change: number, decimals = 0): string {
  return `${change < 0 ? '−' : '+'}${percentText(Math.abs(change), decimals)}`;
}

/** "at least" before a figure that lacks something. */
export function leastText({ gaps }: Pick<Figure, 'gaps'>): string {
  return gaps.length > 0 ? 'at least ' : '';
}
