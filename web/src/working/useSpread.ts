import { useEffect, useRef, useState } from 'react';
import { errorModelOf, servedOf, type Distribution, type FigureKey, type RecipeFigures } from '@portiona/core';
import type { SpreadSaid, SpreadTask } from './spread.worker';

export const DRAWS = 50_000;
/** The same dish gives the same picture each time. */
const SEED = 1;

export type SpreadState =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly made: number }
  | { readonly state: 'done'; readonly distribution: Distribution }
  | { readonly state: 'failed'; readonly because: string };

/** Draws a figure of a serving many times, in a worker; forgets it when the figures change. */
export function useSpread(figures: RecipeFigures, key: FigureKey, choices: boolean) {
  const worker = useRef<Worker>(undefined);
  const [of, setOf] = useState<{ readonly figures: RecipeFigures; readonly key: FigureKey; readonly choices: boolean }>();
  const [spread, setSpread] = useState<SpreadState>({ state: 'idle' });
  const stop = () => {
    worker.current?.terminate();
    worker.current = undefined;
  };
  useEffect(() => stop, []);
  const current = of?.figures === figures && of.key === key && of.choices === choices;
  return {
    spread: current ? spread : ({ state: 'idle' } as const),
    start: () => {
      stop();
      const parts = figures.parts.filter(({ part }) => servedOf(part) === 'box' || (choices && servedOf(part) === 'optional'));
      const { keys, sources, contributions } = errorModelOf(parts, [key], choices);
      worker.current = new Worker(new URL('./spread.worker.ts', import.meta.url), { type: 'module' });
      worker.current.onmessage = ({ data }: MessageEvent<SpreadSaid>) =>
        setSpread('made' in data ? { state: 'running', made: data.made } : { state: 'done', distribution: data.distribution });
      worker.current.onerror = (event) => {
        event.preventDefault();
        stop();
        setSpread({ state: 'failed', because: event.message });
      };
      worker.current.postMessage({ model: { keys, sources, contributions }, seed: SEED, draws: DRAWS } satisfies SpreadTask);
      setOf({ figures, key, choices });
      setSpread({ state: 'running', made: 0 });
    },
    cancel: () => {
      stop();
      setSpread({ state: 'idle' });
    },
  };
}
