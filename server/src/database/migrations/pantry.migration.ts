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
    await runner.query(`
      CREATE TABLE food_words (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        word text NOT NULL,
        PRIMARY KEY (kitchen_id, word)
      )`);
    await runner.query(`
      INSERT INTO food_words (kitchen_id, word)
      SELECT DISTINCT kitchen_id, word FROM foods, unnest(string_to_array(words, ' ')) AS word WHERE word ~ '[a-z]'`);
    // Words begun, and words with a slip in them, are looked for among the words, which are few, and not among the foods.
    await runner.query('CREATE INDEX food_words_begun ON food_words (kitchen_id, word text_pattern_ops)');
    await runner.query('CREATE INDEX food_words_trigrams ON food_words USING gin (word gin_trgm_ops)');
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
    // The composition a recipe was last agreed to rest on: when a food is edited, the recipe says so.
    await runner.query('ALTER TABLE recipe_foods ADD COLUMN food_revision integer');
    await runner.query(`
      UPDATE recipe_foods used SET food_revision = food.revision
      FROM foods food WHERE food.kitchen_id = used.kitchen_id AND food.id = used.food_id`);
    await runner.query('ALTER TABLE recipe_foods ALTER COLUMN food_revision SET NOT NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recipe_foods DROP COLUMN food_revision');
    await runner.query('DROP TABLE food_revisions, food_words');
    await runner.query('DROP INDEX foods_table_code, foods_words_text');
    await runner.query('ALTER TABLE foods DROP COLUMN code, DROP COLUMN from_table, DROP COLUMN archived_at, DROP COLUMN words');
  }
}
