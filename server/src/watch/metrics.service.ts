import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { EventsService } from '../events/events.service.js';
import { JobsService } from '../jobs/jobs.service.js';
import { Threads } from '../threads/threads.js';
import { connections, jobsHeld, pagesListening, registry, threadHeap, threadWork } from './metrics.js';

/** What is counted here, as text that a program collects. */
@Injectable()
export class MetricsService {
  constructor(
    private readonly database: Database,
    private readonly threads: Threads,
    private readonly jobs: JobsService,
    private readonly events: EventsService,
  ) {}

  readonly contentType = registry.contentType;

  /** All that is counted, by now. Where the database does not answer, what it knows is left out and the rest is told. */
  async text(): Promise<string> {
    for (const [state, count] of Object.entries(this.database.connections())) connections.set({ state }, count);
    for (const { pool, working, waiting, heap } of this.threads.standing()) {
      threadHeap.set({ pool }, heap);
      threadWork.set({ pool, state: 'working' }, working);
      threadWork.set({ pool, state: 'waiting' }, waiting);
    }
    pagesListening.set(this.events.listening());
    jobsHeld.reset();
    for (const { queue, waiting, active } of await this.jobs.counts().catch(() => [])) {
      jobsHeld.set({ queue, state: 'waiting' }, waiting);
      jobsHeld.set({ queue, state: 'active' }, active);
    }
    return registry.metrics();
  }
}
