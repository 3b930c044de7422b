import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { Injectable } from '@nestjs/common';
import { cutText, tidyText } from '@portiona/core';
import { In, Not } from 'typeorm';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { NotFoundError } from '../http/problems.js';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { Encoding, NamedReadingDto, TableImportDto, TableReadingDto } from './table.dto.js';
import { forgetLostTables, receiveTable, removeTable, tablePath } from './tableFile.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import { TableRuns } from './tableRun.js';
import type { Scope } from '../scope/scope.js';

/** Food tables brought as files, where each stands, and the mappings kept for their next editions. */
@Injectable()
export class TableUploadsService {
  constructor(
    private readonly database: Database,
    private readonly runs: TableRuns,
    private readonly kitchens: KitchensService,
  ) {}

  /**
   * @param stated what the sender says it weighs, if it does
   * @throws TooLargeError, FullError, RefusedFileError
   */
  async bring(scope: Scope, fileName: string, from: Readable, stated?: number): Promise<TableImportDto> {
    const id = randomUUID();
    const { bytes, encoding } = await receiveTable(id, from, { stated, kept: true });
    const row = {
      id,
      kitchenId: scope.kitchenId,
      fileName: cutText(tidyText(fileName), 200),
      bytes,
      encoding,
      state: 'ready' as const,
    };
    try {
      return await this.database.write(async () => {
        await this.database.manager.insert(TableImportEntity, row);
        return this.get(scope, id);
      });
    } catch (error) {
      await removeTable(id);
      throw error;
    }
  }

  /** After a start: files that belong to nothing are taken away, and tables whose file is gone are not offered any more. */
  async tidyUp(): Promise<void> {
    const ofKitchen = { select: { id: true }, where: { state: Not('done' as const) } } as const;
    const brought = await this.kitchens.ofEach(async ({ kitchenId }) => {
      const rows = await this.database.manager.find(TableImportEntity, { ...ofKitchen, where: { ...ofKitchen.where, kitchenId } });
      const lost = rows.filter(({ id }) => !existsSync(tablePath(id))).map(({ id }) => id);
      if (lost.length > 0) await this.database.manager.delete(TableImportEntity, { kitchenId, id: In(lost) });
      return rows;
    });
    await forgetLostTables(new Set(brought.map(({ id }) => id)));
  }

  /** Tables brought, newest first: every one whose file is still here, and the last ones taken in. */
  async list(scope: Scope): Promise<TableImportDto[]> {
    const rows = await this.database.manager.find(TableImportEntity, {
      where: { kitchenId: scope.kitchenId },
      order: { madeAt: 'DESC' },
      take: 200,
    });
    return rows.map((row) => this.#toDto(row));
  }

  /** @throws NotFoundError */
  async get(scope: Scope, id: string): Promise<TableImportDto> {
    return this.#toDto(await this.#row(scope, id));
  }

  /** A table's file and how its letters were found to be written. @throws NotFoundError */
  async file(scope: Scope, id: string): Promise<{ readonly path: string; readonly encoding: Encoding }> {
    const { encoding } = await this.#row(scope, id);
    const path = tablePath(id);
    if (!existsSync(path)) throw new NotFoundError('file of the table', id);
    return { path, encoding: encoding as Encoding };
  }

  /** Forgets a table's file; what was taken in of it stays, and is still said. @throws NotFoundError */
  async forget(scope: Scope, id: string): Promise<void> {
    const { state } = await this.#row(scope, id);
    await removeTable(id);
    if (state !== 'done') await this.database.manager.delete(TableImportEntity, { id });
  }

  /** The mappings kept, by name. */
  async mappingsKept(scope: Scope): Promise<NamedReadingDto[]> {
    const rows = await this.database.manager.find(TableMappingEntity, {
      where: { kitchenId: scope.kitchenId },
      order: { name: 'ASC' },
    });
    return rows.map(({ name, mapping }) => ({ name, mapping }));
  }

  /** @throws NotFoundError */
  async mappingKept(scope: Scope, name: string): Promise<TableReadingDto> {
    const row = await this.database.manager.findOneBy(TableMappingEntity, { kitchenId: scope.kitchenId, name });
    if (!row) throw new NotFoundError('mapping', name);
    return row.mapping;
  }

  /** @throws NotFoundError */
  async forgetMapping(scope: Scope, name: string): Promise<void> {
    const { affected } = await this.database.manager.delete(TableMappingEntity, { kitchenId: scope.kitchenId, name });
    if (affected !== 1) throw new NotFoundError('mapping', name);
  }

  async #row(scope: Scope, id: string): Promise<TableImportEntity> {
    const row = isUuid(id) ? await this.database.manager.findOneBy(TableImportEntity, { kitchenId: scope.kitchenId, id }) : null;
    if (!row) throw new NotFoundError('table', id);
    return row;
  }

  #toDto({ id, fileName, bytes, state, tableName, madeAt, result, message }: TableImportEntity): TableImportDto {
    const run = this.runs.get(id);
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
