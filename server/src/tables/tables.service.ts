import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import type { Readable } from 'node:stream';
import { Injectable, Logger, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import { InjectDataSource, InjectRepository } from '@nestjs/typeorm';
import {
  columnsOf,
  delimiterOf,
  guessMapping,
  placedMapping,
  quoteOf,
  soundnessText,
  tableSoundness,
  unitsFor,
  type TableFood,
} from '@portiona/core';
import { DataSource, In, Repository } from 'typeorm';
import { FoodsService } from '../foods/foods.service.js';
import { BusyError, NotFoundError, RefusedFileError, TooLargeError, UnreadableError } from '../http/problems.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type {
  Encoding,
  NamedReadingDto,
  TableImportDto,
  TableLookDto,
  TablePreviewDto,
  TableReadingDto,
  TakeTableDto,
} from './table.dto.js';
import { forgetOldTables, MOST_BYTES, receiveTable, tablePath } from './tableFile.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableIntake } from './tableIntake.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import { columnsOfTable, firstRows, tableFoods } from './tableReader.js';
import { firstLetters } from './tableRows.js';

/** Foods written by one round trip. */
const AT_ONCE = 500;
const SHOWN_FAULTS = 100;
const SHOWN_FOODS = 12;
const SHOWN_ROWS = 12;
const SHOWN_SAMPLES = 4;
/** Foods whose energy is held against their macronutrients before taking a table in. */
const MOST_CHECKED = 5000;

interface Run {
  rows: number;
  bytes: number;
  cancelled: boolean;
  done: Promise<void>;
}

class CancelledError extends Error {}

/** Takes food tables in: brought as a file, looked at, mapped, tried, and then all of it in one transaction. */
@Injectable()
export class TablesService implements OnModuleInit, OnModuleDestroy {
  readonly #runs = new Map<string, Run>();
  readonly #log = new Logger('tables');

  constructor(
    @InjectDataSource() private readonly database: DataSource,
    @InjectRepository(TableImportEntity) private readonly imports: Repository<TableImportEntity>,
    @InjectRepository(TableMappingEntity) private readonly mappings: Repository<TableMappingEntity>,
    private readonly kitchens: KitchensService,
    private readonly foods: FoodsService,
  ) {}

  /** What was being taken in when the server went away wrote nothing: its transaction was never ended. */
  async onModuleInit(): Promise<void> {
    await forgetOldTables();
    await this.imports.update(
      { state: 'running' },
      { state: 'interrupted', message: 'The server went away while this was taken in. Nothing was written; start it again.' },
    );
  }

