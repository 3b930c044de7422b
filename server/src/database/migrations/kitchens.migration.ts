import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Kitchens, and what each owns: foods, packs, recipes with their revisions, and which foods a recipe uses. */
export class Kitchens1764000000001 implements MigrationInterface {
  name = 'Kitchens1764000000001';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE kitchens (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        name text NOT NULL,
        settings jsonb NOT NULL DEFAULT '{}',
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query(`
      CREATE TABLE foods (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id text NOT NULL,
        revision integer NOT NULL,
        name text NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, id)
      )`);
    await runner.query(`
      CREATE TABLE packs (
        kitchen_id uuid NOT NULL,
        id text NOT NULL,
        food_id text NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, id),
        FOREIGN KEY (kitchen_id, food_id) REFERENCES foods (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query(`CREATE INDEX packs_food ON packs (kitchen_id, food_id)`);
    await runner.query(`
      CREATE TABLE recipes (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id text NOT NULL,
        title text NOT NULL,
        revision integer NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        archived_at timestamptz,
        PRIMARY KEY (kitchen_id, id)
      )`);
    await runner.query(`
      CREATE TABLE recipe_revisions (
        kitchen_id uuid NOT NULL,
        recipe_id text NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, recipe_id, revision),
        FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipes (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query(`
      CREATE TABLE recipe_foods (
        kitchen_id uuid NOT NULL,
        recipe_id text NOT NULL,
        food_id text NOT NULL,
        PRIMARY KEY (kitchen_id, recipe_id, food_id),
        FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipes (kitchen_id, id) ON DELETE CASCADE,
        FOREIGN KEY (kitchen_id, food_id) REFERENCES foods (kitchen_id, id)
      )`);
    await runner.query(`CREATE INDEX recipe_foods_food ON recipe_foods (kitchen_id, food_id)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE recipe_foods, recipe_revisions, recipes, packs, foods, kitchens');
  }
}
