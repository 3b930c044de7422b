import type { PlanGround } from './planGround.js';
import type { PlanTask } from './planProblem.js';

/** A minute for each task, and a unit (from 0) for each place. */
export interface Placing {
  readonly starts: Int32Array;
  readonly units: Int16Array;
}

/** Something held in a pool or a unit, from a minute to another. */
interface Taken {
  readonly from: number;
  readonly to: number;
  readonly at: number;
}

/** What a task holds of a pool: of so many things, for so long from its start. */
interface PoolWant {
  readonly pool: number;
  readonly length: number;
  readonly count: number;
}

/** A place that a task wants, and the lists of the units that may give it. */
interface PlaceWant {
  readonly place: number;
  readonly first: number;
  readonly count: number;
  readonly at: number;
}

/** Tries to bring what may not wait closer together before it is let late. */
const MOST_TRIES = 25;

/** Tasks that must be placed together: those that may not wait long, with what they wait for. */
interface Group {
  /** In an order in which each comes after what it waits for. */
  readonly tasks: readonly number[];
  /** Groups that are placed before. */
  readonly before: readonly number[];
}

/** Tasks in groups, each placed as soon as everything is free for it: quick, sound, and as good as the order it is given. */
export class Placer {
  readonly #groups: readonly Group[];
  readonly #taken: Taken[][];
  readonly #capacity: number[];
  /** Of a task, the pools it holds. */
  readonly #pools: PoolWant[][];
  /** Of a task, its places and the first of the units' lists of each. */
  readonly #places: PlaceWant[][];
  readonly #heats: boolean[];

  constructor(readonly ground: PlanGround) {
    const { tasks, pools, placesOf, places, problem } = ground;
    this.#capacity = pools.map(({ capacity }) => capacity);
    this.#pools = tasks.map(() => []);
    this.#places = tasks.map(() => []);
    for (const [pool, { held }] of pools.entries())
      for (const { task, length } of held) {
        const wants = this.#pools[task] as PoolWant[];
        const same = wants.findIndex((one) => one.pool === pool);
        if (same < 0) wants.push({ pool, length, count: 1 });
        else wants[same] = { pool, length, count: (wants[same]?.count ?? 0) + 1 };
      }
    for (const [kind, ofKind] of placesOf) {
      const { shelves } = problem.kinds[kind] as { shelves: readonly number[] };
      const first = this.#capacity.length;
      this.#capacity.push(...shelves);
      for (const place of ofKind) {
        const { task, at } = places[place] as { task: number; at: number };
        this.#places[task]?.push({ place, first, count: shelves.length, at });
      }
    }
    this.#heats = this.#capacity.map((_, i) => i >= pools.length);
    this.#taken = this.#capacity.map(() => []);
    this.#groups = groupsOf(ground);
  }

