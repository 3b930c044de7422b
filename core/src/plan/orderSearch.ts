import { NO_LAG, type Lags } from './lags.js';
import { fitsShared } from './minutesBound.js';
import type { Placing } from './placing.js';
import { lagOf, type Held, type PlanGround, type WantedPlace } from './planGround.js';
import type { PlanTask } from './planProblem.js';

/** What is asked of the plans looked for. */
export interface OrderAim {
  /** The last end, at most. */
  readonly minutes: number;
  /** The sum of what limited waits are late, at most. */
  readonly late: number;
  /** Whether tasks that are wanted at a minute of their own start just then; else not before. */
  readonly pinned: boolean;
  /** The ends of the dishes together, at least: then tasks are placed as late as they can be, else as early. */
  readonly ends?: number;
}

/** What to keep of a plan, where not everything is to be searched anew. */
export interface KeptOrder {
  readonly placing: Placing;
  /** Tasks that are free; the others keep their order among themselves, and their units. */
  readonly free: ReadonlySet<number>;
}

/** One thing decided in a branch. */
type Decision =
  | { readonly is: 'lag'; readonly from: number; readonly to: number; readonly minutes: number }
  | { readonly is: 'unit'; readonly place: number; readonly unit: number }
  | { readonly is: 'late'; readonly limit: number; readonly most: number };

interface Node {
  readonly lags: Lags;
  /** Unit of each place, -1 where it is open. */
  readonly units: Int16Array;
  /** How late each limited task may be at most, in the order of `ground.limited`. */
  readonly late: Int32Array;
}

interface Frame {
  readonly node: Node;
  readonly ways: readonly (readonly Decision[])[];
  next: number;
}

/**
 * Searches orders: all tasks start as early as what is decided lets them (or as late, where ends are to be late); where that breaks a
 * rule, each way to mend it is a branch: one before the other, a unit, which of several the wait is counted from. Complete: when it
 * ends without a plan, there is none. (Precedence constraint posting over minimal critical sets, on longest paths.)
 */
export class OrderSearch {
  readonly #stack: Frame[] = [];
  readonly #fixedPairs: Int32Array;
  #begun = false;

  constructor(
    readonly ground: PlanGround,
    readonly aim: OrderAim,
    readonly kept?: KeptOrder,
    /** Draws from 0 to 1, to try what is equally good in another order; left out: always in the same. */
    readonly draw?: () => number,
  ) {
    this.#fixedPairs = ground.singlePairs;
  }

