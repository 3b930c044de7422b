import { BusyError } from '../http/problems.js';

/** How turns are given: how many are taken at once, how many may wait, and for how long (milliseconds). */
export interface TurnBounds {
  readonly places: number;
  readonly waiting: number;
  readonly longest: number;
}

/** Those who wait, and how many have their turn. */
interface Queue {
  taken: number;
  readonly waiting: (() => void)[];
}

/** Turns at something that only so many at a time may do, in the order asked; waiting is bounded in number and time. */
export class Turns {
  readonly #queues = new Map<string, Queue>();

  constructor(private readonly bounds: TurnBounds) {}

  /**
   * Does the work when its turn comes.
   *
   * @param of what the turn is at: each has a queue of its own
   * @throws BusyError when too many wait, or for too long: the work was not begun then
   */
  async take<Done>(of: string, work: () => Promise<Done>): Promise<Done> {
    const queue = this.#queues.get(of) ?? { taken: 0, waiting: [] };
    this.#queues.set(of, queue);
    await this.#turn(queue);
    try {
      return await work();
    } finally {
      const next = queue.waiting.shift();
      if (next) next();
      else if (--queue.taken === 0) this.#queues.delete(of);
    }
  }

  #turn(queue: Queue): Promise<void> {
    if (queue.taken < this.bounds.places) {
      queue.taken++;
      return Promise.resolve();
    }
    if (queue.waiting.length >= this.bounds.waiting) return Promise.reject(new BusyError('too much is asked at once'));
    return new Promise((resolve, reject) => {
      const begin = () => {
        clearTimeout(timer);
        resolve();
      };
      const timer = setTimeout(() => {
        queue.waiting.splice(queue.waiting.indexOf(begin), 1);
        reject(new BusyError('what was asked before this takes long'));
      }, this.bounds.longest);
      queue.waiting.push(begin);
    });
  }
}
