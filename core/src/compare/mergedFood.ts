import { measureOf, per100gOf, type Food } from '../food/index.js';
import { packGrams, type Pack } from '../price/index.js';
import { computedFigures, Kitchen, withEveryFood, type Recipe } from '../recipe/index.js';
import { FoodIndex } from '../match/index.js';

/**
 * One food of two that are the same: composition, state and source stay the kept one's; what the other knows besides (names,
 * measures, yields, density, refuse, allergens) is added where the kept one says nothing.
 */
export function mergedFood(kept: Food, gone: Food): Food {
  const names = [...new Set([...(kept.names ?? []), gone.name, ...(gone.names ?? [])])].filter((name) => name !== kept.name);
  const measures = { ...gone.measures, ...kept.measures };
  const edible = Object.keys(measures).filter((name) => measureOf(name in (kept.measures ?? {}) ? kept : gone, name)?.edible ?? false);
  const { measures: _, measuresAre: __, ...rest } = kept;
  return {
    ...added(gone),
    ...rest,
    ...(Object.keys(measures).length === 0 ? {} : { measures }),
    ...(edible.length === 0 ? {} : { measuresAre: edible.length === Object.keys(measures).length ? 'edible' : edible }),
    ...(gone.yields || kept.yields ? { yields: { ...gone.yields, ...kept.yields } } : {}),
    ...(gone.mayContain || kept.mayContain
      ? { mayContain: [...new Set([...(kept.mayContain ?? []), ...(gone.mayContain ?? [])])].sort() }
      : {}),
    ...(gone.allergens || kept.allergens ? { allergens: [...new Set([...(kept.allergens ?? []), ...(gone.allergens ?? [])])].sort() } : {}),
    ...(names.length === 0 ? {} : { names }),
  };
}

/** What a food that is given up may add. */
function added({ density, refuse, drained, yield: cooked, aisle }: Food): Partial<Food> {
  return {
    ...(density === undefined ? {} : { density }),
    ...(refuse === undefined ? {} : { refuse }),
    ...(drained === undefined ? {} : { drained }),
    ...(cooked === undefined ? {} : { yield: cooked }),
    ...(aisle === undefined ? {} : { aisle }),
  };
}

/** A pack of the food given up as one of the food kept. What it weighs stays, also where both call different weights by one measure. */
export function movedPack(pack: Pack, gone: Food, kept: Food): Pack {
  const [before, after] = [packGrams(pack, gone), packGrams(pack, kept)];
  const same = before === undefined || (after !== undefined && Math.abs(after - before) <= 1e-9 * before);
  return { ...pack, food: kept.id, ...(same ? {} : { net: Number(before.toPrecision(12)), unit: 'g' }) };
}

/** A recipe with one food in another's place wherever it stands, in its variants too; everything else as written. */
export function withFoodMerged(recipe: Recipe, gone: string, kept: string): Recipe {
  return withEveryFood(recipe, (food) => (food === gone ? kept : food));
}

/** What a merge changes in a serving of a recipe; undefined where nobody knows. */
export interface MergeEffect {
  readonly recipe: Recipe;
  readonly merged: Recipe;
  readonly energyKcal: number | undefined;
  readonly protein: number | undefined;
  /** Major units. */
  readonly usedCost: number | undefined;
}

/**
 * What merging one food into another does to the recipes that hold it: figures of a serving after it less those before, by
 * `recipeFigures` (docs/reckoning.md, "Grams as written" to "Cost"), unrounded.
 *
 * @param kitchen with every recipe and both foods and their packs
 * @throws UnknownFoodError
 */
export function mergeEffects(kitchen: Kitchen, goneId: string, keptId: string): readonly MergeEffect[] {
  const [gone, kept] = [kitchen.resolvedFood(goneId).food, kitchen.resolvedFood(keptId).food];
  const food = mergedFood(kept, gone);
  const { content } = kitchen;
  const recipes = content.recipes.map((recipe) => withFoodMerged(recipe, goneId, keptId));
  const after = new Kitchen({
    ...content,
    foods: content.foods.flatMap((one) => (one.id === goneId ? [] : one.id === keptId ? [food] : [one])),
    packs: content.packs.map((pack) => (pack.food === goneId ? movedPack(pack, gone, food) : pack)),
    recipes,
  });
  return content.recipes.flatMap((recipe, i) => {
    const merged = recipes[i];
    if (!merged || merged === recipe) return [];
    const [before, now] = [computedFigures(recipe, kitchen), computedFigures(merged, after)];
    if (!before.ok || !now.ok) return [{ recipe, merged, energyKcal: undefined, protein: undefined, usedCost: undefined }];
    const [was, is] = [before.made.perServing, now.made.perServing];
    return [
      {
        recipe,
        merged,
        energyKcal: difference(was.nutrients.energyKcal.amount, is.nutrients.energyKcal.amount),
        protein: difference(was.nutrients.protein.amount, is.nutrients.protein.amount),
        usedCost: difference(was.usedCost.amount, is.usedCost.amount),
      },
    ];
  });
}

function difference(before: number | undefined, after: number | undefined): number | undefined {
  return before === undefined || after === undefined ? undefined : after - before;
}

/** Two foods that may be one differ in no figure by more than this share, or this much. */
const NEAR_SHARE = 0.15;
const NEAR = [
  ['energyKcal', 12],
  ['protein', 1.5],
  ['fat', 1.5],
  ['carbohydrate', 2.5],
] as const;
const SAME_NAME = 0.75;

/**
 * Foods that may be the same as one: called alike, in the same state, and of nearly the same energy and macronutrients where
 * both tell them.
 *
 * @returns the likeliest first, at most five
 */
export function likelyDuplicates(food: Food, index: FoodIndex): readonly Food[] {
  const mine = per100gOf(food, 'available');
  return index
    .find(food.name, 12)
    .filter(({ food: other, score }) => other.id !== food.id && score >= SAME_NAME)
    .map(({ food: other }) => other)
    .filter((other) => food.state === undefined || other.state === undefined || food.state === other.state)
    .filter((other) => {
      const theirs = per100gOf(other, 'available');
      return NEAR.every(([nutrient, near]) => {
        const [one, two] = [mine[nutrient], theirs[nutrient]];
        return one === undefined || two === undefined || Math.abs(one - two) <= Math.max(near, NEAR_SHARE * Math.max(one, two));
      });
    })
    .slice(0, 5);
}
