import { parentPort, workerData } from 'node:worker_threads';
import { PlanSearch, planProblem, planReport, sessionPlan, type Recipe, type Session } from '@portiona/core';

/** What a thread that plans is given. */
export interface PlanAsked {
  readonly session: Session;
  readonly recipes: readonly Recipe[];
  /** Minutes from its start, before which nothing new begins. */
  readonly now: number;
  /** How long a better plan is looked for at most. */
  readonly seconds: number;
}

/** The same plan each time. */
const SEED = 1;

/** Plans one session: each better plan is told as it is found, and the last with its proof or bound. It ends with its thread. */
function plan({ session, recipes, now, seconds }: PlanAsked): void {
  const byId = new Map(recipes.map((recipe) => [recipe.id, recipe]));
  const search = new PlanSearch(
    planProblem(session, (id) => byId.get(id) as Recipe, now),
    SEED,
  );
  const until = performance.now() + seconds * 1000;
  const tell = (last: boolean) =>
    parentPort?.postMessage(`${JSON.stringify({ ...planReport(session.id, sessionPlan(search)), finished: last })}\n`);
  let told: object = search.best;
  tell(false);
  while (!search.finished && performance.now() < until) {
    search.goOn();
    if (search.best === told) continue;
    told = search.best;
    tell(false);
  }
  tell(true);
  parentPort?.close();
}

plan(workerData as PlanAsked);
