import type { RecipeEntry } from '@portiona/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';
import { recipesTaken } from '@portiona/core';

/** Which recipes are built on parts of which, and on what revision of them each was last agreed to rest. */
export class RecipeBases1764700000007 implements MigrationInterface {
  name = 'RecipeBases1764700000007';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE recipe_bases (
        kitchen_id uuid NOT NULL,
        recipe_id text NOT NULL,
        base_id text NOT NULL,
        base_revision integer NOT NULL,
        PRIMARY KEY (kitchen_id, recipe_id, base_id),
        FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipes (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query('CREATE INDEX recipe_bases_base ON recipe_bases (kitchen_id, base_id)');
    const recipes = (await runner.query(`
      SELECT content.kitchen_id, content.recipe_id, content.document
      FROM recipes head
      JOIN recipe_revisions content
        ON content.kitchen_id = head.kitchen_id AND content.recipe_id = head.id AND content.revision = head.revision`)) as {
      kitchen_id: string;
      recipe_id: string;
      document: RecipeEntry;
    }[];
    for (const { kitchen_id, recipe_id, document } of recipes)
      await runner.query(
        `INSERT INTO recipe_bases (kitchen_id, recipe_id, base_id, base_revision)
         SELECT kitchen_id, $2, id, revision FROM recipes WHERE kitchen_id = $1 AND id = ANY($3)`,
        [kitchen_id, recipe_id, recipesTaken(document)],
      );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE recipe_bases');
  }
}
