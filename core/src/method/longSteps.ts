import type { Recipe } from '../recipe/index.js';
import { timedSteps, type TimedStep } from './timedSteps.js';

/** Minutes from which a step is to be begun long before the rest. */
const LONG = 4 * 60;
/** Said of a night, in so many words or by the day. */
const NIGHT = /\bovernight\b|\b(?:the )?(?:day|night|evening) before\b/i;

/** A step that must be begun before the cook: how many minutes it takes, undefined where it takes a night. */
export interface LongStep {
  readonly step: TimedStep;
  readonly minutes: number | undefined;
}

/** Steps that take four hours or more, or a night: a soak, a marinade. They are said when a batch begins. */
export function longSteps(recipe: Recipe): LongStep[] {
  return timedSteps(recipe).flatMap((step): LongStep[] => {
    if (step.minutes >= LONG) return [{ step, minutes: step.minutes }];
    return NIGHT.test(step.step.text) ? [{ step, minutes: undefined }] : [];
  });
}
