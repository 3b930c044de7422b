import { Injectable, Logger, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import { In } from 'typeorm';
import { Database } from '../database/database.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import { FoodsService } from '../foods/foods.service.js';
import { BusyError, RefusedFileError } from '../http/problems.js';
import { TableUploadsService } from './tableUploads.service.js';
import { checkMapping } from './checkMapping.js';
import type { TableImportDto, TakeTableDto } from './table.dto.js';
import { removeTable } from './tableFile.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableIntake } from './tableIntake.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import { TableRuns, type TableRun } from './tableRun.js';
import { walkTable } from './tableWalk.js';
import type { Scope } from '../scope/scope.js';

class CancelledError extends Error {}

/** Takes tables in, all of one in one transaction, beside other work. */
@Injectable()
export class TableImportsService implements OnModuleInit, OnModuleDestroy {
  readonly #log = new Logger('tables');

  constructor(
    private readonly database: Database,
    private readonly foods: FoodsService,
    private readonly tables: TableUploadsService,
    private readonly runs: TableRuns,
    private readonly kitchens: KitchensService,
  ) {}

  /** What was being taken in when the server went away wrote nothing: its transaction was never ended. */
  async onModuleInit(): Promise<void> {
    await this.kitchens.ofEach(async ({ kitchenId }) => {
      await this.database.manager.update(
        TableImportEntity,
        { kitchenId, state: 'running' },
        { state: 'interrupted', message: 'The server went away while this was taken in. Nothing was written; start it again.' },
      );
      return [];
    });
    await this.tables.tidyUp();
  }

  async onModuleDestroy(): Promise<void> {
    for (const run of this.runs.values()) run.cancelled = true;
    await Promise.allSettled([...this.runs.values()].map(({ done }) => done));
  }

  /**
   * Begins to take a table in: one transaction, which others see nothing of until it is whole.
   *
   * @throws NotFoundError, ValidationError, BusyError
   */
  async start(scope: Scope, id: string, wanted: TakeTableDto): Promise<TableImportDto> {
    const { path } = await this.tables.file(scope, id);
    await checkMapping(path, wanted.mapping);
    const { affected } = await this.database.manager.update(
      TableImportEntity,
      { id, state: In(['ready', 'failed', 'cancelled', 'interrupted']) },
      { state: 'running', tableName: wanted.name, message: null, result: null },
    );
    if (this.runs.size > 0 || affected !== 1) {
      if (affected === 1) await this.database.manager.update(TableImportEntity, { id }, { state: 'ready' });
      throw new BusyError(affected === 1 ? 'another table is being taken in' : 'this table is taken in already; bring the file again');
    }
    const run: TableRun = { rows: 0, bytes: 0, cancelled: false, done: Promise.resolve() };
    this.runs.set(id, run);
    run.done = this.#run(scope, id, path, wanted, run).finally(() => this.runs.delete(id));
    return this.tables.get(scope, id);
  }

  /** Stops taking a table in, or forgets one that was only brought. @throws NotFoundError */
  async cancel(scope: Scope, id: string): Promise<void> {
    const run = this.runs.get(id);
    if (!run) return this.tables.forget(scope, id);
    run.cancelled = true;
    await run.done;
  }

  async #run(scope: Scope, id: string, path: string, wanted: TakeTableDto, run: TableRun): Promise<void> {
    try {
      await this.#takeIn(scope, id, path, wanted, run);
      await this.foods.settle();
      await removeTable(id);
    } catch (error) {
      if (!(error instanceof CancelledError || error instanceof RefusedFileError)) this.#log.error(error);
      await this.database.manager.update(TableImportEntity, { id }, endOf(error)).catch(() => undefined);
    }
  }

  async #takeIn(
    scope: Scope,
    id: string,
    path: string,
    { name, mapping, keepMapping = false, doubtful }: TakeTableDto,
    run: TableRun,
  ): Promise<void> {
    const { kitchenId } = scope;
    await this.database.write(async () => {
      const { manager } = this.database;
      const intake = new TableIntake(this.database, this.foods, scope, name, true);
      const counts = await walkTable(
        path,
        { mapping, ...(doubtful ? { doubtful } : {}) },
        {
          unsaid: (row, { food }, { kind, message }) => {
            throw new RefusedFileError(
              `row ${row}, ${food.name}: ${message}. Say what is to be done with rows like it (doubtful.${kind}). Nothing was written`,
            );
          },
          some: async (foods) => {
            if (run.cancelled) throw new CancelledError();
            await intake.take(foods);
            run.rows += foods.length;
          },
          bytes: (bytes) => (run.bytes = bytes),
        },
      );
      await intake.finish();
      if (keepMapping) await manager.upsert(TableMappingEntity, { kitchenId, name, mapping }, ['kitchenId', 'name']);
      await manager.update(TableImportEntity, { id }, { state: 'done', result: { ...counts, ...intake.counts } });
      if (run.cancelled) throw new CancelledError();
    });
  }
}

/** How a run that broke off stands, in words. */
function endOf(error: unknown): { readonly state: 'cancelled' | 'failed'; readonly message: string } {
  if (error instanceof CancelledError) return { state: 'cancelled', message: 'Stopped. Nothing was written.' };
  if (error instanceof RefusedFileError) return { state: 'failed', message: error.message };
  return { state: 'failed', message: 'Something broke. Nothing was written; try again, and look at the log if it stays.' };
}
