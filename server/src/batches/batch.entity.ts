import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { BatchEntry } from '@portiona/core';

/** A dish as it was cooked, at its newest revision. */
@Entity('batches')
export class BatchEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  /** Where it stands among those of its day; the database counts. */
  @Column({ type: 'bigint', insert: false, update: false }) place: string;
  @Column({ name: 'recipe_id', type: 'text' }) recipeId: string;
  /** The recipe's revision that it was cooked from. */
  @Column({ name: 'recipe_revision', type: 'integer' }) recipeRevision: number;
  @Column({ type: 'date' }) date: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: BatchEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  @Column({ name: 'archived_at', type: 'timestamptz', nullable: true }) archivedAt: Date | null;
}
