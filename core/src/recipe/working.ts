import { shareOf, addFigures, type Figure } from '../figure/index.js';
import { unitOf, type Nutrient, type Source } from '../food/index.js';
import type { Kitchen } from './kitchen.js';
import { isFreeStaple, weighsSomething, type LineFigures, type PartFigures } from './partFigures.js';
import { servedOf, type RecipeFigures } from './recipeFigures.js';
import { inGramsOf, keptFigure, shownFigure, type KeptFigure } from './shownFigure.js';
import type { Served } from './recipe.js';
import { nameOfPart } from './reusablePart.js';

/** A figure whose working can be asked for. */
export type WorkedFigure = Nutrient | 'salt' | 'usedCost' | 'tillCost' | 'weight';

/** Why a line adds nothing known. */
export type Gap = 'no food' | 'no weight' | 'not on the label' | 'no price' | 'base incomplete';

/** One line of a working, from as written to its contribution. */
export interface WorkingLine {
  readonly at: string;
  readonly name: string;
  readonly figures: LineFigures;
  /** Contribution to the batch, unrounded; undefined with a gap. */
  readonly batch: number | undefined;
  /** Contribution to one serving, unrounded. */
  readonly serving: number | undefined;
  /** Per 100 g of the food, or of the other recipe's part cooked, or money per 100 g; undefined for gaps. */
  readonly per100g: number | undefined;
  readonly source: Source | undefined;
  /** A discard takes away. */
  readonly takenAway: boolean;
  /** How much of the line's own amount comes in: 1, or the share of the other recipe's batch that is taken. */
  readonly times: number;
  /** Lines of the other recipe's part that make this one up; of weights none, since a part is taken cooked. */
  readonly inside: readonly WorkingLine[];
  readonly gap: Gap | undefined;
}

/** The working of one figure of a serving. */
export interface Working {
  readonly figure: WorkedFigure;
  readonly unit: string;
  readonly parts: readonly { readonly part: PartFigures; readonly served: Served; readonly lines: readonly WorkingLine[] }[];
  /** Sum over the box's parts for the batch, and of their shares for one serving. */
  readonly batch: Figure;
  readonly serving: Figure;
}

/**
 * The working of a figure: every line that the serving's figure is summed from, with where its number came from
 * (the second of the three ideas of the interface). Sums to the figure itself, unrounded.
 *
 * @param served which parts: the box's for the headline, box and table for "with topping"
 */
export function workingOf(
  figure: Exclude<WorkedFigure, 'tillCost'>,
  figures: RecipeFigures,
  kitchen: Kitchen,
  served: readonly Served[] = ['box'],
): Working {
  const parts = figures.parts
    .filter(({ part }) => served.includes(servedOf(part)))
    .map((part) => ({
      part,
      served: servedOf(part.part),
      lines: [
        ...part.lines
          .filter(({ counted }) => counted)
          .map((line) => workingLine(figure, line, { times: 1, share: part.share.share }, kitchen)),
        ...discardLines(figure, part, { times: 1, share: part.share.share }, kitchen),
      ],
    }));
  const totals = parts.map(({ part }) => totalOf(figure, part, kitchen));
  return {
    figure,
    unit: unitOfFigure(figure, kitchen),
    parts,
    batch: addFigures(totals),
    serving: addFigures(totals.map((total, i) => shareOf(total, parts[i]?.part.share.share ?? 0))),
  };
}

/** The unit a worked figure is in; money in the kitchen's currency. */
export function unitOfFigure(figure: WorkedFigure, kitchen: Kitchen): string {
  if (figure === 'usedCost' || figure === 'tillCost') return kitchen.settings.currency;
  return figure === 'salt' || figure === 'weight' ? 'g' : unitOf(figure);
}

function totalOf(figure: WorkedFigure, part: PartFigures, kitchen: Kitchen): Figure {
  if (figure === 'usedCost') return part.usedCost;
  if (figure === 'weight')
    return { amount: part.cooked, gaps: part.lines.filter(({ counted, weights }) => counted && !weights).map(({ at }) => at) };
  return shownFigure(nutrientOf(figure), part.nutrients, kitchen.convention);
}

/** How much of a part comes in, and of that in a serving. */
interface Taken {
  readonly times: number;
  readonly share: number;
}

function workingLine(figure: WorkedFigure, line: LineFigures, { times, share }: Taken, kitchen: Kitchen): WorkingLine {
  const batch = scaledBy(contribution(figure, line, kitchen), times);
  const food = line.of.kind === 'food' ? line.of.resolved.food : undefined;
  return {
    at: line.at,
    name: nameOfLine(line),
    figures: line,
    batch,
    serving: scaledBy(batch, share),
    per100g: per100g(figure, line, kitchen),
    source: food ? (food.source ?? 'estimate') : undefined,
    takenAway: false,
    times,
    inside: insideOf(figure, line, { times, share }, kitchen),
    gap: gapOf(figure, line, kitchen),
  };
}

