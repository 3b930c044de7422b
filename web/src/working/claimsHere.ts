import { claimsOf, servedOf, type Allergen, type Claim, type RecipeFigures } from '@portiona/core';

/** Claims of a dish's box. A line without a food leaves open what it holds. */
export function claimsHere(figures: RecipeFigures): Claim[] {
  const parts = figures.parts.filter(({ part }) => servedOf(part) === 'box');
  return claimsOf(figures.perServing, allergensIn(parts));
}

function allergensIn(parts: RecipeFigures['parts']): readonly Allergen[] | undefined {
  const found: Allergen[] = [];
  for (const { of, counted } of parts.flatMap(({ lines }) => lines)) {
    if (!counted) continue;
    const inner = of.kind === 'food' ? (of.resolved.food.allergens ?? []) : of.kind === 'part' ? allergensIn([of.part]) : undefined;
    if (!inner) return undefined;
    found.push(...inner);
  }
  return found;
}
