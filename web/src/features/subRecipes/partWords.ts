import type { Kitchen, ReusablePart } from '@portiona/core';
import { docketText, numberText, priceText } from '../../ui/numberText';
import { countText, servingNames } from '../../ui/servingNames';

/** What 100 g of a part come to: "100 g: 112 kcal, 6.2 g protein, 0.12 €". */
export function per100Text({ per100: { energyKcal, protein, usedCost } }: ReusablePart, { settings }: Kitchen): string {
  return `100 g: ${[
    energyKcal === undefined ? 'energy unknown' : `${docketText(energyKcal)} kcal`,
    protein === undefined ? 'protein unknown' : `${numberText(protein, 1)} g protein`,
    usedCost === undefined ? 'cost unknown' : priceText(usedCost, settings.currency),
  ].join(', ')}`;
}

/** How much of a part that many grams are: "1.1 of its 5 boxes", "1.4 batches of it". */
export function takenText(grams: number, { cooked, portion, servings, servingName }: ReusablePart): string {
  if (grams > cooked) return `${numberText(grams / cooked, 1)} batches of it`;
  if (portion <= 0) return `${numberText((grams / cooked) * 100, 0)} % of a batch`;
  return `${numberText(grams / portion, 1)} of its ${countText(servings, servingNames({ servingName }))}`;
}