  async onModuleDestroy(): Promise<void> {
    for (const run of this.#runs.values()) run.cancelled = true;
    await Promise.allSettled([...this.#runs.values()].map(({ done }) => done));
  }

  /**
   * @param stated what the sender says it weighs, if it does
   * @throws TooLargeError, RefusedFileError
   */
  async bring(fileName: string, from: Readable, stated?: number): Promise<TableImportDto> {
    if (stated !== undefined && stated > MOST_BYTES) throw new TooLargeError(MOST_BYTES);
    const id = randomUUID();
    const { bytes, encoding } = await receiveTable(id, from);
    await this.imports.insert({
      id,
      kitchenId: await this.kitchens.id(),
      fileName: fileName.slice(0, 200),
      bytes,
      encoding,
      state: 'ready',
    });
    return this.get(id);
  }

  /** Tables brought, newest first. */
  async list(): Promise<TableImportDto[]> {
    const rows = await this.imports.find({ where: { kitchenId: await this.kitchens.id() }, order: { madeAt: 'DESC' }, take: 20 });
    return rows.map((row) => this.#toDto(row));
  }

  /** @throws NotFoundError */
  async get(id: string): Promise<TableImportDto> {
    return this.#toDto(await this.#row(id));
  }

  /** The mappings kept, by name. */
  async kept(): Promise<NamedReadingDto[]> {
    const rows = await this.mappings.find({ where: { kitchenId: await this.kitchens.id() }, order: { name: 'ASC' } });
    return rows.map(({ name, mapping }) => ({ name, mapping }));
  }

  /** @throws NotFoundError */
  async forget(name: string): Promise<void> {
    const { affected } = await this.mappings.delete({ kitchenId: await this.kitchens.id(), name });
    if (affected !== 1) throw new NotFoundError('mapping', name);
  }

  /**
   * A table's columns and how it is most likely meant: by the mapping kept under a name, else guessed.
   *
   * @param letters what the person says of it, where the guess was wrong
   * @throws NotFoundError, RefusedFileError
   */
  async look(
    id: string,
    letters: { readonly encoding?: Encoding; readonly delimiter?: string; readonly headingLines?: number; readonly kept?: string },
  ): Promise<TableLookDto> {
    const { encoding: found, path } = await this.#file(id);
    const kept = letters.kept === undefined ? undefined : await this.#kept(letters.kept);
    const encoding = letters.encoding ?? kept?.encoding ?? (found as Encoding);
    const first = await firstLetters(path, encoding);
    const quote = kept?.quote ?? quoteOf(first);
    const delimiter = letters.delimiter ?? kept?.delimiter ?? delimiterOf(first, quote);
    const rows = await firstRows(path, { encoding, delimiter, quote });
    const guess = kept ?? guessMapping(rows);
    const headingLines = letters.headingLines ?? guess.headingLines;
    const columns = columnsOf(rows, headingLines);
    const headings = columns.map(({ heading }) => heading);
    const guessed = kept || headingLines === guess.headingLines ? guess : guessMapping(rows.slice(Math.max(0, headingLines - 1)));
    const { places, missing } = placedMapping(guessed, headings);
    return {
      columns: columns.map(({ heading, samples }) => ({ heading, samples: samples.slice(0, SHOWN_SAMPLES) })),
      rows: rows.slice(0, SHOWN_ROWS),
      mapping: {
        encoding,
        delimiter,
        quote,
        headingLines,
        decimal: guess.decimal,
        per: guess.per,
        columns: places.map(({ heading, target, unit }) => ({ heading, target, ...unitOf(target, unit) })),
      },
      fromKept: letters.kept ?? null,
      missing: kept ? missing : [],
    };
  }

  /** What taking it in would do; nothing is written. @throws NotFoundError, UnreadableError, RefusedFileError */
  async preview(id: string, { name, mapping }: TakeTableDto): Promise<TablePreviewDto> {
    const { path } = await this.#file(id);
    await this.#check(path, mapping);
    const intake = new TableIntake(this.database.manager, this.foods, await this.kitchens.id(), name, false);
    const firstFaults: TablePreviewDto['firstFaults'][number][] = [];
    const checked: TableFood['food'][] = [];
    const sample: TableFood[] = [];
    let noted = 0;
    const counts = await this.#each(path, mapping, {
      food: (food) => {
        noted += food.notes.length;
        if (sample.length < SHOWN_FOODS) sample.push(food);
        if (checked.length < MOST_CHECKED) checked.push(food.food);
      },
      fault: (fault) => firstFaults.length < SHOWN_FAULTS && firstFaults.push(fault),
      some: (foods) => intake.take(foods),
    });
    return {
      ...counts,
      ...intake.counts,
      firstFaults,
      noted,
      soundness: soundnessText(tableSoundness(checked)),
      sample: sample.map(({ code, food }) => ({ id: code, revision: 0, savedAt: '', document: { ...food, id: 'x' } })),
    };
  }

  /**
   * Begins to take a table in: one transaction, which others see nothing of until it is whole.
   *
   * @throws NotFoundError, UnreadableError, BusyError
   */
  async start(id: string, wanted: TakeTableDto): Promise<TableImportDto> {
    const { path } = await this.#file(id);
    await this.#check(path, wanted.mapping);
    const { affected } = await this.imports.update(
      { id, state: In(['ready', 'failed', 'cancelled', 'interrupted']) },
      { state: 'running', tableName: wanted.name, message: null, result: null },
    );
    if (this.#runs.size > 0 || affected !== 1) {
      if (affected === 1) await this.imports.update({ id }, { state: 'ready' });
      throw new BusyError(affected === 1 ? 'another table is being taken in' : 'this table is taken in already; bring the file again');
    }
    const run: Run = { rows: 0, bytes: 0, cancelled: false, done: Promise.resolve() };
    this.#runs.set(id, run);
    run.done = this.#run(id, path, wanted, run).finally(() => this.#runs.delete(id));
    return this.get(id);
  }

  /** Stops taking a table in, or forgets one that was only brought. @throws NotFoundError */
  async cancel(id: string): Promise<void> {
    const row = await this.#row(id);
    const run = this.#runs.get(id);
    if (run) {
      run.cancelled = true;
      await run.done;
      return;
    }
    await rm(tablePath(row.id), { force: true });
    if (row.state !== 'done') await this.imports.delete({ id });
  }

  async #run(id: string, path: string, { name, mapping, keepMapping = false }: TakeTableDto, run: Run): Promise<void> {
    const kitchenId = await this.kitchens.id();
    try {
      await this.database.transaction(async (manager) => {
        const intake = new TableIntake(manager, this.foods, kitchenId, name, true);
        const counts = await this.#each(path, mapping, {
          some: async (foods) => {
            if (run.cancelled) throw new CancelledError();
            await intake.take(foods);
            run.rows += foods.length;
          },
          bytes: (bytes) => (run.bytes = bytes),
        });
        await intake.finish();
        if (keepMapping) await manager.upsert(TableMappingEntity, { kitchenId, name, mapping }, ['kitchenId', 'name']);
        await manager.update(TableImportEntity, { id }, { state: 'done', result: { ...counts, ...intake.counts } });
        if (run.cancelled) throw new CancelledError();
      });
      await this.foods.settle();
      await rm(path, { force: true });
    } catch (error) {
      if (!(error instanceof CancelledError || error instanceof RefusedFileError)) this.#log.error(error);
      const state = error instanceof CancelledError ? 'cancelled' : 'failed';
      const message =
        error instanceof CancelledError
          ? 'Stopped. Nothing was written.'
          : error instanceof RefusedFileError
            ? error.message
            : 'Something broke. Nothing was written; try again, and look at the log if it stays.';
      await this.imports.update({ id }, { state, message }).catch(() => undefined);
    }
  }

  /** Walks a table: every food and fault told as it comes, foods handed on some at a time. */
  async #each(
    path: string,
    mapping: TableReadingDto,
    on: {
      readonly food?: (food: TableFood) => void;
      readonly fault?: (fault: { row: number; heading: string; message: string }) => void;
      readonly some: (foods: readonly TableFood[]) => Promise<void>;
      readonly bytes?: (bytes: number) => void;
    },
  ): Promise<{ rows: number; leftOut: number; faults: number }> {
    const counts = { rows: 0, leftOut: 0, faults: 0 };
    let some: TableFood[] = [];
    for await (const { number, food, faults } of tableFoods(path, mapping, on.bytes)) {
      counts.rows++;
      counts.faults += faults.length;
      for (const { heading, message } of faults) on.fault?.({ row: number, heading, message });
      if (!food) counts.leftOut++;
      else {
        on.food?.(food);
        some.push(food);
      }
      if (some.length >= AT_ONCE) {
        await on.some(some);
        some = [];
      }
    }
    if (some.length > 0) await on.some(some);
    return counts;
  }

  /** @throws UnreadableError where the mapping cannot make foods of this table */
  async #check(path: string, mapping: TableReadingDto): Promise<void> {
    const headings = (await columnsOfTable(path, mapping)).map(({ heading }) => heading);
    const { places, missing } = placedMapping(mapping, headings);
    const faults = missing.map((heading) => ({
      path: `mapping.columns[${mapping.columns.findIndex((one) => one.heading === heading)}].heading`,
      message: `this table has no column “${heading}”; choose another, or take it out`,
    }));
    if (!places.some(({ target }) => target === 'name'))
      faults.push({ path: 'mapping.columns', message: 'no column is the name of the food; choose one' });
    const twice = mapping.columns.find(({ target }, i) => mapping.columns.findIndex((one) => one.target === target) !== i);
    if (twice) faults.push({ path: 'mapping.columns', message: `two columns are “${twice.target}”; choose one of them` });
    mapping.columns.forEach(({ target, unit }, i) => {
      if (unit !== undefined && unitsFor(target).length > 0 && !unitsFor(target).includes(unit) && unit !== '%')
        faults.push({
          path: `mapping.columns[${i}].unit`,
          message: `“${unit}” is no unit of ${target}; one of ${unitsFor(target).join(', ')} is`,
        });
    });
    if (faults.length > 0) throw new UnreadableError(faults);
  }

  async #kept(name: string): Promise<TableReadingDto> {
    const row = await this.mappings.findOneBy({ kitchenId: await this.kitchens.id(), name });
    if (!row) throw new NotFoundError('mapping', name);
    return row.mapping;
  }

  async #file(id: string): Promise<{ readonly encoding: string; readonly path: string }> {
    const row = await this.#row(id);
    const path = tablePath(id);
    if (!existsSync(path)) throw new NotFoundError('file of the table', id);
    return { encoding: row.encoding, path };
  }

  async #row(id: string): Promise<TableImportEntity> {
    const row = isUuid(id) ? await this.imports.findOneBy({ kitchenId: await this.kitchens.id(), id }) : null;
    if (!row) throw new NotFoundError('table', id);
    return row;
  }

  #toDto({ id, fileName, bytes, state, tableName, madeAt, result, message }: TableImportEntity): TableImportDto {
    const run = this.#runs.get(id);
    return {
      id,
      fileName,
      bytes,
      // Until the run has put everything in order it runs, whatever its row says.
      state: run ? 'running' : state,
      tableName,
      madeAt: madeAt.toISOString(),
      progress: run ? { rows: run.rows, share: Math.min(1, run.bytes / bytes) } : null,
      result,
      message,
    };
  }
}

function unitOf(target: TableReadingDto['columns'][number]['target'], unit: TableReadingDto['columns'][number]['unit']) {
  const usual = unit ?? unitsFor(target)[0];
  return usual === undefined ? {} : { unit: usual };
}

function isUuid(id: string): boolean {
  return /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id);
}
