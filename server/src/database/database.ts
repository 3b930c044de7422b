import { AsyncLocalStorage } from 'node:async_hooks';
import { Injectable } from '@nestjs/common';
import { InjectDataSource } from '@nestjs/typeorm';
import { DataSource, type EntityManager, type QueryRunner } from 'typeorm';
import { UncertainSaveError } from '../http/problems.js';
import { Turns } from './turns.js';
import { entryOf, toldOf, type Deed, type PendingDeed } from '../audit/deed.js';
import { begin, end, wall, wallOff, within, type Client } from './wall.js';

/** What a piece of work has open: its one connection, and whether it holds the kitchen for writing. */
interface Opened {
  readonly manager: EntityManager;
  readonly holds: ReadonlySet<string>;
  /** Whether its transaction has ended: what was begun in it and goes on is a mistake, and is told. */
  readonly ended: { yes: boolean };
}

/** First half of the advisory locks' key: ours, apart from what others may lock in the same database. */
const KITCHEN_LOCKS = 0x706f7274;

/**
 * The one door to the database. A piece of work has one connection, however deep services call one another: what is opened
 * inside an open transaction joins it, so that nobody who holds a connection ever waits for a second one. The linter lets
 * nothing but this folder hold a data source.
 */
@Injectable()
export class Database {
  readonly #opened = new AsyncLocalStorage<Opened>();
  readonly #turns = new Turns({ places: 1, waiting: 300, longest: 20_000 });

  constructor(@InjectDataSource() private readonly source: DataSource) {
    wallOff(source);
  }

  /** The transaction under way; outside of one, a connection for each query and no longer. */
  get manager(): EntityManager {
    const opened = this.#opened.getStore();
    if (opened?.ended.yes) throw new Error('this was begun in a transaction that has ended since; begin it after, or wait for it');
    return opened?.manager ?? this.source.manager;
  }

  /** Connections that are open, that are free, and requests that wait for one. */
  connections(): { readonly open: number; readonly free: number; readonly wanted: number } {
    const { master } = this.source.driver as unknown as {
      readonly master: { readonly totalCount: number; readonly idleCount: number; readonly waitingCount: number };
    };
    return { open: master.totalCount, free: master.idleCount, wanted: master.waitingCount };
  }

