import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { RecipeEntry } from '@portiona/core';

/** Why a version is kept though nothing else rests on it. */
export const KEPT_BECAUSE = ['named', 'overwritten', 'takenBack', 'merged'] as const;
export type KeptBecause = (typeof KEPT_BECAUSE)[number];

/** One saved revision of a recipe: a draft until something rests on it, its content never changed. */
@Entity('recipe_revisions')
export class RecipeRevisionEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'recipe_id', type: 'text' }) recipeId: string;
  @PrimaryColumn({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: RecipeEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
  @Column({ name: 'saved_by', type: 'text', default: 'owner' }) savedBy: string;
  @Column({ name: 'kept_because', type: 'text', nullable: true }) keptBecause: KeptBecause | null;
  @Column({ name: 'kept_name', type: 'text', nullable: true }) keptName: string | null;
}
