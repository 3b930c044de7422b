import type { MigrationInterface, QueryRunner } from 'typeorm';

/** First half of the key of the lock under which one writes alone in a kitchen. */
const KITCHEN_LOCKS = 0x706f7274;

/**
 * Somebody ends their own account: in one go, over all kitchens they are in, each of which keeps an owner. What they did stays in the logs,
 * with the name it was done under; versions that they saved are told as saved by somebody who left.
 */
export class OwnAccountEnds1767100000032 implements MigrationInterface {
  name = 'OwnAccountEnds1767100000032';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE FUNCTION end_account(who uuid, from_where text) RETURNS text[]
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        here text := coalesce(current_setting('portiona.kitchen', true), '');
        one uuid;
        whom jsonb;
        orphans text[];
      BEGIN
        -- In an order, so that two who do it at once do not wait for each other.
        FOR one IN SELECT kitchen_id FROM members WHERE account_id = who ORDER BY kitchen_id LOOP
          PERFORM pg_advisory_xact_lock(${KITCHEN_LOCKS}, hashtext(one::text));
        END LOOP;
        SELECT array_agg(kitchen.name ORDER BY lower(kitchen.name)) INTO orphans
          FROM members own JOIN kitchens kitchen ON kitchen.id = own.kitchen_id
          WHERE own.account_id = who AND own.role = 'owner' AND kitchen.deleted_at IS NULL
            AND NOT EXISTS (SELECT 1 FROM members other
              WHERE other.kitchen_id = own.kitchen_id AND other.account_id <> who AND other.role = 'owner');
        IF orphans IS NOT NULL THEN
          RETURN orphans;
        END IF;
        SELECT jsonb_build_object('id', id, 'name', name) INTO whom FROM accounts WHERE id = who AND NOT keeper FOR UPDATE;
        IF whom IS NULL THEN
          RAISE EXCEPTION 'whoever looks after the installation stays';
        END IF;
        FOR one IN SELECT kitchen_id FROM members WHERE account_id = who ORDER BY kitchen_id LOOP
          PERFORM set_config('portiona.kitchen', one::text, true);
          PERFORM note_deed(one, who, jsonb_build_object('does', 'leaveKitchen', 'by', whom, 'from', from_where),
            jsonb_build_object('does', 'leaveKitchen', 'to', '', 'by', whom, 'tab', ''));
        END LOOP;
        PERFORM set_config('portiona.kitchen', here, true);
        DELETE FROM presences WHERE account_id = who;
        DELETE FROM accounts WHERE id = who;
        RETURN '{}';
      END $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION end_account(uuid, text)');
  }
}
