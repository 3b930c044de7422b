import { useMemo } from 'react';
import type { DoneStep, Session, StepPlace } from '@portiona/core';
import { CookTimers } from '../cook/CookTimers';
import { useRinging } from '../cook/useRinging';
import type { ListedStep } from './planWords';
import { sessionTimers, stepOfTimer } from './sessionTimers';
import '../cook/cook.css';

interface RunningTimersProps {
  readonly session: Session;
  readonly steps: readonly ListedStep[];
  /** The minute that it is now; undefined on other days, on which no clock runs. */
  readonly now: number | undefined;
  readonly onDone: (place: StepPlace, done: DoneStep | undefined) => void;
}

/** Clocks of the steps under way, as at the stove: they ring at their end and count on; stopped, the step is over. */
export function RunningTimers({ session, steps, now, onDone }: RunningTimersProps) {
  const own = useMemo(() => (now === undefined ? [] : sessionTimers(session, steps)), [session, steps, now]);
  const timers = useRinging(own);
  if (now === undefined || timers.length === 0) return null;
  return (
    <CookTimers
      timers={timers}
      onStop={(id) => {
        const place = stepOfTimer(id);
        const known = session.done?.find(({ dish, step }) => dish === place.dish && step === place.step);
        if (known) onDone(place, { ...known, end: Math.max(known.start, now) });
      }}
    />
  );
}
