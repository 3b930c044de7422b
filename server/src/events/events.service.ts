import { Injectable } from '@nestjs/common';
import { Observable, type Subscriber } from 'rxjs';
import type { MessageEvent } from '@nestjs/common';
import { AdmissionService } from '../accounts/admission.service.js';
import { Database } from '../database/database.js';
import { DatabaseListener } from '../database/databaseListener.js';
import { BusyError } from '../http/problems.js';
import type { PresentDto } from './event.dto.js';
import type { ScopedRequest } from '../scope/inScope.js';
import type { Scope } from '../scope/scope.js';
import { PresenceService } from './presence.service.js';

/** Lines open at once, in a kitchen and in all: each is a connection. */
const MOST_OF_A_KITCHEN = 100;
const MOST = 2_000;
/** Milliseconds between signs of life, at which it is looked whether whoever listens still may. */
const BEAT = 20_000;
/** Things told to a page that takes none of them: more than this, and its line is ended. It listens anew, and reads what it missed. */
const MOST_UNREAD = 200;

/** What is told at once to whoever looks at a kitchen: what others do, and where they are. Told from the database, whichever server it was done on. */
@Injectable()
export class EventsService {
  readonly #open = new Map<string, number>();
  readonly #present = new Map<string, Promise<PresentDto[]>>();

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
    return new Observable((line: Subscriber<MessageEvent>) => {
      this.#open.set(kitchenId, (this.#open.get(kitchenId) ?? 0) + 1);
      const { socket } = request;
      let unread = 0;
      const tell = (type: string, data: object) => {
        unread = socket.writableNeedDrain ? unread + 1 : 0;
        if (unread > MOST_UNREAD) return void socket.destroy();
        line.next({ type, data });
      };
      const tellPresent = () =>
        void this.#presentIn(scope)
          .then((present) => tell('present', present))
          .catch(() => undefined);
      const ends = [
        this.listener.on('portiona_deeds', ({ kitchen, ...deed }) => kitchen === kitchenId && tell('deed', deed)),
        this.listener.on('portiona_presence', ({ kitchen }) => void (kitchen === kitchenId && tellPresent())),
        this.listener.onMissed(() => tell('missed', {})),
      ];
      const beat = setInterval(
        () =>
          void this.#mayStill(scope, request)
            .then((may) => (may ? tell('beat', {}) : line.complete()))
            // A database that is away for a moment ends nothing.
            .catch(() => undefined),
        BEAT,
      );
      tell('hello', {});
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

  /** Who is where: asked once for all pages of a kitchen that are told the same. */
  #presentIn(scope: Scope): Promise<PresentDto[]> {
    const { kitchenId } = scope;
    const asked = this.#present.get(kitchenId);
    if (asked) return asked;
    // Whoever comes once it is being asked wants what is true by then.
    const asking = Promise.resolve().then(() => {
      this.#present.delete(kitchenId);
      return this.database.within(kitchenId, () => this.presence.list(scope));
    });
    this.#present.set(kitchenId, asking);
    return asking;
  }

  /** Whether whoever listens still may. */
  async #mayStill({ kitchenId }: Scope, request: ScopedRequest): Promise<boolean> {
    const admitted = await this.admission.admit(request, String(request.params.kitchen));
    return admitted?.kitchen?.id === kitchenId;
  }
}
