import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Packs are put away, never deleted: what was paid stays explicable. The prices of today are found without reading all that came before. */
export class PacksPutAway1765300000013 implements MigrationInterface {
  name = 'PacksPutAway1765300000013';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE packs ADD COLUMN put_away_at timestamptz');
  }

  async down(runner: QueryRunner): Promise<void> {
    // What cannot be told apart any more would count again.
    await runner.query('DELETE FROM packs WHERE put_away_at IS NOT NULL');
    await runner.query('ALTER TABLE packs DROP COLUMN put_away_at');
  }
}
