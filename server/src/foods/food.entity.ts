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
}
