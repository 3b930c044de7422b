import { placedLines, type Line, type Recipe } from '../recipe/index.js';
import type { Food } from '../food/index.js';
import type { MeasuringSystem } from '../quantity/index.js';
import type { FoodIndex } from './foodIndex.js';
import { lineFromText } from './lineFromText.js';

/** A line that its words would find another food for than it has, since foods have come. */
export interface FoundAgain {
  /** Where it stands, "part/line". */
  readonly at: string;
  readonly text: string;
  /** What it counts as now; undefined where it had no food. */
  readonly before: string | undefined;
  readonly food: Food;
  /** The line as it would be. */
  readonly line: Line;
}

/** Lines whose words are to be tried again when foods come, with where they stand: those without a food, and those nobody has agreed to yet. */
export function openLines(recipe: Recipe): readonly { readonly at: string; readonly line: Line; readonly text: string }[] {
  return placedLines(recipe).flatMap(({ at, line }) =>
    line.text === undefined || line.recipe !== undefined || (line.food !== undefined && line.agreed !== false)
      ? []
      : [{ at, line, text: line.text }],
  );
}

/**
 * Lines without a food, and lines nobody has agreed to yet, tried against the pantry as it is: those whose words find a food now, or
 * another one. What a person chose or agreed to is left.
 *
 * @param foods by id
 * @param measures the kitchen's, for a recipe that says none
 */
export function triedAgain(
  recipe: Recipe,
  index: FoodIndex,
  foods: ReadonlyMap<string, Food>,
  measures: MeasuringSystem,
): readonly FoundAgain[] {
  return openLines(recipe).flatMap(({ at, line, text }) => {
    const now = lineFromText(text, index, { ...recipe, measures: recipe.measures ?? measures });
    const food = now.food === line.food ? undefined : foods.get(now.food ?? '');
    return food ? [{ at, text, before: line.food, food, line: keptWith(line, now) }] : [];
  });
}

/** What stays of a line whose food is found: what was judged of it, and not its words. */
function keptWith({ id, optional, comment, retained, scaling }: Line, now: Line): Line {
  return {
    ...(id === undefined ? {} : { id }),
    ...(comment === undefined ? {} : { comment }),
    ...(retained === undefined ? {} : { retained }),
    ...(scaling === undefined ? {} : { scaling }),
    ...(optional === undefined ? {} : { optional }),
    ...now,
  };
}
