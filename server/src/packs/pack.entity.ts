import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { PackEntry } from '@portiona/core';

@Entity('packs')
export class PackEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  @Column({ name: 'food_id', type: 'text' }) foodId: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: PackEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  /** Set: it counts no more, and what was paid stays known. */
  @Column({ name: 'put_away_at', type: 'timestamptz', nullable: true }) putAwayAt: Date | null;
}