  /**
   * Goes on for so many nodes.
   *
   * @returns a plan that meets the aim; 'none' where it is proven that there is none; 'more' where it is not known yet
   */
  run(nodes: number): Placing | 'none' | 'more' {
    let left = nodes;
    if (!this.#begun) {
      this.#begun = true;
      const root = this.#root();
      const found = root && this.#enter(root);
      if (found) return found;
    }
    for (let frame = this.#stack.at(-1); frame; frame = this.#stack.at(-1)) {
      const way = frame.ways[frame.next++];
      if (!way) {
        this.#stack.pop();
        continue;
      }
      // The last way needs its node no more.
      if (frame.next === frame.ways.length) this.#stack.pop();
      const node = this.#after(frame.node, way, frame.next < frame.ways.length);
      const found = node && this.#enter(node);
      if (found) return found;
      if (--left <= 0 && this.#stack.length > 0) return 'more';
    }
    return 'none';
  }

  /** What can be said without searching: false where the aim cannot be met. */
  possible(): boolean {
    const root = this.#root();
    return root !== undefined && this.#propagate(root);
  }

  #root(): Node | undefined {
    const { tasks, root, places, problem, limited, begun } = this.ground;
    const lags = root.copy();
    if (tasks.some((one) => one.begun !== undefined && one.begun + one.length > this.aim.minutes)) return undefined;
    if (!lags.startBy(tasks.flatMap(({ length }, t) => (begun[t] ? [] : [[t + 1, this.aim.minutes - length] as const])))) return undefined;
    for (const t of this.aim.pinned ? this.ground.pinned : []) if (!lags.add(t + 1, 0, -(tasks[t]?.pinned ?? 0))) return undefined;
    const units = new Int16Array(places.length).fill(-1);
    for (const [p, { kind }] of places.entries()) if (problem.kinds[kind]?.shelves.length === 1) units[p] = 0;
    const forced = limited.map((t) => this.#forced(lags, t));
    const spare = this.aim.late - forced.reduce((sum, one) => sum + one, 0);
    if (spare < 0) return undefined;
    const node = { lags, units, late: Int32Array.from(forced, (one) => one + spare) };
    for (const [limit, t] of limited.entries()) {
      const { after } = tasks[t] as PlanTask;
      if (after.length === 1 && !this.#limit(node, limit, after[0] as number)) return undefined;
    }
    if (this.kept && !this.#keep(node, this.kept)) return undefined;
    return node;
  }

  /** How late a limited task is at least. */
  #forced(lags: Lags, t: number): number {
    const { after, within = 0 } = this.ground.tasks[t] as PlanTask;
    let least = Number.POSITIVE_INFINITY;
    for (const one of after) {
      const lag = lags.least(one + 1, t + 1);
      least = Math.min(least, lag <= NO_LAG ? 0 : lag - (this.ground.tasks[one] as PlanTask).length - within);
    }
    return Math.max(0, least);
  }

  /** A limited task starts soon enough after this one. */
  #limit({ lags, late }: Node, limit: number, one: number): boolean {
    const t = this.ground.limited[limit] as number;
    const { within = 0 } = this.ground.tasks[t] as PlanTask;
    return lags.add(t + 1, one + 1, -((this.ground.tasks[one] as PlanTask).length + within + (late[limit] as number)));
  }

  #keep({ lags, units }: Node, { placing: { starts, units: kept }, free }: KeptOrder): boolean {
    const { places, placesOf, pools } = this.ground;
    for (const [p, { task }] of places.entries()) if (!free.has(task)) units[p] = kept[p] as number;
    const together = [...pools.map(({ held }) => held), ...[...placesOf.values()].map((list) => list.map((p) => places[p] as WantedPlace))];
    for (const held of together) {
      const here = held
        .filter(({ task }) => !free.has(task))
        .map((one) => ({ ...one, from: (starts[one.task] as number) + one.offset }))
        .sort((a, b) => a.from - b.from);
      // From the last to the first: what follows from those after it is known by then.
      for (let i = here.length - 2; i >= 0; i--) {
        const a = here[i] as (typeof here)[number];
        for (let j = i + 1; j < here.length; j++) {
          const b = here[j] as (typeof here)[number];
          if (a.from + a.length <= b.from && this.ground.apart(a, b) && !this.#before(lags, a, b)) return false;
        }
      }
    }
    return true;
  }

  #before(lags: Lags, a: Held, b: Held): boolean {
    return lags.add(a.task + 1, b.task + 1, lagOf(a, b));
  }

