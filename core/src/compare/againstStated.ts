import { KJ_PER_KCAL, known, saltOfSodium, type CarbohydrateConvention, type Nutrient } from '../food/index.js';
import { shownFigure, type Recipe, type RecipeFigures, type StatedNutrition } from '../recipe/index.js';

/** A figure that a recipe's page states, beside the one computed of its lines. */
export interface AgainstStated {
  readonly nutrient: Nutrient;
  /** For a serving, in the nutrient's unit. */
  readonly stated: number;
  /** Undefined while nothing of it is known. */
  readonly computed: number | undefined;
  /** Something of the dish is not known: it has at least so much. */
  readonly atLeast: boolean;
  /** Computed over stated, less 1; undefined where there is no such ratio. */
  readonly apart: number | undefined;
  /** Further apart than two careful reckonings of the same dish come. */
  readonly far: boolean;
}

/** Two tables of foods and two hands at the scale come to within about a sixth of each other. */
const FAR = 0.15;
const ORDER: readonly Nutrient[] = ['energyKcal', 'protein', 'carbohydrate', 'fat', 'saturates', 'sugars', 'fibre', 'sodium'];

/**
 * What a page says of its dish against what is computed of its lines, box and topping together, energy first. Kilojoules are told as
 * kilocalories, salt as its sodium; what is stated of the whole is divided by its servings.
 */
export function againstStated(
  { stated, servings }: Pick<Recipe, 'stated' | 'servings'>,
  figures: RecipeFigures,
  convention: CarbohydrateConvention,
): readonly AgainstStated[] {
  if (!stated) return [];
  const share = stated.of === 'whole' ? 1 / servings : 1;
  return ORDER.flatMap((nutrient) => {
    const told = statedOf(stated, nutrient);
    if (told === undefined) return [];
    const { amount: computed, gaps } = shownFigure(nutrient, figures.withTopping.nutrients, convention);
    const atLeast = gaps.length > 0;
    const perServing = told * share;
    const apart = computed === undefined || perServing === 0 ? undefined : computed / perServing - 1;
    // What is at least so much can be told to be too much, never too little.
    const far = apart !== undefined && (apart > FAR || (!atLeast && apart < -FAR));
    return [{ nutrient, stated: perServing, computed, atLeast, apart, far }];
  });
}

function statedOf({ nutrients }: StatedNutrition, nutrient: Nutrient): number | undefined {
  const told = known(nutrients[nutrient]);
  if (told !== undefined) return told;
  if (nutrient === 'energyKcal') {
    const kj = known(nutrients.energyKj);
    return kj === undefined ? undefined : kj / KJ_PER_KCAL;
  }
  const salt = nutrient === 'sodium' ? known(nutrients.salt) : undefined;
  return salt === undefined ? undefined : salt / saltOfSodium(1);
}
