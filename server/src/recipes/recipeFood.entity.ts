import { Entity, PrimaryColumn } from 'typeorm';

/** A food that a recipe's current revision uses. */
@Entity('recipe_foods')
export class RecipeFoodEntity {
  @PrimaryColumn({ name: 'kitchen_id', type: 'uuid' }) kitchenId: string;
  @PrimaryColumn({ name: 'recipe_id', type: 'text' }) recipeId: string;
  @PrimaryColumn({ name: 'food_id', type: 'text' }) foodId: string;
}
