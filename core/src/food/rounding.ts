import { roundHalfAway } from '../quantity/index.js';

/** A figure in its unit as a rule set writes it, without the unit; freed of binary noise before. */
export type Rounding = (figure: number) => string;

function fixed(figure: number, decimals: number): string {
  return roundHalfAway(figure, 10 ** -decimals).toFixed(decimals);
}

/** US energy: 21 CFR 101.9(c)(1). */
export function usEnergy(figure: number): string {
  if (figure < 5) return '0';
  return String(roundHalfAway(figure, figure <= 50 ? 5 : 10));
}

export function usFat(figure: number): string {
  if (figure < 0.5) return '0';
  return String(roundHalfAway(figure, figure < 5 ? 0.5 : 1));
}

export function usCholesterol(figure: number): string {
  if (figure < 2) return '0';
  return figure <= 5 ? 'less than 5' : String(roundHalfAway(figure, 5));
}

export function usSodium(figure: number): string {
  if (figure < 5) return '0';
  return String(roundHalfAway(figure, figure <= 140 ? 5 : 10));
}

export function usWhole(figure: number): string {
  if (figure < 0.5) return '0';
  return figure < 1 ? 'less than 1' : fixed(figure, 0);
}

/** EU: the Commission's guidance of 2012 on tolerances and rounding. */
export function euMacro(figure: number): string {
  if (figure === 0) return '0';
  if (figure <= 0.5) return '<0.5';
  return fixed(figure, figure >= 10 ? 0 : 1);
}

export function euSaturates(figure: number): string {
  if (figure === 0) return '0';
  if (figure <= 0.1) return '<0.1';
  return fixed(figure, figure >= 10 ? 0 : 1);
}

export function euSalt(figure: number): string {
  if (figure === 0) return '0';
  if (figure <= 0.0125) return '<0.01';
  return fixed(figure, figure >= 1 ? 1 : 2);
}

/** The nearest whole. */
export function whole(figure: number): string {
  return fixed(figure, 0);
}

export function oneDecimal(figure: number): string {
  return fixed(figure, 1);
}

/** The nearest ten. */
export function tens(figure: number): string {
  return fixed(roundHalfAway(figure, 10), 0);
}
