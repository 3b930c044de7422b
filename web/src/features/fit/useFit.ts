import { useEffect, useRef, useState } from 'react';
import type { FitAnswer, Kitchen, Recipe } from '@portiona/core';
import type { FitSaid, FitTask } from './fit.worker';
import { dropFitWorker, fitWorker } from './fitWorker';

/** An answer, and the recipe it is of: an older one stands until the new one is there. */
export interface FitHere {
  readonly of: Recipe;
  readonly answer: FitAnswer | undefined;
  readonly failed: string | undefined;
}

/** Pause after the last edit before the dish is made to fit anew. */
const PAUSE = 200;

/** Questions are counted over the whole page, so that an answer to an older one is known as such. */
let questions = 0;

/** Times in a row that a worker which failed is started again by itself. */
const MOST_STARTS = 2;

/** How the recipe on the desk can be made to fit its brief, and whether it is being worked out. */
export interface Fitting {
  readonly fit: FitHere | undefined;
  readonly working: boolean;
  /** Starts a worker anew and asks it again. */
  readonly again: () => void;
}

/** Makes the recipe on the desk fit its brief in a worker, anew after each edit. A worker that fails is started again, and says so when that does not help. */
export function useFit(recipe: Recipe, kitchen: Kitchen): Fitting {
  const asked = useRef<{ readonly id: number; readonly recipe: Recipe }>({ id: 0, recipe });
  const [fit, setFit] = useState<FitHere>();
  /** Workers started one after another: each is given the kitchen and asked anew. */
  const [start, setStart] = useState(0);
  const failures = useRef(0);
  useEffect(() => {
    const worker = fitWorker();
    const onMessage = ({ data }: MessageEvent<FitSaid>) => {
      if (data.id !== asked.current.id) return;
      const of = asked.current.recipe;
      failures.current = 0;
      setFit('failed' in data ? { of, answer: undefined, failed: data.failed } : { of, answer: data.answer, failed: undefined });
    };
    const onError = (event: ErrorEvent) => {
      const { message } = event;
      // It is told here, and to the person.
      event.preventDefault();
      dropFitWorker();
      failures.current++;
      if (failures.current <= MOST_STARTS) setStart((count) => count + 1);
      else setFit({ of: asked.current.recipe, answer: undefined, failed: message });
    };
    worker.addEventListener('message', onMessage);
    worker.addEventListener('error', onError);
    return () => {
      worker.removeEventListener('message', onMessage);
      worker.removeEventListener('error', onError);
    };
  }, [start]);
  useEffect(() => fitWorker().postMessage({ kitchen: kitchen.content } satisfies FitTask), [kitchen, start]);
  useEffect(() => {
    const timer = setTimeout(() => {
      questions++;
      asked.current = { id: questions, recipe };
      fitWorker().postMessage({ id: questions, recipe } satisfies FitTask);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [recipe, kitchen, start]);
  const again = () => {
    // One that answers that it failed may be one whose solver did not come: it is loaded anew.
    dropFitWorker();
    failures.current = 0;
    setFit(undefined);
    setStart((count) => count + 1);
  };
  return { fit, working: fit?.of !== recipe, again };
}
