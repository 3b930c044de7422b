import { saltOfSodium, type CarbohydrateConvention, type LabelNutrient } from '../food/index.js';
import type { Figure } from '../figure/index.js';
import type { ResolvedFood } from './kitchen.js';
import { figureKey, perGramOf, type FigureKey, type NutrientFigures } from './nutrientAmounts.js';

/** The kept figure behind one that people read, and an amount of it as they read it. */
export interface KeptFigure {
  readonly key: FigureKey;
  readonly shown: (amount: number) => number;
}

/** Salt is kept as sodium (docs/reckoning.md, "Nutrients": salt = sodium x 2.5), carbohydrate in both conventions; the rest is kept as read. */
export function keptFigure(figure: LabelNutrient, convention: CarbohydrateConvention): KeptFigure {
  return figure === 'salt' ? { key: 'sodium', shown: saltOfSodium } : { key: figureKey(figure, convention), shown: (amount) => amount };
}

/** A figure as people read it, salt in grams, with its gaps. */
export function shownFigure(figure: LabelNutrient, nutrients: NutrientFigures, convention: CarbohydrateConvention): Figure {
  const { key, shown } = keptFigure(figure, convention);
  const { amount, gaps } = nutrients[key];
  return { amount: amount === undefined ? undefined : shown(amount), gaps };
}

/** What so many grams of a food hold (docs/reckoning.md, "Nutrients": grams x per 100 g / 100), salt in grams; undefined when unknown. */
export function inGramsOf(
  resolved: ResolvedFood,
  grams: number,
  figure: LabelNutrient,
  convention: CarbohydrateConvention,
): number | undefined {
  const { key, shown } = keptFigure(figure, convention);
  const perGram = perGramOf(resolved, key);
  return perGram === undefined ? undefined : shown(perGram * grams);
}
