import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { Inject, Injectable } from '@nestjs/common';
import { cutText, tidyText } from '@portiona/core';
import { Database } from '../database/database.js';
import { isUuid } from '../http/isUuid.js';
import { NotFoundError } from '../http/problems.js';
import type { Encoding, NamedReadingDto, TableImportDto, TableReadingDto } from './table.dto.js';
import { FILE_STORE, tableName, type FileStore } from '../files/fileStore.js';
import { giveUp, receiveTable, roomFor, type Held } from './tableFile.js';
import { TableImportEntity } from './tableImport.entity.js';
import { TableMappingEntity } from './tableMapping.entity.js';
import type { Scope } from '../scope/scope.js';

/** Food tables brought as files, where each stands, and the mappings kept for their next editions. */
@Injectable()
export class TableUploadsService {
  constructor(
    private readonly database: Database,
    @Inject(FILE_STORE) private readonly store: FileStore,
  ) {}

  /**
   * @param stated what the sender says it weighs, if it does
   * @throws TooLargeError, FullError, RefusedFileError
   */
  async bring(scope: Scope, fileName: string, from: Readable, stated?: number): Promise<TableImportDto> {
    const { kitchenId } = scope;
    const id = randomUUID();
    const room = await roomFor(kitchenId, { stated, kept: true, held: () => this.#held(kitchenId) });
    const path = join(await this.store.coming(), id);
    try {
      const { bytes, encoding } = await receiveTable(path, from);
      await this.store.put('tables', tableName(id), path);
      const row = { id, kitchenId, fileName: cutText(tidyText(fileName), 200), bytes, encoding, state: 'ready' as const };
      return await this.database.write(async () => {
        await this.database.manager.insert(TableImportEntity, row);
        return this.get(scope, id);
      });
    } catch (error) {
      // Written or not, nobody was told of it: a row that is there all the same says that its file is gone.
      await this.store.remove('tables', tableName(id)).catch(() => undefined);
      throw error;
    } finally {
      giveUp(room);
      await rm(path, { force: true });
    }
  }

  /** Tables brought, newest first. */
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
    const path = await this.store.path('tables', tableName(id));
    if (path === undefined) throw new NotFoundError('file of the table', id);
    return { path, encoding: encoding as Encoding };
  }

  /** Forgets a table's file; what was taken in of it stays, and is still said. @throws NotFoundError */
  async forget(scope: Scope, id: string): Promise<void> {
    const { state } = await this.#row(scope, id);
    await this.letFileGo(id);
    if (state !== 'done') await this.database.manager.delete(TableImportEntity, { id, kitchenId: scope.kitchenId });
  }

  /** Takes a table's file away: it was taken in, or is not wanted. */
  async letFileGo(id: string): Promise<void> {
    await this.store.remove('tables', tableName(id));
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

  async #held(kitchenId: string): Promise<Held> {
    const [{ files, bytes, all_bytes }] = await this.database.manager.query<[{ files: string; bytes: string; all_bytes: string }]>(
      `SELECT count(*) FILTER (WHERE kitchen_id = $1) AS files, coalesce(sum(bytes) FILTER (WHERE kitchen_id = $1), 0) AS bytes,
         coalesce(sum(bytes), 0) AS all_bytes FROM files_known() WHERE folder = 'tables'`,
      [kitchenId],
    );
    return { files: Number(files), bytes: Number(bytes), allBytes: Number(all_bytes) };
  }

  #toDto({ id, fileName, bytes, state, tableName, madeAt, result, message, rowsRead, bytesRead }: TableImportEntity): TableImportDto {
    return {
      id,
      fileName,
      bytes,
      state,
      tableName,
      madeAt: madeAt.toISOString(),
      progress: state === 'running' ? { rows: rowsRead, share: Math.min(1, Number(bytesRead) / bytes) } : null,
      result,
      message,
    };
  }
}
