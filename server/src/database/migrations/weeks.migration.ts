import type { MigrationInterface, QueryRunner } from 'typeorm';

/** People who eat from the boxes, and the weeks they are given to. */
export class Weeks1766500000025 implements MigrationInterface {
  name = 'Weeks1766500000025';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE people (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id text NOT NULL,
        place bigint GENERATED ALWAYS AS IDENTITY,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        archived_at timestamptz,
        PRIMARY KEY (kitchen_id, id)
      )`);
    await runner.query(`
      CREATE TABLE weeks (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id text NOT NULL,
        from_day date NOT NULL,
        revision integer NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, id),
        UNIQUE (kitchen_id, from_day)
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE weeks');
    await runner.query('DROP TABLE people');
  }
}
