import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Who saved each revision of a recipe, and why one is kept that would be thinned otherwise. */
export class Versions1765200000012 implements MigrationInterface {
  name = 'Versions1765200000012';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE recipe_revisions
        ADD COLUMN saved_by text NOT NULL DEFAULT 'owner',
        ADD COLUMN kept_because text CHECK (kept_because IN ('named', 'overwritten', 'takenBack', 'merged')),
        ADD COLUMN kept_name text,
        ADD CHECK ((kept_because = 'named') = (kept_name IS NOT NULL))`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recipe_revisions DROP COLUMN kept_name, DROP COLUMN kept_because, DROP COLUMN saved_by');
  }
}
