import { fileURLToPath } from 'node:url';
import { Injectable, Logger, type OnModuleDestroy } from '@nestjs/common';
import { Piscina } from 'piscina';
import { applicationRole } from '../database/applicationRole.js';
import { Database } from '../database/database.js';
import { wall, within } from '../database/wall.js';
import { Turns, type TurnBounds } from '../database/turns.js';
import { UnreadBody, type SentBody } from '../http/unreadBody.js';
import { BusyError, Problem, ToldError, TooMuchWorkError } from '../http/problems.js';
import { works } from '../jobs/role.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { RecipeListsService } from '../recipes/recipeLists.service.js';
import { houseScope, type Scope } from '../scope/scope.js';
import { House } from './house.js';
import { BINDING, BODY_JOBS, DRAWING, WRITING, type BodyJob, type GivenBeside, type GivenTo, type MadeBy, type ThreadJob } from './jobs.js';
import { JsonText } from './jsonText.js';
import type { Answered, Asked, HeapOfThread, READY, SlowInThread } from './thread.js';
import { tellSlowStatement } from '../watch/tellSlowStatement.js';

/** The built thread: it stands in the same place whether this file runs built or not. */
const THREAD = fileURLToPath(new URL('../../dist/threads/thread.js', import.meta.url));

/** Threads, the memory each may take (megabytes), how many may wait for one and how long, and how long work may take before it is ended (milliseconds). */
interface Bounds extends TurnBounds {
  readonly name: string;
  readonly memory: number;
  readonly work: number;
}
const COMPUTING: Bounds = { name: 'computing', places: 2, memory: 768, waiting: 300, ofOne: 150, longest: 30_000, work: 60_000 };
const DRAWN: Bounds = { name: 'drawing', places: 1, memory: 512, waiting: 60, ofOne: 40, longest: 30_000, work: 60_000 };
const BOUND: Bounds = { name: 'binding', places: 1, memory: 1024, waiting: 20, longest: 600_000, work: 300_000 };
/** A thread with nothing to do is let go after this long. */
const IDLE = 120_000;
/** Milliseconds between looks at whether what lists show is to be computed anew: an import leaves much to do. */
const SETTLED_EVERY = 60_000;

/** Times that a list is computed anew before it is shown as it is by then. */
const MOST_ROUNDS = 3;

/** Gives work to threads: bounded in number, memory and time, and nobody else waits for it. */
@Injectable()
export class Threads implements OnModuleDestroy {
  readonly #log = new Logger('threads');
  #settling: NodeJS.Timeout | undefined;
  readonly #underWay = new Map<string, Promise<string>>();
  readonly #pools = new Map<
    Bounds,
    { readonly threads: Piscina<Asked | typeof READY, Answered>; readonly turns: Turns; readonly heaps: Map<number, number> }
  >();

  constructor(
    private readonly database: Database,
    private readonly kitchens: KitchensService,
    private readonly house: House,
    private readonly lists: RecipeListsService,
  ) {}

