import type { PersonEntry } from '@portiona/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Somebody who eats from the boxes, at the newest revision. */
@Entity('people')
export class PersonEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  /** In which order they came; the database counts. */
  @Column({ type: 'bigint', insert: false, update: false }) place: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: PersonEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  @Column({ name: 'archived_at', type: 'timestamptz', nullable: true }) archivedAt: Date | null;
}
