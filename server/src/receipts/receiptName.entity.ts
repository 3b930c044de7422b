import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A food by what shops call it. */
@Entity('receipt_names')
export class ReceiptNameEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  /** Bare of size, case and accents. */
  @PrimaryColumn({ type: 'text' }) words: string;
  @Column({ name: 'food_id', type: 'text' }) foodId: string;
}
