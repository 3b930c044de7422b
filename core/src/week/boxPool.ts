import type { Keep } from '../batch/index.js';
import type { BriefFigure } from '../recipe/index.js';
import type { Meal } from './person.js';
import { dayAfter, type BoxOf } from './week.js';

/** A figure of one box. */
export interface BoxFigure {
  /** Unrounded, in the figure's unit; undefined where nothing of it is known. */
  readonly amount?: number;
  /** Something is lacking: the amount is "at least". */
  readonly atLeast?: true;
  /** Standard uncertainty, in the figure's unit. */
  readonly uncertain?: number;
}

/** What one box holds. */
export interface BoxContent {
  /** The variant; left out: as the dish is written. */
  readonly variant?: string;
  readonly figures: { readonly [figure in BriefFigure]?: BoxFigure };
  /** What its share of the whole packs costs, its dish bought for alone, major units; left out where nothing is priced. */
  readonly till?: number;
}

/** Boxes alike: of one pot, one name, one place. Fit for sending. */
export interface BoxPool {
  readonly key: string;
  readonly box: BoxOf;
  readonly recipe: string;
  readonly title: string;
  /** The name on the box; left out for a session's, whose boxes have none yet. */
  readonly name?: string;
  /** Boxes there are, or will be. */
  readonly count: number;
  /** ISO day. */
  readonly cooked: string;
  /** Of a session: not cooked yet. */
  readonly planned: boolean;
  /** It is cooked after noon: on that day it is there late only. */
  readonly afternoon?: true;
  /** Where the boxes are; left out: that follows from the day they are eaten. */
  readonly keep?: Keep;
  /** The last day they are eaten from the fridge; left out: they are not in it. */
  readonly fridgeUntil?: string;
  /** The last day they are eaten from the freezer; left out: they are not frozen. */
  readonly freezerUntil?: string;
  /** By whose word they keep that long in the fridge. */
  readonly because: string;
  /** As the dish is written, then its variants. */
  readonly contents: readonly BoxContent[];
}

/** Where a box comes from on the day it is eaten. */
export type Whence = 'tonight' | 'fridge' | 'freezer';

/** Why a box is not eaten at some meal of some day. */
export type NotThen = 'not cooked yet' | 'past its day' | 'not frozen long enough' | 'only that evening';

/** Nights between freezing and the day of eating, at least: one to freeze, the next to thaw. */
const NIGHTS_FROZEN = 2;

/**
 * Where a box comes from at a meal, within the days it keeps (docs/reckoning.md, "Cautions"): on the evening it is cooked, from the
 * fridge within its days, or else from the freezer, thawed in the fridge the night before.
 *
 * @param date ISO day
 */
export function whenceOn(pool: BoxPool, date: string, meal: Meal): Whence | { readonly not: NotThen } {
  const { cooked, keep, fridgeUntil, freezerUntil, afternoon = false } = pool;
  if (date < cooked || (date === cooked && (meal === 'before' || (afternoon && meal === 'main')))) return { not: 'not cooked yet' };
  if (keep === 'tonight') return date === cooked ? 'tonight' : { not: 'only that evening' };
  if (fridgeUntil !== undefined && date <= fridgeUntil) return 'fridge';
  if (freezerUntil === undefined || date > freezerUntil) return { not: 'past its day' };
  return date >= dayAfter(cooked, NIGHTS_FROZEN) ? 'freezer' : { not: 'not frozen long enough' };
}

/** The last day a box of a pool can be eaten at all. */
export function lastDay({ cooked, keep, fridgeUntil, freezerUntil }: BoxPool): string {
  if (keep === 'tonight') return cooked;
  return [fridgeUntil ?? cooked, freezerUntil ?? cooked].reduce((a, b) => (a > b ? a : b));
}

/** What a box holds, by how it is seasoned; undefined where its dish has no such variant. */
export function contentOf({ contents }: Pick<BoxPool, 'contents'>, box: BoxOf): BoxContent | undefined {
  const variant = 'session' in box ? box.variant : undefined;
  return contents.find((one) => one.variant === variant);
}
