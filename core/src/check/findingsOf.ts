import { energyAgreement } from '../food/index.js';
import type { ResolvedFood, Kitchen, LineFigures, PartFigures, RecipeFigures } from '../recipe/index.js';
import type { FigureFinding } from './finding.js';
import { foodEnergyMismatch, noPrice, stalePrice } from './foodFindings.js';
import { allergenWords, amountsDisagree, foodUnsure, noComposition, noWeight, toTaste } from './lineFindings.js';
import { piecesUneven, portionShort, weightOutdated } from './partFindings.js';

/**
 * Everything that is wrong with a recipe's figures, lines first, then foods, parts and the serving.
 *
 * @param figures of the recipe, at the size they are for
 */
export function findingsOf(figures: RecipeFigures, kitchen: Kitchen): FigureFinding[] {
  const { recipe, parts, lines } = figures;
  const bought = foodsBought(parts);
  return [
    ...lines.flatMap((line) => [
      ...noWeight(line),
      ...noComposition(line),
      ...foodUnsure(line),
      ...allergenWords(line),
      ...toTaste(line),
      ...amountsDisagree(line, recipe, kitchen),
    ]),
    ...[...bought.values()].flatMap((resolved) => [...noPrice(resolved, kitchen), ...stalePrice(resolved, kitchen)]),
    ...[...foodsUsed(parts).values()].flatMap(({ food }) => foodEnergyMismatch(food)),
    ...parts.flatMap((part) => [...portionShort(part, recipe.servings), ...piecesUneven(part, recipe.servings), ...weightOutdated(part)]),
    ...servingEnergyMismatch(figures),
  ];
}

/** The card's own energy check, over the lines where both energies are known. */
function servingEnergyMismatch({ perServing }: RecipeFigures): FigureFinding[] {
  const { declared, factored } = perServing.compared;
  const agreement = energyAgreement(declared, factored);
  if (agreement.agrees) return [];
  return [
    {
      code: 'energy-mismatch',
      at: 'serving',
      severity: 'wrong',
      message: `A serving declares ${Math.round(declared)} kcal, its macros make ${Math.round(factored)}. Look for the food whose label was typed wrong.`,
    },
  ];
}

function foodsUsed(parts: readonly PartFigures[]): Map<string, ResolvedFood> {
  const used = foodsBought(parts, () => true);
  for (const part of parts) for (const { resolved } of part.discards) used.set(resolved.food.id, resolved);
  return used;
}

/** Foods of the lines, parts of other recipes by theirs. Where nothing is bought, no price is missed. */
function foodsBought(parts: readonly PartFigures[], needed: (line: LineFigures) => boolean = needsBuying): Map<string, ResolvedFood> {
  const foods = new Map<string, ResolvedFood>();
  for (const { lines } of parts)
    for (const line of lines) {
      if (!needed(line)) continue;
      if (line.of.kind === 'food') foods.set(line.of.resolved.food.id, line.of.resolved);
      if (line.of.kind === 'part') for (const [id, resolved] of foodsBought([line.of.part], needed)) foods.set(id, resolved);
    }
  return foods;
}

function needsBuying(line: LineFigures): boolean {
  return line.weights?.purchase !== 0;
}
