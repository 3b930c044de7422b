import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A picture as it is kept. */
@Entity('photos')
export class PhotoEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  /** SHA-256 of its bytes, in hexadecimal. */
  @PrimaryColumn({ type: 'text' }) id: string;
  @Column({ type: 'bytea' }) jpeg: Buffer;
  @Column({ type: 'integer' }) width: number;
  @Column({ type: 'integer' }) height: number;
  @Column({ name: 'brought_at', type: 'timestamptz', default: () => 'now()' }) broughtAt: Date;
}
