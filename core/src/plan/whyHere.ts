import type { PlanProblem, PlanTask } from './planProblem.js';
import type { PlannedStep, SessionPlan } from './sessionPlan.js';

/** A step, by dish and number. */
export interface StepPlace {
  readonly dish: number;
  readonly step: number;
}

/** Why a planned step does not start sooner. */
export type WhyHere =
  /** It is the start, or the minute from which is planned. */
  | { readonly is: 'first' }
  /** It stands as it was done. */
  | { readonly is: 'done' }
  /** Put there by hand. */
  | { readonly is: 'pinned' }
  /** What comes before it in its own dish is over only then. */
  | { readonly is: 'after'; readonly of: StepPlace }
  /** No cook is free sooner: this one binds the last. */
  | { readonly is: 'cook'; readonly of: StepPlace }
  /** No place is free sooner, or none at this heat. */
  | { readonly is: 'place'; readonly name: string; readonly of: StepPlace }
  /** What follows it may not wait long, and cannot be sooner. */
  | { readonly is: 'holds'; readonly of: StepPlace }
  /** It could start so much sooner; here less stands and waits. Minutes. */
  | { readonly is: 'free'; readonly sooner: number };

/** Every reason that holds a step where it is; with 'free' there is no other. */
export function whyHere(problem: PlanProblem, plan: Pick<SessionPlan, 'steps'>, place: StepPlace): WhyHere[] {
  return new Reasons(problem, plan.steps).of(place);
}

/**
 * The steps that the last end hangs on, each held by the one before: the plan takes as long as they do. From the first to the last.
 */
export function criticalChain(problem: PlanProblem, plan: Pick<SessionPlan, 'steps' | 'minutes'>): StepPlace[] {
  const reasons = new Reasons(problem, plan.steps);
  const known = new Map<string, Chain>();
  const chainTo = (at: StepPlace): Chain => {
    const key = `${at.dish}/${at.step}`;
    const ready = known.get(key);
    if (ready) return ready;
    const own = { dish: at.dish, step: at.step };
    const start = plan.steps.find((one) => one.dish === at.dish && one.step === at.step)?.start ?? 0;
    // Against going round in a circle of steps that take no time.
    known.set(key, { from: start, steps: [own] });
    // Of several that hold it, the one that itself is held from earliest on.
    const longest = reasons
      .of(at)
      .flatMap((why) => ('of' in why ? [chainTo(why.of)] : []))
      .reduce<Chain | undefined>((best, one) => (best && best.from <= one.from ? best : one), undefined);
    const chain = longest ? { from: longest.from, steps: [...longest.steps, own] } : { from: start, steps: [own] };
    known.set(key, chain);
    return chain;
  };
  const ends = plan.steps.filter(({ end }) => end === plan.minutes).map(chainTo);
  const longest = ends.reduce<Chain | undefined>((best, one) => (best && best.from <= one.from ? best : one), undefined);
  return [...(longest?.steps ?? [])];
}

/** Steps that hold each other, and when the first of them starts. */
interface Chain {
  readonly from: number;
  readonly steps: readonly StepPlace[];
}

class Reasons {
  readonly #tasks = new Map<string, PlanTask>();
  readonly #steps = new Map<string, PlannedStep>();

  constructor(
    readonly problem: PlanProblem,
    readonly steps: readonly PlannedStep[],
  ) {
    for (const task of problem.tasks) this.#tasks.set(`${task.dish}/${task.step}`, task);
    for (const step of steps) this.#steps.set(`${step.dish}/${step.step}`, step);
  }

  of({ dish, step }: StepPlace): WhyHere[] {
    const task = this.#tasks.get(`${dish}/${step}`);
    const planned = this.#steps.get(`${dish}/${step}`);
    if (!task || !planned) return [];
    if (task.begun !== undefined) return [{ is: 'done' }];
    if (task.pinned === planned.start) return [{ is: 'pinned' }];
    const found = this.#holding(task, planned);
    if (found.length > 0) return found;
    if (planned.start <= this.problem.now) return [{ is: 'first' }];
    const followers = this.#followers(task);
    if (followers.length > 0) return followers;
    let sooner = 0;
    while (planned.start - sooner > this.problem.now && this.#holding(task, this.#moved(planned, sooner)).length === 0) sooner++;
    return [{ is: 'free', sooner }];
  }

  #moved(planned: PlannedStep, sooner: number): PlannedStep {
    return { ...planned, start: planned.start - sooner, end: planned.end - sooner };
  }

  /** What stands in the way one minute sooner. */
  #holding(task: PlanTask, planned: PlannedStep): WhyHere[] {
    const { start } = planned;
    const own = (other: PlannedStep) => other.dish === planned.dish && other.step === planned.step;
    const before = task.after.flatMap((index): WhyHere[] => {
      const { dish, step } = this.problem.tasks[index] as PlanTask;
      return this.#steps.get(`${dish}/${step}`)?.end === start ? [{ is: 'after', of: { dish, step } }] : [];
    });
    const found: WhyHere[] = [...before];
    if (task.hands > 0) {
      const bound = this.steps.filter(
        (other) => !own(other) && other.hands > 0 && other.start < start && other.start + other.hands >= start,
      );
      if (bound.length >= this.problem.cooks) {
        const last = bound.find((other) => other.start + other.hands === start);
        if (last) found.push({ is: 'cook', of: { dish: last.dish, step: last.step } });
      }
    }
    for (const { kind, at } of task.uses) {
      const { name, shelves } = this.problem.kinds[kind] as { name: string; shelves: readonly number[] };
      if (planned.end === planned.start) continue;
      const there = this.steps.flatMap((other) =>
        own(other) || other.start >= start || other.end < start
          ? []
          : other.on.filter((on) => on.name === name).map((on) => ({ other, on, goes: other.end === start })),
      );
      const room = shelves.some((places, unit) => {
        const here = there.filter(({ on }) => on.unit === unit + 1);
        const fits = here.every(({ on }) => on.at === null || at === undefined || Math.abs(on.at - at) <= this.problem.tolerance);
        return here.length < places && fits;
      });
      const gone = there.find(({ goes }) => goes)?.other;
      if (!room && gone) found.push({ is: 'place', name, of: { dish: gone.dish, step: gone.step } });
    }
    return found;
  }

  /** What follows and may not wait longer than it does. */
  #followers(task: PlanTask): WhyHere[] {
    const index = this.problem.tasks.indexOf(task);
    return this.problem.tasks.flatMap((other): WhyHere[] => {
      if (other.within === undefined || !other.after.includes(index) || other.begun !== undefined) return [];
      const planned = this.#steps.get(`${other.dish}/${other.step}`);
      const last = Math.max(
        ...other.after.map((one) => {
          const { dish, step } = this.problem.tasks[one] as PlanTask;
          return this.#steps.get(`${dish}/${step}`)?.end ?? 0;
        }),
      );
      const own = this.#steps.get(`${task.dish}/${task.step}`)?.end;
      return planned && own === last && planned.start === last + other.within
        ? [{ is: 'holds', of: { dish: other.dish, step: other.step } }]
        : [];
    });
  }
}
