import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Cards bound together: booklets, and archives of every format; made as a job, and kept for a while. */
export class Bundles1766300000023 implements MigrationInterface {
  name = 'Bundles1766300000023';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE bundles (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        kind text NOT NULL CHECK (kind IN ('booklet', 'archive')),
        series text,
        format text NOT NULL,
        of text NOT NULL CHECK (of IN ('published', 'drafts')),
        state text NOT NULL CHECK (state IN ('running', 'done', 'cancelled', 'failed')),
        done integer NOT NULL DEFAULT 0,
        total integer NOT NULL,
        left_out jsonb NOT NULL DEFAULT '[]',
        message text,
        bytes bigint,
        made_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE INDEX bundles_made ON bundles (kitchen_id, made_at DESC)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE bundles');
  }
}
