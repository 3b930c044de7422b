import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { FoodEntry } from '@portiona/core';

/** What a food was at one revision. */
@Entity('food_revisions')
export class FoodRevisionEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'food_id', type: 'text' }) foodId: string;
  @PrimaryColumn({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: FoodEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
}
