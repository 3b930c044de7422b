import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Injectable } from '@nestjs/common';
import { unplannable, type Fault } from '@portiona/core';
import { Turns, type TurnBounds } from '../database/turns.js';
import { ValidationError } from '../http/problems.js';
import type { Scope } from '../scope/scope.js';
import type { PlanAsked } from './planThread.js';
import { SessionsService } from './sessions.service.js';

/** The built thread: it stands in the same place whether this file runs built or not. */
const THREAD = fileURLToPath(new URL('../../dist/sessions/planThread.js', import.meta.url));
/** Plans that are looked for at once, and how many and how long others wait. */
const AT_ONCE: TurnBounds = { places: 1, waiting: 20, longest: 60_000 };
const USUAL_SECONDS = 5;
const MOST_SECONDS = 60;
const LATEST_MINUTE = 100_000;
/** Megabytes a search may take. */
const MEMORY = 512;

/** Plans of sessions for programs that are no page: looked for in a thread of their own, told as they get better, given up at once. */
@Injectable()
export class PlanningService {
  readonly #turns = new Turns(AT_ONCE);

  constructor(private readonly sessions: SessionsService) {}

  /**
   * Looks for the plan of a session.
   *
   * @param asked `now` and `seconds` as an address has them
   * @param tell takes one line of JSON for each better plan, the last one `finished`
   * @param given ends the search where nobody waits for it any more
   * @throws NotFoundError, ValidationError, BusyError; before anything is told
   */
  async plan(
    scope: Scope,
    id: string,
    asked: { readonly now?: string | undefined; readonly seconds?: string | undefined },
    tell: (line: string) => void,
    given: AbortSignal,
  ): Promise<void> {
    const { document: session, recipes } = await this.sessions.open(scope, id);
    const [now, seconds] = [
      numberOf('now', asked.now, 0, LATEST_MINUTE, true),
      numberOf('seconds', asked.seconds, USUAL_SECONDS, MOST_SECONDS, false),
    ];
    const there = new Map(recipes.map((recipe) => [recipe.id, recipe]));
    const gone = session.dishes.flatMap(({ recipe }, i): Fault[] =>
      there.has(recipe) ? [] : [{ path: `dishes[${i}].recipe`, message: `there is no recipe "${recipe}" any more` }],
    );
    const faults = [...gone, ...(gone.length > 0 ? [] : unplannable(session, there, (recipe) => `recipes.${recipe}`))];
    if (faults.length > 0) throw new ValidationError(faults);
    await this.#turns.take('', () => searched({ session, recipes, now, seconds }, tell, given));
  }
}

function searched(workerData: PlanAsked, tell: (line: string) => void, given: AbortSignal): Promise<void> {
  return new Promise((done, failed) => {
    if (given.aborted) return done();
    const thread = new Worker(THREAD, { workerData, resourceLimits: { maxOldGenerationSizeMb: MEMORY } });
    const end = () => void thread.terminate();
    given.addEventListener('abort', end, { once: true });
    thread.on('message', tell);
    thread.on('error', failed);
    thread.on('exit', () => {
      given.removeEventListener('abort', end);
      done();
    });
  });
}

/** @throws ValidationError */
function numberOf(name: string, word: string | undefined, usual: number, most: number, whole: boolean): number {
  if (word === undefined) return usual;
  const number = Number(word);
  if (word.trim() === '' || !Number.isFinite(number) || number < 0 || number > most || (whole && !Number.isInteger(number)))
    throw new ValidationError([{ path: name, message: `must be a ${whole ? 'whole ' : ''}number from 0 to ${most}` }]);
  return number;
}
