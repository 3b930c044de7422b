import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';
import type { FigureKey } from '../recipe/index.js';
import type { ErrorModel } from './errorModel.js';

/** How a figure of a serving spreads over many draws, in the figure's unit. */
export interface Distribution {
  readonly key: FigureKey;
  readonly mean: number;
  readonly standardDeviation: number;
  /** The figure of each draw, ascending. */
  readonly sorted: Float64Array;
}

export interface SimulationOptions {
  /** The same seed gives the same draws, everywhere. A whole number. */
  readonly seed: number;
  /** How many times the dish is made, 1 or more. */
  readonly draws: number;
}

/**
 * Makes a dish many times on paper, each time with every amount, composition and choice a little different (docs/reckoning.md, "How
 * sure it is" ): measured amounts and compositions normal about what is stated and never below nothing, ranges even between their
 * ends, a choice taken every second time. Runs in slices, so that whoever runs it can show progress and stop.
 *
 * @example const run = new Simulation(model, { seed: 1, draws: 20_000 }); while (run.made < run.draws) run.make(2_000);
 */
export class Simulation {
  readonly draws: number;
  #made = 0;
  readonly #model: ErrorModel;
  readonly #random: Normals;
  readonly #figures: readonly Float64Array[];
  readonly #factors: Float64Array;

  constructor(model: ErrorModel, { seed, draws }: SimulationOptions) {
    if (!Number.isInteger(draws) || draws < 1) throw new RangeError(`a simulation of ${draws} draws: ask for a whole number, 1 or more`);
    this.draws = draws;
    this.#model = model;
    this.#random = new Normals(xoroshiro128plus(seed));
    this.#figures = model.keys.map(() => new Float64Array(draws));
    this.#factors = new Float64Array(model.sources.length);
  }

  /** Draws made so far. */
  get made(): number {
    return this.#made;
  }

  /** Makes up to so many more draws. */
  make(atMost: number): void {
    const until = Math.min(this.draws, this.#made + atMost);
    for (; this.#made < until; this.#made++) this.#makeOne();
  }

  /** The distribution of each key over the draws made so far. */
  distributions(): Distribution[] {
    return this.#model.keys.map((key, k) => distributionOf(key, (this.#figures[k] ?? new Float64Array()).slice(0, this.#made)));
  }

  #makeOne(): void {
    const { sources, contributions } = this.#model;
    const factors = this.#factors;
    for (let i = 0; i < sources.length; i++) {
      const source = sources[i];
      if (source) factors[i] = source.kind === 'choice' ? (this.#random.uniform() < 0.5 ? 1 : 0) : this.#factorOf(source);
    }
    for (const { moves, sources: of } of contributions) {
      let factor = 1;
      for (const source of of) factor *= factors[source] ?? 1;
      for (let k = 0; k < moves.length; k++) this.#addTo(k, (moves[k] ?? 0) * factor);
    }
    // More thrown away than was there leaves nothing, never less.
    for (const figures of this.#figures) if ((figures[this.#made] ?? 0) < 0) figures[this.#made] = 0;
  }

  #factorOf({ relative, halfWidth }: ErrorModel['sources'][number]): number {
    const measured = 1 + relative * this.#random.normal();
    return Math.max(0, halfWidth === 0 ? measured : measured * (1 + halfWidth * (2 * this.#random.uniform() - 1)));
  }

  #addTo(key: number, move: number): void {
    const figures = this.#figures[key];
    if (figures) figures[this.#made] = (figures[this.#made] ?? 0) + move;
  }
}

/** What one figure comes to over many draws. */
function distributionOf(key: FigureKey, figures: Float64Array): Distribution {
  const sorted = figures.sort();
  const mean = sorted.reduce((sum, one) => sum + one, 0) / sorted.length;
  const variance = sorted.reduce((sum, one) => sum + (one - mean) ** 2, 0) / Math.max(1, sorted.length - 1);
  return { key, mean, standardDeviation: Math.sqrt(variance), sorted };
}

/** A distribution of a kept figure as people read it: every draw in the unit shown, as `keptFigure` says. */
export function shownDistribution(distribution: Distribution, shown: (amount: number) => number): Distribution {
  const { mean, standardDeviation, sorted } = distribution;
  return { ...distribution, mean: shown(mean), standardDeviation: shown(standardDeviation), sorted: sorted.map(shown) };
}

/**
 * The figure that a share of the draws stays at or under.
 *
 * @param share 0 to 1: 0.5 is the median
 * @example quantileOf(distribution, 0.975)
 */
export function quantileOf({ sorted }: Pick<Distribution, 'sorted'>, share: number): number {
  const at = share * (sorted.length - 1);
  const below = sorted[Math.floor(at)] ?? 0;
  const above = sorted[Math.ceil(at)] ?? below;
  return below + (above - below) * (at - Math.floor(at));
}

/** Share of the draws that lie between two limits, both included, 0 to 1. A limit left out does not limit. */
export function shareWithin(
  { sorted }: Pick<Distribution, 'sorted'>,
  limits: { readonly atLeast?: number; readonly atMost?: number },
): number {
  const from = limits.atLeast === undefined ? 0 : firstAt(sorted, (one) => one >= (limits.atLeast ?? 0));
  const to = limits.atMost === undefined ? sorted.length : firstAt(sorted, (one) => one > (limits.atMost ?? 0));
  return sorted.length === 0 ? 0 : Math.max(0, to - from) / sorted.length;
}

/** A bar of a histogram: from, to (in the figure's unit) and the share of the draws in it. */
export interface HistogramBar {
  readonly from: number;
  readonly to: number;
  readonly share: number;
}

/** A distribution in bars of equal width between its 0.1 % and 99.9 % points; what lies outside counts in the end bars. */
export function histogramOf(distribution: Pick<Distribution, 'sorted'>, bars = 40): HistogramBar[] {
  const { sorted } = distribution;
  const low = quantileOf(distribution, 0.001);
  const width = (quantileOf(distribution, 0.999) - low) / bars;
  if (!(width > 0)) return [{ from: low, to: low, share: 1 }];
  const counts = new Array<number>(bars).fill(0);
  for (const one of sorted) {
    const bar = Math.min(bars - 1, Math.max(0, Math.floor((one - low) / width)));
    counts[bar] = (counts[bar] ?? 0) + 1;
  }
  return counts.map((count, i) => ({ from: low + i * width, to: low + (i + 1) * width, share: count / sorted.length }));
}

/** The first place whose figure passes, by halving; the length when none does. */
function firstAt(sorted: Float64Array, passes: (figure: number) => boolean): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (passes(sorted[middle] ?? 0)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Standard normal and uniform numbers from a generator (Box and Muller's transform, two at a time). */
class Normals {
  #spare: number | undefined;

  constructor(readonly generator: RandomGenerator) {}

  /** Between 0 and 1, neither included. */
  uniform(): number {
    return ((this.generator.next() >>> 0) + 0.5) / 2 ** 32;
  }

  normal(): number {
    const spare = this.#spare;
    this.#spare = undefined;
    if (spare !== undefined) return spare;
    const radius = Math.sqrt(-2 * Math.log(this.uniform()));
    const angle = 2 * Math.PI * this.uniform();
    this.#spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  }
}
