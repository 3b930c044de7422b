import { edibleShare, NUTRIENTS, type Nutrient } from '../food/index.js';
import { figureKey, perGramOf, type Kitchen } from '../recipe/index.js';

/** A product beside others. Undefined wherever something it takes is unknown. */
export interface ComparedFood {
  readonly food: string;
  /** Amount in 100 g, in each nutrient's unit, carbohydrate by the kitchen's convention. */
  readonly per100g: { readonly [nutrient in Nutrient]?: number };
  readonly per100kcal: { readonly [nutrient in Nutrient]?: number };
  /** Grams that bring 30 g of protein, and what they cost. */
  readonly for30gProtein: {
    readonly grams: number | undefined;
    readonly energyKcal: number | undefined;
    readonly cost: number | undefined;
  };
  /** What one unit of money buys. */
  readonly perMoney: { readonly grams: number | undefined; readonly energyKcal: number | undefined; readonly protein: number | undefined };
  /** Major units. */
  readonly costPer100g: number | undefined;
}

/**
 * Products side by side: per 100 g, per 100 kcal, for 30 g of protein, for one unit of money. Edible grams throughout; money is
 * for what must be bought to eat them, at each food's best current price.
 *
 * @param foods ids
 * @throws UnknownFoodError
 */
export function foodComparison(foods: readonly string[], kitchen: Kitchen): ComparedFood[] {
  return foods.map((id) => {
    const basis = kitchen.basisOf(id);
    const perGram = (nutrient: Nutrient) => perGramOf(basis, figureKey(nutrient, kitchen.convention));
    const bought = 1 / edibleShare(basis.food);
    const costPerGram = basis.best && basis.best.rate * bought;
    const [kcal, protein] = [perGram('energyKcal'), perGram('protein')];
    const proteinGrams = over(30, protein);
    return {
      food: id,
      per100g: eachNutrient((nutrient) => times(perGram(nutrient), 100)),
      per100kcal: eachNutrient((nutrient) => times(over(perGram(nutrient), kcal), 100)),
      for30gProtein: { grams: proteinGrams, energyKcal: times(proteinGrams, kcal), cost: times(proteinGrams, costPerGram) },
      perMoney: { grams: over(1, costPerGram), energyKcal: over(kcal, costPerGram), protein: over(protein, costPerGram) },
      costPer100g: times(costPerGram, 100),
    };
  });
}

function eachNutrient(amount: (nutrient: Nutrient) => number | undefined): { [nutrient in Nutrient]?: number } {
  return Object.fromEntries(
    NUTRIENTS.flatMap((nutrient) => {
      const found = amount(nutrient);
      return found === undefined ? [] : [[nutrient, found]];
    }),
  );
}

function times(one: number | undefined, other: number | undefined): number | undefined {
  return one === undefined || other === undefined ? undefined : one * other;
}

/** A quotient that nobody can give over nothing. */
function over(one: number | undefined, other: number | undefined): number | undefined {
  return one === undefined || other === undefined || other === 0 ? undefined : one / other;
}