  /** JSON of what a job makes. @throws ToldError, BusyError, TooMuchWorkError */
  async json<Job extends ThreadJob>(job: Job, scope: Scope, ...given: GivenTo<Job>): Promise<JsonText<MadeBy<Job>>> {
    return new JsonText(textOf(await this.#run(job, { job, given: [scope, ...given] })));
  }

  /** Text that a job makes. @throws as `json` */
  async text<Job extends ThreadJob>(job: Job, scope: Scope, ...given: GivenTo<Job>): Promise<string> {
    return textOf(await this.#run(job, { job, given: [scope, ...given] }));
  }

  /** What a job makes, taken apart again. @throws as `json` */
  async made<Job extends ThreadJob>(job: Job, scope: Scope, ...given: GivenTo<Job>): Promise<MadeBy<Job>> {
    return JSON.parse(textOf(await this.#run(job, { job, given: [scope, ...given] }))) as MadeBy<Job>;
  }

  /** Bytes that a job makes. @throws as `json` */
  async bytes<Job extends ThreadJob>(job: Job, scope: Scope, ...given: GivenTo<Job>): Promise<Uint8Array> {
    const answered = await this.#run(job, { job, given: [scope, ...given] });
    return answered.kind === 'bytes' ? answered.bytes : new TextEncoder().encode(textOf(answered));
  }

  /** Work on what a request brought: here when it is small, in a thread when it is large. @throws whatever the job throws, and as `json` */
  async take<Job extends BodyJob>(
    job: Job,
    body: SentBody,
    scope: Scope,
    ...given: GivenBeside<Job>
  ): Promise<MadeBy<Job> | JsonText<MadeBy<Job>>> {
    if (body instanceof UnreadBody) return new JsonText(textOf(await this.#run(job, { job, body: body.bytes, given: [scope, ...given] })));
    const here = BODY_JOBS[job] as (house: House, body: unknown, ...given: readonly unknown[]) => Promise<MadeBy<Job>>;
    return here(this.house, body, scope, ...given);
  }

  /**
   * Computes anew what lists show, where something changed under it. Those who ask for it at the same time wait for the same work: it is
   * done by one at a time anyway, and whoever waited in a thread would keep that from everybody else.
   */
  async settled(scope: Scope): Promise<void> {
    // What changes while it is under way is computed the next time round, by one of those who wait; somebody who writes without end keeps nobody waiting.
    for (let round = 0; round < MOST_ROUNDS && !(await this.lists.areSettled(scope)); round++) await this.#settle(scope.kitchenId);
  }

  /** One at a time of a kitchen; who asks meanwhile waits for the one under way. */
  #settle(kitchenId: string): Promise<string> {
    const running =
      this.#underWay.get(kitchenId) ??
      // Whoever asks: what is kept is computed of everything, and what they may not see is left out where it is read.
      this.text('settleRecipes', houseScope(kitchenId)).finally(() => this.#underWay.delete(kitchenId));
    this.#underWay.set(kitchenId, running);
    return running;
  }

  /** Has computed anew what is known to have changed, beside the request that asks: it goes on when that is answered. It never fails; what broke is in the log. */
  async settling({ kitchenId }: Scope): Promise<void> {
    try {
      await within(kitchenId, () => this.#settle(kitchenId));
    } catch (error) {
      // That there is too much to do is told to who waits; here nobody does, and whoever asks next has it begun again.
      if (!(error instanceof Problem)) this.#log.warn(error);
    }
  }

  /**
   * Has a thread ready before anyone asks; and where this server works, has what lists show computed now and then, when nobody has asked for
   * long: of kitchens in which something changed, and once a day of all of them, since a new day makes other prices count.
   */
  async warm(): Promise<void> {
    let settledOn: string | undefined;
    const settle = async () => {
      await this.kitchens.forgetDeleted();
      const today = new Date().toDateString();
      const scopes = await (settledOn === undefined || settledOn === today ? this.kitchens.changedScopes() : this.kitchens.scopes());
      settledOn = today;
      for (const scope of scopes) await within(scope.kitchenId, () => this.settled(scope)).catch(() => undefined);
    };
    if (works()) this.#settling = setInterval(() => void settle().catch(() => undefined), SETTLED_EVERY).unref();
    // Even where nothing is to be computed: the first who asks is to find a thread.
    const [first] = await this.kitchens.scopes();
    if (first) await this.text('settleRecipes', first).catch(() => undefined);
  }

  /** Work given to threads, by pool: under way, and waiting for one; and the bytes that the memory of those there holds, as they said last. */
  standing(): { readonly pool: string; readonly working: number; readonly waiting: number; readonly heap: number }[] {
    return [...this.#pools].map(([{ name }, { turns, threads, heaps }]) => {
      const there = new Set(threads.threads.map(({ threadId }) => threadId));
      for (const gone of [...heaps.keys()].filter((one) => !there.has(one))) heaps.delete(gone);
      return { pool: name, ...turns.standing(''), heap: [...heaps.values()].reduce((sum, bytes) => sum + bytes, 0) };
    });
  }

  async onModuleDestroy(): Promise<void> {
    clearInterval(this.#settling);
    await Promise.all([...this.#pools.values()].map(({ threads }) => threads.destroy()));
  }

  async #run(job: ThreadJob | BodyJob, asked: Asked): Promise<Exclude<Answered, { kind: 'problem' }>> {
    const bounds = BINDING.has(job) ? BOUND : DRAWING.has(job) ? DRAWN : COMPUTING;
    const here = wall.getStore()?.deed;
    const deed = here && !here.noted && WRITING.has(job) ? here : undefined;
    const request = wall.getStore()?.request;
    const run = () => this.#answer({ ...asked, request, ...(deed ? { deed: deed.deed } : {}) }, bounds);
    const [{ kitchenId }] = asked.given;
    const answered = await (WRITING.has(job) ? this.database.turn(kitchenId, run) : run());
    if (answered.kind !== 'problem') {
      if (deed && answered.noted) deed.noted = true;
      return answered;
    }
    if (answered.problem.status >= 500) this.#log.error(answered.error);
    throw new ToldError(answered.problem);
  }

  #answer(asked: Asked, bounds: Bounds): Promise<Answered> {
    const { threads, turns } = this.#pool(bounds);
    // Whoever waits, waits here: the time that work may take is counted from when it is begun.
    return turns.take('', () => this.#work(asked, threads, bounds), asked.given[0].kitchenId);
  }

  async #work(asked: Asked, threads: Piscina<Asked | typeof READY, Answered>, { work }: Bounds): Promise<Answered> {
    try {
      const transferList = 'body' in asked && asked.body.buffer instanceof ArrayBuffer ? [asked.body.buffer] : [];
      // What a new thread takes to be ready is no part of the work.
      if (threads.threads.length === 0) await threads.run('ready');
      return await threads.run(asked, { transferList, signal: AbortSignal.timeout(work) });
    } catch (error) {
      if (error instanceof Error && error.name === 'AbortError') throw new TooMuchWorkError('time', { cause: error });
      if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new TooMuchWorkError('memory', { cause: error });
      if (error instanceof Error && /terminating/i.test(error.message)) throw new BusyError('the server is about to end');
      throw error;
    }
  }

  #pool(bounds: Bounds) {
    const ready = this.#pools.get(bounds);
    if (ready) return ready;
    const threads = new Piscina<Asked | typeof READY, Answered>({
      filename: THREAD,
      minThreads: 0,
      maxThreads: bounds.places,
      idleTimeout: IDLE,
      resourceLimits: { maxOldGenerationSizeMb: bounds.memory },
      workerData: { url: applicationRole(process.env.DATABASE_URL ?? '').url },
    });
    const heaps = new Map<number, number>();
    threads.on('message', (told: SlowInThread | HeapOfThread) => {
      if ('slow' in told) tellSlowStatement(told.slow.milliseconds, told.slow.statement, told.slow.request);
      else heaps.set(told.thread, told.heap);
    });
    const pool = { threads, turns: new Turns(bounds), heaps };
    this.#pools.set(bounds, pool);
    return pool;
  }
}

function textOf(answered: Exclude<Answered, { kind: 'problem' }>): string {
  return answered.kind === 'bytes' ? new TextDecoder().decode(answered.bytes) : answered.text;
}