  /**
   * Places every task, those with the smallest key first as far as what comes before allows.
   *
   * @param keys of each task
   * @param doneUnits the unit of each place of what is done; others are not read
   */
  place(keys: Float64Array, doneUnits: Int16Array): Placing {
    const { tasks, begun, pools, places } = this.ground;
    const starts = new Int32Array(tasks.length);
    const units = doneUnits.slice();
    for (const list of this.#taken) list.length = 0;
    for (const [t, { begun: from }] of tasks.entries()) if (from !== undefined) starts[t] = from;
    for (const [p, { held }] of pools.entries())
      for (const { task, offset, length } of held) if (begun[task]) this.#take(p, (starts[task] as number) + offset, length, Number.NaN);
    for (const [place, { task, length, at }] of places.entries()) {
      if (!begun[task]) continue;
      const first = this.#places[task]?.find((one) => one.place === place)?.first ?? 0;
      this.#take(first + (units[place] as number), starts[task] as number, length, at);
    }
    const groupKeys = this.#groups.map((group) => Math.min(...group.tasks.map((t) => keys[t] as number)));
    const missing = this.#groups.map(({ before }) => before.length);
    const open = this.#groups.flatMap((_, g) => (missing[g] === 0 ? [g] : []));
    const followers = this.#groups.map((): number[] => []);
    for (const [g, { before }] of this.#groups.entries()) for (const one of before) followers[one]?.push(g);
    while (open.length > 0) {
      let least = 0;
      for (let i = 1; i < open.length; i++)
        if ((groupKeys[open[i] as number] as number) < (groupKeys[open[least] as number] as number)) least = i;
      const [g] = open.splice(least, 1) as [number];
      this.#placeGroup(this.#groups[g] as Group, keys, starts, units);
      for (const one of followers[g] as number[]) if (--(missing[one] as number) === 0) open.push(one);
    }
    return { starts, units };
  }

  /** Places a group; what may not wait pulls what it waits for after itself until they stand close enough, or it is late. */
  #placeGroup({ tasks: all }: Group, keys: Float64Array, starts: Int32Array, units: Int16Array): void {
    const { tasks, begun, problem } = this.ground;
    const order = all.length === 1 ? all : this.#inOrder(all, keys);
    const from = new Map<number, number>();
    for (let tries = 0; ; tries++) {
      const marks = this.#taken.map(({ length }) => length);
      let again = false;
      for (const t of order) {
        const { after, within, pinned = 0 } = tasks[t] as PlanTask;
        let ready = Math.max(problem.now, pinned, from.get(t) ?? 0);
        let last = 0;
        for (const one of after) last = Math.max(last, (starts[one] as number) + (tasks[one] as PlanTask).length);
        ready = Math.max(ready, last);
        const start = this.#soonest(t, ready, units);
        const waits = within === undefined ? 0 : start - last - within;
        if (waits > 0 && tries < MOST_TRIES) {
          const pulled = after.filter((one) => !begun[one]).sort((a, b) => this.#endOf(b, starts) - this.#endOf(a, starts))[0];
          if (pulled !== undefined && within !== undefined) {
            from.set(pulled, start - within - (tasks[pulled] as PlanTask).length);
            again = true;
            break;
          }
        }
        starts[t] = start;
        this.#takeAll(t, start, units);
      }
      if (!again) return;
      for (const [i, list] of this.#taken.entries()) list.length = marks[i] as number;
    }
  }

  #inOrder(all: readonly number[], keys: Float64Array): number[] {
    const left = new Set(all);
    const order: number[] = [];
    while (left.size > 0) {
      let best = -1;
      for (const t of left)
        if (!this.ground.tasks[t]?.after.some((one) => left.has(one)) && (best < 0 || (keys[t] as number) < (keys[best] as number)))
          best = t;
      left.delete(best);
      order.push(best);
    }
    return order;
  }

  #endOf(t: number, starts: Int32Array): number {
    return (starts[t] as number) + (this.ground.tasks[t] as PlanTask).length;
  }

  /** The first minute from which a task finds everything free; writes the units it takes then. */
  #soonest(t: number, ready: number, units: Int16Array): number {
    const { length } = this.ground.tasks[t] as PlanTask;
    let at = ready;
    for (;;) {
      let to = at;
      for (const { pool, length: held, count } of this.#pools[t] as PoolWant[])
        to = Math.max(to, this.#free(pool, to, held, Number.NaN, count));
      const places = this.#places[t] as PlaceWant[];
      if (to === at && places.length > 0) to = this.#freePlaces(places, to, length, units);
      if (to === at) return at;
      at = to;
    }
  }

  /** The minute itself, if every place finds a unit then; else a later one to try. */
  #freePlaces(places: readonly PlaceWant[], minute: number, length: number, units: Int16Array): number {
    const marks: number[] = [];
    let next = minute;
    for (const { place, first, count, at } of places) {
      let soonest = Number.POSITIVE_INFINITY;
      let unit = first;
      for (let u = first; u < first + count; u++) {
        const free = this.#free(u, minute, length, at);
        if (free < soonest) {
          soonest = free;
          unit = u;
        }
      }
      if (soonest > minute) {
        next = soonest;
        break;
      }
      units[place] = unit - first;
      this.#take(unit, minute, length, at);
      marks.push(unit);
    }
    for (const unit of marks) this.#taken[unit]?.pop();
    return next;
  }

  #takeAll(t: number, start: number, units: Int16Array): void {
    const { length } = this.ground.tasks[t] as PlanTask;
    for (const { pool, length: held, count } of this.#pools[t] as PoolWant[])
      for (let one = 0; one < count; one++) this.#take(pool, start, held, Number.NaN);
    for (const { place, first, at } of this.#places[t] as PlaceWant[]) this.#take(first + (units[place] as number), start, length, at);
  }

  #take(list: number, from: number, length: number, at: number): void {
    this.#taken[list]?.push({ from, to: from + length, at });
  }

  /** The first minute, not before `from`, at which a pool or a unit has so many places free for so long. */
  #free(list: number, from: number, length: number, at: number, count = 1): number {
    const taken = this.#taken[list] as Taken[];
    const most = (this.#capacity[list] as number) - count;
    const tolerance = this.#heats[list] ? this.ground.problem.tolerance : Number.POSITIVE_INFINITY;
    let minute = from;
    for (let again = true; again;) {
      again = false;
      for (const one of taken) {
        if (one.to <= minute || one.from >= minute + length) continue;
        // What stands in the way: one of another heat, or, from some moment on, too many.
        if (Math.abs(one.at - at) > tolerance) minute = one.to;
        else if (this.#there(taken, Math.max(minute, one.from)) > most) minute = this.#nextEnd(taken, Math.max(minute, one.from));
        else continue;
        again = true;
        break;
      }
    }
    return minute;
  }

  #there(taken: readonly Taken[], moment: number): number {
    let there = 0;
    for (const { from, to } of taken) if (from <= moment && moment < to) there++;
    return there;
  }

  #nextEnd(taken: readonly Taken[], moment: number): number {
    let next = Number.POSITIVE_INFINITY;
    for (const { from, to } of taken) if (from <= moment && moment < to && to < next) next = to;
    return next;
  }
}

