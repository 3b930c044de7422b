import type { SessionEntry } from '@portiona/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Dishes cooked together, at the newest revision. */
@Entity('sessions')
export class SessionEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  @Column({ type: 'date' }) date: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: SessionEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  @Column({ name: 'archived_at', type: 'timestamptz', nullable: true }) archivedAt: Date | null;
}
