import { Lags } from './lags.js';
import type { PlanProblem, PlanTask } from './planProblem.js';

/** A span within a task that something is held for: from `offset` after its start, `length` minutes. */
export interface Held {
  readonly task: number;
  readonly offset: number;
  readonly length: number;
  /** °C; NaN goes with any. */
  readonly at: number;
}

/** One place of a unit, wanted by a task. */
export interface WantedPlace extends Held {
  readonly kind: number;
}

/** Things that are all alike, of which each task takes one for a span: cooks, rings. */
export interface Pool {
  readonly capacity: number;
  readonly held: readonly Held[];
}

/** Work that so many things at most are shared among, however it is shared: what it adds up to bounds every plan. */
export interface SharedWork {
  readonly speed: number;
  readonly held: readonly Held[];
}

/**
 * What holds of a problem for every plan of it: what is tied to what, pools of things that are alike, places whose unit is to be
 * chosen (heats, or something done that may stand in any), and work that bounds what it takes.
 */
export class PlanGround {
  readonly tasks: readonly PlanTask[];
  readonly begun: readonly boolean[];
  /** Tasks that wait for each. */
  readonly before: readonly (readonly number[])[];
  /** Tasks that may not wait long, and are not begun. */
  readonly limited: readonly number[];
  readonly pools: readonly Pool[];
  /** Places whose unit is to be chosen. */
  readonly places: readonly WantedPlace[];
  /** Of a kind, the indices of its places. */
  readonly placesOf: ReadonlyMap<number, readonly number[]>;
  readonly shared: readonly SharedWork[];
  /** Tasks that are wanted at a minute of their own. */
  readonly pinned: readonly number[];
  /** Every task done one after the other fits in here: minutes. */
  readonly horizon: number;
  /** What follows from `after`, `now` and what is done. */
  readonly root: Lags;
  /** Pairs of which one is over when the other begins, since there is one of what they hold: as `Lags.settle` takes them. */
  readonly singlePairs: Int32Array;

  constructor(readonly problem: PlanProblem) {
    const { tasks, now } = problem;
    this.tasks = tasks;
    this.begun = tasks.map(({ begun }) => begun !== undefined);
    this.before = tasks.map(() => []);
    for (const [t, { after }] of tasks.entries()) for (const one of after) (this.before[one] as number[]).push(t);
    this.limited = tasks.flatMap(({ within, begun, after }, t) =>
      within !== undefined && begun === undefined && after.length > 0 ? [t] : [],
    );
    this.pinned = tasks.flatMap(({ pinned }, t) => (pinned === undefined ? [] : [t]));
    const ends = tasks.map(({ begun, pinned = 0, length }) => (begun === undefined ? pinned : begun + length));
    this.horizon = Math.max(now, ...ends) + tasks.reduce((sum, { begun, length }) => sum + (begun === undefined ? length : 0), 0);
    this.root = rootLags(problem);
    const wanted = tasks.flatMap(({ uses, length }, task) =>
      length === 0 ? [] : uses.map(({ kind, at = Number.NaN }): WantedPlace => ({ task, offset: 0, length, at, kind })),
    );
    const hands = cooksHeld(tasks);
    this.pools = [{ capacity: problem.cooks, held: hands }];
    const places: WantedPlace[] = [];
    const placesOf = new Map<number, number[]>();
    const shared: SharedWork[] = [{ speed: problem.cooks, held: hands.filter(({ task }) => !this.begun[task]) }];
    for (const [kind, { shelves }] of problem.kinds.entries()) {
      const held = wanted.filter((one) => one.kind === kind);
      if (held.length === 0) continue;
      const heats = held.flatMap(({ at }) => (Number.isNaN(at) ? [] : [at]));
      const apart = heats.length > 0 && Math.max(...heats) - Math.min(...heats) > problem.tolerance;
      const all = shelves.reduce((sum, one) => sum + one, 0);
      // Which unit matters only where not all can stand with all, or where what is done may stand in one of several.
      if (apart || held.some(({ task }) => this.begun[task])) {
        placesOf.set(
          kind,
          held.map((one) => places.push(one) - 1),
        );
      } else (this.pools as Pool[]).push({ capacity: all, held });
      const open = held.filter(({ task }) => !this.begun[task]);
      shared.push({ speed: all, held: open });
      if (apart) shared.push({ speed: shelves.length, held: neverTogether(open, problem.tolerance) });
    }
    const single: number[] = [];
    for (const { capacity, held } of this.pools)
      for (const [i, a] of capacity === 1 ? held.entries() : [])
        for (const b of held.slice(i + 1)) if (this.apart(a, b)) single.push(a.task + 1, b.task + 1, lagOf(a, b), lagOf(b, a));
    this.singlePairs = Int32Array.from(single);
    this.places = places;
    this.placesOf = placesOf;
    this.shared = shared;
  }

