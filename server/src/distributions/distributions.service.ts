import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { BusyError, NotFoundError } from '../http/problems.js';
import { Threads } from '../threads/threads.js';
import type { DistributionDto, DrawDto, DrawingDto } from './distribution.dto.js';
import type { Drawn, Said } from './distribution.worker.js';
import type { Scope } from '../scope/scope.js';

/** The built thread: it stands in the same place whether this file runs built or not. */
const THREAD = fileURLToPath(new URL('../../dist/distributions/distribution.worker.js', import.meta.url));
/** Runs at once; each takes a core. */
const MOST_AT_ONCE = 2;
/** Runs remembered. */
const MOST_KEPT = 50;
const USUAL_DRAWS = 20_000;

interface Drawing {
  readonly draws: number;
  made: number;
  state: DrawingDto['state'];
  distribution?: DistributionDto;
  readonly thread: Worker;
}

/** Draws a dish many times in a thread of its own, so that the server goes on answering. Runs live as long as the server. */
@Injectable()
export class DistributionsService implements OnModuleDestroy {
  readonly #drawings = new Map<string, Drawing>();

  constructor(private readonly threads: Threads) {}

  /** @throws NotFoundError, BusyError */
  async start(scope: Scope, recipeId: string, { figure, draws = USUAL_DRAWS, seed = 1, choices = false }: DrawDto): Promise<DrawingDto> {
    this.#expectRoom();
    const model = await this.threads.made('errorModel', scope, recipeId, figure, choices);
    this.#expectRoom();
    const id = randomUUID();
    const drawing = this.#begin({ model, seed, draws });
    this.#drawings.set(id, drawing);
    this.#forget();
    return toDto(id, drawing);
  }

  /** @throws NotFoundError */
  get(id: string): DrawingDto {
    const drawing = this.#drawings.get(id);
    if (!drawing) throw new NotFoundError('run', id);
    return toDto(id, drawing);
  }

  /** Ends a run, and forgets it. @throws NotFoundError */
  async cancel(id: string): Promise<void> {
    const drawing = this.#drawings.get(id);
    if (!drawing) throw new NotFoundError('run', id);
    this.#drawings.delete(id);
    await drawing.thread.terminate();
  }

  async onModuleDestroy(): Promise<void> {
    await Promise.all([...this.#drawings.values()].map(({ thread }) => thread.terminate()));
  }

  /** Asked before anything is worked out for a run, and again before it is begun: others may have begun meanwhile. */
  #expectRoom(): void {
    const running = [...this.#drawings.values()].filter(({ state }) => state === 'running').length;
    if (running >= MOST_AT_ONCE) throw new BusyError(`${running} runs are being drawn`);
  }

  #begin(workerData: Drawn): Drawing {
    const thread = new Worker(THREAD, { workerData });
    const drawing: Drawing = { draws: workerData.draws, made: 0, state: 'running', thread };
    thread.on('message', (said: Said) => {
      if ('made' in said) drawing.made = said.made;
      else Object.assign(drawing, { distribution: said.distribution, state: 'done' });
    });
    const failed = () => {
      if (drawing.state === 'running') drawing.state = 'failed';
    };
    thread.on('error', failed);
    thread.on('exit', failed);
    return drawing;
  }

  #forget(): void {
    for (const [id, { state }] of this.#drawings) {
      if (this.#drawings.size <= MOST_KEPT) return;
      if (state !== 'running') this.#drawings.delete(id);
    }
  }
}

function toDto(id: string, { draws, made, state, distribution }: Drawing): DrawingDto {
  return { id, state, made, draws, ...(distribution ? { distribution } : {}) };
}
