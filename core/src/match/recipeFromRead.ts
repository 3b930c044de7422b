import { cutText } from '../quantity/index.js';
import { stepFrom, withKnownMentions, type Line, type Part, type Recipe, type Step } from '../recipe/index.js';
import { idFromName, LONGEST_LINE, type ReadRecipe } from '../text/index.js';
import type { FoodIndex } from './foodIndex.js';
import { lineFromText } from './lineFromText.js';

const LONGEST = { title: 200, line: LONGEST_LINE, step: 2000, part: 200, servingName: 60 } as const;
const USUAL_SERVINGS = 4;
/** A text from elsewhere knows nothing of this recipe's lines. */
const NO_PLACES: ReadonlySet<string> = new Set();

/**
 * A recipe of the kitchen from one that was read: each line matched to the pantry as if it were typed, each section a part in
 * the box. Words that match no food stay as they were written, for the person to choose.
 *
 * @param taken ids of recipes that are there
 */
export function recipeFromRead(read: ReadRecipe, index: FoodIndex, taken: ReadonlySet<string>): Recipe {
  const title = cutText(read.title || 'Without a name', LONGEST.title);
  const servings = read.servings ?? USUAL_SERVINGS;
  const ids = new Set<string>();
  const parts = read.sections.map(({ name, lines }, i) => {
    const called = cutText(name || (i === 0 ? 'Main' : `Part ${i + 1}`), LONGEST.part);
    const id = idFromName(called, ids);
    ids.add(id);
    return { id, name: called, lines: lines.map((line) => lineOf(line, index, servings)) };
  });
  return {
    id: idFromName(title, taken),
    title,
    servings,
    servingName: read.servingName === undefined ? 'box' : cutText(read.servingName, LONGEST.servingName),
    parts,
    ...(read.steps.length === 0 ? {} : { steps: withKnownMentions(stepsByPart(read.steps, parts), NO_PLACES) }),
    ...(read.activeMinutes === undefined ? {} : { activeMinutes: read.activeMinutes }),
    ...(read.totalMinutes === undefined ? {} : { totalMinutes: read.totalMinutes }),
    ...(read.source === undefined ? {} : { source: read.source }),
  };
}

/** A line matched as if it were typed; what is longer than any ingredient stays words, cut to what a line holds. */
function lineOf(text: string, index: FoodIndex, servings: number): Line {
  return text.length > LONGEST.line ? { text: cutText(text, LONGEST.line) } : lineFromText(text, index, servings);
}

/** Steps with the part each makes, where a section of the method is called like a part: "Sauce: soften the onions". */
function stepsByPart(steps: readonly string[], parts: readonly Part[]): Step[] {
  let part: string | undefined;
  return steps.map((step) => {
    const [, heading, rest = ''] = /^([^:.]{1,60}):\s(.+)$/s.exec(step) ?? [];
    if (heading === undefined) return stepFrom({ text: cutText(step, LONGEST.step), ...(part === undefined ? {} : { part }) });
    part = parts.find(({ name }) => name.toLowerCase() === heading.replace(/^for the /i, '').toLowerCase())?.id;
    return stepFrom({ text: cutText(part === undefined ? step : rest, LONGEST.step), ...(part === undefined ? {} : { part }) });
  });
}
