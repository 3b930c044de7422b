import { randomUUID } from 'node:crypto';
import { hostname } from 'node:os';
import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { Database } from '../database/database.js';
import { role } from '../jobs/role.js';
import { engineVersion } from '../recipes/engineVersion.js';
import { appVersion } from './appVersion.js';
import { standing } from './standing.js';

/** Milliseconds between signs of life; seconds after which a server that gave none is taken to have gone, and is forgotten. */
const SIGN_EVERY = 10_000;
const GONE_AFTER = 45;
const FORGOTTEN_AFTER = 24 * 3_600;
/** Slow statements told along. */
const SLOW_TOLD = 5;

/** Says in the database that this server is there, and how it stands: the page of who looks after it shows all of them. */
@Injectable()
export class ServerSigns implements OnApplicationBootstrap, OnModuleDestroy {
  readonly id = randomUUID();
  #signing: NodeJS.Timeout | undefined;

  constructor(private readonly database: Database) {}

  async onApplicationBootstrap(): Promise<void> {
    this.#signing = setInterval(() => void this.#sign().catch(() => undefined), SIGN_EVERY).unref();
    await this.#sign().catch(() => undefined);
  }

  async onModuleDestroy(): Promise<void> {
    clearInterval(this.#signing);
    await this.database.manager.query('DELETE FROM servers WHERE id = $1', [this.id]).catch(() => undefined);
  }

  /** Every server that was there lately, this one first. */
  async list(): Promise<ServerSign[]> {
    await this.#sign();
    const rows = await this.database.manager.query<(Omit<ServerSign, 'here' | 'alive'> & { age: number })[]>(
      `SELECT id, role, host, version, started_at AS "startedAt", seen_at AS "seenAt", standing,
         abs(extract(epoch FROM now() - seen_at))::double precision AS age
       FROM servers ORDER BY id <> $1, started_at`,
      [this.id],
    );
    return rows.map(({ age, ...row }) => ({ ...row, here: row.id === this.id, alive: age <= GONE_AFTER }));
  }

  async #sign(): Promise<void> {
    await this.database.manager.query(
      `INSERT INTO servers (id, role, host, version, standing) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (id) DO UPDATE SET seen_at = now(), standing = EXCLUDED.standing`,
      [this.id, role(), hostname(), `${appVersion()} ${engineVersion().slice(0, 7)}`, JSON.stringify(standing(SLOW_TOLD))],
    );
    await this.database.manager.query('DELETE FROM servers WHERE abs(extract(epoch FROM now() - seen_at)) > $1', [FORGOTTEN_AFTER]);
  }
}

/** A server, as it says of itself. */
export interface ServerSign {
  readonly id: string;
  readonly role: string;
  readonly host: string;
  readonly version: string;
  readonly startedAt: Date;
  readonly seenAt: Date;
  readonly standing: ReturnType<typeof standing>;
  readonly here: boolean;
  /** Whether it gave a sign of life lately. */
  readonly alive: boolean;
}