  /** How much room there is for one to come before the other; below none: it cannot. */
  #room(lags: Lags, a: Held, b: Held): number {
    const back = lags.least(b.task + 1, a.task + 1);
    return back <= NO_LAG ? 1e9 : -(back + lagOf(a, b));
  }

  #after(node: Node, way: readonly Decision[], keep: boolean): Node | undefined {
    const next = keep ? { lags: node.lags.copy(), units: node.units.slice(), late: node.late.slice() } : node;
    for (const one of way) {
      if (one.is === 'unit') next.units[one.place] = one.unit;
      else if (one.is === 'lag') {
        if (!next.lags.add(one.from, one.to, one.minutes)) return undefined;
      } else {
        next.late[one.limit] = one.most;
        const { after } = this.ground.tasks[this.ground.limited[one.limit] as number] as PlanTask;
        if (after.length === 1 && !this.#limit(next, one.limit, after[0] as number)) return undefined;
      }
    }
    return next;
  }

  /** Looks at a node: a plan, a frame of ways onto the stack, or nothing where no plan lies below. */
  #enter(node: Node): Placing | undefined {
    if (!this.#propagate(node)) return undefined;
    const starts = this.#schedule(node);
    const ways = this.#waysToMend(node, starts);
    if (ways === undefined) return { starts, units: node.units.slice() };
    if (ways.length > 0) this.#stack.push({ node, ways, next: 0 });
    return undefined;
  }

  #schedule({ lags }: Node): Int32Array {
    const { tasks } = this.ground;
    return Int32Array.from(tasks, (_, t) => (this.aim.ends === undefined ? lags.earliest(t + 1) : lags.latest(t + 1)));
  }

  /** Draws what follows of itself; false where nothing can be below. */
  #propagate(node: Node): boolean {
    const { lags } = node;
    const units = this.#unitPairs(node);
    // What one kind settles may settle something of the other.
    for (let known = -1; known !== lags.changes;) {
      known = lags.changes;
      if (!lags.settle(this.#fixedPairs) || !lags.settle(units)) return false;
    }
    let late = 0;
    for (const [limit, t] of this.ground.limited.entries()) {
      const forced = this.#forced(lags, t);
      if (forced > (node.late[limit] as number)) return false;
      late += forced;
    }
    if (late > this.aim.late) return false;
    if (this.aim.ends !== undefined && this.#endsAtMost(lags) < this.aim.ends) return false;
    return this.ground.shared.every((one) => fitsShared(one, lags));
  }

  /** The ends of the dishes, each as late as it can be, together. */
  #endsAtMost(lags: Lags): number {
    const { tasks, problem, begun } = this.ground;
    const ends = new Int32Array(problem.dishes + 1);
    for (const [t, { dish, length, begun: from = 0 }] of tasks.entries())
      ends[dish] = Math.max(ends[dish] as number, (begun[t] ? from : lags.latest(t + 1)) + length);
    return ends.reduce((sum, one) => sum + one, 0);
  }

  /** Pairs of places in one unit that cannot be there at once. */
  #unitPairs({ units }: Node): Int32Array {
    const { places, placesOf, problem } = this.ground;
    const pairs: number[] = [];
    for (const [kind, list] of placesOf) {
      const { shelves } = problem.kinds[kind] as { shelves: readonly number[] };
      for (const [i, p] of list.entries()) {
        const unit = units[p] as number;
        if (unit < 0) continue;
        const a = places[p] as WantedPlace;
        for (let j = i + 1; j < list.length; j++) {
          const q = list[j] as number;
          if (units[q] !== unit) continue;
          const b = places[q] as WantedPlace;
          if (this.ground.apart(a, b) && (shelves[unit] === 1 || !this.ground.together(a, b)))
            pairs.push(a.task + 1, b.task + 1, lagOf(a, b), lagOf(b, a));
        }
      }
    }
    return Int32Array.from(pairs);
  }

  /** Ways to mend what a schedule breaks; undefined where it breaks nothing. None: nothing mends it. */
  #waysToMend(node: Node, starts: Int32Array): Decision[][] | undefined {
    const unit = this.#openPlace(node, starts);
    if (unit) return unit;
    let best: readonly Held[] | undefined;
    let least = Number.POSITIVE_INFINITY;
    for (const set of this.#broken(node, starts)) {
      const room = this.#roomOf(node.lags, set);
      if (room >= least) continue;
      best = set;
      least = room;
      if (room === 0) return [];
    }
    return best ? this.#orders(node, best) : this.#waits(node, starts);
  }

  /** Sets of spans that a schedule has at once and that cannot be. */
  *#broken({ units }: Node, starts: Int32Array): Generator<readonly Held[]> {
    for (const { capacity, held } of this.ground.pools) if (held.length > capacity) yield* this.#tooMany(held, capacity, starts);
    for (const [kind, list] of this.ground.placesOf) {
      const { shelves } = this.ground.problem.kinds[kind] as { shelves: readonly number[] };
      for (const [u, capacity] of shelves.entries()) {
        const here = list.flatMap((p) => (units[p] === u ? [this.ground.places[p] as WantedPlace] : []));
        yield* this.#wrongHeats(here, starts);
        if (here.length > capacity) yield* this.#tooMany(here, capacity, starts);
      }
    }
  }

  /** How much room there is to mend a set: none where nothing mends it; few ways count as less than many. */
  #roomOf(lags: Lags, set: readonly Held[]): number {
    let ways = 0;
    let total = 0;
    for (const a of set)
      for (const b of set) {
        const room = this.ground.apart(a, b) ? this.#room(lags, a, b) : -1;
        if (room < 0) continue;
        ways++;
        total += Math.min(room, 1e4);
      }
    return ways === 0 ? 0 : ways * 1e6 + total;
  }

  /** The units that a place, open and begun first, may stand in: of those that are alike and empty only the first. */
  #openPlace({ units }: Node, starts: Int32Array): Decision[][] | undefined {
    const { places, placesOf, problem } = this.ground;
    let open = -1;
    for (const [p, { task }] of places.entries())
      if ((units[p] as number) < 0 && (open < 0 || (starts[task] as number) < (starts[(places[open] as WantedPlace).task] as number)))
        open = p;
    const place = places[open];
    if (!place) return undefined;
    const { shelves } = problem.kinds[place.kind] as { shelves: readonly number[] };
    const there = placesOf.get(place.kind) ?? [];
    const from = starts[place.task] as number;
    const ways: { unit: number; weight: number }[] = [];
    const seen = new Set<number>();
    for (const [unit, capacity] of shelves.entries()) {
      const here = there.filter((p) => units[p] === unit);
      if (here.length === 0 && seen.has(capacity)) continue;
      if (here.length === 0) seen.add(capacity);
      // Sooner where less stands in the way now.
      let weight = this.draw ? this.draw() : 0;
      for (const p of here) {
        const other = places[p] as WantedPlace;
        const start = starts[other.task] as number;
        if (start < from + place.length && from < start + other.length)
          weight += capacity === 1 || !this.ground.together(place, other) ? 10 : 1;
      }
      ways.push({ unit, weight });
    }
    return ways.sort((a, b) => a.weight - b.weight).map(({ unit }) => [{ is: 'unit', place: open, unit }]);
  }

  /** Sets of spans, one more than there is room for, that are all there at one moment. */
  *#tooMany(held: readonly Held[], capacity: number, starts: Int32Array): Generator<Held[]> {
    const spans = held
      .map((one) => ({ one, from: (starts[one.task] as number) + one.offset, to: (starts[one.task] as number) + one.offset + one.length }))
      .sort((a, b) => a.from - b.from);
    let there: typeof spans = [];
    for (const span of spans) {
      there = there.filter(({ to }) => to > span.from);
      there.push(span);
      if (there.length > capacity && !there.every(({ one }) => this.ground.begun[one.task])) {
        // One that is not done must be among them, or nothing could be moved.
        const set = there.slice(-capacity - 1);
        const open = there.find(({ one }) => !this.ground.begun[one.task]);
        if (open && set.every(({ one }) => this.ground.begun[one.task])) set[0] = open;
        yield set.map(({ one }) => one);
      }
    }
  }

  *#wrongHeats(held: readonly WantedPlace[], starts: Int32Array): Generator<Held[]> {
    for (const [i, a] of held.entries())
      for (const b of held.slice(i + 1)) {
        if (this.ground.together(a, b) || (this.ground.begun[a.task] && this.ground.begun[b.task])) continue;
        const from = starts[a.task] as number;
        const other = starts[b.task] as number;
        if (from < other + b.length && other < from + a.length) yield [a, b];
      }
  }

  /** One of a set before another: every way in which it may be, what has most room first. Each way excludes those before it. */
  #orders({ lags }: Node, set: readonly Held[]): Decision[][] {
    const found: { a: Held; b: Held; room: number }[] = [];
    for (const a of set)
      for (const b of set) {
        if (!this.ground.apart(a, b)) continue;
        const room = this.#room(lags, a, b);
        if (room < 0) continue;
        found.push({ a, b, room: this.draw ? room * (0.5 + this.draw()) : room });
      }
    found.sort((x, y) => y.room - x.room);
    return found.map(({ a, b }, i) => [
      ...found.slice(0, i).map((other): Decision => ({
        is: 'lag',
        from: other.b.task + 1,
        to: other.a.task + 1,
        minutes: 1 - lagOf(other.a, other.b),
      })),
      { is: 'lag', from: a.task + 1, to: b.task + 1, minutes: lagOf(a, b) },
    ]);
  }

  /** Waits that are longer than they may be, or late where there is not so much to be late: undefined where all is well. */
  #waits(node: Node, starts: Int32Array): Decision[][] | undefined {
    const { tasks, limited } = this.ground;
    let sum = 0;
    let widest: { limit: number; late: number; forced: number } | undefined;
    for (const [limit, t] of limited.entries()) {
      const { after, within = 0 } = tasks[t] as PlanTask;
      const last = Math.max(...after.map((one) => (starts[one] as number) + (tasks[one] as PlanTask).length));
      const late = Math.max(0, (starts[t] as number) - last - within);
      if (late > (node.late[limit] as number))
        return after.map((one) => [
          {
            is: 'lag',
            from: t + 1,
            to: one + 1,
            minutes: -((tasks[one] as PlanTask).length + within + (node.late[limit] as number)),
          },
        ]);
      sum += late;
      const forced = this.#forced(node.lags, t);
      if (late > forced && (!widest || late - forced > widest.late - widest.forced)) widest = { limit, late, forced };
    }
    if (sum <= this.aim.late) return undefined;
    if (!widest) return [];
    const { limit, late, forced } = widest;
    const most = (late + forced) >> 1;
    const t = limited[limit] as number;
    const { after, within = 0 } = tasks[t] as PlanTask;
    return [
      [{ is: 'late', limit, most }],
      after.map((one): Decision => ({ is: 'lag', from: one + 1, to: t + 1, minutes: (tasks[one] as PlanTask).length + within + most + 1 })),
    ];
  }
}
