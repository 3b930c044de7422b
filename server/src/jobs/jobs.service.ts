import { Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';
import PgBoss from 'pg-boss';
import { applicationRole } from '../database/applicationRole.js';
import { within } from '../database/wall.js';
import type { Scope } from '../scope/scope.js';
import { JOBS_SCHEMA, type Queue } from './queues.js';

/** Longest a job may go without ending before it is taken for lost and given out again. */
const LOST_AFTER_SECONDS = 15 * 60;

/**
 * Work that goes on beside requests, kept in the database: what was begun when the server went away is given out again. Whoever
 * does the work must bear being given the same job twice.
 */
@Injectable()
export class JobsService implements OnApplicationShutdown {
  readonly #log = new Logger('jobs');
  #boss: Promise<PgBoss> | undefined;

  /** Does the jobs of a queue, one at a time, each in the kitchen of its scope. */
  async work<Data extends { readonly scope: Scope }>(queue: Queue, job: (data: Data) => Promise<void>): Promise<void> {
    const boss = await this.#started();
    await boss.work<Data>(queue, { batchSize: 1, pollingIntervalSeconds: 0.5 }, async (jobs) => {
      for (const { data } of jobs) await within(data.scope.kitchenId, () => job(data));
    });
  }

  /** Gives a job out. A worker that is idle takes it within half a second. */
  async send<Data extends { readonly scope: Scope }>(queue: Queue, data: Data): Promise<void> {
    const boss = await this.#started();
    await boss.send(queue, data, { expireInSeconds: LOST_AFTER_SECONDS, retryLimit: 5, retryDelay: 2 });
  }

  async onApplicationShutdown(): Promise<void> {
    await (await this.#boss)?.stop({ graceful: true, timeout: 5_000, wait: true });
  }

  #started(): Promise<PgBoss> {
    this.#boss ??= this.#start();
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
