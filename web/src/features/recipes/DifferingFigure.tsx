import { targetFigure, type Figure, type Kitchen, type LabelNutrient, type RecipeFigures } from '@portiona/core';
import type { ReactNode } from 'react';
import { figureName, figureUnit } from '../briefs/briefWords';
import { numberText, priceText } from '../../ui/numberText';
import { TracedFigure } from './TracedFigure';
import './differingFigure.css';

/** Figures by which two ways to make a dish are compared. */
export type ComparedFigure = LabelNutrient | 'weight' | 'usedCost';
export const COMPARED: readonly ComparedFigure[] = ['energyKcal', 'protein', 'carbohydrate', 'fat', 'fibre', 'salt', 'usedCost', 'weight'];

interface DifferingFigureProps {
  readonly row: ComparedFigure;
  readonly base: Figure | undefined;
  readonly made: RecipeFigures | undefined;
  /** Whose it is, as its working is told. */
  readonly of: string;
  readonly kitchen: Kitchen;
}

interface ComparedRowProps {
  readonly row: ComparedFigure;
  /** Undefined where it cannot be worked out. */
  readonly base: RecipeFigures | undefined;
  /** Whose it is, as its working is told. */
  readonly of: string;
  readonly kitchen: Kitchen;
  /** The cells beside it. */
  readonly children: ReactNode;
}

/** A row of figures: what it is, what it is in the one that others are held against, and theirs. */
export function ComparedRow({ row, base, of, kitchen, children }: ComparedRowProps) {
  return (
    <tr>
      <td>
        {figureName(row)} <span className="faint">{figureUnit(row, kitchen.settings.currency)}</span>
      </td>
      <td className="num">
        <TracedFigure figure={row} figures={base} of={of}>
          {base ? figureText(row, figureOf(row, base, kitchen), kitchen) : '?'}
        </TracedFigure>
      </td>
      {children}
    </tr>
  );
}

/** A figure of another way to make the dish, marked where it differs. */
export function DifferingFigure({ row, base, made, of, kitchen }: DifferingFigureProps) {
  const own = made && figureOf(row, made, kitchen);
  const [then, now] = [base ? figureText(row, base, kitchen) : '?', own ? figureText(row, own, kitchen) : '?'];
  const differs = then !== now;
  const between =
    own?.amount !== undefined && base?.amount !== undefined && own.gaps.length === base.gaps.length ? own.amount - base.amount : undefined;
  // Where rounding alone parts them, there is nothing to say.
  const by = between !== undefined && amountText(row, Math.abs(between), kitchen) !== amountText(row, 0, kitchen) ? between : undefined;
  return (
    <td className={`num ${differs ? 'differs' : 'faint'}`}>
      <TracedFigure figure={row} figures={made} of={of}>
        {now}
      </TracedFigure>
      {differs && by !== undefined && (
        <div className="src">
          {by > 0 ? '+' : '−'}
          {amountText(row, Math.abs(by), kitchen)}
        </div>
      )}
    </td>
  );
}

/** One figure of a serving. */
export function figureOf(row: ComparedFigure, figures: RecipeFigures, kitchen: Kitchen): Figure {
  return targetFigure({ figure: row }, figures, kitchen);
}

/** With "≥" where something is lacking. */
export function figureText(row: ComparedFigure, { amount, gaps }: Figure, kitchen: Kitchen): string {
  return `${amount !== undefined && gaps.length > 0 ? '≥ ' : ''}${amountText(row, amount, kitchen)}`;
}

/** Unrounded amounts as the docket rounds them. */
function amountText(row: ComparedFigure, amount: number | undefined, kitchen: Kitchen): string {
  if (amount === undefined) return '?';
  if (row === 'usedCost') return priceText(amount, kitchen.settings.currency);
  return numberText(amount, row === 'energyKcal' || row === 'weight' ? 0 : row === 'salt' ? 2 : 1);
}
