import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { Pool } from 'pg';
import { applicationRole } from './applicationRole.js';

/** Milliseconds the database has to answer. */
const LONGEST = 2_000;

/** Whether the database answers: asked over a connection of its own, so that it is told while all others are busy, too. */
@Injectable()
export class Pulse implements OnModuleDestroy {
  #pool: Pool | undefined;

  /** Asked twice before it is said to be down: a timer also runs out where this process was too busy to read an answer that was there. */
  async beats(): Promise<boolean> {
    return (await this.#answers()) || this.#answers();
  }

  async #answers(): Promise<boolean> {
    return this.#ready()
      .query('SELECT 1')
      .then(
        () => true,
        () => false,
      );
  }

  async onModuleDestroy(): Promise<void> {
    await this.#pool?.end();
  }

  #ready(): Pool {
    if (this.#pool) return this.#pool;
    const bounds = { max: 1, connectionTimeoutMillis: LONGEST, query_timeout: LONGEST, statement_timeout: LONGEST, idleTimeoutMillis: 0 };
    this.#pool = new Pool({ connectionString: applicationRole(process.env.DATABASE_URL ?? '').url, ...bounds });
    // A connection lost while nobody asks is made anew when somebody does.
    this.#pool.on('error', () => undefined);
    return this.#pool;
  }
}
