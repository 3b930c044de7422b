import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A recipe's head: its current revision, for optimistic concurrency. The content is in its revisions. */
@Entity('recipes')
export class RecipeEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ type: 'text' }) id: string;
  @Column({ type: 'text' }) title: string;
  @Column({ type: 'integer' }) revision: number;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  @Column({ name: 'archived_at', type: 'timestamptz', nullable: true }) archivedAt: Date | null;
}
