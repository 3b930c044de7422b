import { proposeWeek, searchWith, type Week, type WeekGround, type WeekProposal } from '@portiona/core';
import { solver } from '../fit/solver';

/** A week to be filled. */
export interface WeekTask {
  readonly id: number;
  readonly week: Week;
  readonly ground: WeekGround;
  /** How long it is looked for at most. */
  readonly seconds: number;
}

export type WeekSaid =
  | { readonly id: number; readonly proposal: WeekProposal; readonly milliseconds: number }
  | { readonly id: number; readonly failed: string };

self.onmessage = ({ data }: MessageEvent<WeekTask>) => void propose(data);

async function propose({ id, week, ground, seconds }: WeekTask): Promise<void> {
  try {
    const solve = searchWith(await solver, seconds);
    const start = performance.now();
    const proposal = proposeWeek(week, ground, solve);
    self.postMessage({ id, proposal, milliseconds: performance.now() - start } satisfies WeekSaid);
  } catch (error) {
    self.postMessage({ id, failed: error instanceof Error ? error.message : String(error) } satisfies WeekSaid);
  }
}
