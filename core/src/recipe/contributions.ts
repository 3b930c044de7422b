import { nameOfLine } from './working.js';
import type { LineFigures } from './partFigures.js';
import { servedOf, type RecipeFigures } from './recipeFigures.js';

/** Figures whose drivers are looked at. */
export const DRIVEN_FIGURES = ['energyKcal', 'protein', 'usedCost', 'sodium'] as const;
export type DrivenFigure = (typeof DRIVEN_FIGURES)[number];

/** What one line, or one part, brings to a serving. */
export interface RankedContribution {
  /** A line's place, or a part's id. */
  readonly at: string;
  readonly name: string;
  /** A part's own drivers; empty for a line. */
  readonly lines: readonly RankedContribution[];
  /** Of a serving, in the figure's unit; undefined where nobody knows. */
  readonly amounts: { readonly [figure in DrivenFigure]: number | undefined };
  /** Of what all lines in the box bring, 0 to 1; 0 where that is nothing. Discards are taken off nobody. */
  readonly shares: { readonly [figure in DrivenFigure]: number };
}

/**
 * What drives a serving's energy, protein, cost and sodium: each line's amount times its part's share of a serving
 * (docs/reckoning.md, "Nutrients" ), over the sum of all of them, by part and line in the recipe's order. Only what is in the box.
 */
export function contributionsOf({ parts }: RecipeFigures): RankedContribution[] {
  const boxed = parts.filter(({ part }) => servedOf(part) === 'box');
  const rows = boxed.map(({ part, lines, share }) => ({
    part,
    lines: lines.filter(({ counted }) => counted).map((line) => ({ line, amounts: amountsOf(line, share.share) })),
  }));
  const totals = sums(rows.flatMap(({ lines }) => lines.map(({ amounts }) => amounts)));
  const shares = (amounts: RankedContribution['amounts']) =>
    byFigure((figure) => (totals[figure] ? (amounts[figure] ?? 0) / (totals[figure] ?? 1) : 0));
  return rows.map(({ part, lines }) => {
    const amounts = sums(lines.map((one) => one.amounts));
    return {
      at: part.id,
      name: part.name,
      amounts,
      shares: shares(amounts),
      lines: lines.map(({ line, amounts: own }) => ({ at: line.at, name: nameOfLine(line), lines: [], amounts: own, shares: shares(own) })),
    };
  });
}

function amountsOf({ nutrients, usedCost }: LineFigures, share: number): RankedContribution['amounts'] {
  return byFigure((figure) => {
    const amount = figure === 'usedCost' ? usedCost.amount : nutrients[figure].amount;
    return amount === undefined ? undefined : amount * share;
  });
}

/** Sums of what is known. */
function sums(of: readonly RankedContribution['amounts'][]): RankedContribution['amounts'] {
  return byFigure((figure) => {
    const known = of.flatMap((amounts) => amounts[figure] ?? []);
    return known.length === 0 ? undefined : known.reduce((sum, one) => sum + one, 0);
  });
}

function byFigure<T>(value: (figure: DrivenFigure) => T): { readonly [figure in DrivenFigure]: T } {
  return { energyKcal: value('energyKcal'), protein: value('protein'), usedCost: value('usedCost'), sodium: value('sodium') };
}
