import { monitorEventLoopDelay } from 'node:perf_hooks';
import { latencies } from './watchRequests.js';
import { slowStatements, type SlowStatement } from './slowStatements.js';
import type { Latencies } from './latencies.js';

/** How a process of Portiona stands, as it says of itself. */
export interface Standing {
  /** Megabytes that it has of the machine's memory. */
  readonly memory: number;
  /** Milliseconds that whoever waits for its attention waited at most, for 99 in a hundred looks, since it was last asked. */
  readonly delay: number;
  readonly lately: Latencies | undefined;
  readonly slow: readonly SlowStatement[];
}

const delays = monitorEventLoopDelay({ resolution: 20 });
delays.enable();

/** @param slow how many slow statements are told along */
export function standing(slow: number): Standing {
  const delay = Math.max(0, delays.percentile(99) / 1e6 - 20);
  delays.reset();
  return {
    memory: Math.round(process.memoryUsage.rss() / 1e6),
    delay: Number.isFinite(delay) ? Math.round(delay) : 0,
    lately: latencies.lately(),
    slow: slowStatements().slice(0, slow),
  };
}
