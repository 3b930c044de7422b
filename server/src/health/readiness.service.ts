import { Injectable } from '@nestjs/common';
import { setTimeout as wait } from 'node:timers/promises';
import { Pulse } from '../database/pulse.js';

/** Milliseconds that a server that is to end goes on taking requests, and says that it ends: PORTIONA_DRAIN, in seconds; none where it is left out. */
export function drainFor(): number {
  return Math.max(0, Number(process.env.PORTIONA_DRAIN ?? 0) || 0) * 1_000;
}

/** Whether this server can be given work: its database answers, and it is not about to end. */
@Injectable()
export class Readiness {
  #ending = false;

  constructor(private readonly pulse: Pulse) {}

  async ready(): Promise<boolean> {
    return !this.#ending && (await this.pulse.beats());
  }

  /** Says that it ends some time before it does, and works on until then, so that whoever gives it work can leave it out. */
  async drain(): Promise<void> {
    this.#ending = true;
    await wait(drainFor());
  }
}
