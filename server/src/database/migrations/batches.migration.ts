import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Dishes as they were cooked: a document with revisions, the foods it speaks of, and what each device has sent of it, once. */
export class Batches1765700000017 implements MigrationInterface {
  name = 'Batches1765700000017';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE batches (
        kitchen_id uuid NOT NULL,
        id text NOT NULL,
        -- Where it stands among those of its day.
        place bigint GENERATED ALWAYS AS IDENTITY,
        recipe_id text NOT NULL,
        -- The recipe's revision that it was cooked from.
        recipe_revision integer NOT NULL,
        date date NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        archived_at timestamptz,
        PRIMARY KEY (kitchen_id, id),
        FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipes (kitchen_id, id)
      )`);
    await runner.query('CREATE INDEX batches_recipe ON batches (kitchen_id, recipe_id, date, place)');
    await runner.query('CREATE INDEX batches_date ON batches (kitchen_id, date, place)');
    await runner.query(`
      CREATE TABLE batch_revisions (
        kitchen_id uuid NOT NULL,
        batch_id text NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        saved_by text NOT NULL DEFAULT 'owner',
        PRIMARY KEY (kitchen_id, batch_id, revision),
        FOREIGN KEY (kitchen_id, batch_id) REFERENCES batches (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query(`
      CREATE TABLE batch_foods (
        kitchen_id uuid NOT NULL,
        batch_id text NOT NULL,
        food_id text NOT NULL,
        PRIMARY KEY (kitchen_id, batch_id, food_id),
        FOREIGN KEY (kitchen_id, batch_id) REFERENCES batches (kitchen_id, id) ON DELETE CASCADE,
        FOREIGN KEY (kitchen_id, food_id) REFERENCES foods (kitchen_id, id)
      )`);
    await runner.query('CREATE INDEX batch_foods_food ON batch_foods (kitchen_id, food_id)');
    await runner.query(`
      CREATE TABLE batch_edits (
        kitchen_id uuid NOT NULL,
        batch_id text NOT NULL,
        id uuid NOT NULL,
        revision integer NOT NULL,
        edit jsonb NOT NULL,
        made_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, batch_id, id),
        FOREIGN KEY (kitchen_id, batch_id) REFERENCES batches (kitchen_id, id) ON DELETE CASCADE
      )`);
    // What a batch teaches moves the recipe's figures.
    await runner.query(`
      CREATE FUNCTION batch_changed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO recipe_changes (kitchen_id, kind, of) VALUES (NEW.kitchen_id, 'recipe', NEW.recipe_id); RETURN NULL; END $$`);
    await runner.query('CREATE TRIGGER batch_added AFTER INSERT ON batches FOR EACH ROW EXECUTE FUNCTION batch_changed()');
    await runner.query(`
      CREATE TRIGGER batch_saved AFTER UPDATE ON batches FOR EACH ROW
      WHEN (NEW.document -> 'parts' IS DISTINCT FROM OLD.document -> 'parts'
        OR NEW.document -> 'lines' IS DISTINCT FROM OLD.document -> 'lines'
        OR NEW.document -> 'discards' IS DISTINCT FROM OLD.document -> 'discards'
        OR NEW.document -> 'leaveOut' IS DISTINCT FROM OLD.document -> 'leaveOut'
        OR NEW.archived_at IS DISTINCT FROM OLD.archived_at)
      EXECUTE FUNCTION batch_changed()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['batch_edits', 'batch_foods', 'batch_revisions', 'batches']) await runner.query(`DROP TABLE ${table}`);
    await runner.query('DROP FUNCTION batch_changed');
  }
}
