import { judgementsOn, type GroundFigure, type TargetJudgement } from '../brief/index.js';
import { compensatedSum } from '../quantity/index.js';
import type { BriefFigure } from '../recipe/index.js';
import { COVERAGE, type Band } from '../uncertainty/index.js';
import { contentOf, type BoxContent, type BoxPool } from './boxPool.js';
import { MEALS, type Person } from './person.js';
import { poolKey, type PlannedMeal } from './week.js';

/** A box of a day, with what it holds; nothing where its boxes are not there any more. */
export interface DayBox {
  readonly meal: PlannedMeal;
  readonly pool: BoxPool | undefined;
  readonly content: BoxContent | undefined;
}

/** What somebody eats on a day, all boxes together. */
export interface DayFigures {
  /** In the order of the day. */
  readonly boxes: readonly DayBox[];
  /** Known sums, unrounded; "at least" where a box lacks something, or is not there. */
  readonly figureOf: (figure: BriefFigure) => GroundFigure;
  readonly judgements: readonly TargetJudgement[];
  /** What the boxes' shares of whole packs cost, each dish bought for alone; of an unpriced box nothing is known. */
  readonly till: { readonly amount: number | undefined; readonly atLeast: boolean };
}

/** Pools by their keys. */
export type Pools = ReadonlyMap<string, BoxPool>;

/** @returns by key */
export function poolsByKey(pools: readonly BoxPool[]): Pools {
  return new Map(pools.map((pool) => [pool.key, pool]));
}

/**
 * Adds up what some boxes hold, and holds the sum against the targets of a day (docs/reckoning.md, "A week of boxes"): boxes of one pot
 * share its errors, so their uncertainties add; those of different pots count as independent, and add in squares.
 *
 * @param meals of one person on one day
 */
export function dayFigures(meals: readonly PlannedMeal[], person: Pick<Person, 'targets'>, pools: Pools): DayFigures {
  const boxes = [...meals]
    .sort((a, b) => MEALS.indexOf(a.meal) - MEALS.indexOf(b.meal))
    .map((meal): DayBox => {
      const pool = pools.get(poolKey(meal.box));
      return { meal, pool, content: pool && contentOf(pool, meal.box) };
    });
  const figureOf = (figure: BriefFigure) => sumOf(boxes, figure);
  const ground = { figureOf, weight: figureOf('weight').amount ?? 0, foods: [], unmatched: false };
  const judgements = judgementsOn(ground, { targets: person.targets ?? [] }).filter((one) => one.kind === 'target');
  const tills = boxes.map(({ content }) => content?.till);
  const known = tills.filter((one) => one !== undefined);
  return {
    ...{ boxes, figureOf, judgements },
    till: { amount: boxes.length > 0 && known.length === 0 ? undefined : compensatedSum(known), atLeast: known.length < tills.length },
  };
}

function sumOf(boxes: readonly DayBox[], figure: BriefFigure): GroundFigure {
  const of = boxes.map(({ pool, content }) => ({ pot: pool && potOf(pool), ...content?.figures[figure] }));
  const amounts = of.flatMap(({ amount }) => amount ?? []);
  const atLeast = of.some((one) => one.amount === undefined || one.atLeast === true);
  // Nobody ate from a box: that is nothing, and known.
  if (of.length > 0 && amounts.length === 0) return { amount: undefined, atLeast: true, band: undefined };
  const amount = compensatedSum(amounts);
  return { amount, atLeast, band: figure === 'weight' || figure === 'usedCost' ? undefined : bandOf(amount, of) };
}

function bandOf(amount: number, of: readonly { readonly pot: string | undefined; readonly uncertain?: number }[]): Band {
  const pots = new Map<string, number>();
  for (const { pot = '', uncertain = 0 } of of) pots.set(pot, (pots.get(pot) ?? 0) + uncertain);
  const spread = COVERAGE * Math.sqrt(compensatedSum([...pots.values()].map((one) => one ** 2)));
  return [Math.max(0, amount - spread), amount + spread];
}

/** What boxes share their errors with: everything cooked in one pot. */
function potOf({ box }: Pick<BoxPool, 'box'>): string {
  return 'session' in box ? JSON.stringify([box.session, box.dish]) : box.batch;
}
