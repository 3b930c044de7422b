import { createHistogram, type RecordableHistogram } from 'node:perf_hooks';

/** Milliseconds that one count goes on before the next is begun: what is told is of the last two. */
const SPAN = 150_000;

/** How long requests took lately, milliseconds: of half of them, of 95 and of 99 in a hundred. */
export interface Latencies {
  readonly requests: number;
  readonly failed: number;
  /** Told to come again: there was too much to do, or they came too often. */
  readonly refused: number;
  readonly p50: number;
  readonly p95: number;
  readonly p99: number;
}

interface Count {
  readonly since: number;
  readonly times: RecordableHistogram;
  failed: number;
  refused: number;
}

/** What became of a request. */
export type Outcome = 'answered' | 'failed' | 'refused';

/** Counts how long requests take, forgetting what was a few minutes ago. */
export class RecentLatencies {
  #now: Count;
  #before: Count | undefined;

  constructor(private readonly clock: () => number = () => performance.now()) {
    this.#now = this.#begun();
  }

  /** @param milliseconds it took; of one that was refused it says nothing */
  note(milliseconds: number, outcome: Outcome): void {
    this.#turn();
    if (outcome === 'refused') return void this.#now.refused++;
    this.#now.times.record(Math.max(1, Math.round(milliseconds * 1_000)));
    if (outcome === 'failed') this.#now.failed++;
  }

  /** Undefined where nothing was asked. */
  lately(): Latencies | undefined {
    this.#turn();
    const both = createHistogram();
    both.add(this.#now.times);
    if (this.#before) both.add(this.#before.times);
    const failed = this.#now.failed + (this.#before?.failed ?? 0);
    const refused = this.#now.refused + (this.#before?.refused ?? 0);
    if (both.count + refused === 0) return undefined;
    const at = (share: number) => (both.count === 0 ? 0 : both.percentile(share) / 1_000);
    return { requests: both.count + refused, failed, refused, p50: at(50), p95: at(95), p99: at(99) };
  }

  #turn(): void {
    const age = this.clock() - this.#now.since;
    if (age < SPAN) return;
    this.#before = age < 2 * SPAN ? this.#now : undefined;
    this.#now = this.#begun();
  }

  #begun(): Count {
    return { since: this.clock(), times: createHistogram(), failed: 0, refused: 0 };
  }
}
