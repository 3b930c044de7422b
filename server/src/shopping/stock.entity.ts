import type { StockEntry } from '@portiona/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Something that is in the house. */
@Entity('stock')
export class StockEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'uuid' }) id: string;
  /** In which order it came; the database counts. */
  @Column({ type: 'bigint', insert: false, update: false }) place: string;
  @Column({ name: 'food_id', type: 'text' }) foodId: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: StockEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
}
