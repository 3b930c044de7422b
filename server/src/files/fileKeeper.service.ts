import { Inject, Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { Database } from '../database/database.js';
import { works } from '../jobs/role.js';
import { FILE_STORE, FOLDERS, tableName, type FileStore } from './fileStore.js';

/** Days a table is kept that was brought and never taken in. */
const KEPT_DAYS = 7;
/** Milliseconds between looks. */
const LOOK_EVERY = 3_600_000;

/**
 * Takes files away that nothing tells of any more, of deleted kitchens too; and tables that nobody took in for a week. A file that is only
 * coming has no row yet: what nothing told of the last time either goes, whatever any clock says.
 */
@Injectable()
export class FileKeeper implements OnApplicationBootstrap, OnModuleDestroy {
  readonly #log = new Logger('files');
  #looking: NodeJS.Timeout | undefined;
  #untold: ReadonlySet<string> = new Set();

  constructor(
    private readonly database: Database,
    @Inject(FILE_STORE) private readonly store: FileStore,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    const look = () => this.tidy().catch((error: unknown) => this.#log.warn(error));
    this.#looking = setInterval(() => void look(), LOOK_EVERY).unref();
    await look();
  }

  onModuleDestroy(): void {
    clearInterval(this.#looking);
  }

  async tidy(): Promise<void> {
    await this.store.tidyHere();
    if (!works()) return;
    const old = await this.database.manager.query<{ id: string }[]>('SELECT forget_old_tables($1) AS id', [KEPT_DAYS]);
    for (const { id } of old) await this.store.remove('tables', tableName(id));
    const untold = new Set<string>();
    for (const folder of FOLDERS) {
      const there = await this.store.list(folder);
      const rows = await this.database.manager.query<{ name: string }[]>('SELECT name FROM files_known() WHERE folder = $1', [folder]);
      const known = new Set(rows.map(({ name }) => name));
      for (const { name } of there) {
        if (known.has(name)) continue;
        if (this.#untold.has(`${folder}/${name}`)) await this.store.remove(folder, name);
        else untold.add(`${folder}/${name}`);
      }
    }
    this.#untold = untold;
  }
}
