import { BusyError } from '../http/problems.js';

/** How turns are given: how many are taken at once, how many may wait, and for how long (milliseconds). */
export interface TurnBounds {
  readonly places: number;
  readonly waiting: number;
  readonly longest: number;
  /** How many of one who asks may wait; left out: as many as may at all. */
  readonly ofOne?: number;
}

/** Somebody who waits. */
interface Waiting {
  readonly by: string;
  readonly begin: () => void;
}

/** Those who wait, and how many have their turn: in all, and of each who asks. */
interface Queue {
  taken: number;
  readonly of: Map<string, number>;
  readonly waiting: Waiting[];
}

/**
 * Turns at something that only so many at a time may do; waiting is bounded in number and time. Who asks says for whom: the next turn is
 * of whoever has the fewest, and of those in the order asked, so that nobody who asks for much keeps the others from theirs.
 */
export class Turns {
  readonly #queues = new Map<string, Queue>();

  constructor(private readonly bounds: TurnBounds) {}

  /**
   * Does the work when its turn comes.
   *
   * @param of what the turn is at: each has a queue of its own
   * @param by for whom: of one, only so many wait (`ofOne`)
   * @throws BusyError when too many wait, or for too long: the work was not begun then
   */
  async take<Done>(of: string, work: () => Promise<Done>, by = ''): Promise<Done> {
    const queue: Queue = this.#queues.get(of) ?? { taken: 0, of: new Map(), waiting: [] };
    this.#queues.set(of, queue);
    await this.#turn(queue, by);
    queue.of.set(by, (queue.of.get(by) ?? 0) + 1);
    try {
      return await work();
    } finally {
      const left = (queue.of.get(by) ?? 1) - 1;
      if (left > 0) queue.of.set(by, left);
      else queue.of.delete(by);
      const next = nextOf(queue);
      if (next) next.begin();
      else if (--queue.taken === 0) this.#queues.delete(of);
    }
  }

  /** How many have their turn at something, and how many wait for it. */
  standing(of: string): { readonly working: number; readonly waiting: number } {
    const queue = this.#queues.get(of);
    return { working: queue?.taken ?? 0, waiting: queue?.waiting.length ?? 0 };
  }

  #turn(queue: Queue, by: string): Promise<void> {
    if (queue.taken < this.bounds.places) {
      queue.taken++;
      return Promise.resolve();
    }
    const own = queue.waiting.filter((one) => one.by === by).length;
    if (queue.waiting.length >= this.bounds.waiting || own >= (this.bounds.ofOne ?? Infinity))
      return Promise.reject(new BusyError('too much is asked at once'));
    return new Promise((resolve, reject) => {
      const one: Waiting = {
        by,
        begin: () => {
          clearTimeout(timer);
          resolve();
        },
      };
      const timer = setTimeout(() => {
        queue.waiting.splice(queue.waiting.indexOf(one), 1);
        reject(new BusyError('what was asked before this takes long'));
      }, this.bounds.longest);
      queue.waiting.push(one);
    });
  }
}

/** Whose turn is next, taken out of those who wait. */
function nextOf({ of, waiting }: Queue): Waiting | undefined {
  let next = 0;
  for (const [i, { by }] of waiting.entries()) if ((of.get(by) ?? 0) < (of.get(waiting[next]?.by ?? '') ?? 0)) next = i;
  return waiting.splice(next, 1)[0];
}
