import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What is told of a recipe elsewhere than on its own pages, kept as it was computed last; and what has changed since, written down
 * by the database itself, so that no writer can forget to. Writers only ever add to the changes: they never wait for whoever computes.
 */
export class RecipeSummaries1765100000011 implements MigrationInterface {
  name = 'RecipeSummaries1765100000011';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE recipe_summaries (
        kitchen_id uuid NOT NULL,
        recipe_id text NOT NULL,
        stale boolean NOT NULL,
        engine text NOT NULL DEFAULT '',
        holds_until date,
        series text,
        number double precision,
        weight double precision,
        energy double precision,
        protein double precision,
        used_cost double precision,
        listed json,
        card json,
        parts json,
        PRIMARY KEY (kitchen_id, recipe_id)
      )`);
    await runner.query('CREATE INDEX recipe_summaries_stale ON recipe_summaries (kitchen_id) WHERE stale');
    await runner.query('CREATE INDEX recipe_summaries_until ON recipe_summaries (kitchen_id, holds_until) WHERE holds_until IS NOT NULL');
    await runner.query(`
      CREATE TABLE recipe_changes (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        kitchen_id uuid NOT NULL,
        kind text NOT NULL,
        of text NOT NULL
      )`);
    await runner.query('CREATE INDEX recipe_changes_kitchen ON recipe_changes (kitchen_id)');
    await runner.query(`INSERT INTO recipe_changes (kitchen_id, kind, of) SELECT id, 'kitchen', '' FROM kitchens`);

    await runner.query(`
      CREATE FUNCTION recipe_changed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO recipe_changes (kitchen_id, kind, of) VALUES (NEW.kitchen_id, 'recipe', NEW.id); RETURN NULL; END $$`);
    await runner.query(`
      CREATE TRIGGER recipe_added AFTER INSERT ON recipes FOR EACH ROW EXECUTE FUNCTION recipe_changed()`);
    await runner.query(`
      CREATE TRIGGER recipe_saved AFTER UPDATE ON recipes FOR EACH ROW
      WHEN (NEW.revision IS DISTINCT FROM OLD.revision) EXECUTE FUNCTION recipe_changed()`);
    await runner.query(`
      CREATE FUNCTION card_published() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO recipe_changes (kitchen_id, kind, of) VALUES (NEW.kitchen_id, 'recipe', NEW.recipe_id); RETURN NULL; END $$`);
    await runner.query(`CREATE TRIGGER card_published AFTER INSERT ON published_cards FOR EACH ROW EXECUTE FUNCTION card_published()`);
    // A food that no recipe holds moves none: a table of thousands writes nothing here.
    await runner.query(`
      CREATE FUNCTION foods_changed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO recipe_changes (kitchen_id, kind, of)
        SELECT now.kitchen_id, 'food', now.id FROM now_rows now
        JOIN then_rows was ON was.kitchen_id = now.kitchen_id AND was.id = now.id AND was.revision IS DISTINCT FROM now.revision
        WHERE EXISTS (SELECT 1 FROM recipe_foods used WHERE used.kitchen_id = now.kitchen_id AND used.food_id = now.id);
        RETURN NULL; END $$`);
    await runner.query(`
      CREATE TRIGGER foods_saved AFTER UPDATE ON foods REFERENCING OLD TABLE AS then_rows NEW TABLE AS now_rows
      FOR EACH STATEMENT EXECUTE FUNCTION foods_changed()`);
    await runner.query(`
      CREATE FUNCTION packs_changed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO recipe_changes (kitchen_id, kind, of)
        SELECT DISTINCT pack.kitchen_id, 'food', pack.food_id FROM moved_rows pack
        WHERE EXISTS (SELECT 1 FROM recipe_foods used WHERE used.kitchen_id = pack.kitchen_id AND used.food_id = pack.food_id);
        RETURN NULL; END $$`);
    for (const [name, event, table] of [
      ['packs_added', 'INSERT', 'NEW'],
      ['packs_saved', 'UPDATE', 'NEW'],
      ['packs_moved', 'UPDATE', 'OLD'],
      ['packs_removed', 'DELETE', 'OLD'],
    ] as const)
      await runner.query(`
        CREATE TRIGGER ${name} AFTER ${event} ON packs REFERENCING ${table} TABLE AS moved_rows
        FOR EACH STATEMENT EXECUTE FUNCTION packs_changed()`);
    await runner.query(`
      CREATE FUNCTION kitchen_changed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
        INSERT INTO recipe_changes (kitchen_id, kind, of) VALUES (NEW.id, 'kitchen', ''); RETURN NULL; END $$`);
    await runner.query(`
      CREATE TRIGGER kitchen_settings AFTER UPDATE ON kitchens FOR EACH ROW
      WHEN (NEW.settings IS DISTINCT FROM OLD.settings) EXECUTE FUNCTION kitchen_changed()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TRIGGER kitchen_settings ON kitchens');
    for (const name of ['packs_added', 'packs_saved', 'packs_moved', 'packs_removed']) await runner.query(`DROP TRIGGER ${name} ON packs`);
    await runner.query('DROP TRIGGER foods_saved ON foods');
    await runner.query('DROP TRIGGER card_published ON published_cards');
    await runner.query('DROP TRIGGER recipe_saved ON recipes');
    await runner.query('DROP TRIGGER recipe_added ON recipes');
    for (const name of ['kitchen_changed', 'packs_changed', 'foods_changed', 'card_published', 'recipe_changed'])
      await runner.query(`DROP FUNCTION ${name}()`);
    await runner.query('DROP TABLE recipe_changes');
    await runner.query('DROP TABLE recipe_summaries');
  }
}
