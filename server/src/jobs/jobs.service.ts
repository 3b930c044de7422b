import { Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown, type OnModuleDestroy } from '@nestjs/common';
import PgBoss from 'pg-boss';
import type { EntityTarget } from 'typeorm';
import { applicationRole } from '../database/applicationRole.js';
import { Database } from '../database/database.js';
import { within } from '../database/wall.js';
import { houseScope, type Scope } from '../scope/scope.js';
import { JOBS_SCHEMA, QUEUES, type Queue } from './queues.js';
import { isAway } from '../http/problemOf.js';
import { runSeconds } from '../watch/metrics.js';
import { Run, RunOverError } from './run.js';
import type { RunStanding } from './runEntity.js';
import { works } from './role.js';

/** Longest a job may go without ending before the queue takes it for lost: whether it is, its row knows better. */
const LOST_AFTER_SECONDS = 15 * 60;
/** Milliseconds between looks for runs that nobody is at. */
const LOOK_EVERY = 5_000;
/** Milliseconds between looks for a job where there was none. */
const IDLE = 500;
/** Times that a run is begun before it is given up: what ends whoever takes it up would do so for ever. */
const MOST_TRIES = 5;
/** Milliseconds that runs have to leave what they are at when the server is to end. */
const LAST_WORDS = 4_000;

/** What is given out: which run, and in which scope it was asked for. */
interface Job {
  readonly scope: Scope;
  readonly id: string;
}

/** How a kind of run is done. */
export interface Work<Row extends RunStanding> {
  readonly entity: EntityTarget<Row>;
  /** How many of them this server does at once. */
  readonly atOnce: number;
  readonly work: (run: Run<Row>) => Promise<void>;
  /** What is written of one that was begun too often. */
  readonly givenUp: object;
}

interface Kind extends Work<RunStanding> {
  readonly queue: Queue;
}

/**
 * Work that goes on beside requests. What is to be done stands in a row of its own, and is given out through the database (pg-boss): any
 * server that works takes it up, and holds it while it is at it. One that nobody is at, since whoever was went away, is given out again.
 */
@Injectable()
export class JobsService implements OnApplicationBootstrap, OnModuleDestroy, OnApplicationShutdown {
  readonly #log = new Logger('jobs');
  readonly #kinds = new Map<Queue, Kind>();
  readonly #runs = new Map<Run, Promise<void>>();
  readonly #takers: Promise<void>[] = [];
  #boss: Promise<PgBoss> | undefined;
  #looking: NodeJS.Timeout | undefined;
  #ending = false;

  constructor(private readonly database: Database) {}

  /** Says how runs of a queue are done; they are taken up once the server has begun. */
  define<Row extends RunStanding>(queue: Queue, work: Work<Row>): void {
    this.#kinds.set(queue, { ...(work as unknown as Work<RunStanding>), queue });
  }

  /** Begins to work, where this server does. */
  async onApplicationBootstrap(): Promise<void> {
    if (!works()) return;
    const boss = await this.#started();
    for (const queue of QUEUES) {
      const kind = this.#kinds.get(queue);
      if (!kind) throw new Error(`nobody says how "${queue}" is done`);
      for (let i = 0; i < kind.atOnce; i++) this.#takers.push(this.#takeUp(boss, kind));
    }
    this.#looking = setInterval(() => void this.#giveOutLeft(), LOOK_EVERY).unref();
    await this.#giveOutLeft();
  }

  /** Has a run that was just written down done. It is begun, whatever becomes of this: one that is not given out is found. */
  async send(queue: Queue, scope: Scope, id: string): Promise<void> {
    try {
      const entity = this.#kinds.get(queue)?.entity;
      const place = entity ? await this.database.manager.countBy(entity, { kitchenId: scope.kitchenId, state: 'running' }) : 1;
      await this.#give(queue, { scope, id }, place);
    } catch (error) {
      this.#log.warn(error);
    }
  }

  /** How many jobs of each queue wait, are done, or failed lately. */
  async counts(): Promise<{ readonly queue: Queue; readonly waiting: number; readonly active: number }[]> {
    const rows = await this.database.manager.query<{ name: Queue; waiting: string; active: string }[]>(
      `SELECT name, count(*) FILTER (WHERE state < 'active') AS waiting, count(*) FILTER (WHERE state = 'active') AS active
       FROM ${JOBS_SCHEMA}.job WHERE name = ANY($1) GROUP BY name`,
      [QUEUES],
    );
    const found = new Map(rows.map((row) => [row.name, row]));
    return QUEUES.map((queue) => ({
      queue,
      waiting: Number(found.get(queue)?.waiting ?? 0),
      active: Number(found.get(queue)?.active ?? 0),
    }));
  }

