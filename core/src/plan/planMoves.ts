import type { SessionPlan } from './sessionPlan.js';
import type { StepPlace } from './whyHere.js';

/** A step that starts at another minute than before. */
export interface MovedStep extends StepPlace {
  /** Minutes from the session's start; undefined: it was not there. */
  readonly from: number | undefined;
  readonly to: number;
}

/** What moved from one plan of a session to the next: steps that start at another minute, in the order they are done now. */
export function planMoves(before: Pick<SessionPlan, 'steps'>, after: Pick<SessionPlan, 'steps'>): MovedStep[] {
  const was = new Map(before.steps.map(({ dish, step, start }) => [`${dish}/${step}`, start]));
  return after.steps.flatMap(({ dish, step, start }) => {
    const from = was.get(`${dish}/${step}`);
    return from === start ? [] : [{ dish, step, from, to: start }];
  });
}
