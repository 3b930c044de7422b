import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sessions of several dishes, what is in stock, and how far the shopping for them has come. */
export class Sessions1766400000024 implements MigrationInterface {
  name = 'Sessions1766400000024';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE sessions (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id text NOT NULL,
        date date NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        archived_at timestamptz,
        PRIMARY KEY (kitchen_id, id)
      )`);
    await runner.query('CREATE INDEX sessions_days ON sessions (kitchen_id, date)');
    await runner.query(`
      CREATE TABLE stock (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id uuid NOT NULL,
        place bigint GENERATED ALWAYS AS IDENTITY,
        food_id text NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, id),
        FOREIGN KEY (kitchen_id, food_id) REFERENCES foods (kitchen_id, id)
      )`);
    await runner.query('CREATE INDEX stock_foods ON stock (kitchen_id, food_id)');
    await runner.query(`
      CREATE TABLE stock_taken (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        batch_id text NOT NULL,
        at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, batch_id),
        FOREIGN KEY (kitchen_id, batch_id) REFERENCES batches (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query(`
      CREATE TABLE shopping_ticks (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        sessions text NOT NULL,
        pack text NOT NULL,
        state text NOT NULL CHECK (state IN ('bought', 'missing', 'open')),
        count integer NOT NULL,
        paid text,
        at timestamptz NOT NULL,
        put_away boolean NOT NULL DEFAULT false,
        PRIMARY KEY (kitchen_id, sessions, pack)
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE shopping_ticks');
    await runner.query('DROP TABLE stock_taken');
    await runner.query('DROP TABLE stock');
    await runner.query('DROP TABLE sessions');
  }
}