  /** Whether two spans have an order at all: not of one task, and not both as they were. */
  apart(a: Held, b: Held): boolean {
    return a.task !== b.task && !(this.begun[a.task] && this.begun[b.task]);
  }

  /** Whether two places may stand in one unit at once. */
  together(a: Held, b: Held): boolean {
    return Number.isNaN(a.at) || Number.isNaN(b.at) || Math.abs(a.at - b.at) <= this.problem.tolerance;
  }
}

/** Minutes from the start of one task to that of another, where the span of the first is over when that of the other begins. */
export function lagOf(a: Held, b: Held): number {
  return a.offset + a.length - b.offset;
}

/** Minimal lags that hold in every plan. */
function rootLags({ tasks, now }: PlanProblem): Lags {
  const lags = new Lags(tasks.length + 1);
  for (const [t, { begun, pinned = now }] of tasks.entries()) {
    lags.add(0, t + 1, begun ?? pinned);
    if (begun !== undefined) lags.add(t + 1, 0, -begun);
  }
  for (const [t, { begun, after }] of tasks.entries())
    // What is done stands as it was, whatever it should have waited for.
    if (begun === undefined) for (const one of after) lags.add(one + 1, t + 1, (tasks[one] as PlanTask).length);
  return lags;
}

/**
 * The spans in which tasks bind a cook. Of what is done, spans that meet are one: they may all be the same cook's, which leaves the
 * others free.
 */
function cooksHeld(tasks: readonly PlanTask[]): Held[] {
  const held = tasks.flatMap(({ hands }, task): Held[] => (hands === 0 ? [] : [{ task, offset: 0, length: hands, at: Number.NaN }]));
  const open = held.filter(({ task }) => tasks[task]?.begun === undefined);
  const done = held
    .flatMap((one) => {
      const begun = tasks[one.task]?.begun;
      return begun === undefined ? [] : [{ ...one, begun }];
    })
    .sort((a, b) => a.begun - b.begun || a.task - b.task);
  let until = -1;
  for (const { begun, ...one } of done) {
    const offset = Math.max(0, until - begun);
    if (offset < one.length) open.push({ ...one, offset, length: one.length - offset });
    until = Math.max(until, begun + one.length);
  }
  return open;
}

/** Places of which no two can stand in one unit: of a heat the longest one, of heats those that weigh most together. */
function neverTogether(held: readonly WantedPlace[], tolerance: number): WantedPlace[] {
  const longest = new Map<number, WantedPlace>();
  for (const one of held) {
    const so = longest.get(one.at);
    if (!Number.isNaN(one.at) && (!so || so.length < one.length)) longest.set(one.at, one);
  }
  const byHeat = [...longest.values()].sort((a, b) => a.at - b.at);
  const best: { weight: number; chain: WantedPlace[] }[] = [];
  for (const one of byHeat) {
    let before: { weight: number; chain: WantedPlace[] } = { weight: 0, chain: [] };
    for (const [i, other] of byHeat.entries()) {
      const chain = best[i];
      if (chain && one.at - other.at > tolerance && chain.weight > before.weight) before = chain;
    }
    best.push({ weight: before.weight + one.length, chain: [...before.chain, one] });
  }
  return best.reduce<{ weight: number; chain: WantedPlace[] }>((most, one) => (one.weight > most.weight ? one : most), {
    weight: 0,
    chain: [],
  }).chain;
}
