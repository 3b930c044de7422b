import {
  currencySign,
  nutrientName,
  nutrientRow,
  type BriefFigure,
  type Judgement,
  type Settings,
  type Target,
  type TargetJudgement,
  type Verdict,
} from '@portiona/core';
import { numberText, priceText } from '../../ui/numberText';

/** What words about money need of a kitchen. */
interface Money {
  readonly settings: Pick<Settings, 'currency'>;
}

/** Figures a target may be set for, those asked for most first. */
export const OFFERED_FIGURES: readonly BriefFigure[] = [
  'energyKcal',
  'protein',
  'carbohydrate',
  'sugars',
  'fat',
  'saturates',
  'fibre',
  'salt',
  'usedCost',
  'weight',
  'addedSugars',
  'sodium',
  'cholesterol',
  'potassium',
  'calcium',
  'iron',
  'vitaminD',
  'alcohol',
  'energyKj',
];

/** What a figure is called in a brief. */
export function figureName(figure: BriefFigure): string {
  if (figure === 'weight') return 'Weight';
  if (figure === 'usedCost') return 'Cost, used';
  if (figure === 'salt') return 'Salt';
  return figure === 'energyKj' ? 'Energy, kJ' : nutrientName(figure);
}

/** The unit a figure's target is in. */
export function figureUnit(figure: BriefFigure, currency: string): string {
  if (figure === 'usedCost') return currencySign(currency);
  if (figure === 'weight' || figure === 'salt') return 'g';
  const { unit } = nutrientRow(figure);
  return unit === 'ug' ? 'µg' : unit;
}

const GLYPHS: Readonly<Record<Verdict, string>> = { holds: '✓', unsure: '▲', missed: '✕', unknown: '○' };
const CLASSES: Readonly<Record<Verdict, string>> = { holds: 'ok', unsure: 'warn', missed: 'bad', unknown: 'faint' };

export const verdictGlyph = (verdict: Verdict) => GLYPHS[verdict];
export const verdictClass = (verdict: Verdict) => CLASSES[verdict];

/** What is asked: "at most 540 kcal", "40 min at most". */
export function askedText(judgement: Judgement, kitchen: Money): string {
  if (judgement.kind === 'bound') return judgement.asked;
  const { figure, is, amount } = judgement.target;
  return `${is} ${amountText(figure, amount, kitchen)}`;
}

/** A limit without its unit, which the figure beside it has: "at most 540". */
export function limitText({ figure, is, amount }: Target, kitchen: Money): string {
  return `${is} ${figure === 'usedCost' ? priceText(amount, kitchen.settings.currency) : numberText(amount, Number.isInteger(amount) ? 0 : 1)}`;
}

/** A target with its unit: "at most 540 kcal"; `alone` leaves the limit's kind out. */
export function targetAmountText({ figure, is, amount }: Target, kitchen: Money, alone = false): string {
  const text =
    figure === 'usedCost' ? priceText(amount, kitchen.settings.currency) : `${bare(figure, amount, kitchen)} ${figureUnit(figure, '')}`;
  return alone ? `${text} ${figureName(figure).toLowerCase()}` : `${is} ${text}`;
}

/** How the dish stands: "512 to 531, holds", "672, 132 over". */
export function standingText(judgement: Judgement, kitchen: Money): string {
  if (judgement.kind === 'bound') return `${judgement.is}${judgement.verdict === 'unsure' ? ', unsure' : ''}`;
  const { target, amount, band, margin, verdict, atLeast } = judgement;
  if (amount === undefined || margin === undefined) return 'unknown';
  const least = atLeast ? 'at least ' : '';
  const is = band
    ? `${least}${bare(target.figure, band[0], kitchen)} to ${bare(target.figure, band[1], kitchen)}`
    : `${least}${bare(target.figure, amount, kitchen)}`;
  return `${is}, ${verdictText(judgement, bare(target.figure, Math.abs(margin), kitchen), verdict)}`;
}

function verdictText({ target: { is } }: TargetJudgement, by: string, verdict: Verdict): string {
  if (verdict === 'holds') return 'holds';
  if (verdict === 'unsure') return 'not sure';
  return is === 'at most' ? `${by} over` : is === 'at least' ? `${by} short` : `${by} off`;
}

function bare(figure: BriefFigure, amount: number, kitchen: Money): string {
  if (figure === 'usedCost') return priceText(amount, kitchen.settings.currency);
  return numberText(
    amount,
    figure === 'energyKcal' || figure === 'weight' || figure === 'energyKj' || amount >= 99.95 ? 0 : figure === 'salt' ? 2 : 1,
  );
}

function amountText(figure: BriefFigure, amount: number, kitchen: Money): string {
  return figure === 'usedCost'
    ? priceText(amount, kitchen.settings.currency)
    : `${numberText(amount, Number.isInteger(amount) ? 0 : 1)} ${figureUnit(figure, '')}`;
}

/** What a new target begins with, by figure. */
const USUAL: { readonly [figure in BriefFigure]?: Pick<Target, 'is' | 'amount'> } = {
  energyKcal: { is: 'at most', amount: 550 },
  protein: { is: 'at least', amount: 30 },
  fibre: { is: 'at least', amount: 8 },
  salt: { is: 'at most', amount: 2 },
  usedCost: { is: 'at most', amount: 3 },
};

/** A target for a figure, to begin with. */
export function usualTarget(figure: BriefFigure): Target {
  return { figure, ...(USUAL[figure] ?? { is: 'at most', amount: 10 }) };
}
