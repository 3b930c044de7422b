import { monitorEventLoopDelay, type IntervalHistogram } from 'node:perf_hooks';
import { getHeapStatistics } from 'node:v8';
import { connectionWait } from '../database/wall.js';
import { makeLog } from './log.js';

/** Milliseconds between looks, and that whoever asks waits for attention on the mean before nothing more is begun. */
const LOOK_EVERY = 500;
const LONGEST_DELAY = 1_500;
/** Looks in a row that have to find it so: one long piece of work is no overload. */
const IN_A_ROW = 3;
/** Milliseconds that somebody waits for a connection to the database before nothing more is begun: who comes after them would wait longer. */
const LONGEST_WAIT = 5_000;
/** The share of the memory there may be that is in use before nothing more is begun. */
const FULL_HEAP = 0.93;

/** What is looked at: the mean delay and the longest wait for a connection (milliseconds), and the share of memory in use. */
export interface Reading {
  readonly delay: number;
  readonly wait: number;
  readonly heap: number;
}

/** Whether this process is given more than it can do: told by how long it keeps whoever asks waiting, and by its memory. */
export class Pressure {
  #delays: IntervalHistogram | undefined;
  #looking: NodeJS.Timeout | undefined;
  #slow = 0;
  #why: string | undefined;

  /** @param readings left out: of this process */
  constructor(private readonly readings?: () => Reading) {}

  /** Begins to look. */
  begin(): void {
    if (this.#looking) return;
    if (!this.readings) {
      this.#delays = monitorEventLoopDelay({ resolution: 10 });
      this.#delays.enable();
    }
    this.#looking = setInterval(() => this.look(), LOOK_EVERY).unref();
  }

  /** Why nothing more is begun; undefined: it is. */
  get why(): string | undefined {
    return this.#why;
  }

  look(): void {
    const before = this.#why;
    this.#weigh();
    // What is refused is refused for everybody: whoever looks after it is told when it begins, and when it is over.
    if (before !== this.#why) makeLog().warn(this.#why === undefined ? 'requests are let in again' : `requests are refused: ${this.#why}`);
  }

  #weigh(): void {
    const { delay, wait, heap } = this.readings?.() ?? this.#read();
    this.#slow = delay > LONGEST_DELAY ? this.#slow + 1 : 0;
    if (heap > FULL_HEAP) this.#why = 'the server is short of memory';
    else if (this.#slow >= IN_A_ROW) this.#why = 'the server has more to do than it can';
    else this.#why = wait > LONGEST_WAIT ? 'the database has more to do than it can' : undefined;
  }

  #read(): Reading {
    const mean = (this.#delays?.mean ?? 0) / 1e6;
    this.#delays?.reset();
    const { used_heap_size: used, heap_size_limit: most } = getHeapStatistics();
    return { delay: Number.isFinite(mean) ? mean : 0, wait: connectionWait(), heap: used / most };
  }
}
