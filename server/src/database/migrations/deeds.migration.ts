import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was done, chained so that nothing can be changed or taken out unseen; notes between members; who is at what just now. */
export class Deeds1766700000028 implements MigrationInterface {
  name = 'Deeds1766700000028';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE audit_heads (chain text PRIMARY KEY, seq bigint NOT NULL, hash text NOT NULL)`);
    await runner.query(`
      CREATE TABLE audit_entries (
        chain text NOT NULL,
        seq bigint NOT NULL,
        kitchen_id uuid REFERENCES kitchens (id) ON DELETE CASCADE,
        account_id uuid,
        at timestamptz NOT NULL,
        entry text NOT NULL,
        hash text NOT NULL,
        PRIMARY KEY (chain, seq)
      )`);
    await runner.query('CREATE INDEX audit_entries_account ON audit_entries (account_id, at DESC)');
    await runner.query('ALTER TABLE audit_entries ENABLE ROW LEVEL SECURITY');
    await runner.query('CREATE POLICY of_the_kitchen ON audit_entries USING (kitchen_id = (SELECT kitchen_at_hand()))');
    // Entries of no kitchen are each an account's own.
    await runner.query(`
      CREATE FUNCTION deeds_of_account(asked_account uuid, most integer)
      RETURNS TABLE (seq bigint, at timestamptz, entry text, hash text)
      LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
        SELECT seq, at, entry, hash FROM audit_entries WHERE chain = 'house' AND account_id = asked_account ORDER BY seq DESC LIMIT most $$`);
    // The one way in: the application may not write, change or take out entries itself.
    await runner.query(`
      CREATE FUNCTION note_deed(in_kitchen uuid, by_account uuid, what jsonb, told jsonb) RETURNS bigint
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        chained text := coalesce(in_kitchen::text, 'house');
        head audit_heads;
        now_at timestamptz := clock_timestamp();
        said text;
        made text;
      BEGIN
        IF in_kitchen IS NOT NULL AND in_kitchen IS DISTINCT FROM kitchen_at_hand() THEN
          RAISE EXCEPTION 'a deed is noted in the kitchen it is done in';
        END IF;
        INSERT INTO audit_heads (chain, seq, hash) VALUES (chained, 0, repeat('0', 64)) ON CONFLICT DO NOTHING;
        SELECT * INTO head FROM audit_heads WHERE chain = chained FOR UPDATE;
        said := (what || jsonb_build_object('seq', head.seq + 1, 'at', to_char(now_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')))::text;
        made := encode(sha256(convert_to(head.hash || E'\\n' || said, 'UTF8')), 'hex');
        INSERT INTO audit_entries (chain, seq, kitchen_id, account_id, at, entry, hash)
        VALUES (chained, head.seq + 1, in_kitchen, by_account, now_at, said, made);
        UPDATE audit_heads SET seq = head.seq + 1, hash = made WHERE chain = chained;
        IF in_kitchen IS NOT NULL THEN
          PERFORM pg_notify('portiona_deeds', (told || jsonb_build_object('kitchen', in_kitchen, 'seq', head.seq + 1))::text);
        END IF;
        RETURN head.seq + 1;
      END $$`);
    await runner.query(`
      CREATE TABLE notes (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        id uuid NOT NULL DEFAULT gen_random_uuid(),
        recipe_id text NOT NULL,
        place text NOT NULL,
        about text NOT NULL,
        text text NOT NULL,
        mentions uuid[] NOT NULL DEFAULT '{}',
        made_by uuid REFERENCES accounts (id) ON DELETE SET NULL,
        made_at timestamptz NOT NULL DEFAULT now(),
        edited_at timestamptz,
        done_by uuid REFERENCES accounts (id) ON DELETE SET NULL,
        done_at timestamptz,
        PRIMARY KEY (kitchen_id, id),
        FOREIGN KEY (kitchen_id, recipe_id) REFERENCES recipes (kitchen_id, id) ON DELETE CASCADE
      )`);
    await runner.query('CREATE INDEX notes_recipe ON notes (kitchen_id, recipe_id, made_at)');
    await runner.query(`
      CREATE TABLE notes_seen (
        kitchen_id uuid NOT NULL,
        note_id uuid NOT NULL,
        account_id uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        PRIMARY KEY (kitchen_id, note_id, account_id),
        FOREIGN KEY (kitchen_id, note_id) REFERENCES notes (kitchen_id, id) ON DELETE CASCADE
      )`);
    // Of the moment only: a database that starts anew begins without.
    await runner.query(`
      CREATE UNLOGGED TABLE presences (
        kitchen_id uuid NOT NULL,
        tab text NOT NULL,
        account_id uuid NOT NULL,
        recipe_id text NOT NULL,
        seen_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, tab)
      )`);
    for (const table of ['notes', 'notes_seen', 'presences']) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY of_the_kitchen ON ${table} USING (kitchen_id = (SELECT kitchen_at_hand()))`);
    }
    // What is left of a kitchen thirty days after it was deleted goes at once, in the order in which rows rest on one another.
    await runner.query(`
      CREATE FUNCTION forget_deleted_kitchens(days integer) RETURNS integer
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        gone uuid[] := ARRAY(SELECT id FROM kitchens WHERE deleted_at < now() - make_interval(days => days));
      BEGIN
        DELETE FROM batches WHERE kitchen_id = ANY(gone);
        DELETE FROM recipe_bases WHERE kitchen_id = ANY(gone);
        DELETE FROM published_cards WHERE kitchen_id = ANY(gone);
        DELETE FROM recipes WHERE kitchen_id = ANY(gone);
        DELETE FROM stock WHERE kitchen_id = ANY(gone);
        DELETE FROM packs WHERE kitchen_id = ANY(gone);
        DELETE FROM foods WHERE kitchen_id = ANY(gone);
        DELETE FROM photos WHERE kitchen_id = ANY(gone);
        DELETE FROM recipe_changes WHERE kitchen_id = ANY(gone);
        DELETE FROM recipe_summaries WHERE kitchen_id = ANY(gone);
        DELETE FROM presences WHERE kitchen_id = ANY(gone);
        DELETE FROM kitchens WHERE id = ANY(gone);
        DELETE FROM audit_heads WHERE chain = ANY(SELECT unnest(gone)::text);
        DELETE FROM recipe_changes WHERE kitchen_id = ANY(gone);
        RETURN coalesce(array_length(gone, 1), 0);
      END $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION note_deed, deeds_of_account, forget_deleted_kitchens');
    await runner.query('DROP TABLE presences, notes_seen, notes, audit_entries, audit_heads');
  }
}
