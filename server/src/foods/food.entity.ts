import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { FoodEntry } from '@portiona/core';

@Entity('foods')
export class FoodEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'text' }) name: string;
  @Column({ type: 'jsonb' }) document: FoodEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  /** What it is found by; written with the document. */
  @Column({ type: 'text', default: '' }) words: string;
  /** When it was put away; null: it stands in the pantry. */
  @Column({ name: 'archived_at', type: 'timestamptz', nullable: true }) archivedAt: Date | null;
  /** The imported table it is a row of; null: the kitchen's own. */
  @Column({ name: 'from_table', type: 'text', nullable: true }) fromTable: string | null;
  /** Its code in that table. */
  @Column({ type: 'text', nullable: true }) code: string | null;
}
