import type { WeekEntry } from '@portiona/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Boxes given to the days of a week, at the newest revision. */
@Entity('weeks')
export class WeekEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  @Column({ name: 'from_day', type: 'date' }) from: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: WeekEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
}
