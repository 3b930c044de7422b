import { timedSteps, timeOf, type TimedStep } from '../method/index.js';
import type { Recipe } from '../recipe/index.js';
import type { Session } from './session.js';

/** One place that a step holds from its start to its end. */
export interface PlanUse {
  /** Of `PlanProblem.kinds`. */
  readonly kind: number;
  /** °C; undefined goes with any. */
  readonly at: number | undefined;
}

/** A step to be given its minute. Times are whole minutes from the session's start. */
export interface PlanTask {
  /** From 1. */
  readonly dish: number;
  readonly recipe: string;
  /** From 1. */
  readonly step: number;
  readonly length: number;
  /** Minutes, from its start, that a cook is bound. */
  readonly hands: number;
  readonly uses: readonly PlanUse[];
  /** Tasks, by their place in `PlanProblem.tasks`, that end before it starts. */
  readonly after: readonly number[];
  /** Minutes that may lie between the last end of those and its start. */
  readonly within: number | undefined;
  /** When it was begun, where it was: it stays there. */
  readonly begun: number | undefined;
  /** When it is wanted to start: not before, and just then if any plan can keep that. */
  readonly pinned: number | undefined;
}

/** Equipment of one name. */
export interface PlanKind {
  readonly name: string;
  /** Places of each unit. */
  readonly shelves: readonly number[];
}

/** A session as what is to be planned: every step of every dish, and what they share. */
export interface PlanProblem {
  readonly tasks: readonly PlanTask[];
  readonly dishes: number;
  readonly cooks: number;
  readonly kinds: readonly PlanKind[];
  /** Degrees between the lowest and the highest heat of one unit, at most. */
  readonly tolerance: number;
  /** Nothing that is not done starts before. */
  readonly now: number;
}

/** Places of each unit that a session names, by what it is called. A name listed again has more units. */
export function equipmentOf({ equipment = [] }: Pick<Session, 'equipment'>): Map<string, number[]> {
  const kinds = new Map(equipment.map(({ name }) => [name, [] as number[]]));
  for (const { name, count = 1, shelves = 1 } of equipment) for (let unit = 0; unit < count; unit++) kinds.get(name)?.push(shelves);
  return kinds;
}

/**
 * The steps of a dish with what they take in a session: by the ways that are chosen for it, and by what is said of this session alone.
 *
 * @param dish index in the session
 */
export function sessionSteps({ dishes, adjusted = [] }: Pick<Session, 'dishes' | 'adjusted'>, dish: number, recipe: Recipe): TimedStep[] {
  const chosen = new Map(Object.entries(dishes[dish]?.choose ?? {}).map(([number, way]) => [Number(number), way]));
  return timedSteps(recipe, chosen).map((step) => {
    const own = adjusted.find((one) => one.dish === dish + 1 && one.step === step.number);
    if (!own) return step;
    const { text } = step.step;
    // Hands that nobody has said follow what is said of the rest.
    const hands = own.hands ?? (step.read.has('hands') ? undefined : step.hands);
    const timed = timeOf({
      text,
      minutes: own.minutes ?? step.minutes,
      ...(hands === undefined ? {} : { hands }),
      uses: own.uses ?? step.uses.map(({ name, at }) => (at === undefined ? name : { name, at })),
    });
    const said = new Set((['minutes', 'hands', 'uses'] as const).filter((key) => own[key] !== undefined));
    const within = step.after.length === 0 ? undefined : (own.within ?? step.within);
    return { ...step, ...timed, within, read: new Set([...step.read].filter((key) => !said.has(key as 'minutes'))) };
  });
}

/**
 * Puts a session's steps together with what they hold (kitchen file, Steps with times; Session and its plan).
 *
 * @param recipeOf by id; every dish's recipe is there, and each way that is chosen
 * @param now minutes from the session's start; nothing not yet begun starts before
 */
export function planProblem(session: Session, recipeOf: (id: string) => Recipe, now = 0): PlanProblem {
  const kinds = equipmentOf(session);
  const begun = new Map((session.done ?? []).map((one) => [`${one.dish}/${one.step}`, one]));
  const pins = new Map((session.pinned ?? []).map((one) => [`${one.dish}/${one.step}`, Math.max(now, one.start)]));
  const tasks: PlanTask[] = [];
  const names: string[] = [...kinds.keys()];
  for (const [d, { recipe }] of session.dishes.entries()) {
    const first = tasks.length;
    for (const step of sessionSteps(session, d, recipeOf(recipe))) {
      const done = begun.get(`${d + 1}/${step.number}`);
      const length = done ? (done.end ?? Math.max(done.start + step.minutes, now)) - done.start : step.minutes;
      for (const { name } of step.uses)
        if (!kinds.has(name)) {
          kinds.set(name, [1]);
          names.push(name);
        }
      tasks.push({
        dish: d + 1,
        recipe,
        step: step.number,
        length,
        hands: Math.min(step.hands, length),
        uses: step.uses.map(({ name, at }) => ({ kind: names.indexOf(name), at })),
        after: step.after.map((number) => first + number - 1),
        within: step.within,
        begun: done?.start,
        // What is past cannot be wanted any more.
        pinned: done ? undefined : pins.get(`${d + 1}/${step.number}`),
      });
    }
  }
  return {
    tasks,
    dishes: session.dishes.length,
    cooks: session.cooks ?? 1,
    kinds: names.map((name) => ({ name, shelves: kinds.get(name) ?? [] })),
    tolerance: session.ovenTolerance ?? 0,
    now,
  };
}
