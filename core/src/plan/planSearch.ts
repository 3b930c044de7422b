import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { minutesBound } from './minutesBound.js';
import { OrderSearch, type OrderAim } from './orderSearch.js';
import { Placer, type Placing } from './placing.js';
import { PlanGround } from './planGround.js';
import type { PlanProblem, PlanTask } from './planProblem.js';

/** How good a plan is: what starts after the minute it is wanted at, what is late, the last end, how long finished dishes wait; in minutes, less is better, the first first. */
export interface PlanWorth {
  readonly off: number;
  readonly late: number;
  readonly minutes: number;
  readonly waits: number;
}

/** A plan found, and what it is worth. */
export interface FoundPlan extends PlanWorth {
  readonly placing: Placing;
}

/** Whether one is better than another. */
export function isBetter(one: PlanWorth, other: PlanWorth): boolean {
  return compared(one, other) < 0;
}

function compared(one: PlanWorth, other: PlanWorth): number {
  return one.off - other.off || one.late - other.late || one.minutes - other.minutes || one.waits - other.waits;
}

/** What a slice of work is: short enough that whoever waits can show how it goes, and stop. */
const PLACINGS = 8;
const NODES = 60;
/** Nodes looked at below a plan of which a part is set free. */
const AROUND = 30;
/** Nodes of a search that is to be complete, one slice. */
const WHOLE = 30;
/** How much worse a placing may be that is gone on from, as a share of the plan's minutes: a likelihood of one in e. */
const HEAT = 0.012;
/** Placings that lead nowhere until it is begun from the best again. */
const STALE = 400;
/** Later than anything is. */
const LATE_AT_ALL = 1e8;
/** Slices in which a plan that keeps what is wanted is looked for. */
const PIN_SLICES = 60;
/** Slices in which one dish by itself is looked at, to know what it is late in any plan. */
const DISH_SLICES = 30;
/** Slices in which waits may be bettered when everything before them is proven. */
const WAITING_SLICES = 200;

/**
 * Looks for the best plan of a session (kitchen file, Session and its plan): one at once, by placing step after step; then better
 * ones, by placing in other orders and by searching around the best; and the proof that there is none, by searching all there are.
 * The same seed gives the same plans in the same order; how far it comes depends on how long it is let.
 *
 * @example const search = new PlanSearch(problem, 1); while (!search.finished && !timeIsUp()) search.goOn();
 */
export class PlanSearch {
  readonly ground: PlanGround;
  #best: FoundPlan;
  #bound: number;
  #finished = false;
  readonly #placer: Placer;
  readonly #draw: () => number;
  #current: FoundPlan;
  #whole: OrderSearch | undefined;
  /** Proven: nothing is less late. */
  #leastLate = false;
  /** What the dishes are late at least, each by itself; worked out where anything is late. */
  #dishesLate: number | undefined;
  /** No plan keeps what is wanted, or none was found in time. */
  #pinsFail = false;
  #pinSlices = 0;
  #provenWaits = false;
  #slice = 0;
  /** Placings since one was better than all before. */
  #stale = 0;
  #waitingSlices = 0;

  constructor(problem: PlanProblem, seed: number) {
    this.ground = new PlanGround(problem);
    const generator = xoroshiro128plus(seed);
    this.#draw = () => ((generator.next() >>> 0) + 0.5) / 2 ** 32;
    this.#placer = new Placer(this.ground);
    this.#bound = minutesBound(this.ground);
    this.#best = this.#first();
    this.#current = this.#best;
    this.#better(this.#best);
    this.#leastLate = this.#best.late === 0;
    this.#proveByBound();
  }

  get best(): FoundPlan {
    return this.#best;
  }

