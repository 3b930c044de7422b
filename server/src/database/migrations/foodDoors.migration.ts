import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How doors are made through the wall between kitchens: each looks at no kitchen but the one at hand. */
const DOORS = 'SECURITY DEFINER SET search_path = public, pg_temp';

/**
 * Words of foods are looked for by indexes that hold the kitchen too. Behind row-level security the database uses none of them, since what
 * compares words might tell of rows that are not to be seen: these functions do, for the kitchen at hand and no other.
 */
export class FoodDoors1767000000031 implements MigrationInterface {
  name = 'FoodDoors1767000000031';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE EXTENSION IF NOT EXISTS btree_gin');
    await runner.query('DROP INDEX food_words_trigrams');
    await runner.query('DROP INDEX foods_words_text');
    await runner.query('CREATE INDEX food_words_trigrams ON food_words USING gin (kitchen_id, word gin_trgm_ops)');
    await runner.query(`CREATE INDEX foods_words_text ON foods USING gin (kitchen_id, to_tsvector('simple', words))`);
    await runner.query(`
      CREATE FUNCTION words_near(asked text, most integer) RETURNS TABLE (word text)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT own.word FROM food_words own WHERE own.kitchen_id = kitchen_at_hand() AND own.word % asked
        ORDER BY similarity(own.word, asked) DESC, own.word LIMIT most $$`);
    await runner.query(`
      CREATE FUNCTION foods_saying(asked text, most integer) RETURNS TABLE (id text, words text)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT own.id, own.words FROM foods own
        WHERE own.kitchen_id = kitchen_at_hand() AND own.archived_at IS NULL AND to_tsvector('simple', own.words) @@ to_tsquery('simple', asked)
        LIMIT most $$`);
    await runner.query(`
      CREATE FUNCTION table_foods_saying(asked text, most integer) RETURNS TABLE (id text)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT own.id FROM foods own
        WHERE own.kitchen_id = kitchen_at_hand() AND own.from_table IS NOT NULL AND own.archived_at IS NULL
          AND to_tsvector('simple', own.words) @@ to_tsquery('simple', asked)
        ORDER BY ts_rank(to_tsvector('simple', own.words), to_tsquery('simple', asked)) DESC, length(own.words), own.id
        LIMIT most $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION words_near, foods_saying, table_foods_saying');
    await runner.query('DROP INDEX food_words_trigrams');
    await runner.query('DROP INDEX foods_words_text');
    await runner.query('CREATE INDEX food_words_trigrams ON food_words USING gin (word gin_trgm_ops)');
    await runner.query(`CREATE INDEX foods_words_text ON foods USING gin (to_tsvector('simple', words))`);
  }
}
