import { parentPort, workerData } from 'node:worker_threads';
import { histogramOf, quantileOf, Simulation, type ErrorModel } from '@portiona/core';
import type { DistributionDto } from './distribution.dto.js';

/** Draws between two words of progress. */
const SLICE = 5_000;
const QUANTILES = [0.025, 0.25, 0.5, 0.75, 0.975];

/** What the thread is given. */
export interface Drawn {
  readonly model: ErrorModel;
  readonly seed: number;
  readonly draws: number;
}

/** What the thread says: how far it is, then what came of it. */
export type Said = { readonly made: number } | { readonly distribution: DistributionDto };

const { model, seed, draws } = workerData as Drawn;
const run = new Simulation(model, { seed, draws });
while (run.made < run.draws) {
  run.make(SLICE);
  parentPort?.postMessage({ made: run.made } satisfies Said);
}
for (const distribution of run.distributions())
  parentPort?.postMessage({
    distribution: {
      mean: distribution.mean,
      standardDeviation: distribution.standardDeviation,
      quantiles: QUANTILES.map((share) => quantileOf(distribution, share)),
      histogram: histogramOf(distribution),
    },
  } satisfies Said);
