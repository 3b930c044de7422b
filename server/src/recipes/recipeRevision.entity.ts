import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { RecipeEntry } from '@portiona/core';

/** One saved revision of a recipe, never changed. */
@Entity('recipe_revisions')
export class RecipeRevisionEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'recipe_id', type: 'text' }) recipeId: string;
  @PrimaryColumn({ type: 'integer' }) revision: number;
  @Column({ type: 'jsonb' }) document: RecipeEntry;
  @Column({ name: 'saved_at', type: 'timestamptz', default: () => 'now()' }) savedAt: Date;
}
