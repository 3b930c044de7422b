import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How doors are made that look further than one kitchen. */
const DOORS = 'SECURITY DEFINER SET search_path = public, pg_temp';

/** What is running and held by nobody, in which `held` says what that is. */
const runsLeft = (held: string) => `
  CREATE OR REPLACE FUNCTION runs_left() RETURNS TABLE (queue text, kitchen_id uuid, id uuid, scope jsonb, place bigint)
  LANGUAGE sql STABLE ${DOORS} AS $$
    SELECT run.queue, run.kitchen_id, run.id, run.scope, row_number() OVER (PARTITION BY run.queue, run.kitchen_id ORDER BY run.made_at)
    FROM (
      SELECT 'bind-cards' AS queue, kitchen_id, id, scope, made_at FROM bundles WHERE state = 'running' AND ${held}
      UNION ALL SELECT 'refresh-prices', kitchen_id, id, scope, made_at FROM price_refreshes WHERE state = 'running' AND ${held}
      UNION ALL SELECT 'take-tables', kitchen_id, id, scope, made_at FROM table_imports WHERE state = 'running' AND ${held}
      UNION ALL SELECT 'draw', kitchen_id, id, scope, made_at FROM drawings WHERE state = 'running' AND ${held}
    ) run JOIN kitchens ON kitchens.id = run.kitchen_id WHERE kitchens.deleted_at IS NULL $$`;

/** A run that was held by a clock which went back since is held for no longer than any other: nobody holds one for more than a minute. */
export class ClockJumps1766900000030 implements MigrationInterface {
  name = 'ClockJumps1766900000030';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE FUNCTION is_let_go(held_until timestamptz) RETURNS boolean
      LANGUAGE sql STABLE AS $$ SELECT held_until < now() OR held_until > now() + interval '1 minute' $$`);
    await runner.query(runsLeft('is_let_go(held_until)'));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(runsLeft('held_until < now()'));
    await runner.query('DROP FUNCTION is_let_go(timestamptz)');
  }
}
