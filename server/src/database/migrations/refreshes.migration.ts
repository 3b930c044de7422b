import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Prices asked of the shops: each asking, and each pack of it with what was answered. */
export class Refreshes1764500000005 implements MigrationInterface {
  name = 'Refreshes1764500000005';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE price_refreshes (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        day date NOT NULL,
        state text NOT NULL CHECK (state IN ('running', 'done', 'cancelled')),
        made_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query(`CREATE UNIQUE INDEX price_refreshes_running ON price_refreshes (kitchen_id) WHERE state = 'running'`);
    await runner.query(`
      CREATE TABLE price_refresh_items (
        refresh_id uuid NOT NULL REFERENCES price_refreshes (id) ON DELETE CASCADE,
        position integer NOT NULL,
        food_id text NOT NULL,
        name text NOT NULL,
        shop text NOT NULL,
        net double precision NOT NULL,
        unit text NOT NULL,
        currency text NOT NULL,
        before_price text NOT NULL,
        state text NOT NULL CHECK (state IN ('waiting', 'same', 'changed', 'unlisted', 'failed')),
        price text,
        promotion boolean NOT NULL DEFAULT false,
        message text,
        PRIMARY KEY (refresh_id, position)
      )`);
    await runner.query(`CREATE INDEX price_refresh_items_waiting ON price_refresh_items (refresh_id, position) WHERE state = 'waiting'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE price_refresh_items, price_refreshes');
  }
}
