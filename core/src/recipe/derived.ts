import { figureOf, shareOf, type Figure } from '../figure/index.js';
import { gramsOfMassUnit } from '../quantity/index.js';
import type { NutrientFigures } from './nutrientAmounts.js';
import { shareOfFigures } from './nutrientAmounts.js';
import type { ServingFigures } from './recipeFigures.js';

/**
 * Figures derived from a serving's (docs/reckoning.md, "Ratios and the kitchen's own figure"). A ratio with an unknown or zero
 * below is unknown.
 */
export interface DerivedFigures {
  /** Nutrients per 100 g as served. */
  readonly per100g: NutrientFigures;
  readonly kcalPer100g: Figure;
  /** For food that is carried. */
  readonly kcalPerOunce: Figure;
  /** Grams. */
  readonly proteinPer100kcal: Figure;
  /** Major units. */
  readonly costPer30gProtein: Figure;
  readonly costPer500kcal: Figure;
}

/**
 * Figures derived from a serving's: per 100 g as served, energy density, protein per energy, cost per protein and energy.
 *
 * @example derivedFigures(serving).proteinPer100kcal.amount // 3.56
 */
export function derivedFigures({ weight, nutrients, usedCost }: ServingFigures): DerivedFigures {
  const perGram = weight > 0 ? 1 / weight : 0;
  const energy = nutrients.energyKcal;
  return {
    per100g: shareOfFigures(nutrients, 100 * perGram),
    kcalPer100g: weight > 0 ? shareOf(energy, 100 * perGram) : figureOf([]),
    kcalPerOunce: weight > 0 ? shareOf(energy, (gramsOfMassUnit('oz') ?? 0) * perGram) : figureOf([]),
    proteinPer100kcal: ratio(nutrients.protein, energy, 100),
    costPer30gProtein: ratio(usedCost, nutrients.protein, 30),
    costPer500kcal: ratio(usedCost, energy, 500),
  };
}

function ratio(above: Figure, below: Figure, times: number): Figure {
  const gaps = [...new Set([...above.gaps, ...below.gaps])];
  if (above.amount === undefined || !below.amount) return { amount: undefined, gaps };
  return { amount: (above.amount / below.amount) * times, gaps };
}
