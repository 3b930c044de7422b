import { addDays, format, parseISO } from 'date-fns';
import type { Keep } from '../batch/index.js';
import type { Meal } from './person.js';

/** Boxes of a batch of one name that are kept in one place. */
export interface BatchBoxes {
  readonly batch: string;
  readonly name: string;
  /** Left out: the fridge. */
  readonly keep?: Keep;
  /** Where boxes of one name hold different amounts: which of them, from 2. */
  readonly nth?: number;
}

/** Boxes that a dish of a session will fill. */
export interface SessionBoxes {
  readonly session: string;
  /** From 1. */
  readonly dish: number;
  /** How this one is seasoned: a variant of the recipe by name; left out: as it is written. */
  readonly variant?: string;
}

export type BoxOf = BatchBoxes | SessionBoxes;

/** A box that somebody eats. */
export interface PlannedMeal {
  readonly person: string;
  /** ISO day. */
  readonly date: string;
  readonly meal: Meal;
  readonly box: BoxOf;
}

/** Boxes that are not there any more, though nobody was given them. */
export interface GoneBoxes {
  readonly box: BoxOf;
  readonly count: number;
}

/** A dish that may come to somebody on a day though it came the day before, comes the day after, or comes twice. */
export interface AgainAllowed {
  readonly person: string;
  readonly date: string;
  readonly recipe: string;
}

/** A dish of a session whose boxes may be seasoned one by one: the same pot, another variant each day. */
export interface Seasoned {
  readonly session: string;
  /** From 1. */
  readonly dish: number;
  readonly variants: readonly string[];
}

/** Boxes given to the days of a week (kitchen file, Week). */
export interface Week {
  readonly id: string;
  /** ISO day of its first day. */
  readonly from: string;
  readonly meals: readonly PlannedMeal[];
  /** Days on which somebody eats elsewhere. */
  readonly off?: readonly { readonly person: string; readonly date: string }[];
  readonly again?: readonly AgainAllowed[];
  readonly seasoned?: readonly Seasoned[];
  readonly gone?: readonly GoneBoxes[];
}

/** Days of a week. */
export const DAYS_OF_WEEK = 7;

/** A day so many days on. ISO days. */
export function dayAfter(date: string, days: number): string {
  return format(addDays(parseISO(date), days), 'yyyy-MM-dd');
}

/** The seven days of a week. */
export function daysOfWeek({ from }: Pick<Week, 'from'>): string[] {
  return Array.from({ length: DAYS_OF_WEEK }, (_, day) => dayAfter(from, day));
}

/** What boxes a meal takes of, however that one is seasoned: the key of their pool. */
export function poolKey(box: BoxOf): string {
  if ('session' in box) return JSON.stringify([box.session, box.dish]);
  const { batch, name, keep = 'fridge', nth = 1 } = box;
  return JSON.stringify([batch, name, keep, ...(nth === 1 ? [] : [nth])]);
}

/** Whether somebody eats elsewhere that day. */
export function isOff({ off = [] }: Pick<Week, 'off'>, person: string, date: string): boolean {
  return off.some((one) => one.person === person && one.date === date);
}
