import { Column, Entity } from 'typeorm';
import { RunEntity } from '../jobs/runEntity.js';
import type { TakeTableDto } from './table.dto.js';
import type { TableResult } from './tableResult.js';

/** Where a table stands: brought, being taken in, or what became of it. */
export type TableState = 'ready' | 'running' | 'done' | 'cancelled' | 'failed' | 'interrupted';

/** A food table that was brought as a file. */
@Entity('table_imports')
export class TableImportEntity extends RunEntity {
  @Column({ name: 'file_name', type: 'text' }) fileName: string;
  @Column({ type: 'integer' }) bytes: number;
  @Column({ type: 'text' }) encoding: string;
  @Column({ type: 'text' }) state: TableState;
  /** The name its foods are kept under. */
  @Column({ name: 'table_name', type: 'text', nullable: true }) tableName: string | null;
  @Column({ type: 'jsonb', nullable: true }) result: TableResult | null;
  @Column({ type: 'text', nullable: true }) message: string | null;
  /** How it is to be taken in, while it is. */
  @Column({ type: 'jsonb', nullable: true }) wanted: TakeTableDto | null;
  @Column({ name: 'rows_read', type: 'integer', default: 0 }) rowsRead: number;
  @Column({ name: 'bytes_read', type: 'bigint', default: 0 }) bytesRead: string;
}
