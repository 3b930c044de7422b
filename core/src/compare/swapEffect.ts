import { computedFigures, recipeFigures, servedOf, type Kitchen, type Line, type LineFigures, type Recipe } from '../recipe/index.js';

/** What a serving gains when one food stands in another's place; negative where it loses, undefined where nobody knows. */
export interface SwapEffect {
  readonly recipe: Recipe;
  /** The recipe with the other food in it. */
  readonly swapped: Recipe;
  readonly energyKcal: number | undefined;
  readonly protein: number | undefined;
  /** Major units. */
  readonly usedCost: number | undefined;
}

/**
 * Puts one food in another's place, gram for edible gram, in every line of a recipe. The effect is the swapped recipe's figures of
 * a serving less the recipe's own, both by `recipeFigures` (docs/reckoning.md, "Grams as written" to "Cost"), unrounded; edible
 * grams are those of "Edible grams".
 *
 * @param from the food that is in the recipe
 * @param to the food to stand in its place
 * @returns undefined when the recipe's own lines do not use the food
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function swapEffect(recipe: Recipe, from: string, to: string, kitchen: Kitchen): SwapEffect | undefined {
  const before = recipeFigures(recipe, kitchen);
  const lines = new Map(before.lines.map((line) => [line.line, line]));
  let found = false;
  const swapped: Recipe = {
    ...recipe,
    parts: recipe.parts.map((part) => ({
      ...part,
      lines: part.lines.map((line) => {
        if (line.food !== from) return line;
        found = true;
        return swappedLine(line, to, lines.get(line), recipe);
      }),
    })),
  };
  if (!found) return undefined;
  const [old, now] = [before.perServing, recipeFigures(swapped, kitchen).perServing];
  return {
    recipe,
    swapped,
    energyKcal: difference(old.nutrients.energyKcal.amount, now.nutrients.energyKcal.amount),
    protein: difference(old.nutrients.protein.amount, now.nutrients.protein.amount),
    usedCost: difference(old.usedCost.amount, now.usedCost.amount),
  };
}

/** The same edible grams of the other food, as a cook would weigh them; what was written of the old one's pieces is gone. */
function swappedLine(line: Line, to: string, figures: LineFigures | undefined, recipe: Recipe): Line {
  const edible = figures?.weights?.edible;
  const kept = Object.fromEntries(Object.entries(line).filter(([key]) => !OF_THE_OLD.has(key))) as Line;
  if (line.amount === undefined) return { ...kept, food: to };
  if (edible === undefined) return { ...kept, food: to, amount: line.amount, unit: line.unit ?? 'g' };
  const times = recipe.amountsPer === 'serving' ? recipe.servings : 1;
  return { ...kept, food: to, amount: edible / times, unit: 'g', as: 'EP' };
}

/** What a line says of the food it holds, and not of any other. */
const OF_THE_OLD: ReadonlySet<string> = new Set(['amount', 'unit', 'as', 'also', 'text', 'state', 'cooking']);

/** Edible grams of a food in a serving, of every recipe that uses it and can be computed: the middle one of them. */
export function usualGrams(foods: readonly string[], recipes: readonly Recipe[], kitchen: Kitchen): number | undefined {
  const grams = recipes
    .flatMap((recipe) => {
      if (!recipe.parts.some(({ lines }) => lines.some(({ food }) => food !== undefined && foods.includes(food)))) return [];
      const computed = computedFigures(recipe, kitchen);
      if (!computed.ok) return [];
      return computed.made.parts
        .filter(({ part }) => servedOf(part) !== 'optional')
        .flatMap(({ lines, share }) =>
          lines.flatMap(({ line, weights }) =>
            line.food !== undefined && foods.includes(line.food) && weights ? [weights.edible * share.share] : [],
          ),
        );
    })
    .sort((a, b) => a - b);
  return grams[Math.floor(grams.length / 2)];
}

function difference(before: number | undefined, after: number | undefined): number | undefined {
  return before === undefined || after === undefined ? undefined : after - before;
}
