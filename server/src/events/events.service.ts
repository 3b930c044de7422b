import { Injectable } from '@nestjs/common';
import { Observable, type Subscriber } from 'rxjs';
import type { MessageEvent } from '@nestjs/common';
import { AdmissionService } from '../accounts/admission.service.js';
import { Database } from '../database/database.js';
import { DatabaseListener } from '../database/databaseListener.js';
import { BusyError } from '../http/problems.js';
import type { ScopedRequest } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { PresenceService } from './presence.service.js';

/** Lines open at once, in a kitchen and in all: each is a connection. */
const MOST_OF_A_KITCHEN = 100;
const MOST = 2_000;
/** Milliseconds between signs of life, at which it is looked whether whoever listens still may. */
const BEAT = 20_000;

/** What is told at once to whoever looks at a kitchen: what others do, and where they are. Told from the database, whichever server it was done on. */
@Injectable()
export class EventsService {
  readonly #open = new Map<string, number>();

  constructor(
    private readonly database: Database,
    private readonly listener: DatabaseListener,
    private readonly presence: PresenceService,
    private readonly admission: AdmissionService,
  ) {}

  /** How many pages are told. */
  listening(): number {
    return [...this.#open.values()].reduce((sum, count) => sum + count, 0);
  }

  /** @throws BusyError where too many listen */
  listen(scope: Scope, request: ScopedRequest): Observable<MessageEvent> {
    const { kitchenId } = scope;
    const here = this.#open.get(kitchenId) ?? 0;
    if (here >= MOST_OF_A_KITCHEN || this.listening() >= MOST) throw new BusyError('too many pages listen to this kitchen');
    return new Observable((tell: Subscriber<MessageEvent>) => {
      this.#open.set(kitchenId, (this.#open.get(kitchenId) ?? 0) + 1);
      const tellPresent = () =>
        void this.database
          .within(kitchenId, () => this.presence.list(scope))
          .then((present) => tell.next({ type: 'present', data: present }))
          .catch(() => undefined);
      const ends = [
        this.listener.on('portiona_deeds', ({ kitchen, ...deed }) => kitchen === kitchenId && tell.next({ type: 'deed', data: deed })),
        this.listener.on('portiona_presence', ({ kitchen }) => void (kitchen === kitchenId && tellPresent())),
        this.listener.onMissed(() => tell.next({ type: 'missed', data: {} })),
      ];
      const beat = setInterval(() => void this.#look(scope, request, tell), BEAT);
      tell.next({ type: 'hello', data: {} });
      tellPresent();
      return () => {
        clearInterval(beat);
        for (const end of ends) end();
        const left = (this.#open.get(kitchenId) ?? 1) - 1;
        if (left > 0) this.#open.set(kitchenId, left);
        else this.#open.delete(kitchenId);
      };
    });
  }

  /** Says that the line stands; where whoever listens may no longer, ends it. */
  async #look({ kitchenId }: Scope, request: ScopedRequest, tell: Subscriber<MessageEvent>): Promise<void> {
    try {
      const admitted = await this.admission.admit(request, String(request.params.kitchen));
      if (admitted?.kitchen?.id !== kitchenId) return tell.complete();
      tell.next({ type: 'beat', data: {} });
    } catch {
      // A database that is away for a moment ends nothing.
    }
  }
}
