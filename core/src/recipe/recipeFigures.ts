import { shareOf, addFigures, type Figure } from '../figure/index.js';
import { compensatedSum } from '../quantity/index.js';
import type { Kitchen } from './kitchen.js';
import { addNutrientFigures, shareOfFigures, type NutrientFigures } from './nutrientAmounts.js';
import { costOfLines, partFigures, sumOfKnown, type ComparedEnergy, type LineFigures, type PartFigures } from './partFigures.js';
import type { Recipe, Served } from './recipe.js';
import { tillOf, type Till } from './till.js';

/** Figures of one serving. */
export interface ServingFigures {
  /** Grams. */
  readonly weight: number;
  readonly nutrients: NutrientFigures;
  /** Major units, unrounded. */
  readonly usedCost: Figure;
  readonly factoredKcal: number | undefined;
  readonly compared: ComparedEnergy;
}

/** Everything a recipe comes to. */
export interface RecipeFigures {
  readonly recipe: Recipe;
  readonly parts: readonly PartFigures[];
  readonly lines: readonly LineFigures[];
  /** The box: the headline. */
  readonly perServing: ServingFigures;
  /** Box and table together; the same as the box when nothing is added at the table. */
  readonly withTopping: ServingFigures;
  readonly hasTopping: boolean;
  readonly batch: { readonly usedCost: Figure; readonly till: Till };
}

/** How to compute a recipe. */
export interface RecipeOptions {
  /** False: stated cooked weights are carried over from another size and count as estimated; a set: those of other parts are. Default true. */
  readonly weighed?: boolean | ReadonlySet<string>;
}

/**
 * Every figure of a recipe: parts and lines for the batch, then the serving as the sum over parts of part total x share
 * (docs/reckoning.md, from "Grams as written" to "Cost").
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function recipeFigures(recipe: Recipe, kitchen: Kitchen, options: RecipeOptions = {}): RecipeFigures {
  const weighed = options.weighed ?? true;
  const parts = recipe.parts.map((part) => partFigures(part, { kitchen, recipe, weighed, within: [] }));
  const boxed = parts.filter(({ part }) => servedOf(part) === 'box');
  const counted = parts.filter(({ part }) => servedOf(part) !== 'optional');
  const countedLines = counted.flatMap(({ lines }) => lines.filter((line) => line.counted));
  return {
    recipe,
    parts,
    lines: parts.flatMap(({ lines }) => lines),
    perServing: servingOf(boxed),
    withTopping: servingOf(counted),
    hasTopping: counted.length > boxed.length,
    batch: batchOf(countedLines, kitchen),
  };
}

/** The till is worked out when it is asked for: choosing packs takes longer than all the rest, and not everyone asks. */
function batchOf(lines: readonly LineFigures[], kitchen: Kitchen): RecipeFigures['batch'] {
  let till: Till | undefined;
  return {
    usedCost: costOfLines(lines),
    get till() {
      return (till ??= tillOf(lines, kitchen));
    },
  };
}

/** One serving of a single part. */
export function partServing(part: PartFigures): ServingFigures {
  return servingOf([part]);
}

/** Where a part is served when it does not say: in the box. */
export function servedOf(part: { readonly served?: Served }): Served {
  return part.served ?? 'box';
}

function servingOf(parts: readonly PartFigures[]): ServingFigures {
  return {
    weight: compensatedSum(parts.map(({ share }) => share.portion)),
    nutrients: addNutrientFigures(parts.map(({ nutrients, share }) => shareOfFigures(nutrients, share.share))),
    usedCost: addFigures(parts.map(({ usedCost, share }) => shareOf(usedCost, share.share))),
    factoredKcal: sumOfKnown(parts.map(({ factoredKcal, share }) => (factoredKcal === undefined ? undefined : factoredKcal * share.share))),
    compared: {
      declared: compensatedSum(parts.map(({ compared, share }) => compared.declared * share.share)),
      factored: compensatedSum(parts.map(({ compared, share }) => compared.factored * share.share)),
    },
  };
}
