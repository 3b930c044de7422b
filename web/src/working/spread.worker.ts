import { Simulation, type Distribution, type ErrorModel } from '@portiona/core';

/** Draws between two words of progress. */
const SLICE = 1_000;

/** What the worker is given. */
export interface SpreadTask {
  readonly model: ErrorModel;
  readonly seed: number;
  readonly draws: number;
}

/** What the worker says: how far it is, then what came of it. */
export type SpreadSaid = { readonly made: number } | { readonly distribution: Distribution };

self.onmessage = ({ data }: MessageEvent<SpreadTask>) => {
  const run = new Simulation(data.model, data);
  while (run.made < run.draws) {
    run.make(SLICE);
    self.postMessage({ made: run.made } satisfies SpreadSaid);
  }
  for (const distribution of run.distributions())
    self.postMessage({ distribution } satisfies SpreadSaid, { transfer: [distribution.sorted.buffer] });
};
