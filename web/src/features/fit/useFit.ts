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

/** How the recipe on the desk can be made to fit its brief, worked out in a worker, anew after each edit. */
export function useFit(recipe: Recipe, kitchen: Kitchen): { readonly fit: FitHere | undefined; readonly working: boolean } {
  const asked = useRef<{ readonly id: number; readonly recipe: Recipe }>({ id: 0, recipe });
  const [fit, setFit] = useState<FitHere>();
  useEffect(() => {
    const worker = fitWorker();
    const onMessage = ({ data }: MessageEvent<FitSaid>) => {
      if (data.id !== asked.current.id) return;
      const of = asked.current.recipe;
      setFit('failed' in data ? { of, answer: undefined, failed: data.failed } : { of, answer: data.answer, failed: undefined });
    };
    const onError = ({ message }: ErrorEvent) => {
      dropFitWorker();
      setFit({ of: asked.current.recipe, answer: undefined, failed: message });
    };
    worker.addEventListener('message', onMessage);
    worker.addEventListener('error', onError);
    return () => {
      worker.removeEventListener('message', onMessage);
      worker.removeEventListener('error', onError);
    };
  }, []);
  useEffect(() => fitWorker().postMessage({ kitchen: kitchen.content } satisfies FitTask), [kitchen]);
  useEffect(() => {
    const timer = setTimeout(() => {
      questions++;
      asked.current = { id: questions, recipe };
      fitWorker().postMessage({ id: questions, recipe } satisfies FitTask);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [recipe, kitchen]);
  return { fit, working: fit?.of !== recipe };
}
