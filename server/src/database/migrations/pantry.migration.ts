import { searchTextOf, type FoodEntry } from '@portiona/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A pantry of tens of thousands: words to find foods by with their indexes, foods put away, foods that stand for a row of an
 * imported table, and every composition a food has had.
 */
export class Pantry1764200000002 implements MigrationInterface {
  name = 'Pantry1764200000002';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE EXTENSION IF NOT EXISTS pg_trgm');
    await runner.query(`
      ALTER TABLE foods
        ADD COLUMN words text NOT NULL DEFAULT '',
        ADD COLUMN archived_at timestamptz,
        ADD COLUMN from_table text,
        ADD COLUMN code text`);
    const foods = (await runner.query('SELECT kitchen_id, id, document FROM foods')) as {
      kitchen_id: string;
      id: string;
      document: FoodEntry;
    }[];
    for (const { kitchen_id, id, document } of foods)
      await runner.query('UPDATE foods SET words = $3 WHERE kitchen_id = $1 AND id = $2', [kitchen_id, id, searchTextOf(document)]);
    await runner.query('CREATE INDEX foods_words_trigrams ON foods USING gin (words gin_trgm_ops)');
    await runner.query(`CREATE INDEX foods_words_text ON foods USING gin (to_tsvector('simple', words))`);
    await runner.query('CREATE UNIQUE INDEX foods_table_code ON foods (kitchen_id, from_table, code) WHERE from_table IS NOT NULL');
    await runner.query(`
      CREATE TABLE food_revisions (
        kitchen_id uuid NOT NULL,
        food_id text NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, food_id, revision),
        FOREIGN KEY (kitchen_id, food_id) REFERENCES foods (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query(`
      INSERT INTO food_revisions (kitchen_id, food_id, revision, document, saved_at)
      SELECT kitchen_id, id, revision, document, saved_at FROM foods`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE food_revisions');
    await runner.query('DROP INDEX foods_table_code, foods_words_text, foods_words_trigrams');
    await runner.query('ALTER TABLE foods DROP COLUMN code, DROP COLUMN from_table, DROP COLUMN archived_at, DROP COLUMN words');
  }
}
