import { useEffect, useRef, useState } from 'react';
import type { FitAnswer, Kitchen, Recipe } from '@portiona/core';
import type { FitSaid, FitTask } from './fit.worker';

/** An answer, and the recipe it is of: an older one stands until the new one is there. */
export interface FitHere {
  readonly of: Recipe;
  readonly answer: FitAnswer | undefined;
  readonly failed: string | undefined;
}

/** Pause after the last edit before the dish is made to fit anew. */
const PAUSE = 200;

/** How the recipe on the desk can be made to fit its brief, worked out in a worker, anew after each edit. */
export function useFit(recipe: Recipe, kitchen: Kitchen): { readonly fit: FitHere | undefined; readonly working: boolean } {
  const worker = useRef<Worker>(undefined);
  const asked = useRef<{ id: number; recipe: Recipe }>({ id: 0, recipe });
  const [fit, setFit] = useState<FitHere>();
  useEffect(() => {
    const own = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    own.onmessage = ({ data }: MessageEvent<FitSaid>) => {
      if (data.id !== asked.current.id) return;
      const of = asked.current.recipe;
      setFit('failed' in data ? { of, answer: undefined, failed: data.failed } : { of, answer: data.answer, failed: undefined });
    };
    own.onerror = ({ message }) => setFit({ of: asked.current.recipe, answer: undefined, failed: message });
    return () => own.terminate();
  }, []);
  useEffect(() => worker.current?.postMessage({ kitchen: kitchen.content } satisfies FitTask), [kitchen]);
  useEffect(() => {
    const timer = setTimeout(() => {
      asked.current = { id: asked.current.id + 1, recipe };
      worker.current?.postMessage({ id: asked.current.id, recipe } satisfies FitTask);
    }, PAUSE);
    return () => clearTimeout(timer);
  }, [recipe, kitchen]);
  return { fit, working: fit?.of !== recipe };
}