  /** Minutes that every plan takes at least. */
  get bound(): number {
    return Math.min(this.#bound, this.#best.minutes);
  }

  /** Nothing more is to be gained. */
  get finished(): boolean {
    return this.#finished;
  }

  /** Whether it is proven that no plan is less late. */
  get leastLate(): boolean {
    return this.#leastLate;
  }

  /** One slice of work. */
  goOn(): void {
    if (this.#finished) return;
    this.#slice++;
    if (this.#best.off > 0 && !this.#pinsFail) {
      this.#searchPins();
      return;
    }
    const proven = this.#leastLate && this.#bound >= this.#best.minutes;
    if (proven) {
      if (this.#provenWaits || this.#waitingSlices++ >= WAITING_SLICES) this.#finished = true;
      else if (this.#waitingSlices % 2 === 0) this.#searchAround();
      else this.#searchWhole();
      return;
    }
    if (this.#slice % 3 === 0) this.#searchWhole();
    else if (this.#slice % 3 === 1) this.#placeOtherwise();
    else this.#searchAround();
  }

  /** Looks for any plan that starts each task just when it is wanted. */
  #searchPins(): void {
    const { ground } = this;
    this.#whole ??= new OrderSearch(ground, { minutes: ground.horizon, late: LATE_AT_ALL, pinned: true });
    const found = this.#whole.run(WHOLE);
    if (found !== 'more') this.#whole = undefined;
    if (found === 'none' || (found === 'more' && ++this.#pinSlices > PIN_SLICES)) {
      this.#whole = undefined;
      this.#pinsFail = true;
    } else if (found !== 'more') this.#take(found);
  }

  /** The best of a few usual orders: what has the longest way to the end first, and others of that kind. */
  #first(): FoundPlan {
    const { tasks, root } = this.ground;
    const tail = tasks.map(({ length }, t) =>
      tasks.reduce((most, { length: its }, other) => Math.max(most, root.least(t + 1, other + 1) + its), length),
    );
    const orders = [
      (t: number) => -(tail[t] as number),
      (t: number) => -(tail[t] as number) + (tasks[t] as PlanTask).hands,
      (t: number) => root.earliest(t + 1),
      (t: number) => (tasks[t] as PlanTask).hands - (tail[t] as number) / 2,
    ];
    const found = this.#doneUnits().flatMap((units) =>
      orders.map((order) =>
        this.#worthOf(
          this.#placer.place(
            Float64Array.from(tasks, (_, t) => order(t)),
            units,
          ),
        ),
      ),
    );
    return found.reduce((best, one) => (isBetter(one, best) ? one : best));
  }

  /** Where what is done may have stood: each in the first unit, spread over them, or all in one of the others. */
  #doneUnits(): Int16Array[] {
    const { places, begun, problem } = this.ground;
    if (!places.some(({ task }) => begun[task])) return [new Int16Array(places.length)];
    const most = Math.max(...places.map(({ kind }) => problem.kinds[kind]?.shelves.length ?? 1));
    const inOne = Array.from({ length: most }, (_, unit) =>
      Int16Array.from(places, ({ kind }) => Math.min(unit, (problem.kinds[kind]?.shelves.length ?? 1) - 1)),
    );
    const next = new Map<number, number>();
    const spread = Int16Array.from(places, ({ kind, task }) => {
      if (!begun[task]) return 0;
      const unit = next.get(kind) ?? 0;
      next.set(kind, unit + 1);
      return unit % (problem.kinds[kind]?.shelves.length ?? 1);
    });
    return [spread, ...inOne];
  }

  #worthOf(placing: Placing): FoundPlan {
    const { tasks, limited, problem } = this.ground;
    const { starts } = placing;
    let late = 0;
    for (const t of limited) late += latenessOf(tasks, starts, t);
    let off = 0;
    for (const t of this.ground.pinned) off += (starts[t] as number) - (tasks[t]?.pinned ?? 0);
    const ends = dishEnds(tasks, starts, problem.dishes);
    const minutes = ends.reduce((most, one) => Math.max(most, one), 0);
    return { placing, off, late, minutes, waits: ends.reduce((sum, one) => sum + minutes - one, 0) };
  }

