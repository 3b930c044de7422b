import type { Recipe } from '../recipe/index.js';
import type { FoodIndex } from './foodIndex.js';
import { idFromName } from './idFromName.js';
import { lineFromText } from './lineFromText.js';
import type { ReadRecipe } from './readRecipe.js';

const LONGEST = { title: 200, line: 500, step: 2000, part: 200, servingName: 60 } as const;
const USUAL_SERVINGS = 4;

/**
 * A recipe of the kitchen from one that was read: each line matched to the pantry as if it were typed, each section a part in
 * the box. Words that match no food stay as they were written, for the person to choose.
 *
 * @param taken ids of recipes that are there
 */
export function recipeFromRead(read: ReadRecipe, index: FoodIndex, taken: ReadonlySet<string>): Recipe {
  const title = (read.title || 'Without a name').slice(0, LONGEST.title);
  const servings = read.servings ?? USUAL_SERVINGS;
  const parts = new Set<string>();
  return {
    id: idFromName(title, taken),
    title,
    servings,
    servingName: read.servingName?.slice(0, LONGEST.servingName) ?? 'box',
    parts: read.sections.map(({ name, lines }, i) => {
      const called = (name || (i === 0 ? 'Main' : `Part ${i + 1}`)).slice(0, LONGEST.part);
      const id = idFromName(called, parts);
      parts.add(id);
      return { id, name: called, lines: lines.map((line) => lineFromText(line.slice(0, LONGEST.line), index, servings)) };
    }),
    ...(read.steps.length === 0 ? {} : { steps: read.steps.map((step) => step.slice(0, LONGEST.step)) }),
    ...(read.activeMinutes === undefined ? {} : { activeMinutes: read.activeMinutes }),
    ...(read.totalMinutes === undefined ? {} : { totalMinutes: read.totalMinutes }),
    ...(read.source === undefined ? {} : { source: read.source }),
  };
}
