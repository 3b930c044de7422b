import { USUAL_START, type Session, type Timer } from '@portiona/core';
import type { ListedStep } from './planWords';

/** A step that takes less is over before a clock for it is looked at. */
const SHORTEST = 2;

/** Clocks of the steps that are under way: each runs from when it was begun for as long as it is planned to take. */
export function sessionTimers({ date, start = USUAL_START, done = [] }: Session, steps: readonly ListedStep[]): Timer[] {
  return done.flatMap((begun): Timer[] => {
    const step = steps.find((one) => one.dish === begun.dish && one.step === begun.step);
    if (!step || begun.end !== undefined || step.end - step.start < SHORTEST) return [];
    // By the clock of the kitchen, which is the one of whoever looks.
    const started = new Date(`${date}T${start}:00`);
    started.setMinutes(started.getMinutes() + begun.start);
    const id = `${begun.dish}/${begun.step}`;
    return [{ id, name: `${step.number} ${step.title}`, minutes: step.end - step.start, started: started.toISOString() }];
  });
}

/** The step that a clock is of. */
export function stepOfTimer(id: string): { readonly dish: number; readonly step: number } {
  const [dish = 0, step = 0] = id.split('/').map(Number);
  return { dish, step };
}
