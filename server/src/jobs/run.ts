import type { EntityTarget, QueryDeepPartialEntity } from 'typeorm';
import type { Database } from '../database/database.js';
import type { Scope } from '../scope/scope.js';
import type { RunStanding } from './runEntity.js';

/** Seconds for which a run is held, and milliseconds between two words that it is: several may get lost. */
export const HELD_FOR = 20;
const BEAT = 4_000;

/**
 * What is written beside `state: 'running'` of a row that was at an end and is begun again: nobody waits until its last hold is over, and
 * whoever may still be at what it was before writes nothing of it any more.
 */
export const BEGUN_AGAIN = { tries: 0, attempt: () => 'attempt + 1', heldUntil: () => `'-infinity'` } as const;

/** A run that is not wanted any more, or that somebody else has taken up: what was begun of it is to be left. */
export class RunOverError extends Error {
  constructor() {
    super('this run is not wanted any more, or another server is at it');
    this.name = 'RunOverError';
  }
}

/**
 * A run that this server is at. It is held for a while and held anew again and again, by the database's clock: when this server goes away
 * another takes it up, and should both believe that it is theirs, only the later one can write (`tell`, `expectOwn`).
 */
export class Run<Row extends RunStanding = RunStanding> {
  readonly #over = new AbortController();
  #beat: NodeJS.Timeout | undefined;
  /** When it was last known to be held, by this process's own clock that never jumps. */
  #heldAt = performance.now();

  private constructor(
    private readonly database: Database,
    private readonly entity: EntityTarget<Row>,
    readonly scope: Scope,
    readonly id: string,
    readonly attempt: number,
    /** Times it was begun and nothing came of it. */
    readonly tries: number,
  ) {}

  /** Takes a run up. @returns undefined where it is not to be done, or somebody is at it */
  static async take<Row extends RunStanding>(
    database: Database,
    entity: EntityTarget<Row>,
    scope: Scope,
    id: string,
  ): Promise<Run<Row> | undefined> {
    const { tableName } = database.manager.connection.getMetadata(entity);
    const [[taken]] = await database.manager.query<[{ attempt: number; tries: number }[], number]>(
      `UPDATE ${tableName} SET attempt = attempt + 1, tries = tries + 1, held_until = now() + make_interval(secs => $3)
       WHERE id = $1 AND kitchen_id = $2 AND state = 'running' AND is_let_go(held_until) RETURNING attempt, tries`,
      [id, scope.kitchenId, HELD_FOR],
    );
    return taken && new Run(database, entity, scope, id, taken.attempt, taken.tries);
  }

  /** Set once it is over: not wanted, taken up elsewhere, or the server is to end. */
  get signal(): AbortSignal {
    return this.#over.signal;
  }

  /** Says on and on that it is held. */
  hold(): void {
    this.#beat = setInterval(() => void this.#holdOn(), BEAT);
  }

  /** Lets it go: where it is still to be done, whoever comes first takes it up. @param left whether it was left in order, to be gone on with */
  async letGo(left: boolean): Promise<void> {
    clearInterval(this.#beat);
    await this.#change({ heldUntil: () => `'-infinity'`, ...(left ? { tries: 0 } : {}) }).catch(() => undefined);
  }

  /** Has whoever is at it leave it. */
  end(): void {
    this.#over.abort();
  }

  /** Writes of it how far it is, or what came of it. @returns false where that was not written: it is over */
  async tell(change: QueryDeepPartialEntity<Row>): Promise<boolean> {
    if (this.signal.aborted) return false;
    const told = await this.#change(change);
    if (!told) this.end();
    return told;
  }

  /** As `tell`, in the transaction that writes what it is for: that is not written either then. @throws RunOverError */
  async expectOwn(change: QueryDeepPartialEntity<Row>): Promise<void> {
    if (!(await this.tell(change))) throw new RunOverError();
  }

  async #change(change: object): Promise<boolean> {
    const { affected } = await this.database.manager.update(
      this.entity,
      { id: this.id, kitchenId: this.scope.kitchenId, state: 'running', attempt: this.attempt },
      change,
    );
    return affected === 1;
  }

  async #holdOn(): Promise<void> {
    const asked = performance.now();
    try {
      if (!(await this.#change({ heldUntil: () => `now() + make_interval(secs => ${HELD_FOR})` }))) return this.end();
      this.#heldAt = asked;
    } catch {
      // A database that is away for a moment takes it from nobody: others do not reach it either, until its time is over.
      if (performance.now() - this.#heldAt > HELD_FOR * 1_000) this.end();
    }
  }
}
