import type { Allergen } from '../food/index.js';
import {
  BRIEF_FIGURES,
  FIGURE_KEYS,
  keptFigure,
  servedOf,
  shownFigure,
  type BriefFigure,
  type Kitchen,
  type LineFigures,
  type RecipeFigures,
  type Storage,
  type Target,
} from '../recipe/index.js';
import type { Figure } from '../figure/index.js';
import { bandAround, boxBand, standardUncertainties, type Band } from '../uncertainty/index.js';

/** A figure of a serving as a brief is held against it, in its unit, unrounded. */
export interface GroundFigure {
  readonly amount: number | undefined;
  /** Something is lacking: the amount is "at least". */
  readonly atLeast: boolean;
  readonly band: Band | undefined;
}

/** A food that is in the box or at the table, as far as a brief asks of it. */
export interface GroundFood {
  readonly name: string;
  readonly aisle?: string;
  readonly allergens?: readonly Allergen[];
}

/** Everything of a dish that a brief can ask for. */
export interface BriefGround {
  readonly figureOf: (figure: BriefFigure) => GroundFigure;
  readonly weight: number;
  readonly activeMinutes?: number;
  readonly totalMinutes?: number;
  readonly storage?: Storage;
  readonly foods: readonly GroundFood[];
  /** A line of it has no food: it may hold anything. */
  readonly unmatched: boolean;
}

/** The same as it is kept beside a recipe, so that any brief is held against it without computing the dish again. */
export type KeptGround = Omit<BriefGround, 'figureOf'> & {
  /** Amount, 1 where it is "at least", low and high end of the band; null where unknown. */
  readonly figures: { readonly [figure in BriefFigure]?: KeptFigure };
};
type KeptFigure = readonly [amount: number | null, atLeast: 0 | 1, low: number | null, high: number | null];

/** What a brief can ask of a dish, its figures computed as they are asked for. */
export function briefGround(figures: RecipeFigures, kitchen: Kitchen): BriefGround {
  return {
    ...restOf(figures),
    figureOf: (figure) => {
      const { amount, gaps } = targetFigure({ figure }, figures, kitchen);
      return { amount, atLeast: gaps.length > 0, band: targetBand({ figure }, figures, kitchen) };
    },
  };
}

/** The same for keeping: every figure, the dish taken apart once for all of them. */
export function groundToKeep(figures: RecipeFigures, kitchen: Kitchen): KeptGround {
  const boxed = figures.parts.filter(({ part }) => servedOf(part) === 'box');
  const uncertainties = new Map(standardUncertainties(boxed, FIGURE_KEYS).map((one, i) => [FIGURE_KEYS[i], one]));
  const figure = (of: BriefFigure): KeptFigure => {
    const { amount, gaps } = targetFigure({ figure: of }, figures, kitchen);
    const least = gaps.length > 0 ? 1 : 0;
    if (of === 'weight' || of === 'usedCost') return [amount ?? null, least, null, null];
    const { key, shown } = keptFigure(of, kitchen.convention);
    const band = bandAround(boxed, key, uncertainties.get(key) ?? 0);
    return [amount ?? null, least, band ? shown(band[0]) : null, band ? shown(band[1]) : null];
  };
  return { ...restOf(figures), figures: Object.fromEntries(BRIEF_FIGURES.map((of) => [of, figure(of)])) };
}

/** What was kept, to hold a brief against. */
export function groundKept({ figures, ...rest }: KeptGround): BriefGround {
  return {
    ...rest,
    figureOf: (figure) => {
      const [amount, atLeast, low, high] = figures[figure] ?? [null, 1, null, null];
      return { amount: amount ?? undefined, atLeast: atLeast === 1, band: low === null || high === null ? undefined : [low, high] };
    },
  };
}

/** The band of the figure that a target is about; costs and weights have none. */
export function targetBand({ figure }: Pick<Target, 'figure'>, figures: RecipeFigures, kitchen: Kitchen): Band | undefined {
  return figure === 'weight' || figure === 'usedCost' ? undefined : boxBand(figure, figures, kitchen.convention);
}

/** The figure of a serving that a target is about, in its unit, and what it lacks. */
export function targetFigure({ figure }: Pick<Target, 'figure'>, { perServing, parts }: RecipeFigures, kitchen: Kitchen): Figure {
  if (figure === 'usedCost') return perServing.usedCost;
  if (figure !== 'weight') return shownFigure(figure, perServing.nutrients, kitchen.convention);
  const unweighed = parts.flatMap(({ part, lines, estimated }) =>
    servedOf(part) === 'box' && estimated ? lines.filter(({ counted, weights }) => counted && !weights).map(({ at }) => at) : [],
  );
  return { amount: perServing.weight, gaps: unweighed };
}

function restOf({ recipe, perServing, parts }: RecipeFigures): Omit<BriefGround, 'figureOf'> {
  const lines = parts.filter(({ part }) => servedOf(part) !== 'optional').flatMap((part) => part.lines);
  const { activeMinutes, totalMinutes, storage } = recipe;
  return {
    weight: perServing.weight,
    ...(activeMinutes === undefined ? {} : { activeMinutes }),
    ...(totalMinutes === undefined ? {} : { totalMinutes }),
    ...(storage === undefined ? {} : { storage }),
    foods: foodsOf(lines),
    unmatched: lines.some(({ of }) => of.kind === 'unmatched'),
  };
}

/** Foods of every line, those of other recipes' parts too. */
function foodsOf(lines: readonly LineFigures[]): GroundFood[] {
  return lines.flatMap(({ of }) => {
    if (of.kind === 'part') return foodsOf(of.part.lines);
    if (of.kind !== 'food') return [];
    const { name, aisle, allergens } = of.resolved.food;
    return [{ name, ...(aisle === undefined ? {} : { aisle }), ...(allergens === undefined ? {} : { allergens }) }];
  });
}
