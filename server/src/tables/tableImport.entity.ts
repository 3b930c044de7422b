import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { TableResult } from './tableResult.js';

/** Where a table stands: brought, being taken in, or what became of it. */
export type TableState = 'ready' | 'running' | 'done' | 'cancelled' | 'failed' | 'interrupted';

/** A food table that was brought as a file. */
@Entity('table_imports')
export class TableImportEntity {
  @PrimaryColumn({ type: 'uuid', default: () => 'gen_random_uuid()' }) id: string;
  @Column({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @Column({ name: 'file_name', type: 'text' }) fileName: string;
  @Column({ type: 'integer' }) bytes: number;
  @Column({ type: 'text' }) encoding: string;
  @Column({ type: 'text' }) state: TableState;
  /** The name its foods are kept under. */
  @Column({ name: 'table_name', type: 'text', nullable: true }) tableName: string | null;
  @Column({ type: 'jsonb', nullable: true }) result: TableResult | null;
  @Column({ type: 'text', nullable: true }) message: string | null;
  @Column({ name: 'made_at', type: 'timestamptz', default: () => 'now()' }) madeAt: Date;
}
