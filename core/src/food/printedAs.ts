import { roundHalfAway } from '../quantity/index.js';
import { gramsOfPrintedBasis } from './composition.js';
import type { Food, PrintedNutrients } from './food.js';
import { saltOfSodium, sodiumOfSalt } from './salt.js';

/**
 * The salt of a label, in grams for the label's own amount: as printed, or from its sodium, to the milligram a scale of salt
 * would show. For filling a field in; figures are made from what is printed.
 */
export function printedSalt({ nutrients }: Pick<Food, 'nutrients'>): number | null | undefined {
  if (nutrients?.salt !== undefined) return nutrients.salt;
  return converted(nutrients?.sodium, (sodium) => roundHalfAway(saltOfSodium(sodium), 0.001));
}

/** The sodium that a label's salt stands for, in milligrams for the label's own amount, to a tenth; null where the salt is unknown. */
export function sodiumOfPrintedSalt({ nutrients }: Pick<Food, 'nutrients'>): number | null {
  return converted(nutrients?.salt, (salt) => roundHalfAway(sodiumOfSalt(salt), 0.1)) ?? null;
}

function converted(amount: number | null | undefined, by: (amount: number) => number): number | undefined {
  return amount === null || amount === undefined ? undefined : by(amount);
}

/**
 * An amount printed for a label's own basis, per 100 g (docs/reckoning.md, "Nutrients").
 *
 * @returns undefined when it is unknown or nobody can say what the basis weighs
 */
export function per100gOfPrinted(food: Food, printed: PrintedNutrients[keyof PrintedNutrients]): number | undefined {
  const basis = gramsOfPrintedBasis(food);
  return basis === undefined || basis <= 0 || printed === null || printed === undefined ? undefined : (printed / basis) * 100;
}
