import { addFigures } from '../figure/index.js';
import type { CarbohydrateConvention, LabelNutrient } from '../food/index.js';
import { keptFigure, servedOf, type FigureKey, type LineFigures, type PartFigures, type RecipeFigures } from '../recipe/index.js';
import type { Band } from './band.js';

/**
 * What "to taste" may come to, as shares of the amount assumed: none at all, or twice as much. docs/reckoning.md, "Grams as
 * written", asks for both ends and names none; these are Portiona's own, and the working says so.
 */
const TO_TASTE_ENDS = [0, 2] as const;

/**
 * A figure of a serving with every range at its low end and with every range at its high end: what a reader gets who takes least,
 * or most, of what the recipe leaves open (docs/reckoning.md, "Grams as written": a range "keeps both ends"). Amounts "to taste"
 * run from nothing to twice what is assumed. Errors of measuring are no part of it; `bandOf` has those.
 *
 * @param parts of the serving
 * @returns low and high end in the figure's unit, equal where nothing is left open; undefined when nothing is known
 */
export function rangeBounds(parts: readonly PartFigures[], key: FigureKey): Band | undefined {
  const [low, high] = [0, 1].map((end) =>
    addFigures(parts.map((part) => ({ amount: scaled(partAt(part, key, end), part.share.share), gaps: part.nutrients[key].gaps }))),
  );
  return low?.amount === undefined || high?.amount === undefined ? undefined : [low.amount, high.amount];
}

/** What the batch of a part comes to at an end; undefined when unknown. */
function partAt({ lines, nutrients }: PartFigures, key: FigureKey, end: number): number | undefined {
  const { amount } = nutrients[key];
  if (amount === undefined) return undefined;
  const beyond = lines.reduce(
    (sum, line) => sum + (line.counted ? (lineAt(line, key, end) ?? 0) - (line.nutrients[key].amount ?? 0) : 0),
    0,
  );
  return Math.max(0, amount + beyond);
}

function lineAt({ line, of, weights, nutrients }: LineFigures, key: FigureKey, end: number): number | undefined {
  if (!weights) return undefined;
  const taken = line.amount === undefined ? (TO_TASTE_ENDS[end] ?? 1) : 1 + weights.halfWidth * (end === 0 ? -1 : 1);
  return scaled(of.kind === 'part' ? scaled(partAt(of.part, key, end), of.share) : nutrients[key].amount, taken);
}

function scaled(amount: number | undefined, share: number): number | undefined {
  return amount === undefined ? undefined : amount * share;
}

/** The two ends of a figure of the box, as people read it: salt in grams, carbohydrate by convention (docs/reckoning.md, "Grams as written"). */
export function boxRangeBounds(figure: LabelNutrient, { parts }: RecipeFigures, convention: CarbohydrateConvention): Band | undefined {
  const { key, shown } = keptFigure(figure, convention);
  const ends = rangeBounds(
    parts.filter(({ part }) => servedOf(part) === 'box'),
    key,
  );
  return ends && [shown(ends[0]), shown(ends[1])];
}
