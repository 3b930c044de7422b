import { Column, PrimaryColumn } from 'typeorm';
import type { Scope } from '../scope/scope.js';

/** A row of work that goes on beside requests: any server that works takes it up, one at a time. */
export abstract class RunEntity {
  @PrimaryColumn({ type: 'uuid', default: () => 'gen_random_uuid()' }) id: string;
  @Column({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  /** In which it was asked for; null: nobody remembers. */
  @Column({ type: 'jsonb', nullable: true }) scope: Scope | null;
  /** How often it was begun: whoever is at it may write only while this is as it was then. */
  @Column({ type: 'integer', default: 0 }) attempt: number;
  /** How often it was begun and whoever was at it went away without a word. */
  @Column({ type: 'integer', default: 0 }) tries: number;
  /** Until when, by the database's clock, nobody else takes it up. */
  @Column({ name: 'held_until', type: 'timestamptz', default: () => `'-infinity'` }) heldUntil: Date;
  @Column({ name: 'made_at', type: 'timestamptz', default: () => 'now()' }) madeAt: Date;
}

/** What a run's row says of where it stands. */
export interface RunStanding extends RunEntity {
  state: string;
}
