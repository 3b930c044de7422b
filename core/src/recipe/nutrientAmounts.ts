import { NUTRIENTS, nutrientRow, type CarbohydrateConvention, type Nutrient } from '../food/index.js';
import { addFigures, NO_GAPS, shareOf, type Figure } from '../figure/index.js';
import type { ResolvedFood } from './kitchen.js';

/** What is kept a figure for: every nutrient, with carbohydrate in both conventions. */
export const FIGURE_KEYS = [
  ...NUTRIENTS.filter((n) => n !== 'carbohydrate'),
  'carbohydrateAvailable',
  'carbohydrateTotal',
] as const satisfies readonly FigureKey[];
export type FigureKey = Exclude<Nutrient, 'carbohydrate'> | 'carbohydrateAvailable' | 'carbohydrateTotal';

/** Figures by key. */
export type NutrientFigures = Readonly<Record<FigureKey, Figure>>;

/** The figure key of a nutrient in a carbohydrate convention. */
export function figureKey(nutrient: Nutrient, convention: CarbohydrateConvention): FigureKey {
  if (nutrient !== 'carbohydrate') return nutrient;
  return convention === 'total' ? 'carbohydrateTotal' : 'carbohydrateAvailable';
}

/** The nutrient a figure key stands for. */
export function nutrientOfKey(key: FigureKey): Nutrient {
  return key === 'carbohydrateAvailable' || key === 'carbohydrateTotal' ? 'carbohydrate' : key;
}

/** One gram's amount of a figure key; undefined when unknown. */
export function perGramOf(resolved: ResolvedFood, key: FigureKey): number | undefined {
  if (key === 'carbohydrateTotal') return resolved.total.carbohydrate;
  if (key === 'carbohydrateAvailable') return resolved.available.carbohydrate;
  return resolved.available[key];
}

/**
 * Figures of grams of a food (docs/reckoning.md, "Nutrients": n = grams x per 100 g / 100). A line of which nothing is eaten lacks
 * nothing; a line without a weight lacks everything. A retention factor applies to vitamins and minerals only.
 *
 * @param at the line's place, named in the gaps
 * @param grams eaten (negative for a discard); undefined when no weight can be had
 * @param retention share of vitamins and minerals that survives
 */
export function figuresOfGrams(at: string, grams: number | undefined, resolved: ResolvedFood, retention = 1): NutrientFigures {
  const lacking = [at];
  return eachKey((key) => {
    const perGram = perGramOf(resolved, key);
    if (grams === undefined) return { amount: undefined, gaps: lacking };
    if (perGram === undefined) return { amount: undefined, gaps: grams === 0 ? NO_GAPS : lacking };
    const survives = retention === 1 || !nutrientRow(nutrientOfKey(key)).survivesInPart ? 1 : retention;
    return { amount: grams * perGram * survives, gaps: NO_GAPS };
  });
}

/** Figures of a line without weight: nothing known, everything lacking. */
export function noFigures(at: string): NutrientFigures {
  return eachKey(() => ({ amount: undefined, gaps: [at] }));
}

/** Adds figures key by key. Nothing below zero is left: what is thrown away cannot take out more than was there. */
export function addNutrientFigures(figures: readonly NutrientFigures[]): NutrientFigures {
  return eachKey((key) => {
    const sum = addFigures(figures.map((one) => one[key]));
    return sum.amount !== undefined && sum.amount < 0 ? { ...sum, amount: 0 } : sum;
  });
}

/** A share of figures, key by key. */
export function shareOfFigures(figures: NutrientFigures, share: number): NutrientFigures {
  return eachKey((key) => shareOf(figures[key], share));
}

/** A share of another recipe's part as one line: the gaps are the line's. */
export function figuresOfShare(at: string, figures: NutrientFigures, share: number): NutrientFigures {
  return eachKey((key) => {
    const { amount, gaps } = figures[key];
    return { amount: amount === undefined ? undefined : amount * share, gaps: share !== 0 && gaps.length > 0 ? [at] : [] };
  });
}

/** Figures made key by key. */
export function eachKey(make: (key: FigureKey) => Figure): NutrientFigures {
  const figures: { [key in FigureKey]?: Figure } = {};
  for (const key of FIGURE_KEYS) figures[key] = make(key);
  return figures as NutrientFigures;
}
