import { lineText, stepOf, type Food, type Recipe } from '@portiona/core';

/** Somewhere in a dish that a note can stand at. */
export interface NotePlace {
  /** As the server knows it: "recipe", "line/PART/ID", "step/ID". */
  readonly place: string;
  /** What stands there, as it reads now. */
  readonly about: string;
}

/** The longest of what stood at a place that is kept with a note. */
const LONGEST_ABOUT = 200;

/** Every place of a dish, in its order. Lines and steps are known by their ids (lines within their parts), so that a note stays where it was written when they move. */
export function notePlaces(recipe: Recipe, foods: ReadonlyMap<string, Food>): readonly NotePlace[] {
  const lines = recipe.parts.flatMap(({ id, lines: own }) =>
    own.flatMap((line) =>
      line.id === undefined
        ? []
        : [
            {
              place: `line/${id}/${line.id}`,
              about: cut(line.text ?? lineText(line, line.food === undefined ? undefined : foods.get(line.food))),
            },
          ],
    ),
  );
  const steps = (recipe.steps ?? []).flatMap((step, i) => {
    const { id, text } = stepOf(step);
    return id === undefined ? [] : [{ place: `step/${id}`, about: cut(`${i + 1}. ${text}`) }];
  });
  return [{ place: 'recipe', about: recipe.title }, ...lines, ...steps];
}

function cut(text: string): string {
  return text.length > LONGEST_ABOUT ? `${text.slice(0, LONGEST_ABOUT - 1)}…` : text;
}
