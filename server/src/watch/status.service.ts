import { statfs } from 'node:fs/promises';
import { Inject, Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { dataFolder } from '../files/dataFolder.js';
import { FILE_STORE, type FileStore } from '../files/fileStore.js';
import { JobsService } from '../jobs/jobs.service.js';
import { Mailer } from '../mail/mailer.js';
import { engineVersion } from '../recipes/engineVersion.js';
import { appVersion } from './appVersion.js';
import { concernsOf } from './concerns.js';
import { ServerSigns, type ServerSign } from './serverSigns.service.js';
import type { ServerDto, StatusDto } from './status.dto.js';

/** The largest tables, and the last backups, that are told. */
const MOST_TABLES = 8;
const MOST_BACKUPS = 14;

/** How the installation stands: what runs, what waits, what is kept and when it was last backed up. */
@Injectable()
export class StatusService {
  constructor(
    private readonly database: Database,
    private readonly signs: ServerSigns,
    private readonly jobs: JobsService,
    private readonly mailer: Mailer,
    @Inject(FILE_STORE) private readonly store: FileStore,
  ) {}

  async get(): Promise<StatusDto> {
    const { manager } = this.database;
    const [about] = await manager.query<
      [{ postgres: string; schema: string; kitchens: string; accounts: string; bytes: string }]
    >(`SELECT current_setting('server_version') AS postgres, (SELECT name FROM migrations ORDER BY id DESC LIMIT 1) AS schema,
         (SELECT count(*) FROM every_kitchen() WHERE NOT deleted) AS kitchens, (SELECT count(*) FROM accounts) AS accounts,
         pg_database_size(current_database()) AS bytes`);
    const tables = await manager.query<{ name: string; bytes: string; rows: string }[]>(
      `SELECT relname AS name, pg_total_relation_size(relid) AS bytes, n_live_tup AS rows FROM pg_stat_user_tables
       ORDER BY 2 DESC LIMIT ${MOST_TABLES}`,
    );
    const files = await manager.query<{ folder: string; files: string; bytes: string }[]>(
      'SELECT folder, count(*) AS files, coalesce(sum(bytes), 0) AS bytes FROM files_known() GROUP BY folder ORDER BY folder',
    );
    const backups = await manager.query<
      { made_at: Date; name: string; bytes: string | null; took_ms: number | null; trouble: string | null }[]
    >(`SELECT made_at, name, bytes, took_ms, trouble FROM backups WHERE gone_at IS NULL ORDER BY made_at DESC LIMIT ${MOST_BACKUPS}`);
    const room = await statfs(dataFolder('')).catch(() => undefined);
    const status = {
      version: appVersion(),
      engine: engineVersion(),
      node: process.version,
      postgres: about.postgres,
      schema: about.schema,
      kitchens: Number(about.kitchens),
      accounts: Number(about.accounts),
      servers: (await this.signs.list()).map(toServerDto),
      jobs: await this.jobs.counts(),
      database: Number(about.bytes),
      tables: tables.map(({ name, bytes, rows }) => ({ name, bytes: Number(bytes), rows: Number(rows) })),
      fileStore: this.store.words,
      files: files.map((one) => ({ folder: one.folder, files: Number(one.files), bytes: Number(one.bytes) })),
      room: room ? { free: room.bavail * room.bsize, whole: room.blocks * room.bsize } : null,
      backsUp: process.env.PORTIONA_DAILY === 'yes',
      backups: backups.map((one) => ({
        madeAt: one.made_at.toISOString(),
        name: one.name,
        bytes: one.bytes === null ? null : Number(one.bytes),
        took: one.took_ms,
        trouble: one.trouble,
      })),
      lettersLeave: this.mailer.leaves,
    };
    return { concerns: concernsOf(status, Date.now()), ...status };
  }
}

function toServerDto({ startedAt, seenAt, standing, ...sign }: ServerSign): ServerDto {
  const { memory, delay, lately, slow } = standing;
  return {
    ...sign,
    startedAt: startedAt.toISOString(),
    seenAt: seenAt.toISOString(),
    memory,
    delay,
    lately: lately ?? null,
    slow: slow.map(({ at, milliseconds, text }) => ({ at, milliseconds, text })),
  };
}