/** Groups of tasks, joined where one may not wait long for another, and where what lies between two of a group would make a circle. */
function groupsOf({ tasks, begun, limited }: PlanGround): Group[] {
  const root = tasks.map((_, t) => t);
  const find = (t: number): number => {
    let at = t;
    while (root[at] !== at) at = root[at] as number;
    return at;
  };
  for (const t of limited) for (const one of tasks[t]?.after ?? []) if (!begun[one]) root[find(one)] = find(t);
  for (;;) {
    const groups = new Map<number, { tasks: number[]; before: Set<number> }>();
    for (const [t, { after }] of tasks.entries()) {
      if (begun[t]) continue;
      const own = find(t);
      const group = groups.get(own) ?? { tasks: [], before: new Set<number>() };
      groups.set(own, group);
      group.tasks.push(t);
      for (const one of after) if (!begun[one] && find(one) !== own) group.before.add(find(one));
    }
    const circle = circleIn(new Map([...groups].map(([g, { before }]) => [g, before])));
    if (!circle) {
      const place = new Map([...groups.keys()].map((g, i) => [g, i]));
      return [...groups.values()].map(({ tasks: own, before }) => ({
        tasks: own,
        before: [...before].map((g) => place.get(g) as number),
      }));
    }
    for (const g of circle) root[find(g)] = find(circle[0] as number);
  }
}

/** Nodes of a circle; undefined where there is none. */
function circleIn(before: ReadonlyMap<number, ReadonlySet<number>>): number[] | undefined {
  const state = new Map<number, 'open' | 'done'>();
  const path: number[] = [];
  const visit = (node: number): number[] | undefined => {
    if (state.get(node) === 'done') return undefined;
    if (state.get(node) === 'open') return path.slice(path.indexOf(node));
    state.set(node, 'open');
    path.push(node);
    for (const one of before.get(node) ?? []) {
      const found = visit(one);
      if (found) return found;
    }
    path.pop();
    state.set(node, 'done');
    return undefined;
  };
  for (const node of before.keys()) {
    const found = visit(node);
    if (found) return found;
  }
  return undefined;
}
