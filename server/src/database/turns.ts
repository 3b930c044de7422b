import { BusyError } from '../http/problems.js';

/** Longest anyone waits for a turn, and how many may. */
const LONGEST_WAIT = 20_000;
const MOST_WAITING = 300;

/** Turns at something that one at a time may do, in the order asked; waiting is bounded in number and time. */
export class Turns {
  readonly #waiting = new Map<string, (() => void)[]>();

  constructor(
    private readonly longest = LONGEST_WAIT,
    private readonly most = MOST_WAITING,
  ) {}

  /** Does the work when its turn comes. @throws BusyError when too many wait, or for too long: the work was not begun then */
  async take<Done>(of: string, work: () => Promise<Done>): Promise<Done> {
    await this.#turn(of);
    try {
      return await work();
    } finally {
      this.#next(of);
    }
  }

  #turn(of: string): Promise<void> {
    const queue = this.#waiting.get(of);
    if (!queue) {
      this.#waiting.set(of, []);
      return Promise.resolve();
    }
    if (queue.length >= this.most) return Promise.reject(new BusyError('too much is being saved at once'));
    return new Promise((resolve, reject) => {
      const begin = () => {
        clearTimeout(timer);
        resolve();
      };
      const timer = setTimeout(() => {
        queue.splice(queue.indexOf(begin), 1);
        reject(new BusyError('what is being saved before this takes long'));
      }, this.longest);
      queue.push(begin);
    });
  }

  #next(of: string): void {
    const next = this.#waiting.get(of)?.shift();
    if (next) next();
    else this.#waiting.delete(of);
  }
}
