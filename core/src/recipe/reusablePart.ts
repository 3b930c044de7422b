import type { Kitchen } from './kitchen.js';
import { weighsSomething } from './partFigures.js';
import { recipeFigures, type RecipeFigures } from './recipeFigures.js';
import type { Part, Recipe } from './recipe.js';

/** A part as a line of another recipe can take it. */
export interface ReusablePart {
  /** `recipe/part`. */
  readonly id: string;
  readonly recipe: string;
  readonly part: string;
  /** Of the recipe. */
  readonly title: string;
  /** What it is called away from home: "tomato base", "dal of Lentil dal with charred broccoli". */
  readonly name: string;
  /** What a line calls it. */
  readonly called: string;
  /** Other names it goes by, for finding it. */
  readonly names: readonly string[];
  /** The recipe's own servings and what one is called. */
  readonly servings: number;
  readonly servingName: string;
  /** Grams cooked, at the recipe's own size, and of one of its servings. */
  readonly cooked: number;
  readonly estimated: boolean;
  readonly portion: number;
  /** Of 100 g of it cooked; undefined where nobody knows, or where it weighs nothing. Money in major units. */
  readonly per100: {
    readonly energyKcal: number | undefined;
    readonly protein: number | undefined;
    readonly usedCost: number | undefined;
  };
}

/**
 * The parts of a recipe that other recipes can take lines of: all that weigh something once cooked (kitchen file, Line).
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function reusableParts(recipe: Recipe, kitchen: Kitchen): ReusablePart[] {
  return reusablePartsOf(recipeFigures(recipe, kitchen));
}

/** As `reusableParts`, of figures that are there already. */
export function reusablePartsOf({ recipe, parts }: Pick<RecipeFigures, 'recipe' | 'parts'>): ReusablePart[] {
  return parts
    .filter(({ cooked }) => weighsSomething(cooked))
    .map(({ part, cooked, estimated, share, nutrients, usedCost }) => {
      const per100 = (amount: number | undefined, lacking: boolean) =>
        amount === undefined || lacking ? undefined : (amount / cooked) * 100;
      const { energyKcal, protein } = nutrients;
      return {
        id: `${recipe.id}/${part.id}`,
        recipe: recipe.id,
        part: part.id,
        title: recipe.title,
        ...namesOf(recipe, part),
        servings: recipe.servings,
        servingName: recipe.servingName ?? 'serving',
        cooked,
        estimated,
        portion: share.portion,
        per100: {
          energyKcal: per100(energyKcal.amount, energyKcal.gaps.length > 0),
          protein: per100(protein.amount, protein.gaps.length > 0),
          usedCost: per100(usedCost.amount, usedCost.gaps.length > 0),
        },
      };
    });
}

/** What a part is called in another recipe: "tomato base", "dal of Lentil dal". */
export function nameOfPart({ title, parts }: Pick<Recipe, 'title' | 'parts'>, { name }: Pick<Part, 'name'>): string {
  return parts.length === 1 ? title : `${name} of ${title}`;
}

/** A recipe of one part is the part; one of several is told by both, and found by either. */
function namesOf({ title, parts }: Recipe, { name }: Part): Pick<ReusablePart, 'name' | 'called' | 'names'> {
  const away = nameOfPart({ title, parts }, { name });
  return parts.length === 1
    ? { name: away, called: title, names: [`${title} ${name}`] }
    : { name: away, called: name, names: [name, `${title} ${name}`] };
}
