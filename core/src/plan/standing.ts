import type { PlanProblem } from './planProblem.js';
import type { SessionPlan } from './sessionPlan.js';
import type { StepPlace } from './whyHere.js';

/**
 * Minutes that cooked food may stand before it is gone on with, put into boxes and cooled (docs/reckoning.md, "Cautions"): longer is told.
 */
export const LONGEST_STANDING = 90;

/** Something cooked that stands for long before it is gone on with. */
export interface Standing extends StepPlace {
  /** The step it was cooked in. */
  readonly after: StepPlace;
  /** Minutes between the two. */
  readonly minutes: number;
}

/** What of a plan stands cooked, longer than it should, before the next step of its dish: what was on a ring, in an oven or a cooker. */
export function standingLong({ tasks }: PlanProblem, { steps }: Pick<SessionPlan, 'steps'>, most = LONGEST_STANDING): Standing[] {
  const planned = new Map(steps.map((step) => [`${step.dish}/${step.step}`, step]));
  return tasks.flatMap(({ dish, step, after, begun }): Standing[] => {
    const own = planned.get(`${dish}/${step}`);
    if (!own || begun !== undefined) return [];
    return after.flatMap((index): Standing[] => {
      const before = tasks[index];
      const done = before && planned.get(`${before.dish}/${before.step}`);
      if (!done || before.uses.length === 0 || !done.on.some(({ name }) => HOT.test(name))) return [];
      const minutes = own.start - done.end;
      return minutes > most ? [{ dish, step, after: { dish: done.dish, step: done.step }, minutes }] : [];
    });
  });
}

const HOT = /hob|ring|stove|oven|cooker|fryer|microwave|grill/i;
