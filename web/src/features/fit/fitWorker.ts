import { useEffect } from 'react';
import type { Recipe } from '@portiona/core';

let shared: Worker | undefined;

/** The one worker of the page that makes dishes fit: its solver takes longer to load than to answer. */
export function fitWorker(): Worker {
  if (shared) return shared;
  const started = new Worker(new URL('./fit.worker.ts', import.meta.url), { type: 'module' });
  // Brought before anyone asks, one that fails is nobody's trouble yet: the next who asks has it started anew.
  started.addEventListener('error', (event) => {
    event.preventDefault();
    if (shared === started) dropFitWorker();
  });
  shared = started;
  return started;
}

/** One that failed is not asked again. */
export function dropFitWorker(): void {
  shared?.terminate();
  shared = undefined;
}

/** Pause after a recipe is opened before the solver is brought, so that nothing waits for it. */
const LATER = 1500;

/** Has the solver ready for a dish with targets before anyone asks. */
export function useReadyFit(recipe: Recipe | undefined): void {
  const targets = (recipe?.brief?.targets?.length ?? 0) > 0;
  useEffect(() => {
    if (!targets) return;
    const timer = setTimeout(fitWorker, LATER);
    return () => clearTimeout(timer);
  }, [targets]);
}
