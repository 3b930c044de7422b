import type { DoneStep, Session, SessionPlan } from '@portiona/core';

/**
 * A session that runs late, as what is done by now: everything that was to be over so many minutes ago is done as planned, but not later
 * than now; what was to have begun then is under way since so much later; all else has not begun. What was ticked stays as it was.
 *
 * @param now minutes from the session's start
 * @param late by how many minutes
 */
export function doneWhenLate(session: Session, plan: Pick<SessionPlan, 'steps'>, now: number, late: number): DoneStep[] {
  const ticked = new Map((session.done ?? []).map((one) => [`${one.dish}/${one.step}`, one]));
  const come = now - late;
  return plan.steps.flatMap(({ dish, step, start, end }): DoneStep[] => {
    const known = ticked.get(`${dish}/${step}`);
    if (known) return [known];
    if (start >= come) return [];
    if (end <= come) return [{ dish, step, start, end: Math.min(now, end) }];
    return [{ dish, step, start: Math.min(now, start + late) }];
  });
}
