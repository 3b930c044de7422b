import { Column, Entity } from 'typeorm';
import { RunEntity } from '../jobs/runEntity.js';

/** One asking of the shops for today's prices. */
@Entity('price_refreshes')
export class RefreshEntity extends RunEntity {
  /** The day the prices are of, ISO. */
  @Column({ type: 'date' }) day: string;
  @Column({ type: 'text' }) state: 'running' | 'done' | 'cancelled';
}
