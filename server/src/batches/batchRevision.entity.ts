import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { BatchEntry } from '@portiona/core';

/** One saved revision of a batch; its content never changes. */
@Entity('batch_revisions')
export class BatchRevisionEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'batch_id', type: 'text' }) batchId: string;
  @PrimaryColumn({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: BatchEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  @Column({ name: 'saved_by', type: 'text', default: 'owner' }) savedBy: string;
}
