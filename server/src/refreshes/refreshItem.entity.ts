import { Column, Entity, PrimaryColumn } from 'typeorm';

/** Where a question to a shop stands. */
export type RefreshItemState = 'waiting' | 'same' | 'changed' | 'unlisted' | 'failed';

/** One pack that a shop is asked for. */
@Entity('price_refresh_items')
export class RefreshItemEntity {
  @PrimaryColumn({ name: 'refresh_id', type: 'uuid' }) refreshId: string;
  @PrimaryColumn({ type: 'integer' }) position: number;
  @Column({ name: 'food_id', type: 'text' }) foodId: string;
  @Column({ type: 'text' }) name: string;
  @Column({ type: 'text' }) shop: string;
  @Column({ type: 'double precision' }) net: number;
  @Column({ type: 'text' }) unit: string;
  @Column({ type: 'text' }) currency: string;
  @Column({ name: 'before_price', type: 'text' }) beforePrice: string;
  @Column({ type: 'text' }) state: RefreshItemState;
  @Column({ type: 'text', nullable: true }) price: string | null;
  @Column({ type: 'boolean', default: false }) promotion: boolean;
  @Column({ type: 'text', nullable: true }) message: string | null;
}
