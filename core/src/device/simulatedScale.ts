import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';
import type { ScaleLine, ScaleOrder } from './scaleLines.js';

/** Seconds that what it shows has to stay within a step before it is steady. */
const STILL = 0.5;
/** Degrees a second that a probe comes nearer, as a share of what is missing. */
const PROBE = 1.2;
/** Time constants until a plate stands still. */
const SETTLED = 7;

/**
 * A scale with a thermometer that is not there: put things on, take them off, and it settles, trembles, creeps, is overloaded, runs low,
 * and goes away as one that is. Time is given to it, so that it does the same every time.
 */
export class SimulatedScale {
  readonly name = 'Simulated scale';
  /** Grams. */
  readonly most = 5000;
  readonly step = 1;
  readonly #random: RandomGenerator;
  #load = 0;
  #shownAtLoad = 0;
  #loadedAt = 0;
  #tare = 0;
  #drift = 0;
  #crept = 0;
  #driftedFrom = 0;
  #noise = 0;
  #settle = 1.2;
  #low = false;
  #goneUntil = 0;
  #probe: number | null = null;
  #temperature = 21;
  #probedAt = 0;
  #still: { grams: number; since: number } = { grams: 0, since: 0 };

  constructor(seed = 1) {
    this.#random = xoroshiro128plus(seed);
  }

  /** Grams on it, whatever it shows. */
  get load(): number {
    return this.#load;
  }

  /** Whether it answers at all. @param now seconds */
  isThere(now: number): boolean {
    return now >= this.#goneUntil;
  }

  /** Does what it is told. @param now seconds, never less than before */
  take(order: ScaleOrder, now: number): void {
    switch (order.do) {
      case 'hello':
        return;
      case 'tare':
        this.#tare = this.#gross(now);
        return;
      case 'put':
        return this.#put(Math.max(0, this.#load + order.grams), now);
      case 'clear':
        return this.#put(0, now);
      case 'drift':
        this.#crept = this.#creep(now);
        this.#drift = order.grams;
        this.#driftedFrom = now;
        return;
      case 'noise':
        this.#noise = Math.min(500, order.grams);
        return;
      case 'settle':
        this.#settle = Math.min(30, order.seconds);
        return;
      case 'battery':
        this.#low = order.low;
        return;
      case 'probe':
        this.#temperature = this.#celsius(now);
        this.#probedAt = now;
        this.#probe = order.celsius;
        return;
      case 'unplug':
        this.#goneUntil = now + Math.min(120, order.seconds);
    }
  }

  /** What it says now: who it is where it is asked, and then what it shows. @param now seconds */
  lines(now: number, asked = false): ScaleLine[] {
    return [
      ...(asked ? [{ says: 'scale', name: this.name, most: this.most, step: this.step } as const] : []),
      this.#weight(now),
      { says: 'battery', low: this.#low },
      this.#probe === null
        ? { says: 'temperature', celsius: null, steady: false }
        : {
            says: 'temperature',
            celsius: Math.round(this.#celsius(now) * 10) / 10,
            steady: Math.abs(this.#celsius(now) - this.#probe) < 0.15,
          },
    ];
  }

  #put(load: number, now: number): void {
    this.#shownAtLoad = this.#gross(now) - this.#creep(now);
    this.#loadedAt = now;
    this.#load = load;
    // What is touched is not still, whatever it shows at that moment.
    this.#still = { grams: Number.NaN, since: now };
  }

  #gross(now: number): number {
    const since = Math.max(0, now - this.#loadedAt);
    const towards = this.#settle === 0 ? 0 : Math.exp((-SETTLED * since) / this.#settle);
    return this.#load + (this.#shownAtLoad - this.#load) * towards + this.#creep(now);
  }

  /** Grams that it has crept away since it was there. */
  #creep(now: number): number {
    return this.#crept + (this.#drift * Math.max(0, now - this.#driftedFrom)) / 60;
  }

  #weight(now: number): ScaleLine {
    const gross = this.#gross(now) + this.#noise * (2 * this.#uniform() - 1);
    if (gross > this.most) {
      this.#still = { grams: Number.NaN, since: now };
      return { says: 'overload' };
    }
    const grams = Math.round((gross - this.#tare) / this.step) * this.step + 0;
    // A weight that trembles about half a step stands between two of them: that is still.
    if (!(Math.abs(grams - this.#still.grams) < this.step)) this.#still = { grams, since: now };
    return { says: 'weight', grams, steady: now - this.#still.since >= STILL };
  }

  #celsius(now: number): number {
    if (this.#probe === null) return this.#temperature;
    return this.#probe + (this.#temperature - this.#probe) * Math.exp(-PROBE * Math.max(0, now - this.#probedAt));
  }

  #uniform(): number {
    return ((this.#random.next() >>> 0) + 0.5) / 2 ** 32;
  }
}
