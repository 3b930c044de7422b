import { targetFigure } from '../brief/index.js';
import { recipeFigures, type BriefFigure, type Kitchen, type Recipe, type RecipeFigures } from '../recipe/index.js';
import { changesOf, stepFactor, withFactors, type LineChange } from './lineChange.js';
import { adjustableLines } from './allowedChange.js';

/** What a choice costs: how a serving's figures change by it; undefined where nobody knows. */
export type Effects = { readonly [figure in (typeof EFFECT_FIGURES)[number]]: number | undefined };

export const EFFECT_FIGURES = ['energyKcal', 'protein', 'fibre', 'salt', 'weight', 'usedCost'] as const satisfies readonly BriefFigure[];

/** One line changed alone so that a figure of the serving moves by so much. */
export interface SingleLineChange {
  /** Brought to what is easily weighed; its effects are of that. */
  readonly change: LineChange;
  /** The factor that would move the figure by exactly what was asked. */
  readonly exact: number;
  /** Further than the line may usually be stretched. */
  readonly far: boolean;
  readonly effects: Effects;
}

/** Nearest a line is brought to what is asked, as a share of it; what the engine gives need not be linear. */
const CLOSE = 1e-9;
const MOST_ROUNDS = 30;

/**
 * Every line that could, changed alone, move a figure of a serving by an amount, and what each choice costs in the other figures:
 * the engine's figures with the change less those without. The smallest change first. Locked lines are left out.
 *
 * @param by in the figure's unit; -60 for 60 kcal less
 * @throws UnknownFoodError, UnknownPartError, CircularPartError
 */
export function singleLineChanges(recipe: Recipe, figure: BriefFigure, by: number, kitchen: Kitchen): SingleLineChange[] {
  const before = recipeFigures(recipe, kitchen);
  const start = amountOf(figure, before, kitchen);
  if (start === undefined || by === 0) return [];
  return adjustableLines(before, kitchen)
    .flatMap(({ at, line, allowed }): SingleLineChange[] => {
      if (allowed.kind === 'stays' && allowed.because !== 'to taste') return [];
      const figuresAt = (factor: number) => recipeFigures(withFactors(recipe, new Map([[at, factor]])), kitchen);
      const exact = factorFor(start + by, start, (one) => amountOf(figure, figuresAt(one), kitchen) ?? start);
      if (exact === undefined) return [];
      const step = stepFactor(line, recipe);
      const rounded = step === undefined ? exact : Math.max(step, Math.round(exact / step) * step);
      const factor = exact === 0 ? 0 : rounded;
      const [change] = changesOf(recipe, new Map([[at, factor]]));
      if (!change) return [];
      const far = allowed.kind === 'free' ? factor < allowed.low || factor > allowed.high : factor < 0.5 || factor > 1.5;
      return [{ change, exact, far, effects: effectsOf(before, figuresAt(factor), kitchen) }];
    })
    .sort((a, b) => Math.abs(a.change.factor - 1) - Math.abs(b.change.factor - 1));
}

/** How a serving's figures differ; undefined too where one lacks what the other does not, so that both are "at least" of different things. */
export function effectsOf(before: RecipeFigures, after: RecipeFigures, kitchen: Kitchen): Effects {
  const difference = (figure: BriefFigure) => {
    const [then, now] = [targetFigure({ figure }, before, kitchen), targetFigure({ figure }, after, kitchen)];
    if (then.amount === undefined || now.amount === undefined || then.gaps.length !== now.gaps.length) return undefined;
    return now.amount - then.amount;
  };
  return Object.fromEntries(EFFECT_FIGURES.map((figure) => [figure, difference(figure)])) as Effects;
}

/** The factor at which a figure is what it should be, by secants; undefined where no amount of the line, or none at all, does it. */
function factorFor(wanted: number, start: number, at: (factor: number) => number): number | undefined {
  let [x0, y0, x1] = [1, start, 0.5];
  let y1 = at(x1);
  for (let round = 0; round < MOST_ROUNDS && y1 !== y0; round++) {
    const next = x1 + ((wanted - y1) * (x1 - x0)) / (y1 - y0);
    if (!Number.isFinite(next) || next < -CLOSE || next > MOST_TIMES) return undefined;
    [x0, y0, x1] = [x1, y1, Math.max(0, next)];
    y1 = at(x1);
    if (Math.abs(y1 - wanted) <= CLOSE * Math.max(1, Math.abs(wanted))) return x1;
  }
  return undefined;
}

/** More than tenfold is another dish. */
const MOST_TIMES = 10;

function amountOf(figure: BriefFigure, figures: RecipeFigures, kitchen: Kitchen): number | undefined {
  return targetFigure({ figure }, figures, kitchen).amount;
}
