import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Food tables taken in: each file with how far it got and what came of it, and mappings kept for the next edition. */
export class FoodTables1764300000003 implements MigrationInterface {
  name = 'FoodTables1764300000003';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE table_imports (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        file_name text NOT NULL,
        bytes integer NOT NULL,
        encoding text NOT NULL,
        state text NOT NULL CHECK (state IN ('ready', 'running', 'done', 'cancelled', 'failed', 'interrupted')),
        table_name text,
        result jsonb,
        message text,
        made_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query(`
      CREATE TABLE table_mappings (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        name text NOT NULL,
        mapping jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, name)
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE table_mappings, table_imports');
  }
}
