import { dishEnds, latenessOf, type PlanSearch } from './planSearch.js';
import type { PlanTask } from './planProblem.js';

/** A place that a planned step holds. */
export interface PlannedPlace {
  readonly name: string;
  /** From 1. */
  readonly unit: number;
  /** °C; null goes with any. */
  readonly at: number | null;
}

/** A step with its minutes, who does it, and on what. */
export interface PlannedStep {
  /** From 1. */
  readonly dish: number;
  readonly recipe: string;
  /** From 1. */
  readonly step: number;
  readonly start: number;
  readonly end: number;
  /** Minutes, from its start, that the cook is bound. */
  readonly hands: number;
  /** From 1; null without hands. */
  readonly cook: number | null;
  readonly on: readonly PlannedPlace[];
}

/** A wait that is longer than it may be, by so many minutes. */
export interface LateStep {
  readonly dish: number;
  readonly step: number;
  readonly by: number;
}

/** A session's plan (kitchen file, Session and its plan). Minutes from its start. */
export interface SessionPlan {
  readonly minutes: number;
  /** No plan takes less. */
  readonly bound: number;
  readonly proven: boolean;
  readonly late: readonly LateStep[];
  /** Every step of every dish once, by start. */
  readonly steps: readonly PlannedStep[];
}

/** The best plan found so far, with cooks and units given out. */
export function sessionPlan(search: PlanSearch): SessionPlan {
  const { ground, best, bound } = search;
  const { tasks, problem, places } = ground;
  const { starts, units } = best.placing;
  const cooks = givenCooks(tasks, starts, problem.cooks);
  const on: PlannedPlace[][] = tasks.map(() => []);
  const chosen = new Map<number, number[]>();
  for (const [p, { task, kind }] of places.entries())
    (chosen.get(task * problem.kinds.length + kind) ?? fresh(chosen, task * problem.kinds.length + kind)).push(units[p] as number);
  for (const [kind, { name, shelves }] of problem.kinds.entries()) {
    const free = ground.placesOf.has(kind) ? undefined : givenUnits(tasks, starts, kind, shelves);
    for (const [t, { uses, length }] of tasks.entries()) {
      const own = free?.get(t) ?? chosen.get(t * problem.kinds.length + kind) ?? [];
      for (const [i, { at }] of uses.filter((use) => use.kind === kind).entries())
        (on[t] as PlannedPlace[]).push({ name, unit: (length === 0 ? 0 : (own[i] ?? 0)) + 1, at: at ?? null });
    }
  }
  const steps = tasks.map(({ dish, recipe, step, length, hands }, t): PlannedStep => {
    const start = starts[t] as number;
    return { dish, recipe, step, start, end: start + length, hands, cook: cooks[t] ?? null, on: on[t] ?? [] };
  });
  const late = ground.limited.flatMap((t): LateStep[] => {
    const by = latenessOf(tasks, starts, t);
    const { dish, step } = tasks[t] as PlanTask;
    return by > 0 ? [{ dish, step, by }] : [];
  });
  const minutes = Math.max(0, ...dishEnds(tasks, starts, problem.dishes));
  return {
    minutes,
    bound: Math.min(bound, minutes),
    proven: bound >= minutes,
    late,
    steps: steps.sort((a, b) => a.start - b.start || a.end - b.end || a.dish - b.dish || a.step - b.step),
  };
}

function fresh(map: Map<number, number[]>, key: number): number[] {
  const list: number[] = [];
  map.set(key, list);
  return list;
}

/** A stretch in which one cook is bound: a step, or steps that were done at once. */
interface Stretch {
  readonly tasks: number[];
  readonly from: number;
  to: number;
}

/** A cook for each task with hands: one who is free, best the one who did the dish's last step. */
function givenCooks(tasks: readonly PlanTask[], starts: Int32Array, cooks: number): (number | undefined)[] {
  const spans = tasks
    .flatMap(({ hands }, t) => (hands > 0 ? [{ t, from: starts[t] as number, to: (starts[t] as number) + hands }] : []))
    .sort((a, b) => a.from - b.from || a.t - b.t);
  const stretches: Stretch[] = [];
  // What is done is never held against what is done: where it meets, it may be one cook's.
  let done: Stretch | undefined;
  for (const { t, from, to } of spans)
    if (tasks[t]?.begun === undefined) stretches.push({ tasks: [t], from, to });
    else if (done && from < done.to) {
      done.tasks.push(t);
      done.to = Math.max(done.to, to);
    } else stretches.push((done = { tasks: [t], from, to }));
  stretches.sort((a, b) => a.from - b.from);
  const freeFrom = Array.from({ length: cooks }, () => 0);
  const lastOf = new Map<number, number>();
  const given: (number | undefined)[] = [];
  for (const { tasks: own, from, to } of stretches) {
    const usual = lastOf.get(tasks[own[0] as number]?.dish ?? 0);
    const free = freeFrom.flatMap((minute, cook) => (minute <= from ? [cook] : []));
    const cook = usual !== undefined && free.includes(usual) ? usual : (free[0] ?? 0);
    freeFrom[cook] = to;
    for (const t of own) {
      given[t] = cook + 1;
      lastOf.set(tasks[t]?.dish ?? 0, cook);
    }
  }
  return given;
}

/** A unit (from 0) for each place of a kind whose units are all alike in what may stand in them. */
function givenUnits(tasks: readonly PlanTask[], starts: Int32Array, kind: number, shelves: readonly number[]): Map<number, number[]> {
  const places = shelves.flatMap((count, unit) => Array.from({ length: count }, () => ({ unit, freeFrom: 0 })));
  const wanted = tasks
    .flatMap(({ uses, length }, t) => (length === 0 ? [] : uses.filter((use) => use.kind === kind).map(() => t)))
    .sort((a, b) => (starts[a] as number) - (starts[b] as number) || a - b);
  const given = new Map<number, number[]>();
  for (const t of wanted) {
    const from = starts[t] as number;
    const place = places.find(({ freeFrom }) => freeFrom <= from);
    if (!place) continue;
    place.freeFrom = from + (tasks[t] as PlanTask).length;
    (given.get(t) ?? fresh(given, t)).push(place.unit);
  }
  return given;
}
