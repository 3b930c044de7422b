import {
  amountWords,
  type Effects,
  type FitBound,
  type Kitchen,
  type LineChange,
  type LineFigures,
  type StaysBecause,
  nameOfLine,
} from '@portiona/core';
import { numberText, priceText } from '../../ui/numberText';

/** A line's amount before and after, in words. */
export function changeWords({ from, to, unit }: LineChange): { readonly from: string; readonly to: string } {
  return { from: amountWords(from, unit), to: amountWords(to, unit) };
}

/** What a line is called where it is spoken of. */
export function lineName(figures: LineFigures | undefined): string {
  return figures ? nameOfLine(figures) : 'a line';
}

/** Effects that are worth a word, greatest figures first: "−38 kcal, −0.4 g protein". */
export function effectWords(effects: Effects, kitchen: Kitchen): string {
  const { energyKcal, protein, fibre, salt, usedCost } = effects;
  const said = [
    word(energyKcal, 0, 'kcal'),
    word(protein, 1, 'g protein'),
    word(fibre, 1, 'g fibre'),
    word(salt, 2, 'g salt'),
    usedCost === undefined
      ? 'cost unknown'
      : Math.abs(usedCost) < 0.005
        ? ''
        : `${sign(usedCost)}${priceText(Math.abs(usedCost), kitchen.settings.currency)}`.replace(' ', '\u00a0'),
  ].filter(Boolean);
  return said.length > 0 ? said.join(', ') : 'next to nothing';
}

function word(amount: number | undefined, decimals: number, unit: string): string {
  return amount === undefined || Math.abs(amount) < 0.5 * 10 ** -decimals
    ? ''
    : `${sign(amount)}${numberText(Math.abs(amount), decimals)} ${unit}`.replaceAll(' ', '\u00a0');
}

/** A minus as long as a plus, which no line break parts from its amount. */
function sign(amount: number): string {
  return `${amount < 0 ? '−' : '+'}\u2060`;
}

/** Why a line stays, in words. */
export const STAYS_WORDS: Readonly<Record<StaysBecause, string>> = {
  locked: 'locked',
  optional: 'optional, not counted',
  'to taste': 'to taste',
  'not in the box': 'not in the box',
  'no weight': 'nobody knows its weight',
  'no food': 'no food yet',
  'no pack': 'no pack with a price',
  'nothing of it': 'nothing of it yet',
};

/** A bound as a choice's value, and back; line bounds carry the place. */
export function boundValue(bound: FitBound | undefined): string {
  if (bound === undefined || typeof bound === 'string') return bound ?? '';
  return 'within' in bound ? `within ${bound.within}` : `with ${bound.withLine}`;
}

/** The bound of a choice; undefined for the usual one. */
export function boundOf(value: string): FitBound | undefined {
  if (value === 'locked' || value === 'whole' || value === 'packs') return value;
  const [kind, rest = ''] = value.split(/ (.*)/);
  if (kind === 'within') return { within: Number(rest) };
  return kind === 'with' ? { withLine: rest } : undefined;
}
