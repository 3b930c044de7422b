import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Cards as they were published: readers hold them, so nothing that is edited later changes them. */
export class PublishedCards1764600000006 implements MigrationInterface {
  name = 'PublishedCards1764600000006';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE published_cards (
        kitchen_id uuid NOT NULL,
        recipe_id text NOT NULL,
        issue integer NOT NULL,
        recipe_revision integer NOT NULL,
        food_revisions jsonb NOT NULL,
        content jsonb NOT NULL,
        published_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, recipe_id, issue),
        FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipes (kitchen_id, id) ON DELETE CASCADE
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE published_cards');
  }
}
