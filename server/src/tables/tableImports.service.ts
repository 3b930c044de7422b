import { Injectable, Logger } from '@nestjs/common';
import { In, Not } from 'typeorm';
import { Database } from '../database/database.js';
import { FoodsService } from '../foods/foods.service.js';
import { isPassing } from '../http/problemOf.js';
import { BusyError, Problem, RefusedFileError } from '../http/problems.js';
import { TableUploadsService } from './tableUploads.service.js';
import { checkMapping } from './checkMapping.js';
import type { TableImportDto, TakeTableDto } from './table.dto.js';
import { JobsService } from '../jobs/jobs.service.js';
import { BEGUN_AGAIN, type Run } from '../jobs/run.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableIntake } from './tableIntake.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import { walkTable } from './tableWalk.js';
import type { Scope } from '../scope/scope.js';

/** Tables of a kitchen that are taken in, or wait for it. */
const MOST_AT_ONCE = 1;
/** Milliseconds between words of how far it is. */
const TELL_EVERY = 500;

/** Takes tables in, all of one in one transaction, beside other work. */
@Injectable()
export class TableImportsService {
  readonly #log = new Logger('tables');

  constructor(
    private readonly database: Database,
    private readonly foods: FoodsService,
    private readonly tables: TableUploadsService,
    private readonly jobs: JobsService,
  ) {
    jobs.define('take-tables', { entity: TableImportEntity, atOnce: 1, work: (run) => this.#run(run), givenUp: endOf(undefined) });
  }

  /**
   * Begins to take a table in: one transaction, which others see nothing of until it is whole. Should the server go away, it is begun anew.
   *
   * @throws NotFoundError, ValidationError, BusyError
   */
  async start(scope: Scope, id: string, wanted: TakeTableDto): Promise<TableImportDto> {
    const { kitchenId } = scope;
    const { path } = await this.tables.file(scope, id);
    await checkMapping(path, wanted.mapping);
    const begun = await this.database.writeAlone(kitchenId, async () => {
      const { manager } = this.database;
      if ((await manager.countBy(TableImportEntity, { kitchenId, state: 'running', id: Not(id) })) >= MOST_AT_ONCE)
        throw new BusyError('another table is being taken in');
      const { affected } = await manager.update(
        TableImportEntity,
        { id, kitchenId, state: In(['ready', 'failed', 'cancelled', 'interrupted']) },
        {
          state: 'running',
          tableName: wanted.name,
          message: null,
          result: null,
          wanted,
          scope,
          rowsRead: 0,
          bytesRead: '0',
          ...BEGUN_AGAIN,
        },
      );
      if (affected !== 1) throw new BusyError('this table is taken in already; bring the file again');
      return this.tables.get(scope, id);
    });
    await this.jobs.send('take-tables', scope, id);
    return begun;
  }

  /** Stops taking a table in, or forgets one that was only brought. @throws NotFoundError */
  async cancel(scope: Scope, id: string): Promise<void> {
    // What is written last of all, with all the rest, is that it is done: after this it no longer can be.
    const { affected } = await this.database.manager.update(
      TableImportEntity,
      { id, kitchenId: scope.kitchenId, state: 'running' },
      { state: 'cancelled', message: 'Stopped. Nothing was written.' },
    );
    if (affected !== 1) await this.tables.forget(scope, id);
  }

  async #run(run: Run<TableImportEntity>): Promise<void> {
    const { id, scope } = run;
    const far = { rows: 0, bytes: 0 };
    // Told beside the transaction, which nobody else sees anything of.
    const telling = setInterval(
      () => void run.tell({ rowsRead: far.rows, bytesRead: String(far.bytes) }).catch(() => undefined),
      TELL_EVERY,
    );
    try {
      const row = await this.database.manager.findOneBy(TableImportEntity, { id, kitchenId: scope.kitchenId });
      if (!row?.wanted) throw new RefusedFileError('nobody remembers how it was to be taken in; start it again');
      const { path } = await this.tables.file(scope, id);
      await this.#takeIn(run, path, row.wanted, far);
      await this.foods.settle();
      await this.tables.letFileGo(id);
    } catch (error) {
      if (run.signal.aborted) return;
      if (isPassing(error)) throw error;
      if (!(error instanceof Problem)) this.#log.error(error);
      await run.tell(endOf(error));
    } finally {
      clearInterval(telling);
    }
  }

  async #takeIn(
    run: Run<TableImportEntity>,
    path: string,
    { name, mapping, keepMapping = false, doubtful }: TakeTableDto,
    far: { rows: number; bytes: number },
  ): Promise<void> {
    const { scope } = run;
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
            run.signal.throwIfAborted();
            await intake.take(foods);
            far.rows += foods.length;
          },
          bytes: (bytes) => (far.bytes = bytes),
        },
      );
      await intake.finish();
      if (keepMapping) await manager.upsert(TableMappingEntity, { kitchenId, name, mapping }, ['kitchenId', 'name']);
      await run.expectOwn({ state: 'done', result: { ...counts, ...intake.counts } });
    });
  }
}

/** How a run that broke off stands, in words. */
function endOf(error: unknown): { readonly state: 'failed'; readonly message: string } {
  if (error instanceof Problem) return { state: 'failed', message: error.message };
  return { state: 'failed', message: 'Something broke. Nothing was written; try again, and look at the log if it stays.' };
}
