import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One asking of the shops for today's prices. */
@Entity('price_refreshes')
export class RefreshEntity {
  @PrimaryColumn({ type: 'uuid', default: () => 'gen_random_uuid()' }) id: string;
  @Column({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  /** The day the prices are of, ISO. */
  @Column({ type: 'date' }) day: string;
  @Column({ type: 'text' }) state: 'running' | 'done' | 'cancelled';
  @Column({ name: 'made_at', type: 'timestamptz', default: () => 'now()' }) madeAt: Date;
}