  /** Does work in a kitchen, other than the one that was entered. */
  within<Done>(kitchenId: string, work: () => Promise<Done>): Promise<Done> {
    if (this.#opened.getStore() && wall.getStore()?.kitchenId !== kitchenId)
      throw new Error('a transaction is under way in another kitchen; end it first');
    return within(kitchenId, work);
  }

  /** Has the rest of the request under way be done in a kitchen: whoever is let in there is let in nowhere else. */
  enter(kitchenId: string): void {
    const here = wall.getStore();
    if (!here) throw new Error('there is no request under way');
    here.kitchenId = kitchenId;
  }

  /** Has what the request under way changes be noted in the transaction that changes it. */
  pend(deed: Deed): void {
    const here = wall.getStore();
    if (!here) throw new Error('there is no request under way');
    here.deed = { deed, noted: false };
  }

  /** Notes what the request under way has changed, where no transaction has noted it. */
  async notePending(): Promise<void> {
    if (wall.getStore()?.deed?.noted === false) await this.write(() => Promise.resolve());
  }

  /** Reads that belong together: one connection, and one state of the database for all of them. */
  read<Found>(work: () => Promise<Found>): Promise<Found> {
    return this.#opened.getStore() ? work() : this.#transaction('REPEATABLE READ', work);
  }

  /**
   * Writes all or nothing.
   *
   * @throws UncertainSaveError when the database went away at the very end: written whole or not at all, but nobody knows which
   */
  write<Written>(work: () => Promise<Written>): Promise<Written> {
    return this.#opened.getStore() ? work() : this.#transaction('READ COMMITTED', work);
  }

  /**
   * Writes all or nothing, one after another in a kitchen: what the work has checked stays true until it is written. Waiting
   * happens before a connection is taken, so that those who only read do not wait along.
   *
   * @throws BusyError when too many wait, or for too long; UncertainSaveError as `write`
   */
  writeAlone<Written>(kitchenId: string, work: () => Promise<Written>): Promise<Written> {
    const opened = this.#opened.getStore();
    if (opened?.holds.has(kitchenId)) return work();
    if (opened) return this.#holding(opened.manager, kitchenId, work);
    return this.turn(kitchenId, () => this.#transaction('READ COMMITTED', () => this.#holding(this.manager, kitchenId, work)));
  }

  /** Waits for the turn to write in a kitchen, without opening anything: for work that a thread then does. @throws BusyError */
  turn<Done>(kitchenId: string, work: () => Promise<Done>): Promise<Done> {
    return this.#turns.take(kitchenId, work);
  }

  /** Has other processes and threads wait too: the lock is the database's, and goes with the transaction. */
  async #holding<Done>(manager: EntityManager, kitchenId: string, work: () => Promise<Done>): Promise<Done> {
    await manager.query('SELECT pg_advisory_xact_lock($1, hashtext($2))', [KITCHEN_LOCKS, kitchenId]);
    const holds = new Set([...(this.#opened.getStore()?.holds ?? []), kitchenId]);
    return this.#opened.run({ manager, holds, ended: this.#opened.getStore()?.ended ?? { yes: false } }, work);
  }

  async #transaction<Done>(isolation: 'READ COMMITTED' | 'REPEATABLE READ', work: () => Promise<Done>): Promise<Done> {
    const runner = this.source.createQueryRunner();
    const ended = { yes: false };
    let client: Client | undefined;
    let broken: Error | undefined;
    try {
      client = await begin(() => runner.connect() as Promise<Client>, isolation);
      // What saves in it joins it.
      markActive(runner, true);
      const begun = client;
      const done = await this.#opened.run({ manager: runner.manager, holds: new Set(), ended }, work);
      const noting = isolation === 'READ COMMITTED' ? await this.#note(runner.manager) : undefined;
      await this.#commit(() => end(begun, 'COMMIT'));
      if (noting) noting.noted = true;
      return done;
    } catch (error) {
      // A connection that is gone has nothing to roll back; one that cannot be is given to nobody else.
      if (client) await end(client, 'ROLLBACK').catch((refused: Error) => (broken = refused));
      throw error;
    } finally {
      ended.yes = true;
      markActive(runner, false);
      await letGo(runner, broken).catch(() => undefined);
    }
  }

  /** Writes the deed under way into the log, last of all: whoever else writes in the kitchen waits for it no longer than for the commit. */
  async #note(manager: EntityManager): Promise<PendingDeed | undefined> {
    const { deed: pending, kitchenId } = wall.getStore() ?? {};
    if (!pending || pending.noted || kitchenId === undefined) return undefined;
    const { deed } = pending;
    await manager.query('SELECT note_deed($1, $2, $3, $4)', [
      kitchenId,
      deed.by.id,
      JSON.stringify(entryOf(deed)),
      JSON.stringify(toldOf(deed)),
    ]);
    return pending;
  }

  async #commit(commit: () => Promise<void>): Promise<void> {
    try {
      await commit();
    } catch (error) {
      // The database itself refused: nothing was written. No answer at all: who knows.
      if (
        typeof error === 'object' &&
        error !== null &&
        'code' in error &&
        typeof error.code === 'string' &&
        /^[0-9A-Z]{5}$/.test(error.code) &&
        !/^(?:08|57P)/.test(error.code)
      )
        throw error;
      throw new UncertainSaveError(error);
    }
  }
}

/** Gives a connection back; one that is broken is closed. */
function letGo(runner: QueryRunner, broken: Error | undefined): Promise<void> {
  if (!broken) return runner.release();
  return (runner as unknown as { releasePostgresConnection: (error: Error) => Promise<void> }).releasePostgresConnection(broken);
}

/** Has the library know that a transaction is under way, so that what saves many rows begins none of its own. */
function markActive(runner: QueryRunner, isActive: boolean): void {
  (runner as { isTransactionActive: boolean }).isTransactionActive = isActive;
}
