import { PlanSearch, planProblem, sessionPlan, type PlanProblem, type Recipe, type Session, type SessionPlan } from '@portiona/core';

/** A session to plan. The newest that is given is planned; the one before is given up. */
export interface PlanTask {
  readonly id: number;
  readonly session: Session;
  readonly recipes: readonly Recipe[];
  /** Minutes from its start. */
  readonly now: number;
  /** Whether to find out, in the end, what one more of something would save. */
  readonly asks: boolean;
}

/** What one more cook, or one more of some equipment, would save. */
export interface OneMore {
  /** Undefined: one more cook. */
  readonly name: string | undefined;
  /** Minutes; at most, where it is not proven. */
  readonly saves: number;
  readonly proven: boolean;
}

/** What the worker says: a plan, and whether it is still being bettered. */
export interface PlanSaid {
  readonly id: number;
  readonly plan: SessionPlan;
  readonly finished: boolean;
  /** Pinned steps that start later than wanted, in minutes together. */
  readonly off: number;
  readonly oneMore: readonly OneMore[];
}

/** Milliseconds until whoever waits is told, and until it is looked whether something else is wanted. */
const SLICE_MS = 40;
/** Milliseconds that a session is bettered at most. */
const LONGEST_MS = 8_000;
/** Milliseconds for each question of what one more would save. */
const ASK_MS = 500;
const SEED = 1;

let newest = 0;

self.onmessage = ({ data }: MessageEvent<PlanTask>) => {
  newest = data.id;
  void plan(data);
};

async function plan({ id, session, recipes, now, asks }: PlanTask): Promise<void> {
  const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
  const problem = planProblem(session, (recipe) => byId.get(recipe) as Recipe, now);
  const search = new PlanSearch(problem, SEED);
  const until = performance.now() + LONGEST_MS;
  let said = '';
  const say = (finished: boolean, oneMore: readonly OneMore[] = []) => {
    const found = sessionPlan(search);
    const text = JSON.stringify([found, finished, oneMore]);
    if (text === said) return;
    said = text;
    self.postMessage({ id, plan: found, finished, off: search.best.off, oneMore } satisfies PlanSaid);
  };
  say(false);
  while (!search.finished && performance.now() < until) {
    const slice = performance.now() + SLICE_MS;
    while (!search.finished && performance.now() < slice) search.goOn();
    await pause();
    if (newest !== id) return;
    say(false);
  }
  say(true);
  if (!asks) return;
  const found: OneMore[] = [];
  for (const [name, wider] of widened(problem)) {
    const saves = search.best.minutes - (await fewest(wider, id));
    if (newest !== id) return;
    if (saves > 0) found.push({ name, saves: Math.floor(saves), proven: Number.isInteger(saves) });
  }
  say(true, found);
}

/** The problem with one more of each thing that steps wait for. */
function widened(problem: PlanProblem): [string | undefined, PlanProblem][] {
  const busy = problem.kinds.flatMap(({ shelves, name }, kind) => {
    const holds = problem.tasks.filter(({ uses }) => uses.some((use) => use.kind === kind)).length;
    return holds > shelves.length ? [{ kind, name, holds }] : [];
  });
  busy.sort((a, b) => b.holds - a.holds);
  return [
    [undefined, { ...problem, cooks: problem.cooks + 1 }],
    ...busy.slice(0, 2).map(({ kind, name }): [string, PlanProblem] => [
      name,
      {
        ...problem,
        kinds: problem.kinds.map((one, k) => (k === kind ? { ...one, shelves: [...one.shelves, ...one.shelves.slice(-1)] } : one)),
      },
    ]),
  ];
}

/** The fewest minutes of a problem: whole where they are proven, else its bound and a half, so that nobody takes it for proven. */
async function fewest(problem: PlanProblem, id: number): Promise<number> {
  const search = new PlanSearch(problem, SEED);
  const until = performance.now() + ASK_MS;
  while (!search.finished && search.bound < search.best.minutes && performance.now() < until && newest === id) {
    search.goOn();
    await pause();
  }
  return search.bound < search.best.minutes ? search.bound - 0.5 : search.best.minutes;
}

function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve));
}
