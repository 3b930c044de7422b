import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How doors are made that look further than one kitchen. */
const DOORS = 'SECURITY DEFINER SET search_path = public, pg_temp';

/**
 * Work beside requests that any server may take up: a row says who asked for it, how often it was begun, and until when whoever is at it
 * has it. Draws are rows too; files are known by what the database says of them; servers say that they are there.
 */
export class Runs1766800000029 implements MigrationInterface {
  name = 'Runs1766800000029';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE drawings (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        recipe_id text NOT NULL,
        wanted jsonb NOT NULL,
        state text NOT NULL,
        made integer NOT NULL DEFAULT 0,
        draws integer NOT NULL,
        distribution jsonb,
        message text,
        made_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE INDEX drawings_of_kitchen ON drawings (kitchen_id, made_at DESC)');
    await runner.query('ALTER TABLE drawings ENABLE ROW LEVEL SECURITY');
    await runner.query('CREATE POLICY of_the_kitchen ON drawings USING (kitchen_id = (SELECT kitchen_at_hand()))');
    for (const table of ['bundles', 'price_refreshes', 'table_imports', 'drawings']) {
      await runner.query(`
        ALTER TABLE ${table} ADD COLUMN scope jsonb, ADD COLUMN attempt integer NOT NULL DEFAULT 0, ADD COLUMN tries integer NOT NULL DEFAULT 0,
          ADD COLUMN held_until timestamptz NOT NULL DEFAULT '-infinity'`);
      await runner.query(`CREATE INDEX ${table}_held ON ${table} (held_until) WHERE state = 'running'`);
    }
    await runner.query(`
      ALTER TABLE table_imports ADD COLUMN wanted jsonb, ADD COLUMN rows_read integer NOT NULL DEFAULT 0,
        ADD COLUMN bytes_read bigint NOT NULL DEFAULT 0`);
    // What an earlier version was at cannot be gone on with: it did not write down what was wanted.
    await runner.query(`
      UPDATE table_imports SET state = 'interrupted', message = 'The server went away while this was taken in. Nothing was written; start it again.'
      WHERE state = 'running'`);
    await runner.query(`
      CREATE FUNCTION runs_left() RETURNS TABLE (queue text, kitchen_id uuid, id uuid, scope jsonb, place bigint)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT run.queue, run.kitchen_id, run.id, run.scope, row_number() OVER (PARTITION BY run.queue, run.kitchen_id ORDER BY run.made_at)
        FROM (
          SELECT 'bind-cards' AS queue, kitchen_id, id, scope, made_at FROM bundles WHERE state = 'running' AND held_until < now()
          UNION ALL SELECT 'refresh-prices', kitchen_id, id, scope, made_at FROM price_refreshes WHERE state = 'running' AND held_until < now()
          UNION ALL SELECT 'take-tables', kitchen_id, id, scope, made_at FROM table_imports WHERE state = 'running' AND held_until < now()
          UNION ALL SELECT 'draw', kitchen_id, id, scope, made_at FROM drawings WHERE state = 'running' AND held_until < now()
        ) run JOIN kitchens ON kitchens.id = run.kitchen_id WHERE kitchens.deleted_at IS NULL $$`);
    await runner.query(`
      CREATE FUNCTION files_known() RETURNS TABLE (folder text, name text, kitchen_id uuid, bytes bigint)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT 'tables', id::text || '.table', kitchen_id, bytes::bigint FROM table_imports WHERE state <> 'done'
        UNION ALL SELECT 'bundles', id::text, kitchen_id, coalesce(bytes, 0) FROM bundles WHERE state = 'done' $$`);
    await runner.query(`
      CREATE FUNCTION forget_old_tables(days integer) RETURNS SETOF uuid
      LANGUAGE sql ${DOORS} AS $$
        DELETE FROM table_imports WHERE state NOT IN ('done', 'running') AND made_at < now() - make_interval(days => days) RETURNING id $$`);
    await runner.query(`
      CREATE FUNCTION kitchens_changed() RETURNS TABLE (id uuid)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT kitchens.id FROM kitchens WHERE deleted_at IS NULL
          AND EXISTS (SELECT FROM recipe_changes WHERE recipe_changes.kitchen_id = kitchens.id) $$`);
    await runner.query(`
      CREATE TABLE servers (
        id uuid PRIMARY KEY,
        role text NOT NULL,
        host text NOT NULL,
        version text NOT NULL,
        started_at timestamptz NOT NULL DEFAULT now(),
        seen_at timestamptz NOT NULL DEFAULT now(),
        standing jsonb NOT NULL DEFAULT '{}'
      )`);
    // Asked at every request: in this language its plan is made once a connection, and not each time.
    await runner.query(`
      CREATE OR REPLACE FUNCTION admit_session(asked_secret bytea, asked_key text)
      RETURNS TABLE (account_id uuid, session_id uuid, name text, keeper boolean, set_up boolean, seen_at timestamptz, kitchen_id uuid, role text, costs boolean)
      LANGUAGE plpgsql STABLE ${DOORS} AS $$
      #variable_conflict use_column
      BEGIN RETURN QUERY
        SELECT account.id, own.id, account.name, account.keeper,
          account.password IS NOT NULL OR EXISTS (SELECT 1 FROM passkeys WHERE passkeys.account_id = account.id), own.seen_at, kitchen.id, member.role, member.costs
        FROM account_sessions own
        JOIN accounts account ON account.id = own.account_id
        LEFT JOIN kitchens kitchen ON kitchen.key = asked_key AND kitchen.deleted_at IS NULL
          AND EXISTS (SELECT 1 FROM members seat WHERE seat.kitchen_id = kitchen.id AND seat.account_id = account.id)
        LEFT JOIN members member ON member.kitchen_id = kitchen.id AND member.account_id = account.id
        WHERE own.secret = asked_secret AND own.expires_at > now();
      END $$`);
    await runner.query(`
      CREATE OR REPLACE FUNCTION admit_token(asked_secret bytea, asked_key text)
      RETURNS TABLE (account_id uuid, token_id uuid, name text, used_at timestamptz, kitchen_id uuid, role text, costs boolean, rights text[])
      LANGUAGE plpgsql STABLE ${DOORS} AS $$
      #variable_conflict use_column
      BEGIN RETURN QUERY
        SELECT account.id, token.id, account.name, token.used_at, kitchen.id, member.role, member.costs, token.rights
        FROM api_tokens token
        JOIN accounts account ON account.id = token.account_id
        LEFT JOIN kitchens kitchen ON kitchen.id = token.kitchen_id AND kitchen.key = asked_key AND kitchen.deleted_at IS NULL
        LEFT JOIN members member ON member.kitchen_id = kitchen.id AND member.account_id = account.id
        WHERE token.secret = asked_secret AND token.expires_at > now();
      END $$`);
    // Written by who makes them, the owner: the server only reads what became of them.
    await runner.query(`
      CREATE TABLE backups (
        id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
        made_at timestamptz NOT NULL DEFAULT now(),
        name text NOT NULL,
        bytes bigint,
        took_ms integer,
        trouble text,
        gone_at timestamptz
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE servers, backups');
    await runner.query('DROP FUNCTION runs_left, files_known, forget_old_tables, kitchens_changed');
    await runner.query('ALTER TABLE table_imports DROP COLUMN wanted, DROP COLUMN rows_read, DROP COLUMN bytes_read');
    for (const table of ['bundles', 'price_refreshes', 'table_imports'])
      await runner.query(`ALTER TABLE ${table} DROP COLUMN scope, DROP COLUMN attempt, DROP COLUMN tries, DROP COLUMN held_until`);
    await runner.query('DROP TABLE drawings');
  }
}
