import { useEffect, useRef, useState } from 'react';
import type { Recipe, Session } from '@portiona/core';
import type { PlanSaid, PlanTask } from './plan.worker';

/** A plan as it stands: it may still be bettered. */
export interface PlanHere {
  readonly said: PlanSaid | undefined;
  /** Why there is none, where its worker gave up. */
  readonly trouble: string | undefined;
}

/**
 * Plans a session in a worker: one at once, better ones as they are found. Another session, or the same changed, gives the one before
 * up; until its own plan is there, the plan before stands.
 *
 * @param session undefined: nothing is planned
 * @param now minutes from its start, before which nothing new begins
 */
export function usePlan(session: Session | undefined, recipes: readonly Recipe[], now: number): PlanHere {
  const [said, setSaid] = useState<PlanSaid>();
  const [trouble, setTrouble] = useState<string>();
  const worker = useRef<Worker>(undefined);
  const asked = useRef(0);
  useEffect(() => () => worker.current?.terminate(), []);
  // The same asked again, from a document that is new and says the same, is not planned anew.
  const asks = session && JSON.stringify({ session: planned(session), now, recipes: recipes.map(({ id, steps }) => ({ id, steps })) });
  useEffect(() => {
    if (!session || asks === undefined) return;
    if (!worker.current) {
      const started = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
      started.onmessage = ({ data }: MessageEvent<PlanSaid>) => {
        if (data.id !== asked.current) return;
        setTrouble(undefined);
        setSaid(data);
      };
      started.onerror = (event) => {
        event.preventDefault();
        started.terminate();
        worker.current = undefined;
        setTrouble('Planning broke off. Change something, or load the page anew, and it is tried again.');
      };
      worker.current = started;
    }
    worker.current.postMessage({ id: ++asked.current, session: planned(session), recipes, now, asks: true } satisfies PlanTask);
    // What is asked is all in the text.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [asks]);
  return { said, trouble };
}

/** What of a session its plan follows from: its name, its day and the cooks' names move nothing. */
function planned({ id, date, dishes, cooks, equipment, ovenTolerance, done, adjusted, pinned }: Session): Session {
  return {
    ...{ id, date, dishes: dishes.map(({ boxes: _, ...dish }) => dish) },
    ...(cooks === undefined ? {} : { cooks }),
    ...(equipment ? { equipment } : {}),
    ...(ovenTolerance === undefined ? {} : { ovenTolerance }),
    ...(done ? { done } : {}),
    ...(adjusted ? { adjusted } : {}),
    ...(pinned ? { pinned } : {}),
  };
}