/** The lines of another recipe's part, as much of them as a line takes; what is not retained is paid for all the same. */
function insideOf(figure: WorkedFigure, { of, weights }: LineFigures, { times, share }: Taken, kitchen: Kitchen): WorkingLine[] {
  if (of.kind !== 'part' || !weights || figure === 'weight' || !weighsSomething(of.part.cooked)) return [];
  const taken = { times: times * (figure === 'usedCost' ? weights.grams / of.part.cooked : of.share), share };
  return [
    ...of.part.lines.filter(({ counted }) => counted).map((line) => workingLine(figure, line, taken, kitchen)),
    ...discardLines(figure, of.part, taken, kitchen),
  ];
}

function discardLines(figure: WorkedFigure, { discards }: PartFigures, { times, share }: Taken, kitchen: Kitchen): WorkingLine[] {
  if (figure === 'usedCost' || figure === 'weight') return [];
  const { key, shown } = lookUp(figure, kitchen);
  return discards.map(({ at, resolved, nutrients, weights, discard, factoredKcal }) => {
    const amount = nutrients[key].amount;
    const batch = amount === undefined ? undefined : -shown(amount) * times;
    const asLine: LineFigures = {
      at,
      line: { food: discard.food, amount: discard.amount, unit: discard.unit },
      counted: true,
      of: { kind: 'food', resolved },
      weights,
      nutrients,
      usedCost: { amount: 0, gaps: [] },
      factoredKcal,
      compared: { declared: 0, factored: 0 },
      purchases: [],
    };
    return {
      at,
      name: resolved.food.name,
      figures: asLine,
      batch,
      serving: scaledBy(batch, share),
      per100g: inGramsOf(resolved, 100, nutrientOf(figure), kitchen.convention),
      source: resolved.food.source ?? 'estimate',
      takenAway: true,
      times,
      inside: [],
      gap: amount === undefined ? (weights ? 'not on the label' : 'no weight') : undefined,
    };
  });
}

function contribution(figure: WorkedFigure, line: LineFigures, kitchen: Kitchen): number | undefined {
  if (figure === 'usedCost') return line.usedCost.amount;
  if (figure === 'weight') return line.weights?.eaten;
  return shownFigure(nutrientOf(figure), line.nutrients, kitchen.convention).amount;
}

function per100g(figure: WorkedFigure, line: LineFigures, kitchen: Kitchen): number | undefined {
  if (figure === 'weight' || line.of.kind === 'unmatched') return undefined;
  if (line.of.kind === 'part') return per100gOfPart(figure, line.of.part, kitchen);
  if (figure === 'usedCost') return isFreeStaple(line.of.resolved.food, kitchen) ? 0 : scaledBy(line.of.resolved.best?.rate, 100);
  return inGramsOf(line.of.resolved, 100, nutrientOf(figure), kitchen.convention);
}

/** Of a part cooked; undefined where something of it is not known. */
function per100gOfPart(figure: WorkedFigure, part: PartFigures, kitchen: Kitchen): number | undefined {
  const { amount, gaps } = totalOf(figure, part, kitchen);
  return gaps.length > 0 || !weighsSomething(part.cooked) ? undefined : scaledBy(amount, 100 / part.cooked);
}

function gapOf(figure: WorkedFigure, line: LineFigures, kitchen: Kitchen): Gap | undefined {
  if (line.of.kind === 'unmatched') return 'no food';
  if (!line.weights) return 'no weight';
  if (figure === 'weight') return undefined;
  if (figure === 'usedCost') return line.usedCost.gaps.length > 0 ? 'no price' : undefined;
  if (line.nutrients[lookUp(figure, kitchen).key].gaps.length === 0) return undefined;
  return line.of.kind === 'part' ? 'base incomplete' : 'not on the label';
}

/** The kept figure behind a worked one that is neither money nor weight. */
function lookUp(figure: WorkedFigure, kitchen: Kitchen): KeptFigure {
  return keptFigure(nutrientOf(figure), kitchen.convention);
}

function nutrientOf(figure: WorkedFigure): Nutrient | 'salt' {
  return figure as Nutrient | 'salt';
}

/** What a line is called in a working: its food, the part it takes, or its own words. */
export function nameOfLine({ of }: Pick<LineFigures, 'of'>): string {
  if (of.kind === 'food') return of.resolved.food.name;
  return of.kind === 'part' ? nameOfPart(of.recipe, of.part.part) : of.text;
}

function scaledBy(rate: number | undefined, factor: number): number | undefined {
  return rate === undefined ? undefined : rate * factor;
}
