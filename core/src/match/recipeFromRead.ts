import { cutText, type MeasuringSystem } from '../quantity/index.js';
import { stepFrom, withKnownMentions, type Line, type Part, type Recipe, type Step } from '../recipe/index.js';
import type { ReadRecipe, ReadStep } from '../page/index.js';
import { idFromName, LONGEST_LINE } from '../text/index.js';
import type { FoodIndex } from './foodIndex.js';
import { lineFromText, type LineSetting } from './lineFromText.js';
import { linesApart } from './linesApart.js';

const LONGEST = { title: 200, line: LONGEST_LINE, step: 2000, part: 200, servingName: 60 } as const;
const USUAL_SERVINGS = 4;
/** A text from elsewhere knows nothing of this recipe's lines. */
const NO_PLACES: ReadonlySet<string> = new Set();

/**
 * A recipe of the kitchen from one that was read: each line matched to the pantry as if it were typed, each section a part in
 * the box. Words that match no food stay as they were written, for the person to choose.
 *
 * @param taken ids of recipes that are there
 * @param measures the kitchen's: whose spoons and cups its lines mean
 */
export function recipeFromRead(read: ReadRecipe, index: FoodIndex, taken: ReadonlySet<string>, measures?: MeasuringSystem): Recipe {
  const title = cutText(read.title || 'Without a name', LONGEST.title);
  const servings = read.servings ?? USUAL_SERVINGS;
  const ids = new Set<string>();
  const parts = read.sections.map(({ name, lines, atTable }, i): Part => {
    const called = cutText(name || (i === 0 ? 'Main' : `Part ${i + 1}`), LONGEST.part);
    const id = idFromName(called, ids);
    ids.add(id);
    const own = lines
      .flatMap((line) => linesApart(line, index))
      .map((line) => lineOf(line, index, { servings, ...(measures ? { measures } : {}) }));
    return { id, name: called, ...(atTable ? { served: 'table' as const } : {}), lines: own };
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
    ...(read.stated === undefined ? {} : { stated: read.stated }),
  };
}

/** A line matched as if it were typed; what is longer than any ingredient stays words, cut to what a line holds. */
function lineOf(text: string, index: FoodIndex, setting: LineSetting): Line {
  return text.length > LONGEST.line ? { text: cutText(text, LONGEST.line) } : lineFromText(text, index, setting);
}

/** Steps with the part each makes, where a section of the method is called like a part; what it is called else stands before it. */
function stepsByPart(steps: readonly ReadStep[], parts: readonly Part[]): Step[] {
  let section: string | undefined;
  return steps.map((step) => {
    const part = parts.find(({ name }) => step.section !== undefined && isSameName(name, step.section))?.id;
    const named = step.section !== undefined && part === undefined && step.section !== section;
    section = step.section;
    const text = named ? `${step.section}: ${step.text}` : step.text;
    return stepFrom({ text: cutText(text, LONGEST.step), ...(part === undefined ? {} : { part }) });
  });
}

function isSameName(one: string, other: string): boolean {
  const plain = (name: string) =>
    name
      .toLowerCase()
      .replace(/^(?:for )?(?:the )?/, '')
      .replace(/:$/, '')
      .trim();
  return plain(one) === plain(other);
}
