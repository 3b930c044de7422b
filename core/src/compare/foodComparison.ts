import { edibleShare, NUTRIENTS, per100gOf, type LabelNutrient } from '../food/index.js';
import { inGramsOf, type Kitchen } from '../recipe/index.js';

/** Amounts in each nutrient's unit, salt in grams, carbohydrate by the kitchen's convention; absent where unknown. */
export type Held = { readonly [figure in LabelNutrient]?: number };

/** A product beside others. Undefined wherever something it takes is unknown. */
export interface ComparedFood {
  readonly food: string;
  readonly per100g: Held;
  readonly per100kcal: Held;
  /** What a use of so many edible grams holds, and costs in major units. */
  readonly inUse: Held;
  readonly costInUse: number | undefined;
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
 * Products side by side: per 100 g, for a use, per 100 kcal, for 30 g of protein, for one unit of money. Amounts are edible grams x
 * what one gram holds (docs/reckoning.md, "Nutrients"); the ratios are those of "Ratios and the kitchen's own figure" of the food
 * alone; money is used cost ("Cost"): grams to buy, edible / (1 - refuse) ("Edible grams"), at the best current pack's rate.
 *
 * @param foods ids
 * @param use edible grams of a typical use
 * @throws UnknownFoodError
 */
export function foodComparison(foods: readonly string[], kitchen: Kitchen, use = 100): ComparedFood[] {
  return foods.map((id) => {
    const resolved = kitchen.resolvedFood(id);
    const perGram = (figure: LabelNutrient) => inGramsOf(resolved, 1, figure, kitchen.convention);
    const bought = 1 / edibleShare(resolved.food);
    const costPerGram = resolved.best && resolved.best.rate * bought;
    const [kcal, protein] = [perGram('energyKcal'), perGram('protein')];
    const proteinGrams = over(30, protein);
    return {
      food: id,
      per100g: per100gOf(resolved.food, kitchen.convention),
      per100kcal: held((figure) => times(over(perGram(figure), kcal), 100)),
      inUse: held((figure) => times(perGram(figure), use)),
      costInUse: times(costPerGram, use),
      for30gProtein: { grams: proteinGrams, energyKcal: times(proteinGrams, kcal), cost: times(proteinGrams, costPerGram) },
      perMoney: { grams: over(1, costPerGram), energyKcal: over(kcal, costPerGram), protein: over(protein, costPerGram) },
      costPer100g: times(costPerGram, 100),
    };
  });
}

function held(amount: (figure: LabelNutrient) => number | undefined): Held {
  return Object.fromEntries(
    [...NUTRIENTS, 'salt' as const].flatMap((figure) => {
      const found = amount(figure);
      return found === undefined ? [] : [[figure, found]];
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
