import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Injectable, Logger } from '@nestjs/common';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { isPassing } from '../http/problemOf.js';
import { BusyError, NotFoundError, Problem } from '../http/problems.js';
import { JobsService } from '../jobs/jobs.service.js';
import type { Run } from '../jobs/run.js';
import type { Scope } from '../scope/scope.js';
import { Threads } from '../threads/threads.js';
import type { DistributionDto, DrawDto, DrawingDto } from './distribution.dto.js';
import type { Drawn, Said } from './distribution.worker.js';
import { DrawingEntity } from './drawing.entity.js';

/** The built thread: it stands in the same place whether this file runs built or not. */
const THREAD = fileURLToPath(new URL('../../dist/distributions/distribution.worker.js', import.meta.url));
/** Runs of a kitchen under way at once, and runs that a server does at once; each takes a core. */
const MOST_AT_ONCE = 2;
/** Runs of a kitchen that are remembered. */
const MOST_KEPT = 50;
const USUAL_DRAWS = 20_000;
/** Milliseconds between words of how far it is. */
const TELL_EVERY = 300;

/** Draws a dish many times in a thread of its own, so that the server goes on answering. */
@Injectable()
export class DistributionsService {
  readonly #log = new Logger('draws');

  constructor(
    private readonly database: Database,
    private readonly threads: Threads,
    private readonly jobs: JobsService,
  ) {
    jobs.define('draw', {
      entity: DrawingEntity,
      atOnce: MOST_AT_ONCE,
      work: (run) => this.#run(run),
      givenUp: { state: 'failed', message: 'it was begun again and again, and never ended' },
    });
  }

  /** @throws NotFoundError, BusyError */
  async start(scope: Scope, recipeId: string, wanted: DrawDto): Promise<DrawingDto> {
    const { kitchenId } = scope;
    const draws = wanted.draws ?? USUAL_DRAWS;
    await this.#expectRoom(scope);
    // Asked for what it would draw: what is wrong with that is told at once, and not by a run that failed.
    await this.threads.made('errorModel', scope, recipeId, wanted.figure, wanted.choices ?? false);
    const drawing = await this.database.writeAlone(kitchenId, async () => {
      await this.#expectRoom(scope);
      const { manager } = this.database;
      const { identifiers } = await manager.insert(DrawingEntity, { kitchenId, recipeId, wanted, state: 'running', draws, scope });
      await manager.query(
        `DELETE FROM drawings WHERE kitchen_id = $1 AND state <> 'running' AND id NOT IN (
           SELECT id FROM drawings WHERE kitchen_id = $1 ORDER BY made_at DESC LIMIT ${MOST_KEPT})`,
        [kitchenId],
      );
      return this.get(scope, String((identifiers[0] as { id: string }).id));
    });
    await this.jobs.send('draw', scope, drawing.id);
    return drawing;
  }

  /** @throws NotFoundError */
  async get({ kitchenId }: Scope, id: string): Promise<DrawingDto> {
    const row = isUuid(id) ? await this.database.manager.findOneBy(DrawingEntity, { id, kitchenId }) : null;
    if (!row) throw new NotFoundError('run', id);
    return toDto(row);
  }

  /** Ends a run, and forgets it: whoever draws it finds that it is not wanted any more. @throws NotFoundError */
  async cancel(scope: Scope, id: string): Promise<void> {
    await this.get(scope, id);
    await this.database.manager.delete(DrawingEntity, { id, kitchenId: scope.kitchenId });
  }

  /** Asked before anything is worked out for a run, and again before it is begun: others may have begun meanwhile. @throws BusyError */
  async #expectRoom({ kitchenId }: Scope): Promise<void> {
    const running = await this.database.manager.countBy(DrawingEntity, { kitchenId, state: 'running' });
    if (running >= MOST_AT_ONCE) throw new BusyError(`${running} runs are being drawn`);
  }

  /** The same seed draws the same, so one begun anew comes to what the first would have. */
  async #run(run: Run<DrawingEntity>): Promise<void> {
    const row = await this.database.manager.findOneBy(DrawingEntity, { id: run.id, kitchenId: run.scope.kitchenId });
    if (!row) return;
    try {
      const { figure, seed = 1, choices = false } = row.wanted;
      const model = await this.threads.made('errorModel', run.scope, row.recipeId, figure, choices);
      const distribution = await this.#drawn({ model, seed, draws: row.draws }, run);
      if (distribution) await run.tell({ state: 'done', made: row.draws, distribution });
    } catch (error) {
      if (run.signal.aborted) return;
      if (isPassing(error)) throw error;
      if (!(error instanceof Problem)) this.#log.error(error);
      await run.tell({
        state: 'failed',
        message: error instanceof Problem ? error.message : 'it broke off; the log of the server says why',
      });
    }
  }

  /** What came of it; undefined where it is not wanted any more. */
  async #drawn(workerData: Drawn, run: Run<DrawingEntity>): Promise<DistributionDto | undefined> {
    const thread = new Worker(THREAD, { workerData });
    let made = 0;
    const telling = setInterval(() => void run.tell({ made }).catch(() => undefined), TELL_EVERY);
    try {
      return await new Promise<DistributionDto | undefined>((resolve, reject) => {
        run.signal.addEventListener('abort', () => resolve(undefined), { once: true });
        thread.on('message', (said: Said) => ('made' in said ? (made = said.made) : resolve(said.distribution)));
        thread.on('error', reject);
        thread.on('exit', () => reject(new Error('the thread ended before it was done')));
        if (run.signal.aborted) resolve(undefined);
      });
    } finally {
      clearInterval(telling);
      await thread.terminate();
    }
  }
}

function toDto({ id, state, made, draws, distribution, message }: DrawingEntity): DrawingDto {
  return { id, state, made, draws, ...(distribution ? { distribution } : {}), ...(message === null ? {} : { message }) };
}
