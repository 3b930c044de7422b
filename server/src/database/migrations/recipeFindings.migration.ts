import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What Check finds in each recipe, kept beside what lists tell of it. */
export class RecipeFindings1765900000019 implements MigrationInterface {
  name = 'RecipeFindings1765900000019';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recipe_summaries ADD COLUMN found json');
    await runner.query('UPDATE recipe_summaries SET stale = true');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recipe_summaries DROP COLUMN found');
  }
}
