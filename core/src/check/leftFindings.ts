import { lineText } from '../text/index.js';
import {
  lineAt,
  placesByReference,
  recipeFigures,
  stepOf,
  type AcceptedFinding,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
} from '../recipe/index.js';
import { checkRecipe } from './checkRecipe.js';
import type { Finding } from './finding.js';

/** A finding that somebody left as it is, with the reason. */
export interface LeftFinding {
  readonly finding: Finding;
  readonly accepted: AcceptedFinding;
}

/** What Check finds in a dish: open, and left with a reason. */
export interface CheckedRecipe {
  readonly open: readonly Finding[];
  readonly left: readonly LeftFinding[];
  /** Reasons that silence nothing any more: what they were about has changed, or is gone. */
  readonly outdated: readonly AcceptedFinding[];
}

/**
 * Checks a dish at its own size, and puts aside what was left with a reason.
 *
 * @throws UnknownFoodError, UnknownPartError, CircularPartError, TooLongToCheckError
 */
export function checkedRecipe(recipe: Recipe, kitchen: Kitchen): CheckedRecipe {
  return checkedFigures(recipeFigures(recipe, kitchen), kitchen);
}

/** The same of figures that are there already. */
export function checkedFigures(figures: RecipeFigures, kitchen: Kitchen): CheckedRecipe {
  return withReasons(checkRecipe(figures, kitchen), figures.recipe, kitchen);
}

/** Findings parted into those that are open and those that were left with a reason. */
export function withReasons(findings: readonly Finding[], recipe: Recipe, kitchen: Kitchen): CheckedRecipe {
  const accepted = recipe.accepted ?? [];
  const places = placesByReference(recipe);
  const used = new Set<AcceptedFinding>();
  const open: Finding[] = [];
  const left: LeftFinding[] = [];
  for (const finding of findings) {
    const because = accepted.find((one) => {
      if (one.code !== finding.code) return false;
      if (one.about !== undefined) return one.about === groundOf(finding, recipe, kitchen);
      return (places.get(one.at) ?? one.at) === finding.at;
    });
    if (!because) {
      open.push(finding);
      continue;
    }
    used.add(because);
    left.push({ finding, accepted: because });
  }
  return { open, left, outdated: accepted.filter((one) => !used.has(one)) };
}

/**
 * What a finding is about, as a short mark: its words with their figures, and the words of the place it stands at. Once either is
 * another, a reason that was given for the finding is for something else. Where in the recipe it stands is no part of it.
 */
export function groundOf(finding: Finding, recipe: Recipe, kitchen: Kitchen): string {
  return mark(`${finding.code}\n${finding.message}\n${wordsAt(finding.at, recipe, kitchen)}`);
}

/** The words that stand at the place of a finding, for showing and for holding a reason to them. */
export function wordsAt(at: string, recipe: Recipe, kitchen: Kitchen): string {
  if (at === 'title') return recipe.title;
  if (at === 'lead') return recipe.lead ?? '';
  if (at === 'storage') return JSON.stringify(recipe.storage ?? {});
  const [, step] = /^step\/(\d+)$/.exec(at) ?? [];
  if (step !== undefined) {
    const found = recipe.steps?.[Number(step) - 1];
    return found === undefined ? '' : stepOf(found).text;
  }
  const line = lineAt(recipe, at);
  if (line) return line.text ?? lineText(line, line.food === undefined ? undefined : kitchen.food(line.food));
  return recipe.parts.find(({ id }) => id === at)?.name ?? '';
}

/** FNV-1a of 32 bits: it tells texts apart, and keeps nothing secret. */
function mark(text: string): string {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}