  /** Runs are left where they are: the next server to look takes them up at once. */
  async onModuleDestroy(): Promise<void> {
    this.#ending = true;
    clearInterval(this.#looking);
    for (const run of this.#runs.keys()) run.end();
    await Promise.race([
      Promise.allSettled([...this.#runs.values(), ...this.#takers]),
      new Promise((resolve) => setTimeout(resolve, LAST_WORDS).unref()),
    ]);
  }

  async onApplicationShutdown(): Promise<void> {
    await (await this.#boss)?.stop({ graceful: true, timeout: 5_000, wait: true });
  }

  /**
   * Does one job after the other until the server ends. That it is done is said here, and not left to pg-boss' own workers: a database that
   * is away just then would be heard of by nobody there, and end the process. What was not said is no harm: the run's row knows better.
   */
  async #takeUp(boss: PgBoss, kind: Kind): Promise<void> {
    while (!this.#ending) {
      const [job] = await boss.fetch<Job>(kind.queue, { batchSize: 1 }).catch(() => []);
      if (!job) {
        await new Promise((resolve) => setTimeout(resolve, IDLE).unref());
        continue;
      }
      try {
        await this.#do(kind, job.data);
        await boss.complete(kind.queue, job.id);
      } catch (error) {
        this.#log.warn(error);
      }
    }
  }

  #do(kind: Kind, { scope, id }: Job): Promise<void> {
    return within(scope.kitchenId, async () => {
      if (this.#ending) return;
      const run = await Run.take(this.database, kind.entity, scope, id);
      if (!run) return;
      if (run.tries > MOST_TRIES) {
        this.#log.error(`run ${id} was begun ${MOST_TRIES} times and never ended; it is given up`);
        return void (await run.tell(kind.givenUp));
      }
      run.hold();
      const took = runSeconds.startTimer({ queue: kind.queue });
      const done = kind.work(run).then(
        () => {
          took({ outcome: run.signal.aborted ? 'left' : 'done' });
          return run.letGo(true);
        },
        (error: unknown) => {
          took({ outcome: error instanceof RunOverError ? 'left' : 'failed' });
          const over = error instanceof RunOverError;
          if (!over) this.#log.error(error);
          // What is none of its fault is not counted against it; what takes too long each time is given up in the end.
          return run.letGo(over || isAway(error));
        },
      );
      this.#runs.set(run, done);
      await done;
      this.#runs.delete(run);
    });
  }

  async #giveOutLeft(): Promise<void> {
    try {
      // Nothing is given out for later: what seems to be was given out by a clock that went back since.
      await this.database.manager.query(
        `UPDATE ${JOBS_SCHEMA}.job SET start_after = now() WHERE name = ANY($1) AND state < 'active' AND start_after > now() + interval '1 minute'`,
        [QUEUES],
      );
      const left =
        await this.database.manager.query<{ queue: Queue; kitchen_id: string; id: string; scope: Scope | null; place: string }[]>(
          'SELECT * FROM runs_left()',
        );
      for (const { queue, kitchen_id: kitchenId, id, scope, place } of left)
        await this.#give(queue, { scope: scope ?? houseScope(kitchenId), id }, Number(place));
    } catch (error) {
      this.#log.warn(error);
    }
  }

  /** @param place which of its kitchen's runs it is: the first of each come before the second of any */
  async #give(queue: Queue, job: Job, place: number): Promise<void> {
    const boss = await this.#started();
    await boss.send(queue, job, {
      singletonKey: job.id,
      priority: -place,
      expireInSeconds: LOST_AFTER_SECONDS,
      retryLimit: 2,
      retryDelay: 5,
    });
  }

  #started(): Promise<PgBoss> {
    this.#boss ??= this.#start().catch((error: unknown) => {
      this.#boss = undefined;
      throw error;
    });
    return this.#boss;
  }

  async #start(): Promise<PgBoss> {
    const boss = new PgBoss({
      connectionString: applicationRole(process.env.DATABASE_URL ?? '').url,
      schema: JOBS_SCHEMA,
      max: 2,
      migrate: false,
    });
    boss.on('error', (error) => this.#log.error(error));
    await boss.start();
    return boss;
  }
}
