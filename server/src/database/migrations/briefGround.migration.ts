import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What briefs can ask of a recipe is kept beside what lists tell of it; everything is computed anew once. */
export class BriefGround1765500000015 implements MigrationInterface {
  name = 'BriefGround1765500000015';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recipe_summaries ADD COLUMN ground json');
    await runner.query('UPDATE recipe_summaries SET stale = true');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recipe_summaries DROP COLUMN ground');
  }
}
