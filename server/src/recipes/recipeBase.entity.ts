import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A recipe that a recipe's current revision takes parts of, and the revision of it that was last agreed to. */
@Entity('recipe_bases')
export class RecipeBaseEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'recipe_id', type: 'text' }) recipeId: string;
  @PrimaryColumn({ name: 'base_id', type: 'text' }) baseId: string;
  @Column({ name: 'base_revision', type: 'integer' }) baseRevision: number;
}
