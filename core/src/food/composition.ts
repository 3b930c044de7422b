import type { CarbohydrateConvention, Food, PrintedNutrients } from './food.js';
import { edibleGramsOfMeasure } from './measureOf.js';
import { KJ_PER_KCAL, NUTRIENTS, type LabelNutrient, type Nutrient } from './nutrient.js';
import { saltOfSodium, sodiumOfSalt } from './salt.js';

/** Nutrients of one gram of the food as its state describes it. An absent key is unknown; 0 is a known zero. */
export type NutrientsPerGram = { readonly [nutrient in Nutrient]?: number };

/**
 * Edible grams that a food's printed figures are for (kitchen file, `per`).
 *
 * @returns grams, or undefined when nobody can say: millilitres without a density, a measure the food does not have
 * @example gramsOfPrintedBasis({ id: 'drink', name: 'Drink', density: 1.04, per: { amount: 100, unit: 'ml' } }) // 104
 */
export function gramsOfPrintedBasis(food: Food): number | undefined {
  const { amount, unit } = food.per ?? { amount: 100, unit: 'g' };
  if (unit === 'g') return amount;
  if (unit === 'ml') return food.density === undefined ? undefined : amount * food.density;
  const measure = edibleGramsOfMeasure(food, unit);
  return measure === undefined ? undefined : amount * measure;
}

/**
 * Composition of one gram of a food, in the convention asked for.
 *
 * Energy given in one unit only is converted at 4.184 kJ a kcal; salt stands for sodium / 2.5; carbohydrate is brought
 * to the convention with fibre, and is unknown when that needs an unknown fibre (docs/reckoning.md, "Nutrients", "Energy two ways").
 *
 * @param convention what the carbohydrate figure is to mean
 * @returns grams, milligrams or micrograms (as the nutrient's description says) of each known nutrient in one gram
 */
export function nutrientsPerGram(food: Food, convention: CarbohydrateConvention): NutrientsPerGram {
  const basis = gramsOfPrintedBasis(food);
  if (basis === undefined || basis <= 0) return {};
  const perGram: { [nutrient in Nutrient]?: number } = {};
  for (const nutrient of NUTRIENTS) {
    const derive = PRINTED[nutrient];
    const printed = derive ? derive(food, convention) : known(food.nutrients?.[nutrient]);
    if (printed !== undefined) perGram[nutrient] = printed / basis;
  }
  return perGram;
}

/**
 * Composition of 100 g of a food as people read it: with salt in grams beside sodium (docs/reckoning.md, "Nutrients").
 *
 * @returns amounts in each nutrient's unit; absent where unknown
 */
export function per100gOf(food: Food, convention: CarbohydrateConvention): { readonly [figure in LabelNutrient]?: number } {
  const perGram = nutrientsPerGram(food, convention);
  const per100g = Object.fromEntries(Object.entries(perGram).map(([nutrient, amount]) => [nutrient, amount * 100]));
  return perGram.sodium === undefined ? per100g : { ...per100g, salt: saltOfSodium(perGram.sodium * 100) };
}

/** Nutrients that are not simply as printed: two units of energy, salt for sodium, two carbohydrate conventions. */
const PRINTED: { readonly [nutrient in Nutrient]?: (food: Food, convention: CarbohydrateConvention) => number | undefined } = {
  energyKcal: ({ nutrients = {} }) => printedKcal(nutrients),
  energyKj: ({ nutrients = {} }) => {
    const kj = known(nutrients.energyKj);
    const kcal = known(nutrients.energyKcal);
    return kj ?? (kcal === undefined ? undefined : kcal * KJ_PER_KCAL);
  },
  sodium: ({ nutrients = {} }) => {
    const salt = known(nutrients.salt);
    return known(nutrients.sodium) ?? (salt === undefined ? undefined : sodiumOfSalt(salt));
  },
  carbohydrate: ({ nutrients = {}, carbohydrateIs = 'available' }, convention) => {
    const printed = known(nutrients.carbohydrate);
    if (printed === undefined || carbohydrateIs === convention) return printed;
    const fibre = known(nutrients.fibre);
    if (fibre === undefined) return undefined;
    return convention === 'total' ? printed + fibre : Math.max(0, printed - fibre);
  },
};

/** Declared kilocalories for the printed basis, converted from kilojoules where only those are printed. */
export function printedKcal(nutrients: PrintedNutrients): number | undefined {
  const kj = known(nutrients.energyKj);
  return known(nutrients.energyKcal) ?? (kj === undefined ? undefined : kj / KJ_PER_KCAL);
}

/** A printed figure that is known: neither absent nor null. */
export function known(printed: number | null | undefined): number | undefined {
  return printed ?? undefined;
}