  /** Keeps a plan that is better, its dishes ended as late as its order lets them. */
  #better(found: FoundPlan): void {
    const { problem } = this.ground;
    let plan = found;
    const ends = (worth: FoundPlan) => worth.minutes * problem.dishes - worth.waits;
    const aim = { minutes: plan.minutes, late: plan.late, pinned: plan.off === 0 };
    const later = this.#sameOrder(plan, { ...aim, ends: ends(plan) });
    // All of it as late as the order lets it: what is cooked stands as little as can be before it is gone on with.
    if (later && compared(later, plan) <= 0) plan = later;
    if (plan === this.#best || isBetter(plan, this.#best)) {
      if (plan.minutes < this.#best.minutes || plan.late < this.#best.late || plan.off < this.#best.off) this.#whole = undefined;
      this.#best = plan;
    } else if (compared(found, this.#best) === 0) this.#best = plan;
  }

  #sameOrder(plan: FoundPlan, aim: OrderAim): FoundPlan | undefined {
    const found = new OrderSearch(this.ground, aim, { placing: plan.placing, free: new Set() }).run(NODES);
    return typeof found === 'string' ? undefined : this.#worthOf(found);
  }

  #take(placing: Placing): void {
    const found = this.#worthOf(placing);
    if (isBetter(found, this.#best)) {
      this.#better(found);
      this.#current = this.#best;
      this.#proveByBound();
    }
  }

  /** Places in the order of a plan, some things drawn to other places. */
  #placeOtherwise(): void {
    const { tasks, problem, places } = this.ground;
    for (let n = 0; n < PLACINGS && !this.#finished; n++) {
      const { starts, units } = this.#current.placing;
      const keys = Float64Array.from(starts);
      const kind = this.#draw();
      const reach = Math.max(10, this.#current.minutes * 0.3);
      if (kind < 0.3) {
        const dish = 1 + Math.floor(this.#draw() * problem.dishes);
        const by = (this.#draw() * 2 - 1) * reach;
        for (const [t, one] of tasks.entries()) if (one.dish === dish) keys[t] = (keys[t] as number) + by;
      } else if (kind < 0.75) {
        const many = 1 + Math.floor(this.#draw() * 3);
        for (let i = 0; i < many; i++) {
          const t = Math.floor(this.#draw() * tasks.length);
          keys[t] = (keys[t] as number) + (this.#draw() * 2 - 1) * reach;
        }
      } else for (const t of keys.keys()) keys[t] = (keys[t] as number) + (this.#draw() * 2 - 1) * reach * 0.25;
      const doneUnits = places.length === 0 ? units : units.slice();
      if (this.#draw() < 0.2)
        for (const [p, { task, kind: of }] of places.entries())
          if (this.ground.begun[task]) doneUnits[p] = Math.floor(this.#draw() * (problem.kinds[of]?.shelves.length ?? 1));
      const found = this.#worthOf(this.#placer.place(keys, doneUnits));
      if (isBetter(found, this.#best)) {
        this.#take(found.placing);
        this.#stale = 0;
        continue;
      }
      // A little worse is taken now and then, the less likely the worse: else nothing better behind it is ever found.
      const worse =
        found.late + found.off > this.#current.late + this.#current.off ? Number.POSITIVE_INFINITY : found.minutes - this.#current.minutes;
      if (worse <= 0 || this.#draw() < Math.exp(-worse / (this.#best.minutes * HEAT))) this.#current = found;
      // From the best again, where it has led nowhere for long.
      if (++this.#stale % STALE === 0) this.#current = this.#best;
    }
  }

  /** Searches around the best plan: some dishes, or some stretch of time, in any order; all else as it stands to each other. */
  #searchAround(): void {
    const { tasks, problem } = this.ground;
    if (tasks.length === 0) return;
    const best = this.#best;
    const proven = this.#leastLate && this.#bound >= best.minutes;
    const free = new Set<number>();
    if (this.#draw() < 0.5) {
      const many = Math.min(problem.dishes, 1 + Math.floor(this.#draw() * 3));
      const dishes = new Set<number>();
      while (dishes.size < many) dishes.add(1 + Math.floor(this.#draw() * problem.dishes));
      for (const [t, { dish }] of tasks.entries()) if (dishes.has(dish)) free.add(t);
    } else {
      const wide = best.minutes * (0.15 + 0.3 * this.#draw());
      const from = this.#draw() * (best.minutes + wide) - wide;
      for (const [t, { length }] of tasks.entries()) {
        const start = best.placing.starts[t] as number;
        if (start < from + wide && start + length > from) free.add(t);
      }
    }
    const aim: OrderAim = proven
      ? this.#fewerWaits()
      : !this.#leastLate && this.#draw() < 0.5
        ? { minutes: this.ground.horizon, late: best.late - 1, pinned: best.off === 0 }
        : { minutes: best.minutes - 1, late: best.late, pinned: best.off === 0 };
    const found = new OrderSearch(this.ground, aim, { placing: best.placing, free }, this.#draw).run(AROUND);
    if (typeof found !== 'string') this.#take(found);
  }

  #fewerWaits(): OrderAim {
    const { off, late, minutes, waits } = this.#best;
    return { minutes, late, pinned: off === 0, ends: minutes * this.ground.problem.dishes - waits + 1 };
  }

  /** Goes on with the search of all plans there are that would be better. */
  #searchWhole(): void {
    const best = this.#best;
    const proven = this.#leastLate && this.#bound >= best.minutes;
    this.#whole ??= new OrderSearch(
      this.ground,
      proven
        ? this.#fewerWaits()
        : this.#leastLate
          ? { minutes: best.minutes - 1, late: best.late, pinned: best.off === 0 }
          : { minutes: this.ground.horizon, late: best.late - 1, pinned: best.off === 0 },
    );
    const found = this.#whole.run(WHOLE);
    if (found === 'more') return;
    this.#whole = undefined;
    if (found === 'none') {
      if (proven) this.#provenWaits = true;
      else if (this.#leastLate) this.#bound = best.minutes;
      else this.#leastLate = true;
      this.#proveByBound();
    } else this.#take(found);
  }

  /** What all plans are late at least: each dish by itself, as if nothing else were cooked. */
  #leastLateOfDishes(): number {
    const { limited, tasks, problem } = this.ground;
    const dishes = new Set(limited.map((t) => (tasks[t] as PlanTask).dish));
    if (dishes.size === 0) return 0;
    if (problem.dishes > 1) return [...dishes].reduce((sum, dish) => sum + this.#leastLateOfDish(dish), 0);
    const { root } = this.ground;
    return limited.reduce((sum, t) => {
      const { after, within = 0 } = tasks[t] as PlanTask;
      const least = Math.min(...after.map((one) => root.least(one + 1, t + 1) - (tasks[one] as PlanTask).length - within));
      return sum + Math.max(0, least);
    }, 0);
  }

  #leastLateOfDish(dish: number): number {
    const { tasks, problem } = this.ground;
    const own = tasks.flatMap((one, t) => (one.dish === dish ? [t] : []));
    const place = new Map(own.map((t, i) => [t, i]));
    const alone = own.map((t) => {
      const one = tasks[t] as PlanTask;
      return { ...one, dish: 1, after: one.after.map((before) => place.get(before) ?? 0) };
    });
    const search = new PlanSearch({ ...problem, tasks: alone, dishes: 1 }, 1);
    for (let slice = 0; slice < DISH_SLICES && !search.finished && !search.#leastLate; slice++) search.goOn();
    return search.#leastLate ? search.best.late : 0;
  }

  /** Raises the bound as far as it follows without a search. */
  #proveByBound(): void {
    if (!this.#leastLate) this.#leastLate = this.#best.late === (this.#dishesLate ??= this.#leastLateOfDishes());
    if (!this.#leastLate) return;
    let low = this.#bound;
    let high = this.#best.minutes;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (new OrderSearch(this.ground, { minutes: middle, late: this.#best.late, pinned: this.#best.off === 0 }).possible()) high = middle;
      else low = middle + 1;
    }
    this.#bound = Math.max(this.#bound, low);
  }
}

/** By how many minutes a limited task starts later than it may. */
export function latenessOf(tasks: readonly PlanTask[], starts: Int32Array, t: number): number {
  const { after, within = 0 } = tasks[t] as PlanTask;
  const last = Math.max(...after.map((one) => (starts[one] as number) + (tasks[one] as PlanTask).length));
  return Math.max(0, (starts[t] as number) - last - within);
}

/** The last end of each dish. */
export function dishEnds(tasks: readonly PlanTask[], starts: Int32Array, dishes: number): number[] {
  const ends = Array.from({ length: dishes }, () => 0);
  for (const [t, { dish, length }] of tasks.entries()) ends[dish - 1] = Math.max(ends[dish - 1] as number, (starts[t] as number) + length);
  return ends;
}
