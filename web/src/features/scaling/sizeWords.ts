import { boxCounts, stepFrom, stepOf, withBoxCount, type BoxCount, type Recipe } from '@portiona/core';

/** A place in the words of a dish that says how many boxes it makes. */
export interface SizeWords {
  /** "lead", "step 3", "reheating". */
  readonly where: string;
  readonly found: BoxCount;
}

/** Where the words of a dish say how many boxes it makes, and that number is another than a size. */
export function sizeWords(recipe: Recipe, servings: number): SizeWords[] {
  const counted = (where: string, text = '') =>
    boxCounts(text, recipe.servingName)
      .filter(({ count }) => count !== servings)
      .map((found) => ({ where, found }));
  return [
    ...counted('the title', recipe.title),
    ...counted('the lead', recipe.lead),
    ...(recipe.steps ?? []).flatMap((step, s) => counted(`step ${s + 1}`, stepOf(step).text)),
    ...counted('reheating', recipe.storage?.reheat),
  ];
}

/** The dish with its words following: what said the old number says the new one. What said any other number stays as it is. */
export function withSizeWords(recipe: Recipe, from: number, to: number): Recipe {
  const following = (text: string) =>
    boxCounts(text, recipe.servingName)
      .filter(({ count }) => count === from)
      // From the end on, so that the places before stay what they are.
      .reduceRight((written, found) => withBoxCount(written, found, to), text);
  const { lead, steps, storage } = recipe;
  return {
    ...recipe,
    title: following(recipe.title),
    ...(lead === undefined ? {} : { lead: following(lead) }),
    ...(steps === undefined ? {} : { steps: steps.map((step) => stepFrom({ ...stepOf(step), text: following(stepOf(step).text) })) }),
    ...(storage?.reheat === undefined ? {} : { storage: { ...storage, reheat: following(storage.reheat) } }),
  };
}
