import { Column, CreateDateColumn, Entity, PrimaryGeneratedColumn } from 'typeorm';
import type { KitchenSettings } from '@portiona/core';

/** A kitchen: the owner of every other row. */
@Entity('kitchens')
export class KitchenEntity {
  @PrimaryGeneratedColumn('uuid') id: string;
  /** What stands in its address. */
  @Column({ type: 'text' }) key: string;
  @Column({ type: 'text' }) name: string;
  @Column({ type: 'jsonb', default: {} }) settings: KitchenSettings;
  /** Its name, measures and rules were chosen, or it was cooked in before that was asked. */
  @Column({ type: 'boolean', default: false }) begun: boolean;
  /** What its published cards are read under, where it has said so. */
  @Column({ name: 'readers_name', type: 'text', nullable: true }) readersName: string | null;
  @Column({ name: 'readers_on', type: 'boolean', default: false }) readersOn: boolean;
  @CreateDateColumn({ name: 'created_at', type: 'timestamptz' }) createdAt: Date;
}
