import type { CardContent } from '@portiona/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A card as it was published, whole: what readers hold. */
@Entity('published_cards')
export class PublishedCardEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'recipe_id', type: 'text' }) recipeId: string;
  /** 1 for the first time it was published. */
  @PrimaryColumn({ type: 'integer' }) issue: number;
  @Column({ name: 'recipe_revision', type: 'integer' }) recipeRevision: number;
  /** The composition of each food that its figures were made from, by revision: the food's history has them. */
  @Column({ name: 'food_revisions', type: 'jsonb' }) foodRevisions: Record<string, number>;
  @Column({ type: 'jsonb' }) content: CardContent;
  /** Which shape the content has: what reads an older one knows by it what it cannot hold. */
  @Column({ name: 'content_version', type: 'integer', default: 1 }) contentVersion: number;
  /** Everything it was computed from, as a kitchen file; null for cards that were published before that was kept. */
  @Column({ type: 'json', nullable: true }) inputs: object | null;
  @Column({ name: 'taken_back_at', type: 'timestamptz', nullable: true }) takenBackAt: Date | null;
  @Column({ name: 'taken_back_because', type: 'text', nullable: true }) takenBackBecause: string | null;
  /** When it was seen to say something else than would be printed; null: it does not, as far as anybody has looked. */
  @Column({ name: 'moved_since', type: 'timestamptz', nullable: true }) movedSince: Date | null;
  @Column({ name: 'published_at', type: 'timestamptz', default: () => 'now()' }) publishedAt: Date;
}
