import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Tables whose rows each say the kitchen they belong to. */
const OF_A_KITCHEN = [
  'batch_edits',
  'batch_foods',
  'batch_revisions',
  'batches',
  'bundles',
  'food_revisions',
  'food_words',
  'foods',
  'packs',
  'people',
  'photos',
  'price_refreshes',
  'published_cards',
  'receipt_names',
  'recipe_bases',
  'recipe_changes',
  'recipe_foods',
  'recipe_revisions',
  'recipe_summaries',
  'recipes',
  'requests_done',
  'sessions',
  'shopping_ticks',
  'stock',
  'stock_taken',
  'table_imports',
  'table_mappings',
  'weeks',
  'api_tokens',
  'invitations',
];

/** Functions that look further than one kitchen: each a narrow door, owned by who owns the tables. */
const DOORS = `SECURITY DEFINER SET search_path = public, pg_temp`;

/**
 * Accounts and how they come in, members of kitchens, tokens, mail; and the second wall: a row of a kitchen is seen only by a connection
 * that works in that kitchen. Whoever owns the tables is not held by it, and the application connects as somebody else.
 */
export class Accounts1766600000027 implements MigrationInterface {
  name = 'Accounts1766600000027';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE accounts (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        name text NOT NULL,
        email text,
        password text,
        keeper boolean NOT NULL DEFAULT false,
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE UNIQUE INDEX accounts_email ON accounts (email)');
    await runner.query(`
      CREATE TABLE account_sessions (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        account_id uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        secret bytea NOT NULL UNIQUE,
        way text NOT NULL,
        address text NOT NULL,
        agent text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        seen_at timestamptz NOT NULL DEFAULT now(),
        expires_at timestamptz NOT NULL
      )`);
    await runner.query('CREATE INDEX account_sessions_account ON account_sessions (account_id)');
    await runner.query(`
      CREATE TABLE account_links (
        secret bytea PRIMARY KEY,
        kind text NOT NULL CHECK (kind IN ('enter', 'reset')),
        account_id uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        made_at timestamptz NOT NULL DEFAULT now(),
        expires_at timestamptz NOT NULL
      )`);
    await runner.query(`
      CREATE TABLE passkeys (
        id text PRIMARY KEY,
        account_id uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        name text NOT NULL,
        public_key bytea NOT NULL,
        counter bigint NOT NULL,
        transports text[] NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        used_at timestamptz
      )`);
    await runner.query('CREATE INDEX passkeys_account ON passkeys (account_id)');
    await runner.query(`
      CREATE TABLE passkey_challenges (
        challenge text PRIMARY KEY,
        account_id uuid REFERENCES accounts (id) ON DELETE CASCADE,
        expires_at timestamptz NOT NULL
      )`);
    await runner.query('CREATE TABLE rate_limits (key varchar(255) PRIMARY KEY, points integer NOT NULL DEFAULT 0, expire bigint)');
    await runner.query(`
      CREATE TABLE letters (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        sent_to text NOT NULL,
        subject text NOT NULL,
        text text NOT NULL,
        sent_at timestamptz NOT NULL DEFAULT now()
      )`);
    await this.#members(runner);
    await this.#doors(runner);
    for (const table of OF_A_KITCHEN) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY of_the_kitchen ON ${table} USING (kitchen_id = (SELECT kitchen_at_hand()))`);
    }
    for (const [table, rule] of [
      ['kitchens', 'id = (SELECT kitchen_at_hand())'],
      ['members', 'kitchen_id = (SELECT kitchen_at_hand())'],
      ['price_refresh_items', 'EXISTS (SELECT 1 FROM price_refreshes own WHERE own.id = refresh_id)'],
    ]) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY of_the_kitchen ON ${table} USING (${rule})`);
    }
  }

  async #members(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE kitchens ADD COLUMN key text, ADD COLUMN deleted_at timestamptz');
    // What stands in its address: nobody can guess it, and it says nothing.
    const key = `lower(substr(translate(encode(sha256(gen_random_uuid()::text::bytea), 'base64'), '+/=', ''), 1, 10))`;
    await runner.query(`UPDATE kitchens SET key = ${key}`);
    await runner.query(`ALTER TABLE kitchens ALTER COLUMN key SET NOT NULL, ALTER COLUMN key SET DEFAULT ${key}`);
    await runner.query('CREATE UNIQUE INDEX kitchens_key ON kitchens (key)');
    await runner.query(`
      CREATE TABLE members (
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        account_id uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        role text NOT NULL CHECK (role IN ('owner', 'editor', 'tester', 'viewer')),
        costs boolean NOT NULL,
        joined_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (kitchen_id, account_id)
      )`);
    await runner.query('CREATE INDEX members_account ON members (account_id)');
    await runner.query(`
      CREATE TABLE invitations (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        secret bytea NOT NULL UNIQUE,
        role text NOT NULL CHECK (role IN ('owner', 'editor', 'tester', 'viewer')),
        costs boolean NOT NULL,
        email text,
        made_by uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        made_at timestamptz NOT NULL DEFAULT now(),
        expires_at timestamptz NOT NULL
      )`);
    await runner.query(`
      CREATE TABLE api_tokens (
        id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
        kitchen_id uuid NOT NULL REFERENCES kitchens (id) ON DELETE CASCADE,
        account_id uuid NOT NULL REFERENCES accounts (id) ON DELETE CASCADE,
        name text NOT NULL,
        secret bytea NOT NULL UNIQUE,
        rights text[] NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        used_at timestamptz,
        expires_at timestamptz NOT NULL
      )`);
    await runner.query('CREATE INDEX api_tokens_kitchen ON api_tokens (kitchen_id)');
  }

  async #doors(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE FUNCTION kitchen_at_hand() RETURNS uuid LANGUAGE sql STABLE AS
      $$ SELECT NULLIF(current_setting('portiona.kitchen', true), '')::uuid $$`);
    await runner.query(`
      CREATE FUNCTION admit_session(asked_secret bytea, asked_key text)
      RETURNS TABLE (account_id uuid, session_id uuid, name text, keeper boolean, set_up boolean, seen_at timestamptz, kitchen_id uuid, role text, costs boolean)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT account.id, own.id, account.name, account.keeper,
          account.password IS NOT NULL OR EXISTS (SELECT 1 FROM passkeys WHERE passkeys.account_id = account.id), own.seen_at, kitchen.id, member.role, member.costs
        FROM account_sessions own
        JOIN accounts account ON account.id = own.account_id
        LEFT JOIN kitchens kitchen ON kitchen.key = asked_key AND kitchen.deleted_at IS NULL
          AND EXISTS (SELECT 1 FROM members seat WHERE seat.kitchen_id = kitchen.id AND seat.account_id = account.id)
        LEFT JOIN members member ON member.kitchen_id = kitchen.id AND member.account_id = account.id
        WHERE own.secret = asked_secret AND own.expires_at > now() $$`);
    await runner.query(`
      CREATE FUNCTION admit_token(asked_secret bytea, asked_key text)
      RETURNS TABLE (account_id uuid, token_id uuid, name text, used_at timestamptz, kitchen_id uuid, role text, costs boolean, rights text[])
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT account.id, token.id, account.name, token.used_at, kitchen.id, member.role, member.costs, token.rights
        FROM api_tokens token
        JOIN accounts account ON account.id = token.account_id
        LEFT JOIN kitchens kitchen ON kitchen.id = token.kitchen_id AND kitchen.key = asked_key AND kitchen.deleted_at IS NULL
        LEFT JOIN members member ON member.kitchen_id = kitchen.id AND member.account_id = account.id
        WHERE token.secret = asked_secret AND token.expires_at > now() $$`);
    await runner.query(`
      CREATE FUNCTION kitchens_of(asked_account uuid)
      RETURNS TABLE (id uuid, key text, name text, role text, costs boolean, deleted_at timestamptz, owners integer, members integer)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT kitchen.id, kitchen.key, kitchen.name, own.role, own.costs, kitchen.deleted_at,
          (SELECT count(*)::int FROM members every WHERE every.kitchen_id = kitchen.id AND every.role = 'owner'),
          (SELECT count(*)::int FROM members every WHERE every.kitchen_id = kitchen.id)
        FROM members own JOIN kitchens kitchen ON kitchen.id = own.kitchen_id
        WHERE own.account_id = asked_account
        ORDER BY kitchen.created_at, kitchen.id $$`);
    await runner.query(`
      CREATE FUNCTION every_kitchen() RETURNS TABLE (id uuid, deleted boolean)
      LANGUAGE sql STABLE ${DOORS} AS $$ SELECT id, deleted_at IS NOT NULL FROM kitchens ORDER BY created_at, id $$`);
    // Only an owner may: after many foods were written.
    await runner.query(`
      CREATE FUNCTION settle_food_words() RETURNS void LANGUAGE plpgsql ${DOORS} AS $$ BEGIN
        PERFORM gin_clean_pending_list('foods_words_text'), gin_clean_pending_list('food_words_trigrams');
        ANALYZE foods, food_words, food_revisions;
      END $$`);
    await runner.query(`
      CREATE FUNCTION kitchen_read_under(asked_name text) RETURNS uuid
      LANGUAGE sql STABLE ${DOORS} AS
      $$ SELECT id FROM kitchens WHERE readers_on AND readers_name = asked_name AND deleted_at IS NULL $$`);
    await runner.query(`
      CREATE FUNCTION names_read_under() RETURNS TABLE (name text)
      LANGUAGE sql STABLE ${DOORS} AS
      $$ SELECT readers_name FROM kitchens WHERE readers_on AND deleted_at IS NULL ORDER BY readers_name $$`);
    await runner.query(`
      CREATE FUNCTION invitation_of(asked_secret bytea)
      RETURNS TABLE (id uuid, kitchen_id uuid, kitchen text, role text, costs boolean, email text, made_by text)
      LANGUAGE sql STABLE ${DOORS} AS $$
        SELECT invitation.id, kitchen.id, kitchen.name, invitation.role, invitation.costs, invitation.email, account.name
        FROM invitations invitation
        JOIN kitchens kitchen ON kitchen.id = invitation.kitchen_id AND kitchen.deleted_at IS NULL
        JOIN accounts account ON account.id = invitation.made_by
        WHERE invitation.secret = asked_secret AND invitation.expires_at > now() $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of [...OF_A_KITCHEN, 'kitchens', 'price_refresh_items'].filter(
      (name) => name !== 'api_tokens' && name !== 'invitations',
    )) {
      await runner.query(`DROP POLICY of_the_kitchen ON ${table}`);
      await runner.query(`ALTER TABLE ${table} DISABLE ROW LEVEL SECURITY`);
    }
    await runner.query(
      'DROP TABLE letters, rate_limits, passkey_challenges, passkeys, account_links, account_sessions, api_tokens, invitations, members, accounts',
    );
    await runner.query(
      'DROP FUNCTION admit_session, admit_token, kitchens_of, every_kitchen, settle_food_words, kitchen_read_under, names_read_under, invitation_of, kitchen_at_hand',
    );
    await runner.query('ALTER TABLE kitchens DROP COLUMN key, DROP COLUMN deleted_at');
  }
}
