import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { Pool, type QueryResultRow } from 'pg';
import { applicationRole } from './applicationRole.js';

/** Connections, and milliseconds that one is waited for and that a question may take. */
const MOST = 4;
const LONGEST = 8_000;

/**
 * Asks the functions of the database that look further than one kitchen (who is signed in, and where they may go), on connections that are
 * in no kitchen, ever: what is asked here sees no row but what such a function lets through.
 */
@Injectable()
export class Doors implements OnModuleDestroy {
  #pool: Pool | undefined;

  /** @param name under which the statement is kept ready */
  async ask<Row extends QueryResultRow>(name: string, text: string, values: readonly unknown[]): Promise<Row[]> {
    const { rows } = await this.#ready().query<Row>({ name, text, values: [...values] });
    return rows;
  }

  async onModuleDestroy(): Promise<void> {
    await this.#pool?.end();
  }

  #ready(): Pool {
    this.#pool ??= new Pool({
      connectionString: applicationRole(process.env.DATABASE_URL ?? '').url,
      max: MOST,
      connectionTimeoutMillis: LONGEST,
      query_timeout: LONGEST,
      statement_timeout: LONGEST,
      keepAlive: true,
    }).on('error', () => undefined);
    return this.#pool;
  }
}
