import { lineAt, stepFrom, stepOf, withEveryLine, type FindingCode, type Line, type Recipe } from '../recipe/index.js';
import type { Finding, Mend } from './finding.js';

/** Mends that are what everybody would do: they may be made together, at one press. The rest ask what only a person knows. */
const MADE_TOGETHER: ReadonlySet<FindingCode> = new Set([
  'promise-broken',
  'count-differs',
  'step-amount',
  'portion-text',
  'core-temperature',
  'keeps-too-long',
  'reheated-low',
  'water-twice',
]);

/** Whether a finding's mend may be made together with others. */
export function isMadeTogether({ code, mend, otherwise }: Finding): boolean {
  return mend !== undefined && otherwise === undefined && mend.kind !== 'allergens' && MADE_TOGETHER.has(code);
}

/** A recipe with a mend made. One that is of a food changes nothing here: the food is saved by itself. */
export function mended(recipe: Recipe, mend: Mend): Recipe {
  switch (mend.kind) {
    case 'text':
      return withText(recipe, mend.at, mend.text);
    case 'minutes': {
      const { activeMinutes = recipe.activeMinutes, totalMinutes = recipe.totalMinutes } = mend;
      return {
        ...recipe,
        ...(activeMinutes === undefined ? {} : { activeMinutes }),
        ...(totalMinutes === undefined ? {} : { totalMinutes }),
      };
    }
    case 'storage': {
      const { fridgeDays, freezes, reheat } = mend;
      const storage = {
        ...recipe.storage,
        ...(fridgeDays === undefined ? {} : { fridgeDays }),
        ...(freezes === undefined ? {} : { freezes }),
        ...(reheat === undefined ? {} : { reheat }),
      };
      // What does not freeze keeps no months in the freezer.
      if (freezes === false) delete storage.freezerMonths;
      return { ...recipe, storage };
    }
    case 'line':
      return withLine(recipe, mend.at, mend.line);
    case 'allergens':
      return recipe;
  }
}

function withText(recipe: Recipe, at: string, text: string): Recipe {
  if (at === 'title' || at === 'lead') return { ...recipe, [at]: text };
  const [, number] = /^step\/(\d+)$/.exec(at) ?? [];
  if (number === undefined) return recipe;
  return {
    ...recipe,
    steps: (recipe.steps ?? []).map((step, i) => (i === Number(number) - 1 ? stepFrom({ ...stepOf(step), text }) : step)),
  };
}

function withLine(recipe: Recipe, at: string, change: Partial<Line>): Recipe {
  const wanted = lineAt(recipe, at);
  return wanted ? withEveryLine(recipe, (line) => (line === wanted ? { ...line, ...change } : line)) : recipe;
}
